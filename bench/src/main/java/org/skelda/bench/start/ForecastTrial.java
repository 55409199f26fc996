package org.skelda.bench.start;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.Supplier;
import org.skelda.bench.start.RecordedStarts.Recorded;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Forecasts;
import org.skelda.core.start.Sample;
import org.skelda.core.start.SimpleStart;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.TemperatureForecast;
import org.skelda.core.start.TemperatureForecast.Calling;
import org.skelda.formats.start.StartProfiles;

/** Measures the forecast against other methods on recorded starts and prints the tables of docs/forecast.md. */
public final class ForecastTrial {
    private static final double WANTED_s = 2.0;
    private static final int REPEATS = 5;
    private static final int NORMAL_STARTS = 5000;

    private ForecastTrial() {}

    private static Map<String, Supplier<TemperatureForecast>> methods() {
        Calling calling = new Calling(3, 0.2, 4.0, 2.0);
        Map<String, Supplier<TemperatureForecast>> methods = new LinkedHashMap<>();
        methods.put("chosen", Forecasts::chosen);
        methods.put("approach alone", Forecasts::curveAlone);
        methods.put(
                "approach, unguarded", () -> new TemperatureForecast(new OtherMethods.UnguardedApproach(), calling));
        methods.put("straight line", () -> new TemperatureForecast(new OtherMethods.StraightLine(), calling));
        methods.put("parabola", () -> new TemperatureForecast(new OtherMethods.Parabola(), calling));
        return methods;
    }

    /** @param arguments the folder for the picture; without one none is drawn */
    public static void main(String[] arguments) throws IOException {
        List<Recorded> all = RecordedStarts.all();
        System.out.println(
                "\n| starts | method | noise added, degC | samples a second | hot starts | called 2.0 s or more "
                        + "before the limit | mean warning, s | normal starts | false calls |");
        System.out.println("|---|---|---|---|---|---|---|---|---|");
        for (boolean heldOut : new boolean[] {false, true}) {
            List<Recorded> part = all.stream()
                    .filter(recorded -> recorded.heldOut() == heldOut)
                    .toList();
            methods().forEach((name, method) -> {
                row(heldOut ? "held out" : "tuned on", name, part, method, 0, 1);
                row(heldOut ? "held out" : "tuned on", name, part, method, 2, 1);
                row(heldOut ? "held out" : "tuned on", name, part, method, 4, 1);
                row(heldOut ? "held out" : "tuned on", name, part, method, 2, 2);
            });
        }
        byType(all.stream().filter(Recorded::heldOut).toList());
        late(all);
        drawnByLot();
        if (arguments.length > 0) {
            ForecastPicture.draw(all, Path.of(arguments[0]));
        }
    }

    private static void row(
            String part,
            String name,
            List<Recorded> starts,
            Supplier<TemperatureForecast> method,
            double noise_c,
            int every) {
        Tally tally = tally(starts, method, noise_c, every);
        System.out.printf(
                Locale.ROOT,
                "| %s | %s | %.0f | %d | %d | %d (%.1f %%) | %.1f | %d | %d |%n",
                part,
                name,
                noise_c,
                10 / every,
                tally.hot,
                tally.inTime,
                100.0 * tally.inTime / tally.hot,
                tally.warning_s / Math.max(1, tally.inTime),
                tally.normal,
                tally.falseCalls);
    }

