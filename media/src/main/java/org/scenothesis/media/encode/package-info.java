/// Films and stills written: encoders, containers, the joining of parts, the sound that goes with them.
@NullMarked
package org.scenothesis.media.encode;

import org.jspecify.annotations.NullMarked;
