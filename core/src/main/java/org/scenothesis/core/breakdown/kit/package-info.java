/// What a crew owns: told once for all productions, and told to shots from there.
@NullMarked
package org.scenothesis.core.breakdown.kit;

import org.jspecify.annotations.NullMarked;
