/// The first window: begin a production, open one, look round the example.
@NullMarked
package org.scenothesis.studio.first;

import org.jspecify.annotations.NullMarked;
