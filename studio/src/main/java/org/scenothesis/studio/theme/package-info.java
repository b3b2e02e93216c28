/// Colours, type and the tape marks. Colours are tokens of `theme.css`; none are written in Java.
@NullMarked
package org.scenothesis.studio.theme;

import org.jspecify.annotations.NullMarked;
