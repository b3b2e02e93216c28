/// A staged set on paper: plan and elevation at scale, in metres, with the lengths a crew measures by.
///
/// - Plan: across the world's X, up its Z. Elevation: across its Z, up its Y.
@NullMarked
package org.scenothesis.core.stage.draw;

import org.jspecify.annotations.NullMarked;
