/// What all illusions of a shot are laid on: a frame filmed here, one filmed elsewhere by the same crew, or a picture that exists already.
/// All of them follow.
@NullMarked
package org.scenothesis.core.breakdown.base;

import org.jspecify.annotations.NullMarked;
