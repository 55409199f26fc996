package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelda.core.clock.ClockView;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Read;
import org.skelda.core.kind.Start;
import org.skelda.core.line.LineAsk;
import org.skelda.core.need.TestWhen;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.taxi.OneEngineTaxi;

/** The latest start of the other engine, worked back from take-off: from the plan, then from when the aircraft left. */
class TaxiOfDepartureTest {
    private static final Instant OFF_BLOCK = TestLog.BEGIN.plus(Duration.ofMinutes(40));
    private static final Duration WAY = Duration.ofMinutes(12);
    private static final Duration BEFORE_TAKE_OFF = Duration.ofMinutes(7);

    private final TestLog log = TestLog.seated(plan());

    private static Plan plan() {
        TypeSheet type = TestPlans.typeWith(
                null, null, new OneEngineTaxi("one", Duration.ofMinutes(4), Duration.ofMinutes(3), "table"));
        Line leaves = new Line(
                new LineHead("leaves", null, List.of(), null, null, List.of(), true, null),
                new Read("Brakes", "released"));
        Line danger =
                new Line(LineHead.of("danger"), new Caution("Danger area", "Nobody there.", Set.of(Hazard.ENGINE)));
        return Plan.of(
                type,
                List.of(),
                Map.of("one", TestWhen.yes("done('out/one')")),
                List.of(new Procedure(
                        "out",
                        "Out",
                        Procedure.Style.FLOW,
                        null,
                        1,
                        "how",
                        false,
                        null,
                        List.of(
                                new Line(LineHead.of("one"), new Read("Taxi", "on one engine")),
                                leaves,
                                danger,
                                start(1),
                                start(2)),
                        Procedure.Occasion.ALWAYS,
                        null)));
    }

    private static Line start(int engine) {
        return new Line(
                LineHead.of("engine-" + engine),
                new Start(engine, "Engine " + engine, "at idle", new Start.Today(null, null, null)));
    }

    private void works(String line) {
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(LineRef.parse("out/" + line), Doing.Answer.PLAIN)));
    }

    private void way() {
        log.accept(CAPTAIN, Ask.of(new FactAsk.GiveFact("taxi_min", new Value.Number(WAY.toMinutes()), "min")));
    }

    private Optional<ClockView> latest() {
        return Stream.of(Viewing.view(log.state(), log.now()).clocks())
                .flatMap(List::stream)
                .filter(clock -> clock.id().equals("second-start-latest"))
                .findFirst();
    }

    @Test
    void itIsWorkedBackFromThePlanUntilTheAircraftLeaves() {
        assertThat(latest()).as("nobody means to").isEmpty();
        works("one");
        assertThat(latest()).as("how long the way is, nobody told").isEmpty();
        way();
        ClockView planned = latest().orElseThrow();
        assertThat(planned.opensAt()).isEqualTo(OFF_BLOCK.plus(WAY).minus(BEFORE_TAKE_OFF));
        assertThat(planned.releases()).isEqualTo("start of engine 1 and 2");
        log.pass(Duration.ofMinutes(46));
        works("leaves");
        assertThat(latest().orElseThrow().opensAt())
                .as("six minutes late, and so is the take-off")
                .isEqualTo(OFF_BLOCK.plus(Duration.ofMinutes(6)).plus(WAY).minus(BEFORE_TAKE_OFF));
    }

    @Test
    void itNamesWhatIsLeftAndIsGoneWhenEveryEngineRuns() {
        works("one");
        way();
        log.idles(2);
        assertThat(latest().orElseThrow().releases()).isEqualTo("start of engine 1");
        log.idles(1);
        assertThat(latest()).isEmpty();
    }

    @Test
    void itIsGoneWhenTheCrewMeansToNoMore() {
        works("one");
        way();
        assertThat(latest()).isPresent();
        log.accept(CAPTAIN, Ask.of(new LineAsk.Undo(LineRef.parse("out/one"), "both engines at the stand")));
        assertThat(latest()).isEmpty();
    }
}
