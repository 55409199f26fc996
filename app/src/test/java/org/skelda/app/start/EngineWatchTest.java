package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.formats.start.StartProfiles;

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
            samples.add(new Sample(Math.round(t_s * 1e6) + 1_000_000_000, spool, 0, 20, 0, 0, 240, Double.NaN, Double.NaN, on ? Switch.ON : Switch.OFF, Switch.OFF, Switch.OFF));
        }
        return samples;
    }

    private static List<Sample> kept(EngineWatch watch, List<Sample> samples) {
        List<Sample> kept = new ArrayList<>();
        for (Sample sample : samples) {
            watch.take(sample, false);
            if (watch.hasUnstored(sample.at_us() - 1_000_000)) {
                kept.addAll(watch.takeUnstored());
            }
        }
        kept.addAll(watch.takeUnstored());
        return kept;
    }

    @Test
    void aReadingThatTwoAttemptsShareIsKeptOnceAndTheWatchIsBuiltAgainFromWhatIsKept() {
        List<Sample> samples = twiceInQuickSuccession();
        EngineWatch watch = new EngineWatch(2, "Engine 2", PROFILE, 0);
        List<Sample> kept = kept(watch, samples);
        assertThat(kept).extracting(Sample::at_us).doesNotHaveDuplicates().isSorted();
        EngineWatch again = new EngineWatch(2, "Engine 2", PROFILE, 0);
        kept.forEach(sample -> again.take(sample, true));
        assertThat(again.takeUnstored()).isEmpty();
        Instant now = Instant.ofEpochSecond(1018);
        assertThat(watch.view(now, false).number()).isEqualTo(2);
        assertThat(again.view(now, false)).extracting(StartView::number, StartView::startedAt, StartView::outcome, StartView::findings, StartView::duty)
                .isEqualTo(List.of(2, watch.view(now, false).startedAt(), watch.view(now, false).outcome(), watch.view(now, false).findings(), watch.view(now, false).duty()));
    }
}
