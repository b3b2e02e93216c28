/// What a production begins with: a title, a format, an illusion, what its user owns.
@NullMarked
package org.scenothesis.production.begin;

import org.jspecify.annotations.NullMarked;
