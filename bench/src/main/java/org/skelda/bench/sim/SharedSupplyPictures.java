package org.skelda.bench.sim;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Controls;
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedAircraft;
import org.skelda.sim.aircraft.SimulatedStart;

/** Pictures of what engines share: one duct, air from a running engine, a cart, a generator. */
final class SharedSupplyPictures {
    private static final double LASTS_s = 70;
    private static final String SINCE = "seconds since starter on";

    private final Path folder;

    SharedSupplyPictures(Path folder) {
        this.folder = folder;
    }

    void draw() throws IOException {
        pair(StartProfiles.of("HAVERN-4"));
        crossBleed(StartProfiles.of("HAVERN-2M"));
        groundPower(StartProfiles.of("LOMVI-T1"));
        groundPowerLost(StartProfiles.of("LOMVI-T1"));
        generator(StartProfiles.of("LOMVI-T2"));
    }

    /** One engine on the APU's air, then with another on the same duct. */
    private void pair(StartProfile profile) throws IOException {
        StartChart chart = new StartChart(
                "One engine, and two at once, on the APU, " + profile.name() + " (made up)",
                SINCE,
                "N2, %; duct, kPa / 4");
        for (int i = 0; i < 2; i++) {
            SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), 4, 1, 0);
            aircraft.set(Controls.ready().withAir(false));
            aircraft.apuGives(true);
            aircraft.settle();
            CrewOfAircraft crew = new CrewOfAircraft(profile, aircraft);
            List<Sample> samples =
                    i == 0 ? crew.read(LASTS_s, crew::starts) : crew.read(LASTS_s, crew::starts, crew::starts);
            String how = i == 0 ? ", alone" : ", two at once";
            chart.line("N2" + how, samples, Sample::spool_pct, 2 * i);
            chart.line("duct, 4 kPa" + how, samples, sample -> sample.duct_kpa() / 4, 2 * i + 1);
        }
        chart.save(folder, SimulationPictures.file(profile, "pair"));
    }

    /** On the other engine's air: at idle, and with thrust. */
    private void crossBleed(StartProfile profile) throws IOException {
        StartChart chart = new StartChart(
                "Engine 1 on engine 2's air, " + profile.name() + " (made up)", SINCE, "N2, %; duct, kPa / 4");
        for (int i = 0; i < 2; i++) {
            List<Sample> samples = whileTheOtherRuns(profile, Controls.ready().withAir(false), i == 1);
            String how = i == 0 ? ", at idle" : ", thrust raised";
            chart.line("N2" + how, samples, Sample::spool_pct, 2 * i);
            chart.line("duct, 4 kPa" + how, samples, sample -> sample.duct_kpa() / 4, 2 * i + 1);
        }
        chart.save(folder, SimulationPictures.file(profile, "cross-bleed"));
    }

    /** Engine 1 is started. @param secondStage whether the running engine's thrust is raised, or its idle high */
    private static List<Sample> whileTheOtherRuns(StartProfile profile, Controls shared, boolean secondStage) {
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), 2, 1, 0);
        aircraft.set(shared);
        aircraft.runs(2);
        CrewOfAircraft crew = new CrewOfAircraft(profile, aircraft);
        EngineControls running = EngineControls.OFF.withFuel(true).withSecondStage(secondStage);
        return crew.read(LASTS_s, crew::starts, (_, _, _) -> running);
    }

    private void groundPower(StartProfile profile) throws IOException {
        SimulatedStart good = SimulatedStart.of(profile);
        StartChart chart = new StartChart("What carries the motor, " + profile.name() + " (made up)", SINCE, "bus, V");
        chart.line("battery", good.samples(LASTS_s), Sample::bus_v, 0);
        chart.line("ground power", good.sharing(onCart(false)).samples(LASTS_s), Sample::bus_v, 2);
        chart.line("both", good.sharing(onCart(true)).samples(LASTS_s), Sample::bus_v, 1);
        chart.save(folder, SimulationPictures.file(profile, "ground-power"));
    }

    private static Controls onCart(boolean battery) {
        return Controls.ready().withGroundPower(true).withBattery(battery);
    }

    private void groundPowerLost(StartProfile profile) throws IOException {
        StartChart chart = new StartChart(
                "Ground power lost in mid-start, " + profile.name() + " (made up)", SINCE, "Ng, %; bus, V");
        for (int i = 0; i < 2; i++) {
            boolean joined = i == 0;
            List<Sample> samples = SimulatedStart.of(profile)
                    .with(Failure.GROUND_POWER_LOST)
                    .sharing(onCart(joined))
                    .samples(LASTS_s);
            String how = joined ? ", battery joined" : ", battery off";
            chart.line("Ng" + how, samples, Sample::spool_pct, 2 * i);
            chart.line("bus" + how, samples, Sample::bus_v, 2 * i + 1);
        }
        chart.save(folder, SimulationPictures.file(profile, "ground-power-lost"));
    }

    /** The second engine, with the running one's generator and without. */
    private void generator(StartProfile profile) throws IOException {
        StartChart chart = new StartChart(
                "Engine 1 while engine 2 runs, " + profile.name() + " (made up)", SINCE, "Ng, %; bus, V");
        for (int i = 0; i < 2; i++) {
            List<Sample> samples = whileTheOtherRuns(profile, Controls.ready(), i == 1);
            String how = i == 0 ? ", 2 at low idle" : ", 2 at high idle";
            chart.line("Ng" + how, samples, Sample::spool_pct, 2 * i);
            chart.line("bus" + how, samples, Sample::bus_v, 2 * i + 1);
        }
        chart.save(folder, SimulationPictures.file(profile, "generator"));
    }
}
