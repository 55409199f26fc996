package org.skelda.bench.sim;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedStart;

/**
 * The judgement and the simulated aircraft held against each other: what normal starts of each type look like beside
 * its profile, whether each failure has the outcome that it must have, and how far ahead hot ones are called.
 */
public final class SimulationTrial {
    private static final int LOOKED_AT = 200;
    private static final double LASTS_s = 130;
    private static final double WANTED_s = 2.0;
    private static final double LEAST_BAD = 0.4;
    private static final double NANOS_PER_S = 1e9;

    /** What a failure at its worst must come to; the first that applies is the outcome, whichever of these it is. */
    private static final Map<Failure, Set<String>> COMES_TO = new EnumMap<>(Map.ofEntries(
            Map.entry(Failure.NO_LIGHT_OFF, Set.of("NO_LIGHT_OFF")),
            Map.entry(Failure.NO_FUEL, Set.of("NO_LIGHT_OFF")),
            Map.entry(Failure.HOT, Set.of("HOT_START", "HOT_PREDICTED")),
            Map.entry(Failure.RICH_CONTROL, Set.of("FLOW_HIGH")),
            Map.entry(Failure.HUNG, Set.of("HUNG_START")),
            Map.entry(Failure.FAN_SEIZED, Set.of("NO_FAN_ROTATION")),
            Map.entry(Failure.NO_OIL_PRESSURE, Set.of("NO_OIL_PRESSURE")),
            Map.entry(Failure.WEAK_AIR, Set.of("LOW_SUPPLY")),
            Map.entry(Failure.WEAK_BATTERY, Set.of("LOW_SUPPLY", "DIP_LOW")),
            Map.entry(Failure.ANTI_ICE_LEFT_ON, Set.of("LOW_SUPPLY")),
            Map.entry(Failure.STARTER_STUCK, Set.of("STARTER_OVERRUN"))));

    private final int normal;
    private final int failing;

    private SimulationTrial(int normal, int failing) {
        this.normal = normal;
        this.failing = failing;
    }

    /** @param arguments how many normal starts of each type, and how many with a failure or none; 5000 and 1000 */
    public static void main(String[] arguments) {
        int normal = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 5000;
        int failing = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 1000;
        SimulationTrial trial = new SimulationTrial(normal, failing);
        trial.profiles();
        trial.normalOnes();
        trial.failures();
    }

    /** One for each start: neighbouring seeds have nothing in common. */
    private static SplittableRandom lot(int what, int seed, StartProfile profile) {
        return new SplittableRandom(
                31L * (1_000_003L * seed + what) + profile.typeId().hashCode());
    }

    private static Surroundings day(SplittableRandom lot) {
        return new Surroundings(-25 + 63 * lot.nextDouble(), 4900 * lot.nextDouble(), 10 * lot.nextDouble());
    }

    private static SimulatedStart byLot(StartProfile profile, int seed) {
        return SimulatedStart.of(profile).in(day(lot(1, seed, profile))).seed(seed);
    }

    private static AttemptReport judged(SimulatedStart start) {
        StartMonitor monitor =
                new StartMonitor(start.profile(), start.surroundings().elevation_ft());
        start.samples(LASTS_s).forEach(monitor::accept);
        return monitor.attempts().getFirst();
    }

    // What normal starts look like.

