/// How far two pictures are apart in colour, contrast, sharpness and grain.
@NullMarked
package org.scenothesis.core.compare;

import org.jspecify.annotations.NullMarked;
