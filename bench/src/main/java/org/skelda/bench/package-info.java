/**
 * Measurements of the running server over loopback, each beside something bare in the same run, since machines are
 * noisy. Reading order: {@link org.skelda.bench.ServerBench}, {@link org.skelda.bench.BenchClient},
 * {@link org.skelda.bench.ColdStart}.
 */
package org.skelda.bench;
