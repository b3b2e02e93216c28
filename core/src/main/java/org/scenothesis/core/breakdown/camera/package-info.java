/// How every set-up of a shot is photographed: one card each, and who leads and who follows.
@NullMarked
package org.scenothesis.core.breakdown.camera;

import org.jspecify.annotations.NullMarked;
