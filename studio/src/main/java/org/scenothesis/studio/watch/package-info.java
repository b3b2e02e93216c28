/// A take watched against its reference: the model and the picture that Shoot and Match share.
@NullMarked
package org.scenothesis.studio.watch;

import org.jspecify.annotations.NullMarked;