    private static void byType(List<Recorded> starts) {
        System.out.println(
                "\n| held out, noise 2 degC, 10 a second | hot starts | called in time | normal starts | false "
                        + "calls |\n|---|---|---|---|---|");
        for (String type : new String[] {"HAVERN-2M", "LOMVI-T1"}) {
            Tally tally = tally(
                    starts.stream()
                            .filter(start -> start.profile().typeId().equals(type))
                            .toList(),
                    Forecasts::chosen,
                    2,
                    1);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %d | %d (%.1f %%) | %d | %d |%n",
                    type,
                    tally.hot,
                    tally.inTime,
                    100.0 * tally.inTime / tally.hot,
                    tally.normal,
                    tally.falseCalls);
        }
    }

    private static void late(List<Recorded> starts) {
        System.out.println("\n| called late, no noise added | part | warning, s |\n|---|---|---|");
        for (Recorded start : starts.stream().filter(Recorded::isHot).toList()) {
            double warning = start.firstExceeded_s() - called_s(start, Forecasts::chosen, 0, 1, new Random(0));
            if (!(warning >= WANTED_s)) {
                System.out.printf(
                        Locale.ROOT,
                        "| %s | %s | %.2f |%n",
                        start.file(),
                        start.heldOut() ? "held out" : "tuned on",
                        warning);
            }
        }
    }

    /** Normal starts with simple curves, their figures drawn by lot, noise of 2 degC at 10 samples a second. */
    private static void drawnByLot() {
        System.out.println(
                "\n| normal starts drawn by lot, noise 2 degC, 10 a second | starts | with a finding that cuts |\n"
                        + "|---|---|---|");
        for (String type : StartProfiles.TYPES) {
            StartProfile profile = StartProfiles.of(type);
            int cut = 0;
            for (int seed = 0; seed < NORMAL_STARTS; seed++) {
                cut += SimpleStart.byLot(profile, seed).judged().wasCut() ? 1 : 0;
            }
            System.out.printf("| %s | %d | %d |%n", type, NORMAL_STARTS, cut);
        }
    }

    private static final class Tally {
        private int hot;
        private int inTime;
        private int normal;
        private int falseCalls;
        private double warning_s;
    }

    private static Tally tally(List<Recorded> starts, Supplier<TemperatureForecast> method, double noise_c, int every) {
        Tally tally = new Tally();
        Random lot = new Random(20261125);
        for (int repeat = 0; repeat < (noise_c == 0 ? 1 : REPEATS); repeat++) {
            for (Recorded start : starts) {
                count(tally, start, called_s(start, method, noise_c, every, lot));
            }
        }
        return tally;
    }

    private static void count(Tally tally, Recorded start, double called_s) {
        if (!start.isHot()) {
            tally.normal++;
            tally.falseCalls += Double.isNaN(called_s) ? 0 : 1;
            return;
        }
        tally.hot++;
        if (start.firstExceeded_s() - called_s >= WANTED_s) {
            tally.inTime++;
            tally.warning_s += start.firstExceeded_s() - called_s;
        }
    }

    /** When a hot start was called, s since starter on; NaN for never. */
    private static double called_s(
            Recorded start, Supplier<TemperatureForecast> method, double noise_c, int every, Random lot) {
        StartMonitor monitor = new StartMonitor(start.profile(), start.elevation_ft(), method);
        for (Sample sample : samples(start, noise_c, every, lot)) {
            monitor.accept(sample);
        }
        AttemptReport report = monitor.attempts().getFirst();
        return report.findings().stream()
                .filter(finding -> finding.id() == FindingId.HOT_PREDICTED)
                .map(Finding::at)
                .mapToDouble(at -> at.toNanos() / 1e9)
                .findFirst()
                .orElse(Double.NaN);
    }

    private static List<Sample> samples(Recorded start, double noise_c, int every, Random lot) {
        List<Sample> taken = new ArrayList<>();
        for (int i = 0; i < start.samples().size(); i += every) {
            Sample s = start.samples().get(i);
            taken.add(new Sample(
                    s.at_us(),
                    s.spool_pct(),
                    s.fan(),
                    s.temperature_c() + noise_c * lot.nextGaussian(),
                    s.flow_kgph(),
                    s.oil_kpa(),
                    s.duct_kpa(),
                    s.bus_v(),
                    s.bus_a(),
                    s.starter(),
                    s.fuel(),
                    s.ignition()));
        }
        return taken;
    }
}
