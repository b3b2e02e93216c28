/// What a number of the document is beside its value: how it changes over the shot, and where it comes from.
@NullMarked
package org.scenothesis.core.value;

import org.jspecify.annotations.NullMarked;
