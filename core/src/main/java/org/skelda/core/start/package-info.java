/**
 * The start of an engine: watched sample by sample, judged, and what follows when it goes wrong.
 *
 * <p>Read in this order.
 *
 * <ol>
 *   <li>{@link org.skelda.core.start.StartProfile}: the numbers of a type, and
 *       {@link org.skelda.core.start.ProfileChecks}, what contradicts itself in them.
 *   <li>{@link org.skelda.core.start.Sample} and {@link org.skelda.core.start.Parameter}: what is measured.
 *   <li>{@link org.skelda.core.start.StartMonitor}: samples and time in, reports and a verdict out. It keeps the
 *       signals and the switches, and one attempt at a time.
 *   <li>{@link org.skelda.core.start.Milestone} with its rules: what happens once in a start.
 *   <li>{@link org.skelda.core.start.FindingId} and one small rule for each row of its table: supply, turning, fuel,
 *       light, temperature, acceleration, starter, idle, and what follows a cut. A rule says when it looks by the
 *       interface it implements.
 *   <li>{@link org.skelda.core.start.AttemptReport}, {@link org.skelda.core.start.Outcome},
 *       {@link org.skelda.core.start.Margin}, {@link org.skelda.core.start.Verdict}: what is said of it.
 *   <li>{@link org.skelda.core.start.TemperatureForecast}: whether a limit is about to be exceeded. How it was chosen
 *       is told in docs/forecast.md.
 *   <li>{@link org.skelda.core.start.Ladder} and {@link org.skelda.core.start.Lane}: what the desk of a start shows of
 *       it.
 *   <li>{@link org.skelda.core.start.BeforeStart}, {@link org.skelda.core.start.AfterCut},
 *       {@link org.skelda.core.start.StarterDuty}: before the starter, after a cut, and when the starter may engage
 *       again.
 * </ol>
 *
 * <p>Inside, time is microseconds on the clock of the samples ({@code _us}); what leaves is {@link java.time.Duration}
 * since starter on. Units: %, rpm, degC, kg/h, kPa gauge, V, A. What is not here: files, the feed, pages, and the APU's
 * own start.
 */
@NullMarked
package org.skelda.core.start;

import org.jspecify.annotations.NullMarked;
