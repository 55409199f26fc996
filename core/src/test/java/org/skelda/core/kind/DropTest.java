package org.skelda.core.kind;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.skelda.core.crew.Person;
import org.skelda.core.measure.Judgement.Verdict;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;

/** A limit that counts downwards from what another line reads: a drop, a difference, a recovery. */
class DropTest {
    private static final String BOTH = "reading('run-up/both')";
    private static final String LEFT = "reading('run-up/left')";
    private static final MeasureSpec RPM =
            new MeasureSpec("Right magneto alone", "rpm", 0, 0, 3200, null, null, null, null, "run-up");

    private static Measure.Bound bound(String from, double min, double max, String source) {
        return new Measure.Bound(
                null, new MeasureSpec("Drop", "rpm", 0, -3200, 3200, min, max, null, null, source), 0, from);
    }

    private static final Measure RIGHT =
            new Measure(RPM, List.of(bound(BOTH, 35, 145, "drop"), bound(LEFT, -60, 60, "difference")), null);

    private static Known known(Map<String, Double> readings) {
        return new Known() {
            @Override
            public Optional<Value> value(String name) {
                return Optional.ofNullable(readings.get(name)).map(Value.Number::new);
            }

            @Override
            public Need holds(When when) {
                throw new AssertionError("no condition is asked");
            }
        };
    }

    private static Verdict worst(double left, double value) {
        return RIGHT.applying(known(Map.of(BOTH, 1850.0, LEFT, left))).stream()
                .map(limits -> limits.judge(value).verdict())
                .max(Enum::compareTo)
                .orElseThrow();
    }

    @Test
    void aDropHasALeastAndAMostAndTwoMayNotDifferByMuch() {
        assertThat(worst(1760, 1770)).isEqualTo(Verdict.WITHIN);
        assertThat(worst(1760, 1705)).as("145 down, 55 from the other").isEqualTo(Verdict.WITHIN);
        assertThat(worst(1760, 1704)).as("146 down").isEqualTo(Verdict.OUTSIDE);
        assertThat(worst(1760, 1815)).as("35 down").isEqualTo(Verdict.WITHIN);
        assertThat(worst(1800, 1816)).as("34 down: still live?").isEqualTo(Verdict.OUTSIDE);
        assertThat(worst(1800, 1850)).as("no drop at all").isEqualTo(Verdict.OUTSIDE);
        assertThat(worst(1800, 1739)).as("61 from the other").isEqualTo(Verdict.OUTSIDE);
    }

    @Test
    void whatIsNotReadYetIsWaitedForAndDecidesNothing() {
        assertThat(RIGHT.awaits(known(Map.of()))).containsExactly(BOTH, LEFT);
        assertThat(RIGHT.awaits(known(Map.of(BOTH, 1850.0)))).containsExactly(LEFT);
        assertThat(RIGHT.applying(known(Map.of()))).containsExactly(RPM);
    }

    @Test
    void whatItDropsFromIsToldBeforeAndAfter() {
        Known both = known(Map.of(BOTH, 1850.0, LEFT, 1760.0));
        Measure.LimitView drop = new Measure.LimitView(1705.0, 1815.0, null, null, "drop", 1850.0);
        Measure.LimitView difference = new Measure.LimitView(1700.0, 1820.0, null, null, "difference", 1760.0);
        assertThat(RIGHT.view(History.NONE, both).limits()).containsExactly(drop, difference);
        Work read = new Measure.Read(1770, "rpm", RPM.judge(1770), List.of());
        Instant at = Instant.parse("2026-05-04T10:00:00Z");
        History done = History.NONE.plus(read, new Mark(new Person("p", "Frida Naust"), null, at, at));
        assertThat(RIGHT.view(done, both).limits()).containsExactly(drop, difference);
    }

    /** A value is inside exactly when its drop is. */
    @Test
    void aValueIsInsideExactlyWhenItsDropIs() {
        Random lot = new Random(3);
        for (int i = 0; i < 5000; i++) {
            double both = 1500 + lot.nextInt(1000);
            double least = lot.nextInt(200) - 100;
            double most = least + lot.nextInt(300);
            double value = lot.nextInt(3200);
            Measure measure = new Measure(RPM, List.of(bound(BOTH, least, most, "drop")), null);
            Map<String, Double> readings = new HashMap<>(Map.of(BOTH, both));
            boolean inside =
                    measure.applying(known(readings)).getFirst().judge(value).verdict() == Verdict.WITHIN;
            assertThat(inside).isEqualTo(both - value >= least && both - value <= most);
        }
    }
}
