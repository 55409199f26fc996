package org.skelda.core.clock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ClocksTest {
    private static final Instant AT = Instant.parse("2026-05-04T09:00:00Z");

    static LongStream seeds() {
        return LongStream.range(0, 200);
    }

    private static ClockView clock(Random random, int number, Instant at) {
        ClockView.Counts counts = ClockView.Counts.values()[random.nextInt(3)];
        Duration runs = counts == ClockView.Counts.UP ? null : Duration.ofSeconds(random.nextInt(1, 600));
        return new StateClock("c" + number, "C", "go", null, AT.minusSeconds(random.nextInt(600)), runs, counts)
                .view("table", at);
    }

    /** Whatever room tells which of them, and in whatever order: one list, the same on every device. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void areOneListWhereverTheyComeFrom(long seed) {
        Random random = new Random(seed);
        List<ClockView> all = new ArrayList<>();
        for (int i = 0; i < random.nextInt(12); i++) {
            all.add(clock(random, i, AT));
        }
        Clocks clocks = Clocks.of(AT, Stream.of(all.stream()));
        Collections.shuffle(all, random);
        int half = all.size() / 2;
        Clocks again = Clocks.of(AT, Stream.of(all.subList(half, all.size()).stream(), all.subList(0, half).stream()));
        assertThat(again).isEqualTo(clocks);
        assertThat(clocks.all()).containsExactlyInAnyOrderElementsOf(all);
        List<ClockView> ending = clocks.all().stream()
                .filter(clock -> !clock.elapsed() && clock.opensAt() != null)
                .toList();
        assertThat(clocks.all().subList(0, ending.size())).isEqualTo(ending);
        assertThat(ending).extracting(ClockView::opensAt).isSorted();
        assertThat(clocks.nextEnd())
                .isEqualTo(ending.stream().map(ClockView::opensAt).findFirst());
    }

    @Test
    void countDownUpAndInAWindow() {
        Clocks clocks = Clocks.of(
                AT,
                Stream.of(Stream.of(
                        new StateClock("air", "APU warming through", "air", null, AT, Duration.ofSeconds(90))
                                .view("", AT),
                        new StateClock("runs", "APU", "runs", null, AT.minusSeconds(700), null, ClockView.Counts.UP)
                                .view("", AT),
                        new StateClock("done", "Door", "start", null, AT.minusSeconds(9), Duration.ofSeconds(9))
                                .view("", AT),
                        new StateClock(
                                        "quick",
                                        "Switching back",
                                        "quick",
                                        null,
                                        AT.minusSeconds(1),
                                        Duration.ofSeconds(4),
                                        ClockView.Counts.WINDOW)
                                .view("", AT))));
        assertThat(clocks.all()).extracting(ClockView::id).containsExactly("quick", "air", "runs", "done");
        assertThat(clocks.all()).extracting(ClockView::elapsed).containsExactly(false, false, false, true);
        assertThat(clocks.nextEnd()).isEqualTo(Optional.of(AT.plusSeconds(3)));
    }
}
