/// Findings: what was measured, against which limit, and the verdict. Codes and numbers only; words are made where they are shown.
@NullMarked
package org.scenothesis.core.finding;

import org.jspecify.annotations.NullMarked;
