/// Marks of pictures as files, and cameras and lights found from them.
@NullMarked
package org.scenothesis.production.match;

import org.jspecify.annotations.NullMarked;
