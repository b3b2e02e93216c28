/// The camera of a picture, from what can be marked in it: edges that run alike, the horizon, known lengths.
@NullMarked
package org.scenothesis.core.perspective;

import org.jspecify.annotations.NullMarked;
