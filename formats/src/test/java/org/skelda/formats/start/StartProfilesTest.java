package org.skelda.formats.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.procedure.InvalidPack;
import org.skelda.formats.procedure.PackReader;

/** The shipped profiles hold the demo fleet's numbers; a wrong one is refused with all that is wrong. */
class StartProfilesTest {

    @ParameterizedTest
    @CsvFileSource(resources = "/start/profiles.csv", numLinesToSkip = 2)
    void holdTheFleetsNumbers(
            String type,
            double before,
            double crankingAt30,
            double fuelMin,
            double preferred,
            double hottestBefore,
            long lightOff,
            double flowCut,
            double lowLimit,
            long lowAllowed,
            double highLimit,
            double fanBy,
            long oil,
            double hungRate,
            long hungFor,
            double cutOut,
            double overrun,
            long on,
            int tries,
            long lastCool,
            double idle,
            double coolest,
            double hottest,
            double oilLeast,
            double oilMost,
            long idleWithin) {
        StartProfile profile = StartProfiles.of(type);
        assertThat(profile.supply().beforeStarterAt(0)).isEqualTo(before);
        assertThat(profile.supply().crankingAt(30, 0)).isEqualTo(crankingAt30);
        assertThat(profile.fuel())
                .extracting(
                        StartProfile.Fuel::minimum_pct,
                        StartProfile.Fuel::preferred_pct,
                        StartProfile.Fuel::hottestBefore_c,
                        StartProfile.Fuel::cutAbove_kgph)
                .containsExactly(fuelMin, preferred, hottestBefore, flowCut);
        assertThat(profile.lightOffWithin().toSeconds()).isEqualTo(lightOff);
        assertThat(profile.temperatureLimits()).hasSize(2);
        assertThat(profile.temperatureLimits().getFirst())
                .extracting(limit -> limit.value(), limit -> limit.allowed().toSeconds())
                .containsExactly(lowLimit, lowAllowed);
        assertThat(profile.temperatureLimits().getLast())
                .extracting(limit -> limit.value(), limit -> limit.allowed().toSeconds())
                .containsExactly(highLimit, 0L);
        assertThat(profile.turning().fanBy_pct()).isEqualTo(fanBy);
        assertThat(profile.turning().oilWithin().toSeconds()).isEqualTo(oil);
        assertThat(profile.hung().rate_pctps()).isEqualTo(hungRate);
        assertThat(profile.hung().time().toSeconds()).isEqualTo(hungFor);
        assertThat(profile.starter())
                .extracting(StartProfile.Starter::cutOut_pct, StartProfile.Starter::overrun_pct)
                .containsExactly(cutOut, overrun);
        assertThat(profile.starter().allowed().toSeconds()).isEqualTo(on);
        assertThat(profile.starter().duty()).hasSize(tries);
        assertThat(profile.starter().duty().getLast().cool().toSeconds()).isEqualTo(lastCool);
        assertThat(profile.idle())
                .extracting(
                        StartProfile.Idle::speed_pct,
                        StartProfile.Idle::coolest_c,
                        StartProfile.Idle::hottest_c,
                        StartProfile.Idle::oilLeast_kpa,
                        StartProfile.Idle::oilMost_kpa)
                .containsExactly(idle, coolest, hottest, oilLeast, oilMost);
        assertThat(profile.idle().within().toSeconds()).isEqualTo(idleWithin);
    }

    @Test
    void pressuresFallWithElevationAndVoltsBendWithTheSpool() {
        assertThat(StartProfiles.of("HAVERN-2M").supply().crankingAt(0, 5000)).isEqualTo(212 - 14.5);
        StartProfile.Supply volts = StartProfiles.of("LOMVI-T1").supply();
        assertThat(volts.crankingAt(0, 5000)).isEqualTo(15.8);
        assertThat(volts.crankingAt(8.5, 0)).isCloseTo(16.7, within(1e-9));
        assertThat(volts.crankingAt(80, 0)).isEqualTo(19.4);
    }

    private static String shipped(String file) throws IOException {
        try (InputStream in = StartProfilesTest.class.getResourceAsStream("/packs/types/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void aContradictoryProfileIsRefusedWithAllThatIsWrongAndItsLines() throws IOException {
        String text = shipped("havern-4.yaml")
                .replace("overrun_pct: 53", "overrun_pct: 44")
                .replace("{limit_c: 750, allowed_s: 0}", "{limit_c: 700, allowed_s: 20}")
                .replace("min_pct: 17", "min_pct: 24");
        assertThatThrownBy(() -> PackReader.startProfile("bad.yaml", text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.getMessage().lines())
                                .hasSize(5)
                                .allMatch(line -> line.matches("bad\\.yaml:\\d+ /start/.*"))
                                .anyMatch(line -> line.endsWith(
                                        "/start/starter/overrun_pct: the overrun at 44.0 % is not above the "
                                                + "cut-out at 48.0 %"))
                                .anyMatch(line -> line.contains(
                                        "/start/fuelOn: the preferred 21.0 % is under the minimum 24.0 %")));
    }

    @Test
    void aProfileAgainstTheSchemaIsRefusedWithAllThatIsWrong() throws IOException {
        String text = shipped("lomvi-t1.yaml")
                .replace("manner: electric", "manner: rubber")
                .replace("overrun_pct: 57", "overrun_pct: fast")
                .replace("  lightOffWithin_s: 9\n", "");
        assertThatThrownBy(() -> PackReader.startProfile("bad.yaml", text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.findings())
                                .extracting(InvalidPack.Finding::path)
                                .contains("/start/manner", "/start/starter/overrun_pct", "/start"));
    }

    @Test
    void aTypeWithoutAStartOrAnUnknownOneSaysSo() {
        assertThatThrownBy(() -> PackReader.startProfile(
                        "x.yaml", "schema: 1\ndocument: type\nid: X\nname: X\n".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("x.yaml /start: the type has no start profile");
        assertThatThrownBy(() -> StartProfiles.of("RYPA-P1"))
                .hasMessageStartingWith("there is no type 'RYPA-P1'; it is one of HAVERN-2M");
    }
}
