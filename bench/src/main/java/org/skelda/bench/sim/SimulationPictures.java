package org.skelda.bench.sim;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Controls;
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedAircraft;
import org.skelda.sim.aircraft.SimulatedStart;
import org.skelda.sim.electrics.BatteryState;
import org.skelda.sim.start.SimulatedEngine;

/** Draws the pictures of docs/simulation.md and says how much faster than life the simulation runs. */
public final class SimulationPictures {
    private static final double LASTS_s = 70;
    private static final double WEAKEST = 0.3;
    /** The physics is the same for all: one type on air and one on current show what leans which way. */
    private static final List<String> EFFECTS_OF = List.of("HAVERN-2M", "LOMVI-T1");

    private final Path folder;

    private SimulationPictures(Path folder) {
        this.folder = folder;
    }

    /** @param arguments the folder for the pictures */
    public static void main(String[] arguments) throws IOException {
        SimulationPictures pictures = new SimulationPictures(Path.of(arguments[0]));
        for (String type : StartProfiles.TYPES) {
            StartProfile profile = StartProfiles.of(type);
            pictures.normal(profile);
            if (EFFECTS_OF.contains(type)) {
                pictures.against(profile);
            }
            speed(profile);
        }
        new HeatPictures(pictures.folder).draw();
        new SharedSupplyPictures(pictures.folder).draw();
    }

    static String file(StartProfile profile, String what) {
        return "simulation-" + profile.typeId().toLowerCase(Locale.ROOT) + "-" + what + ".png";
    }

    private void normal(StartProfile profile) throws IOException {
        List<Sample> samples = SimulatedStart.of(profile).samples(LASTS_s);
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        StartChart chart = new StartChart(
                "A normal start, " + profile.name() + " (made up)",
                "seconds since starter on",
                "in the units of the legend");
        chart.spoolAndTemperature(profile, samples);
        chart.line("fuel flow, " + (air ? "2 kg/h" : "kg/h"), samples, sample -> sample.flow_kgph() / (air ? 2 : 1), 3);
        chart.line(
                air ? "duct pressure, 4 kPa" : "bus, V",
                samples,
                sample -> air ? sample.duct_kpa() / 4 : sample.bus_v(),
                1);
        chart.save(folder, file(profile, "normal"));
    }

    /** What else takes air, against nothing that does. */
    private void taken(StartProfile profile) throws IOException {
        StartChart chart = new StartChart(
                "What packs and anti-ice leave a starter, " + profile.name() + " (made up)",
                "seconds since starter on",
                "duct pressure, kPa");
        SimulatedStart good = SimulatedStart.of(profile);
        chart.line("all its air", good.samples(LASTS_s), Sample::duct_kpa, 0);
        chart.line("packs on", good.packsLeftOn().samples(LASTS_s), Sample::duct_kpa, 1);
        List<Sample> iced = good.with(Failure.ANTI_ICE_LEFT_ON).samples(LASTS_s);
        chart.line("anti-ice on", iced, Sample::duct_kpa, 2);
        double least = profile.supply().crankingAt(0, 0);
        chart.add("least while cranking", new double[] {0, LASTS_s}, new double[] {least, least}, 3);
        chart.save(folder, file(profile, "taken"));
    }

    private void against(StartProfile profile) throws IOException {
        SimulatedStart good = SimulatedStart.of(profile);
        double preferred = profile.fuel().preferred_pct();
        curve(profile, "oat", "outside air, degC", -30, 45, 5, oat -> good.in(new Surroundings(oat, 0, 0)));
        curve(profile, "elevation", "elevation, ft", 0, 8000, 500, ft -> good.in(new Surroundings(15, ft, 0)));
        curve(profile, "wind", "wind from behind, kt", 0, 30, 2, kt -> good.in(new Surroundings(15, 0, kt)));
        curve(
                profile,
                "fuel-on",
                "fuel on at, % start spool",
                preferred * 0.6,
                preferred * 1.2,
                preferred * 0.05,
                good::fuelAt);
        supply(profile);
        if (profile.supply().air() != null) {
            taken(profile);
        }
    }

