/// Benchmarks. [org.scenothesis.bench.Ratios] prints ratios measured alternately in one run; the JMH classes measure kernels alone.
@NullMarked
package org.scenothesis.bench;

import org.jspecify.annotations.NullMarked;
