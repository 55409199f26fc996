package org.skelda.core.start;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Exceedance;
import org.skelda.core.limit.Signal;

/**
 * What is to be said of one attempt. Times but the first count from starter on.
 *
 * @param startedAt_us when the starter went on, on the clock of the samples
 * @param lasted until it ended, or so far
 * @param ended whether it has ended
 * @param outcome how it ended, or would if nothing more came
 * @param milestones when each was reached; those that were not are missing
 * @param findings by time, then by the order of their table
 * @param exceedances of the start limits, by limit from the lowest up
 * @param gaps without readings over 1.5 s
 * @param peak hottest reading; null before there was one
 * @param figures what else is remembered of it
 * @param margins to every limit that can be told so far
 * @param spoolAt_pct start spool (%) at each milestone that was reached while it was known
 */
public record AttemptReport(
        long startedAt_us,
        Duration lasted,
        boolean ended,
        Outcome outcome,
        Map<Milestone, Duration> milestones,
        List<Finding> findings,
        List<Exceedance> exceedances,
        List<DataGap> gaps,
        @Nullable Peak peak,
        Remembered figures,
        List<Margin> margins,
        Map<Milestone, Double> spoolAt_pct) {

    public AttemptReport {
        spoolAt_pct = Map.copyOf(spoolAt_pct);
        milestones = Map.copyOf(milestones);
        findings = List.copyOf(findings);
        exceedances = List.copyOf(exceedances);
        gaps = List.copyOf(gaps);
        margins = List.copyOf(margins);
    }

    /**
     * @param from last reading before the gap, or starter on; @param to first one after it, or the end of what is known
     */
    public record DataGap(Parameter parameter, Duration from, Duration to) {}

    /** @param value_c degC; @param at when */
    public record Peak(double value_c, Duration at) {}

    /**
     * @param fuelPreferred when fuel would best have come on; null when that never was
     * @param motoring_pct highest start spool on the starter before fuel, %; null when it did not turn
     * @param dip_v lowest bus volts within 2.0 s of starter on, V; null where they are not measured
     * @param resistance_mohm of what fed the starter, at the instant of the dip, mOhm; null where no ammeter sees it
     * @param timeToLightOff from fuel on; null when it did not light
     * @param timeToIdle from starter on; null when idle was not reached
     * @param flowAtLightOff_kgph kg/h; null when it did not light or flow was not read
     * @param starterOn how long the starter was on
     * @param lowestDuct_kpa lowest duct pressure with the starter on, kPa gauge; null where it is not measured
     * @param driveLost whether the starter did not turn the engine although it took air or current, or the spool fell
     *     on it
     * @param engineRan whether the engine ran when the starter engaged
     */
    public record Remembered(
            @Nullable Duration fuelPreferred,
            @Nullable Double motoring_pct,
            @Nullable Double dip_v,
            @Nullable Double resistance_mohm,
            @Nullable Duration timeToLightOff,
            @Nullable Duration timeToIdle,
            @Nullable Double flowAtLightOff_kgph,
            Duration starterOn,
            @Nullable Double lowestDuct_kpa,
            boolean driveLost,
            boolean engineRan) {}

    /** When a milestone was reached, since starter on. */
    public Optional<Duration> reached(Milestone milestone) {
        return Optional.ofNullable(milestones.get(milestone));
    }

    /** Whether a finding was raised that ends the start. */
    public boolean wasCut() {
        return findings.stream().anyMatch(finding -> finding.action().cuts());
    }

    /** With a finding of the watch after its cut. */
    AttemptReport with(Finding finding) {
        List<Finding> more = new ArrayList<>(findings);
        more.add(finding);
        more.sort(Finding.IN_ORDER);
        return new AttemptReport(
                startedAt_us,
                lasted,
                ended,
                outcome,
                milestones,
                more,
                exceedances,
                gaps,
                peak,
                figures,
                margins,
                spoolAt_pct);
    }

    static AttemptReport of(Attempt a) {
        List<Finding> findings = a.findings().stream().sorted(Finding.IN_ORDER).toList();
        List<Exceedance> exceedances = a.limitWatches().stream()
                .flatMap(watch -> watch.exceedance(a.startedAt_us(), a.figures().peak_c()).stream())
                .toList();
        Map<Milestone, Duration> milestones = milestones(a);
        Remembered remembered = remembered(a, milestones);
        Figures figures = a.figures();
        Peak peak = figures.peakAt_us() == Signal.NEVER
                ? null
                : new Peak(figures.peak_c(), a.sinceStart(figures.peakAt_us()));
        return new AttemptReport(
                a.startedAt_us(),
                a.sinceStart(a.now_us()),
                a.isEnded(),
                outcome(a, findings, !exceedances.isEmpty()),
                milestones,
                findings,
                exceedances,
                gaps(a),
                peak,
                remembered,
                Margins.of(a.profile(), milestones, remembered, peak, a.limitWatches()),
                spools(a, milestones));
    }

    private static Map<Milestone, Double> spools(Attempt a, Map<Milestone, Duration> milestones) {
        Map<Milestone, Double> spools = new EnumMap<>(Milestone.class);
        for (Milestone milestone : milestones.keySet()) {
            double spool = a.spoolAt_pct(milestone);
            if (!Double.isNaN(spool)) {
                spools.put(milestone, spool);
            }
        }
        return spools;
    }

    private static Outcome outcome(Attempt a, List<Finding> findings, boolean exceeded) {
        return Outcome.decidedBy(findings, exceeded)
                .orElseGet(() -> Outcome.of(
                        a.wasBlind()
                                ? Outcome.Kind.UNKNOWN
                                : a.isReached(Milestone.IDLE)
                                        ? Outcome.Kind.NORMAL
                                        : a.isReached(Milestone.FUEL_ON)
                                                        && !a.switches().fuel()
                                                ? Outcome.Kind.CREW_ABORT
                                                : !a.isReached(Milestone.FUEL_ON) && !a.engineRan() && !a.starter()
                                                        ? Outcome.Kind.DRY_MOTOR
                                                        : Outcome.Kind.INCOMPLETE));
    }

    private static Map<Milestone, Duration> milestones(Attempt a) {
        Map<Milestone, Duration> reached = new EnumMap<>(Milestone.class);
        for (Milestone milestone : Milestone.values()) {
            if (a.isReached(milestone)) {
                reached.put(milestone, a.sinceStart(a.at_us(milestone)));
            }
        }
        return reached;
    }

    private static Remembered remembered(Attempt a, Map<Milestone, Duration> milestones) {
        Duration lit = milestones.get(Milestone.LIGHT_OFF);
        Duration fuel = milestones.get(Milestone.FUEL_ON);
        long preferred = a.figures().preferred_us();
        return new Remembered(
                preferred == Signal.NEVER ? null : a.sinceStart(preferred),
                a.figures().motoring_pct().orElse(null),
                a.figures().dip_v().orElse(null),
                a.figures().resistance_mohm().orElse(null),
                lit == null || fuel == null ? null : lit.minus(fuel),
                milestones.get(Milestone.IDLE),
                a.figures().flowAtLightOff_kgph().orElse(null),
                Duration.ofNanos(a.figures().starter_us() * 1000),
                a.figures().lowestDuct_kpa().orElse(null),
                a.figures().isDriveLost(a),
                a.engineRan());
    }

    private static List<DataGap> gaps(Attempt a) {
        List<DataGap> all = new ArrayList<>();
        for (Parameter parameter : Parameter.values()) {
            for (Signal.Gap gap : a.readings().of(parameter).gapsAt(a.now_us())) {
                long to = Math.min(gap.to_us(), a.now_us());
                if (to > a.startedAt_us()) {
                    all.add(new DataGap(
                            parameter, a.sinceStart(Math.max(gap.from_us(), a.startedAt_us())), a.sinceStart(to)));
                }
            }
        }
        return all;
    }
}
