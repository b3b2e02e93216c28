/// The command line: every computation without a window. With `--json` one object on standard output, messages on standard error.
///
/// Exit codes: 0 done, 1 a problem with the input said in one sentence, 2 wrong usage.
@NullMarked
package org.scenothesis.cli;

import org.jspecify.annotations.NullMarked;
