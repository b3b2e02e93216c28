/// The frame around the benches: bench line, plate shelf, findings line, background work, keys, and the session they share.
@NullMarked
package org.scenothesis.studio.house;

import org.jspecify.annotations.NullMarked;
