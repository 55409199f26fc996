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

/** Pictures of heat that stays, of cold that has gone through, and of the computer that stops a hot start. */
final class HeatPictures {
    private static final double LASTS_s = 70;
    private static final double CUT_AT_s = 60;
    private static final double TURNED_FROM_s = 120;
    private static final double TURNED_UNTIL_s = 155;
    private static final double LOOKED_AT_s = 170;
    private static final String SINCE = "seconds since starter on";

    private final Path folder;

    HeatPictures(Path folder) {
        this.folder = folder;
    }

    void draw() throws IOException {
        afterACut(StartProfiles.of("HAVERN-2M"));
        ofARunBefore(StartProfiles.of("HAVERN-2M"));
        cold(StartProfiles.of("LOMVI-T1"));
        stopped(StartProfiles.of("HAVERN-2A"));
    }

    private static SimulatedAircraft aircraft(StartProfile profile, Surroundings surroundings) {
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, surroundings, 1, 1, 0);
        aircraft.set(Controls.ready());
        aircraft.settle();
        return aircraft;
    }

    private void afterACut(StartProfile profile) throws IOException {
        SimulatedAircraft aircraft = aircraft(profile, Surroundings.standard());
        CrewOfAircraft crew = new CrewOfAircraft(profile, aircraft);
        List<Sample> samples = crew.read(
                LOOKED_AT_s,
                (before, engine, since_s) -> since_s < CUT_AT_s
                        ? crew.starts(before, engine, since_s)
                        : EngineControls.OFF.withStarter(since_s >= TURNED_FROM_s && since_s < TURNED_UNTIL_s));
        StartChart chart = new StartChart(
                "Cut at idle, let run down, then turned, " + profile.name() + " (made up)", SINCE, "%; 10 degC");
        chart.spoolAndTemperature(profile, samples);
        chart.save(folder, SimulationPictures.file(profile, "after-a-cut"));
    }

    private void ofARunBefore(StartProfile profile) throws IOException {
        StartChart chart =
                new StartChart("The heat of a run before, " + profile.name() + " (made up)", SINCE, "EGT, degC");
        double[] before_c = {15, 150, 300};
        for (int i = 0; i < before_c.length; i++) {
            SimulatedAircraft aircraft = aircraft(profile, Surroundings.standard());
            aircraft.heat(1, before_c[i]);
            CrewOfAircraft crew = new CrewOfAircraft(profile, aircraft);
            chart.line(
                    "from " + Math.round(before_c[i]) + " degC",
                    crew.read(LASTS_s, crew::starts),
                    Sample::temperature_c,
                    i);
        }
        chart.save(folder, SimulationPictures.file(profile, "run-before"));
    }

    private void cold(StartProfile profile) throws IOException {
        StartChart chart =
                new StartChart("Cold that has gone through, " + profile.name() + " (made up)", SINCE, "Ng, %; bus, V");
        double[] soaked_c = {15, -30};
        for (int i = 0; i < soaked_c.length; i++) {
            List<Sample> samples = SimulatedStart.of(profile)
                    .in(Surroundings.standard().soaked(soaked_c[i]))
                    .samples(LASTS_s);
            String how = ", from " + Math.round(soaked_c[i]) + " degC";
            chart.line("Ng" + how, samples, Sample::spool_pct, 2 * i);
            chart.line("bus" + how, samples, Sample::bus_v, 2 * i + 1);
        }
        chart.save(folder, SimulationPictures.file(profile, "soaked"));
    }

    private void stopped(StartProfile profile) throws IOException {
        List<Sample> samples = SimulatedStart.of(profile).with(Failure.HOT).samples(LASTS_s);
        StartChart chart = new StartChart(
                "The computer stops a hot start and turns it cool, " + profile.name() + " (made up)",
                SINCE,
                "%; 10 degC; 2 kg/h");
        chart.spoolAndTemperature(profile, samples);
        chart.line("fuel flow, 2 kg/h", samples, sample -> sample.flow_kgph() / 2, 3);
        chart.save(folder, SimulationPictures.file(profile, "stopped"));
    }
}