    private void curve(
            StartProfile profile,
            String what,
            String axis,
            double from,
            double to,
            double step,
            DoubleFunction<SimulatedStart> start)
            throws IOException {
        List<Double> x = new ArrayList<>();
        List<Double> peak = new ArrayList<>();
        List<Double> idle = new ArrayList<>();
        for (double at = from; at <= to + step / 2; at += step) {
            AttemptReport report = judged(start.apply(at));
            if (report.peak() != null && report.figures().timeToIdle() != null) {
                x.add(at);
                peak.add(report.peak().value_c() / 10);
                idle.add(report.figures().timeToIdle().toMillis() / 1000.0);
            }
        }
        twoCurves(profile, what, axis, x, peak, idle);
    }

    /**
     * The supply by itself, at one stand on one day, fuel at the minimum speed: the air source, or the battery's
     * resistance.
     */
    private void supply(StartProfile profile) throws IOException {
        List<Double> x = new ArrayList<>();
        List<Double> peak = new ArrayList<>();
        List<Double> idle = new ArrayList<>();
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        for (double part = air ? 0.70 : 0.8; part <= (air ? 1.001 : 2.41); part += air ? 0.03 : 0.2) {
            AttemptReport report = onSupply(profile, part, air);
            if (report.peak() != null && report.figures().timeToIdle() != null) {
                x.add(air ? part * 100 : part);
                peak.add(report.peak().value_c() / 10);
                idle.add(report.figures().timeToIdle().toMillis() / 1000.0);
            }
        }
        twoCurves(
                profile,
                "supply",
                air ? "duct pressure, % of a good source's" : "battery resistance, times a new one's",
                x,
                peak,
                idle);
    }

    private static AttemptReport onSupply(StartProfile profile, double part, boolean air) {
        SimulatedStart start = SimulatedStart.of(profile).fuelAt(profile.fuel().minimum_pct());
        StartMonitor monitor = new StartMonitor(profile, 0);
        List<Sample> samples =
                air ? start.with(weaker(part)).samples(LASTS_s) : start.samples(new BatteryState(100, part), LASTS_s);
        samples.forEach(monitor::accept);
        return monitor.attempts().getFirst();
    }

    /** The air source gives less: three tenths less is as weak as it gets. */
    private static List<Fault> weaker(double part) {
        double severity = (1 - part) / WEAKEST;
        return severity <= 0 ? List.of() : List.of(new Fault(Failure.WEAK_AIR, Math.min(1, severity), 0));
    }

    private void twoCurves(
            StartProfile profile, String what, String axis, List<Double> x, List<Double> peak, List<Double> idle)
            throws IOException {
        StartChart chart = new StartChart(
                "Peak and time to idle against " + what + ", " + profile.name() + " (made up)", axis, "10 degC; s");
        chart.add("peak " + profile.drive().engine().temperature() + ", 10 degC", array(x), array(peak), 2);
        chart.add("time to idle, s since starter on", array(x), array(idle), 1);
        chart.save(folder, file(profile, what));
    }

    private static double[] array(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static AttemptReport judged(SimulatedStart start) {
        StartMonitor monitor =
                new StartMonitor(start.profile(), start.surroundings().elevation_ft());
        start.samples(LASTS_s).forEach(monitor::accept);
        return monitor.attempts().getFirst();
    }

    private static void speed(StartProfile profile) {
        double best = 0;
        for (int round = 0; round < 5; round++) {
            SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), 1, 1, 0);
            aircraft.set(Controls.ready());
            EngineControls turns = EngineControls.OFF.withStarter(true).withIgnition(true);
            long began = System.nanoTime();
            double sum = 0;
            for (int step = 0; step < 500_000; step++) {
                aircraft.set(1, turns.withFuel(step > 1000));
                aircraft.step();
                sum += step % 5 == 0 ? aircraft.sample(1).map(Sample::spool_pct).orElse(0.0) : 0;
            }
            double took_s = (System.nanoTime() - began) / 1e9;
            best = sum > 0 ? Math.max(best, 500_000 * SimulatedEngine.STEP_us / 1e6 / took_s) : best;
        }
        System.out.printf(
                Locale.ROOT, "| %s | %.0f times faster than life, sampled 10 times a second |%n", profile.name(), best);
    }
}
