package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Failure;
import org.skelda.sim.aircraft.SimulatedStart;

/** What is kept of the readings around starts, so that a watch can be built again from it. */
class EngineWatchTest {
    private static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");

    /** Dry motored twice: the second time begins while the two seconds before it still belong to the first. */
    private static List<Sample> twiceInQuickSuccession() {
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            double t_s = i / 10.0;
            boolean on = t_s >= 3 && t_s < 10 || t_s >= 11 && t_s < 18;
            double spool = on ? 14 : t_s < 3 ? 0 : 4.5;
            samples.add(new Sample(
                    Math.round(t_s * 1e6) + 1_000_000_000,
                    spool,
                    0,
                    20,
                    0,
                    0,
                    240,
                    Double.NaN,
                    Double.NaN,
                    on ? Switch.ON : Switch.OFF,
                    Switch.OFF,
                    Switch.OFF));
        }
        return samples;
    }

    private static List<Sample> stored(EngineWatch watch) {
        List<Sample> samples = watch.unstored();
        watch.stored(samples);
        return samples;
    }

    private static List<Sample> kept(EngineWatch watch, List<Sample> samples) {
        List<Sample> kept = new ArrayList<>();
        for (Sample sample : samples) {
            watch.take(sample, false);
            if (watch.hasUnstored(sample.at_us() - 1_000_000)) {
                kept.addAll(stored(watch));
            }
        }
        kept.addAll(stored(watch));
        return kept;
    }

    @Test
    void aReadingThatTwoAttemptsShareIsKeptOnceAndTheWatchIsBuiltAgainFromWhatIsKept() {
        List<Sample> samples = twiceInQuickSuccession();
        EngineWatch watch = new EngineWatch(Subject.engine(2), "Engine 2", PROFILE, 0);
        List<Sample> kept = kept(watch, samples);
        assertThat(kept).extracting(Sample::at_us).doesNotHaveDuplicates().isSorted();
        EngineWatch again = new EngineWatch(Subject.engine(2), "Engine 2", PROFILE, 0);
        kept.forEach(sample -> again.take(sample, true));
        assertThat(again.unstored()).isEmpty();
        Instant now = Instant.ofEpochSecond(1018);
        assertThat(watch.view(now, false).number()).isEqualTo(2);
        assertThat(again.view(now, false))
                .extracting(
                        StartView::number,
                        StartView::startedAt,
                        StartView::outcome,
                        StartView::findings,
                        StartView::duty)
                .isEqualTo(List.of(
                        2,
                        watch.view(now, false).startedAt(),
                        watch.view(now, false).outcome(),
                        watch.view(now, false).findings(),
                        watch.view(now, false).duty()));
    }

    private static List<Sample> start(Failure... wrong) {
        SimulatedStart start = SimulatedStart.of(PROFILE);
        for (Failure failure : wrong) {
            start.with(failure);
        }
        return start.samples(90).stream()
                .map(sample -> sample.at(sample.at_us() + 1_000_000_000_000L))
                .toList();
    }

    private static EngineWatch whole(List<Sample> samples) {
        EngineWatch watch = new EngineWatch(Subject.engine(2), "Engine 2", PROFILE, 0);
        samples.forEach(sample -> watch.take(sample, false));
        return watch;
    }

    private static StartView view(EngineWatch watch) {
        return watch.view(Instant.ofEpochSecond(1_000_090), false);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void whatComesLateInAnyOrderIsJudgedAsIfItHadComeInTime(long seed) {
        List<Sample> samples = seed % 2 == 0 ? start() : start(Failure.HOT);
        EngineWatch whole = whole(samples);
        EngineWatch watch = new EngineWatch(Subject.engine(2), "Engine 2", PROFILE, 0);
        Random lot = new Random(seed);
        List<Sample> held = new ArrayList<>();
        for (Sample sample : samples.subList(0, 500)) {
            if (lot.nextInt(3) == 0) {
                held.add(sample);
            } else {
                watch.take(sample, false);
            }
            if (held.size() > 40) {
                Collections.shuffle(held, lot);
                assertThat(watch.takeLate(held.stream()
                                .filter(one -> one.at_us() < watch.newest_us())
                                .toList()))
                        .isNotEmpty();
                held.removeIf(one -> one.at_us() < watch.newest_us());
            }
        }
        List<Sample> rest = new ArrayList<>(held);
        if (!rest.isEmpty() && rest.getLast().at_us() > watch.newest_us()) {
            watch.take(rest.removeLast(), false);
        }
        watch.takeLate(rest);
        samples.subList(500, samples.size()).forEach(sample -> watch.take(sample, false));
        assertThat(view(watch))
                .usingRecursiveComparison()
                .ignoringFields("lanes")
                .isEqualTo(view(whole));
        assertThat(stored(watch)).isEqualTo(stored(whole));
    }

    @Test
    void aHoleOfSecondsThatIsFilledLaterLeavesAGoodStartGood() {
        List<Sample> samples = start();
        EngineWatch watch = new EngineWatch(Subject.engine(2), "Engine 2", PROFILE, 0);
        samples.subList(0, 300).forEach(sample -> watch.take(sample, false));
        samples.subList(340, 400).forEach(sample -> watch.take(sample, false));
        assertThat(view(watch).gaps()).isNotEmpty();
        watch.takeLate(samples.subList(300, 340));
        samples.subList(400, samples.size()).forEach(sample -> watch.take(sample, false));
        assertThat(view(watch).outcome()).isEqualTo("NORMAL");
        assertThat(view(watch).gaps()).isEmpty();
    }

    @Test
    void afterTheEndOfItsAttemptWhatComesIsNotJudged() {
        List<Sample> samples = start();
        EngineWatch watch = whole(samples);
        assertThat(view(watch).outcome()).isEqualTo("NORMAL");
        assertThat(watch.takeLate(List.of(samples.get(200).at(samples.get(200).at_us() + 33))))
                .isEmpty();
    }

    @Test
    void whatIsHandedOverForStoringStaysUntilTheDatabaseHasIt() {
        EngineWatch watch = whole(start());
        List<Sample> first = watch.unstored();
        assertThat(first).isNotEmpty();
        assertThat(watch.unstored()).isEqualTo(first);
        watch.stored(first);
        assertThat(watch.unstored()).isEmpty();
    }
}
