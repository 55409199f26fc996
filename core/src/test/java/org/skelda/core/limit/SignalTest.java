package org.skelda.core.limit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Gaps are bridged, held, then lost; dwell is counted on what is known. */
class SignalTest {
    private final List<String> heard = new ArrayList<>();
    private final Signal signal = new Signal(new Signal.Listener() {
        @Override
        public void line(long from_us, double from, long to_us, double to) {
            heard.add(from_us / 1e6 + ":" + from + " to " + to_us / 1e6 + ":" + to);
        }

        @Override
        public void lost(long at_us) {
            heard.add("lost at " + at_us / 1e6);
        }
    });

    private void read(double t, double value) {
        signal.read(Math.round(t * 1e6), value);
    }

    @Test
    void upToASecondAndAHalfIsAStraightLine() {
        read(0, 10);
        read(1.5, 40);
        assertThat(heard).containsExactly("0.0:10.0 to 1.5:40.0");
        assertThat(signal.gapsAt(1_500_000)).isEmpty();
    }

    @Test
    void beyondThatTheLastReadingIsHeldForThreeSecondsThenLost() {
        read(0, 10);
        signal.advanceTo(1_000_000);
        assertThat(heard).isEmpty();
        signal.advanceTo(2_000_000);
        signal.advanceTo(2_500_000);
        read(4, 40);
        read(5, 50);
        assertThat(heard)
                .containsExactly(
                        "0.0:10.0 to 2.0:10.0",
                        "2.0:10.0 to 2.5:10.0",
                        "2.5:10.0 to 3.0:10.0",
                        "lost at 3.0",
                        "4.0:40.0 to 5.0:50.0");
        assertThat(signal.gapsAt(5_000_000)).containsExactly(new Signal.Gap(0, 4_000_000));
    }

    @Test
    void aGapThatLastsIsToldAsLasting() {
        read(0, 10);
        assertThat(signal.gapsAt(1_400_000)).isEmpty();
        assertThat(signal.gapsAt(1_600_000)).containsExactly(new Signal.Gap(0, Signal.NEVER));
        assertThat(signal.isLostAt(3_000_000)).isFalse();
        assertThat(signal.isLostAt(3_000_001)).isTrue();
    }

    @Test
    void dwellRunsFromCrossingToCrossingAndIsExceededTheMomentItIsLonger() {
        List<Double> exceeded = new ArrayList<>();
        DwellWatch watch = new DwellWatch(Limit.above(100, Duration.ofSeconds(2)), at_us -> exceeded.add(at_us / 1e6));
        Signal temperature = new Signal(watch);
        watch.openFrom(0);
        double[] values = {90, 110, 110, 110, 90, 90, 110, 110, 90};
        for (int i = 0; i < values.length; i++) {
            temperature.read(i * 1_000_000L, values[i]);
        }
        assertThat(exceeded).containsExactly(2.5);
        Exceedance told = watch.exceedance(0, 110).orElseThrow();
        assertThat(told.from()).isEqualTo(Duration.ofMillis(500));
        assertThat(told.dwell()).isEqualTo(Duration.ofMillis(3000));
        assertThat(told.exceededAt()).isEqualTo(Duration.ofMillis(2500));
    }

    @Test
    void exactlyAtTheLimitIsInside() {
        List<Long> exceeded = new ArrayList<>();
        DwellWatch watch = new DwellWatch(Limit.above(100, Duration.ZERO), exceeded::add);
        Signal temperature = new Signal(watch);
        watch.openFrom(0);
        for (int i = 0; i < 5; i++) {
            temperature.read(i * 1_000_000L, 100);
        }
        assertThat(exceeded).isEmpty();
        temperature.read(5_000_000, 101);
        assertThat(exceeded).containsExactly(4_000_000L);
    }

    @Test
    void whatIsLostBreaksTheDwell() {
        List<Long> exceeded = new ArrayList<>();
        DwellWatch watch = new DwellWatch(Limit.above(100, Duration.ofSeconds(5)), exceeded::add);
        Signal temperature = new Signal(watch);
        watch.openFrom(0);
        temperature.read(0, 120);
        temperature.read(1_000_000, 120);
        temperature.read(6_000_000, 120);
        temperature.read(7_000_000, 120);
        assertThat(exceeded).as("4 s known, then a gap, then 1 s").isEmpty();
    }
}
