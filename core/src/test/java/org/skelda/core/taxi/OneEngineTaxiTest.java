package org.skelda.core.taxi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.StateClock;

class OneEngineTaxiTest {
    private static final Instant OPENED = Instant.parse("2026-05-04T09:00:00Z");
    private static final Instant LEAVES = Instant.parse("2026-05-04T10:00:00Z");
    private static final OneEngineTaxi TAXI =
            new OneEngineTaxi("one", Duration.ofMinutes(4), Duration.ofMinutes(3), "table");

    @Test
    void theLatestStartIsWorkedBackFromTheTakeOff() {
        Instant takeOff = OneEngineTaxi.takeOff(LEAVES, 12.5);
        assertThat(takeOff).isEqualTo(LEAVES.plusSeconds(750));
        StateClock clock = TAXI.latestStart(List.of(1), OPENED, takeOff).orElseThrow();
        ClockView view = clock.view("table", LEAVES);
        assertThat(view.label()).isEqualTo("Latest for take-off");
        assertThat(view.releases()).isEqualTo("start of engine 1");
        assertThat(view.opensAt()).isEqualTo(LEAVES.plusSeconds(330));
        assertThat(view.note()).isEqualTo("7 min before take-off: 4 min to warm up, 3 min for the lists.");
        assertThat(view.counts()).isEqualTo(ClockView.Counts.WINDOW);
        assertThat(view.elapsed()).isFalse();
        assertThat(clock.view("table", LEAVES.plusSeconds(330)).elapsed()).isTrue();
    }

    @Test
    void whereEveryEngineRunsOrTheWayIsTooShortThereIsNoWindow() {
        Instant takeOff = OneEngineTaxi.takeOff(LEAVES, 12);
        assertThat(TAXI.latestStart(List.of(), OPENED, takeOff)).isEmpty();
        assertThat(TAXI.latestStart(List.of(1), takeOff, takeOff)).isEmpty();
    }

    @Test
    void timesThatAreNoneAreRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new OneEngineTaxi("one", Duration.ZERO, Duration.ofMinutes(3), "table"));
    }
}
