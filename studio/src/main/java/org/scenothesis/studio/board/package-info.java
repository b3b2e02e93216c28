/// Plates against measurements, and the one thing to do next.
@NullMarked
package org.scenothesis.studio.board;

import org.jspecify.annotations.NullMarked;
