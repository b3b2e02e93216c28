/// Measures footage with the core's meters and keeps the results beside it, by content: lock checks and matte checks.
@NullMarked
package org.scenothesis.production.measure;

import org.jspecify.annotations.NullMarked;
