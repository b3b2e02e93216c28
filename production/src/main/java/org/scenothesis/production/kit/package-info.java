/// What the user owns, kept beside no production: one file for all of them.
@NullMarked
package org.scenothesis.production.kit;

import org.jspecify.annotations.NullMarked;
