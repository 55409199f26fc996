package org.skelda.core.attempt;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.ExpectedAndGot;

/**
 * What is remembered of an attempt once it has ended. Null where a number was not measured or not reached.
 *
 * @param outcome its name in files
 * @param lasted from starter on to its end
 * @param peak_c hottest reading, degC
 * @param timeToLightOff from fuel on
 * @param timeToIdle from starter on
 * @param flowAtLightOff_kgph kg/h
 * @param dip_v lowest bus volts within 2.0 s of starter on, V
 * @param resistance_mohm of what fed the starter, at the instant of the dip, mOhm
 * @param motoring_pct highest start spool before fuel, %
 * @param starterOn how long the starter was on
 */
public record AttemptSummary(
        String outcome,
        Duration lasted,
        @Nullable Double peak_c,
        @Nullable Duration timeToLightOff,
        @Nullable Duration timeToIdle,
        @Nullable Double flowAtLightOff_kgph,
        @Nullable Double dip_v,
        @Nullable Double resistance_mohm,
        @Nullable Double motoring_pct,
        Duration starterOn) {
    private static final double NANOS_PER_s = 1e9;

    /** Of a finished report. */
    public static AttemptSummary of(AttemptReport report) {
        AttemptReport.Remembered figures = report.figures();
        return new AttemptSummary(
                report.outcome().code(),
                report.lasted(),
                report.peak() == null ? null : (Double) report.peak().value_c(),
                figures.timeToLightOff(),
                figures.timeToIdle(),
                figures.flowAtLightOff_kgph(),
                figures.dip_v(),
                figures.resistance_mohm(),
                figures.motoring_pct(),
                figures.starterOn());
    }

    /** With what the crew read off; null leaves what was there. */
    AttemptSummary typed(@Nullable Double typedPeak_c, @Nullable Double typedDip_v) {
        return new AttemptSummary(
                outcome,
                lasted,
                typedPeak_c == null ? peak_c : typedPeak_c,
                timeToLightOff,
                timeToIdle,
                flowAtLightOff_kgph,
                typedDip_v == null ? dip_v : typedDip_v,
                resistance_mohm,
                motoring_pct,
                starterOn);
    }

    /**
     * What came of it, to stand beside what was expected. What an engine shows that never lit is the day's warmth, or
     * the heat of a run before, and no peak.
     *
     * @param read whether it was read; a peak that was told is one
     */
    public ExpectedAndGot.Got got(boolean read) {
        return new ExpectedAndGot.Got(
                dip_v, seconds(timeToLightOff), read && timeToLightOff == null ? null : peak_c, seconds(timeToIdle));
    }

    private static @Nullable Double seconds(@Nullable Duration time) {
        return time == null ? null : (Double) (time.toNanos() / NANOS_PER_s);
    }
}
