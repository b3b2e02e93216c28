/// Staged sets for others to read: as a tree, as drawings at scale, as a scene in three dimensions.
@NullMarked
package org.scenothesis.production.stage;

import org.jspecify.annotations.NullMarked;
