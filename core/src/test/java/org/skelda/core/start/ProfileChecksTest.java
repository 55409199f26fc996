package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.limit.Limit;

/** A profile that contradicts itself is told all of its contradictions at once. */
class ProfileChecksTest {

    @Test
    void theTestTypesAreSound() {
        assertThat(TestProfiles.all())
                .isNotEmpty()
                .allSatisfy(profile -> assertThat(ProfileChecks.of(profile)).isEmpty());
    }

    @Test
    void allContradictionsAreTold() {
        StartProfile good = TestProfiles.byHand();
        StartProfile bad = new StartProfile(
                good.typeId(),
                good.name(),
                good.drive(),
                new StartProfile.Supply(
                        200, null, good.supply().cranking(), 3, new StartProfile.Supply.Dip(14, 15), null, null),
                new StartProfile.Fuel(24, 22, 800, 150, 100, 90, null),
                Duration.ofSeconds(120),
                List.of(Limit.above(750, Duration.ofSeconds(5)), Limit.above(700, Duration.ofSeconds(10))),
                good.turning(),
                good.hung(),
                new StartProfile.Starter(62, 61, false, 70.0, good.starter().duty(), null, false),
                new StartProfile.Idle(60, 2, 61.0, 760, 400, 340, 170, Duration.ofSeconds(75)),
                good.remedy());
        assertThat(ProfileChecks.of(bad))
                .extracting(ProfileChecks.Contradiction::place)
                .contains(
                        "/supply",
                        "/supply/cranking",
                        "/dip",
                        "/fuelOn",
                        "/flowAtLightOff/normal_kgph",
                        "/temperatureBeforeFuel_max_c",
                        "/temperatureLimits/1",
                        "/temperatureLimits",
                        "/starter/overrun_pct",
                        "/starter/engageAtOrBelow_pct",
                        "/lightOffWithin_s",
                        "/idle/temperature_c",
                        "/idle/oil_kpa",
                        "/idle/high_pct");
        assertThat(ProfileChecks.of(bad))
                .extracting(ProfileChecks.Contradiction::words)
                .contains(
                        "the preferred 22.0 % is under the minimum 24.0 %",
                        "the stop at 15.0 V is not under the caution at 14.0 V");
    }
}
