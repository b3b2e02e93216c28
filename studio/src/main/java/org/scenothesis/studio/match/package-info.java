/// Two plates over each other with their measured differences.
@NullMarked
package org.scenothesis.studio.match;

import org.jspecify.annotations.NullMarked;
