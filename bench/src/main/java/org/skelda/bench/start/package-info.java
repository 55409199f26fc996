/**
 * Measurements of the judgement of starts: {@link org.skelda.bench.start.StartBench} its speed,
 * {@link org.skelda.bench.start.ForecastTrial} the forecast against other methods.
 */
package org.skelda.bench.start;
