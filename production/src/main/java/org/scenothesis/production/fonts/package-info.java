/// The shipped fonts (OFL; the licence lies beside them).
@NullMarked
package org.scenothesis.production.fonts;

import org.jspecify.annotations.NullMarked;