    private void profiles() {
        System.out.printf(
                "%n| %d normal starts by lot | to light, s | of | peak, degC | of | to idle, s | of | dip, V | caution "
                        + "under | flow at light-off, kg/h | normal |%n|---|---|---|---|---|---|---|---|---|---|---|%n",
                LOOKED_AT);
        for (String type : StartProfiles.TYPES) {
            StartProfile profile = StartProfiles.of(type);
            List<AttemptReport> reports = IntStream.range(0, LOOKED_AT)
                    .parallel()
                    .mapToObj(seed -> judged(byLot(profile, seed)))
                    .toList();
            StartProfile.Supply.Dip dip = profile.supply().dip();
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %s | %d | %s | %.0f | %s | %d | %s | %s | %s | %.0f to %.0f |%n",
                    profile.name(),
                    span(reports, SimulationTrial::toLight_s, 1),
                    profile.lightOffWithin().toSeconds(),
                    span(
                            reports,
                            report -> report.peak() == null
                                    ? Double.NaN
                                    : report.peak().value_c(),
                            0),
                    profile.temperatureLimits().getFirst().value(),
                    span(reports, SimulationTrial::toIdle_s, 0),
                    profile.idle().within().toSeconds(),
                    span(
                            reports,
                            report -> report.figures().dip_v() == null
                                    ? Double.NaN
                                    : report.figures().dip_v(),
                            1),
                    dip == null ? "–" : String.format(Locale.ROOT, "%.1f", dip.caution_v()),
                    span(
                            reports,
                            report -> report.figures().flowAtLightOff_kgph() == null
                                    ? Double.NaN
                                    : report.figures().flowAtLightOff_kgph(),
                            0),
                    profile.fuel().normalFrom_kgph(),
                    profile.fuel().normalTo_kgph());
        }
    }

    private static double toLight_s(AttemptReport report) {
        return report.figures().timeToLightOff() == null
                ? Double.NaN
                : report.figures().timeToLightOff().toNanos() / NANOS_PER_S;
    }

    private static double toIdle_s(AttemptReport report) {
        return report.figures().timeToIdle() == null
                ? Double.NaN
                : report.figures().timeToIdle().toNanos() / NANOS_PER_S;
    }

    private static String span(List<AttemptReport> reports, ToDoubleFunction<AttemptReport> number, int decimals) {
        double[] all = reports.stream()
                .mapToDouble(number)
                .filter(value -> !Double.isNaN(value))
                .sorted()
                .toArray();
        return all.length == 0
                ? "–"
                : String.format(
                        Locale.ROOT,
                        "%." + decimals + "f, %." + decimals + "f, %." + decimals + "f",
                        all[0],
                        all[all.length / 2],
                        all[all.length - 1]);
    }

    // Nothing is called that is well.

    private void normalOnes() {
        System.out.println(
                "\n| normal starts by lot | starts | NORMAL | with a forecast of too hot | with another cut |\n"
                        + "|---|---|---|---|---|");
        for (String type : StartProfiles.TYPES) {
            StartProfile profile = StartProfiles.of(type);
            List<AttemptReport> reports = IntStream.range(0, normal)
                    .parallel()
                    .mapToObj(seed -> judged(byLot(profile, 100_000 + seed)))
                    .toList();
            long good = reports.stream()
                    .filter(report -> report.outcome().code().equals("NORMAL"))
                    .count();
            long forecast = reports.stream()
                    .filter(report -> found(report, FindingId.HOT_PREDICTED) != null)
                    .count();
            long cut = reports.stream()
                    .filter(report -> report.findings().stream()
                            .anyMatch(finding -> finding.action().cuts() && finding.id() != FindingId.HOT_PREDICTED))
                    .count();
            System.out.printf("| %s | %d | %d | %d | %d |%n", profile.name(), normal, good, forecast, cut);
        }
    }

    private static Double found(AttemptReport report, FindingId id) {
        return report.findings().stream()
                .filter(finding -> finding.id() == id)
                .map(Finding::at)
                .map(at -> at.toNanos() / NANOS_PER_S)
                .findFirst()
                .orElse(null);
    }

    // What is wrong has the outcome that it must have.

    private record Trial(Failure failure, SimulatedStart start, AttemptReport report) {
        boolean isRight() {
            return failure == null
                    ? report.outcome().code().equals("NORMAL")
                    : COMES_TO.get(failure).contains(report.outcome().code());
        }
    }

    private void failures() {
        System.out.println(
                "\n| a failure or none, by lot | starts | outcome right | hot starts | 2.0 s between light and "
                        + "limit | called 2.0 s or more before | mean warning, s |\n|---|---|---|---|---|---|---|");
        List<String> wrong = new ArrayList<>();
        for (String type : StartProfiles.TYPES) {
            StartProfile profile = StartProfiles.of(type);
            List<Trial> trials = IntStream.range(0, failing)
                    .parallel()
                    .mapToObj(seed -> trial(profile, seed))
                    .toList();
            trials.stream()
                    .filter(trial -> !trial.isRight())
                    .forEach(trial -> wrong.add(profile.name() + ", "
                            + (trial.failure() == null
                                    ? "nothing wrong"
                                    : trial.failure().words()) + ", "
                            + trial.start().surroundings() + ": "
                            + trial.report().outcome().code()));
            Warned warned = warned(profile);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %d | %d | %d | %d | %d (%.1f %%) | %.1f |%n",
                    profile.name(),
                    failing,
                    trials.stream().filter(Trial::isRight).count(),
                    warned.hot,
                    warned.possible,
                    warned.inTime,
                    100.0 * warned.inTime / Math.max(1, warned.possible),
                    warned.sum_s / Math.max(1, warned.inTime));
        }
        wrong.forEach(System.out::println);
    }

    private static Trial trial(StartProfile profile, int seed) {
        SplittableRandom lot = lot(2, seed, profile);
        List<Failure> could = COMES_TO.keySet().stream()
                .filter(failure -> canHave(profile, failure))
                .sorted()
                .toList();
        int drawn = lot.nextInt(could.size() + 1);
        Failure failure = drawn == could.size() ? null : could.get(drawn);
        SimulatedStart start =
                byLot(profile, 200_000 + seed).with(failure == null ? List.of() : List.of(Fault.of(failure)));
        return new Trial(failure, start, judged(start));
    }

    private static boolean canHave(StartProfile profile, Failure failure) {
        boolean air = profile.supply().air() != null;
        return switch (failure) {
            case WEAK_AIR, ANTI_ICE_LEFT_ON -> air;
            case WEAK_BATTERY -> !air;
            case STARTER_STUCK -> !profile.starter().byHand();
            default -> true;
        };
    }

    /** Hot starts and how far ahead they were called. */
    private static final class Warned {
        private int hot;
        private int possible;
        private int inTime;
        private double sum_s;
    }

    /** Engines that are fouled more or less, on days by lot: some of them pass a limit. */
    private Warned warned(StartProfile profile) {
        List<AttemptReport> reports = IntStream.range(0, failing)
                .parallel()
                .mapToObj(seed -> {
                    SplittableRandom lot = lot(3, seed, profile);
                    double bad = LEAST_BAD + (1 - LEAST_BAD) * lot.nextDouble();
                    return judged(byLot(profile, 300_000 + seed).with(List.of(new Fault(Failure.HOT, bad, 0))));
                })
                .toList();
        Warned warned = new Warned();
        for (AttemptReport report : reports) {
            Double passed = found(report, FindingId.HOT_START);
            Double lit = report.milestones().containsKey(Milestone.LIGHT_OFF)
                    ? (Double) (report.milestones().get(Milestone.LIGHT_OFF).toNanos() / NANOS_PER_S)
                    : null;
            if (passed == null || lit == null) {
                continue;
            }
            warned.hot++;
            if (passed - lit < WANTED_s) {
                continue;
            }
            warned.possible++;
            Double called = found(report, FindingId.HOT_PREDICTED);
            if (called != null && passed - called >= WANTED_s) {
                warned.inTime++;
                warned.sum_s += passed - called;
            }
        }
        return warned;
    }
}
