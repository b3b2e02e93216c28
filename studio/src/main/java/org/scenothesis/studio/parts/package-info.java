/// Small controls shared by the benches: marks, slips, pictures, plots, strips, number fields.
@NullMarked
package org.scenothesis.studio.parts;

import org.jspecify.annotations.NullMarked;
