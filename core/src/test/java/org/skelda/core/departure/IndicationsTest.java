package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelda.core.crew.Role;
import org.skelda.core.indications.Expected;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Hand;
import org.skelda.core.kind.History;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.Standing;
import org.skelda.core.kind.Taking;
import org.skelda.core.kind.Work;
import org.skelda.core.need.Known;
import org.skelda.core.need.TestWhen;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Names;

class IndicationsTest {
    private static final String AC = Names.state("essential-ac");
    private static final Known POWERED = knowing(true);
    private static final Known ON_BATTERIES = knowing(false);
    private static final String DARK = "no essential AC on batteries";

    private static final Indications FIRE = new Indications(
            "Fire test",
            "press and hold",
            new IndicationTest(
                    "fire",
                    "Fire test",
                    "table",
                    List.of(
                            group("sounds", "bell"),
                            group("lamps", "fire-1", "fire-2", "loop-aft"),
                            group("other", "door")),
                    List.of(
                            new TestPhase(
                                    "held",
                                    "Held",
                                    List.of(
                                            always("bell"),
                                            always("fire-1"),
                                            always("fire-2"),
                                            new Expected("loop-aft", TestWhen.yes(AC), DARK))),
                            new TestPhase("released", "Released", List.of()))),
            Map.of("fire-2", "the second loop of that engine works"));

    private History history = History.NONE;
    private int seconds;

    private static Known knowing(boolean powered) {
        return name -> name.equals(AC) ? Optional.of(new Value.YesNo(powered)) : Optional.empty();
    }

    private static IndicationGroup group(String id, String... lights) {
        return new IndicationGroup(
                id,
                id,
                List.of(lights).stream()
                        .map(light -> new Indication(light, light, Indication.Way.LIGHT))
                        .toList());
    }

    private static Expected always(String light) {
        return new Expected(light, null, null);
    }

    private Taking ask(Doing doing, Known known) {
        Taking taking = FIRE.take(doing, history, new Hand(TestLog.CAPTAIN, Role.FLYING, null, false, null, known));
        if (taking instanceof Taking.Taken(Work work)) {
            Instant at = TestLog.BEGIN.plusSeconds(seconds++);
            history = history.plus(work, new Mark(TestLog.CAPTAIN, null, at, at));
        }
        return taking;
    }

    private void lookAtTheRest(Known known) {
        FIRE.view(history, known).test().groups().stream()
                .filter(one -> !one.complete())
                .forEach(one -> ask(new Indications.SeeGroup(one.phase(), one.group()), known));
    }

    private Indications.TestView view(Known known) {
        return FIRE.view(history, known).test();
    }

    @Test
    void whatShowsHangsOnTheStateAndWhatStaysDarkHasItsReason() {
        assertThat(view(POWERED).groups().get(1).expected()).containsExactly("fire-1", "fire-2", "loop-aft");
        assertThat(view(POWERED).groups().get(1).dark()).isEmpty();
        assertThat(view(ON_BATTERIES).groups().get(1).expected()).containsExactly("fire-1", "fire-2");
        assertThat(view(ON_BATTERIES).groups().get(1).dark()).containsExactly(Map.entry("loop-aft", DARK));
    }

    @Test
    void whatIsNotKnownNeverDecides() {
        assertThat(FIRE.awaits(Known.NOTHING)).isEqualTo(new TreeSet<>(Set.of(AC)));
        assertThat(FIRE.awaits(POWERED)).isEmpty();
    }

    @Test
    void groupByGroupInTheirOrderToTheEnd() {
        assertThat(ask(new Indications.SeeGroup("held", "lamps"), POWERED))
                .isEqualTo(Taking.not(new Taking.Why.NotYet("Held: sounds")));
        assertThat(FIRE.standing(history)).isEqualTo(Standing.OPEN);
        ask(new Indications.SeeGroup("held", "sounds"), POWERED);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.BEGUN);
        lookAtTheRest(POWERED);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.DONE);
        assertThat(view(POWERED).wrong()).isEmpty();
        assertThat(view(ON_BATTERIES).groups().get(1).expected())
                .as("what was seen with power stays what it was")
                .contains("loop-aft");
    }

    @Test
    void theLastOfAGroupThatIsMarkedSinglyCompletesIt() {
        ask(new Indications.SeeOne("held", "bell", true), POWERED);
        assertThat(view(POWERED).groups().getFirst().complete()).isTrue();
    }

    @Test
    void aMissingLampGoesOnlyByTheOperatorsListAndASecondLookMendsIt() {
        ask(new Indications.SeeGroup("held", "sounds"), POWERED);
        ask(new Indications.SeeOne("held", "fire-1", false), POWERED);
        ask(new Indications.SeeOne("held", "fire-2", false), POWERED);
        lookAtTheRest(POWERED);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.OUTSIDE);
        assertThat(ask(new Indications.Decide("held", "fire-1", Indications.Verdict.GO), POWERED))
                .isEqualTo(
                        Taking.not(new Taking.Why.NothingThere("The operator's list does not let it go like this.")));
        ask(new Indications.Decide("held", "fire-2", Indications.Verdict.GO), POWERED);
        ask(new Indications.Decide("held", "fire-1", Indications.Verdict.MAINTENANCE), POWERED);
        assertThat(FIRE.standing(history))
                .as("maintenance is called, it stays open")
                .isEqualTo(Standing.OUTSIDE);
        ask(new Indications.SeeOne("held", "fire-1", true), POWERED);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.DONE);
        assertThat(view(POWERED).wrong()).singleElement().satisfies(wrong -> {
            assertThat(wrong.missing()).isTrue();
            assertThat(wrong.verdict()).isEqualTo(Indications.Verdict.GO);
            assertThat(wrong.go()).isEqualTo("the second loop of that engine works");
        });
    }

    @Test
    void whatShowsAndShouldNotIsTold() {
        ask(new Indications.SeeGroup("held", "sounds"), ON_BATTERIES);
        ask(new Indications.SeeOne("held", "loop-aft", true), ON_BATTERIES);
        lookAtTheRest(ON_BATTERIES);
        assertThat(view(ON_BATTERIES).wrong()).singleElement().satisfies(wrong -> {
            assertThat(wrong.indication()).isEqualTo("loop-aft");
            assertThat(wrong.missing()).isFalse();
        });
        assertThat(FIRE.standing(history)).isEqualTo(Standing.OUTSIDE);
        ask(new Indications.TestAgain(), ON_BATTERIES);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.OPEN);
        lookAtTheRest(ON_BATTERIES);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.DONE);
        assertThat(view(ON_BATTERIES).rounds()).isEqualTo(1);
    }

    private static Known feeding(String... shows) {
        Set<String> lit = Set.of(shows);
        return name -> {
            String light = Indication.named(name);
            return light == null ? POWERED.value(name) : Optional.of(new Value.YesNo(lit.contains(light)));
        };
    }

    @Test
    void aFeedMarksWhatItSeesAndTheCrewTheRest() {
        Known held = feeding("bell", "fire-1", "loop-aft", "door");
        ask(new Indications.SeeGroup("held", "sounds"), held);
        assertThat(view(held).groups().get(1).fed()).containsExactly("fire-1", "loop-aft");
        ask(new Indications.SeeGroup("held", "lamps"), held);
        ask(new Indications.SeeGroup("held", "other"), held);
        assertThat(view(held).wrong())
                .extracting(Indications.WrongView::indication, Indications.WrongView::missing)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("fire-2", true),
                        org.assertj.core.groups.Tuple.tuple("door", false));
        assertThat(view(POWERED).groups().get(3).fed()).as("no feed tells").isNull();
    }

    @Test
    void whatTheCrewSawCountsMoreThanWhatTheFeedTells() {
        Known held = feeding("bell", "fire-1", "loop-aft");
        ask(new Indications.SeeGroup("held", "sounds"), held);
        ask(new Indications.SeeOne("held", "fire-2", true), held);
        ask(new Indications.SeeGroup("held", "lamps"), held);
        assertThat(view(held).wrong()).isEmpty();
    }

    @Test
    void aFeedTellsNothingBeforeTheTestIsPressed() {
        assertThat(view(feeding()).groups().getFirst().fed()).isNull();
        lookAtTheRest(feeding());
        assertThat(view(feeding()).wrong()).isEmpty();
        assertThat(FIRE.standing(history)).isEqualTo(Standing.DONE);
    }

    @Test
    void aTestThatIsNotLetGoIsNoAnswer() {
        Known held = feeding("bell", "fire-1", "fire-2", "loop-aft");
        for (String group : List.of("sounds", "lamps", "other")) {
            ask(new Indications.SeeGroup("held", group), held);
        }
        assertThat(ask(new Indications.SeeGroup("released", "sounds"), held))
                .isEqualTo(Taking.not(new Taking.Why.NotYet("Letting go")));
        Known stuck = feeding("bell");
        ask(new Indications.SeeOne("released", "bell", true), stuck);
        ask(new Indications.SeeGroup("released", "sounds"), stuck);
        lookAtTheRest(stuck);
        assertThat(FIRE.standing(history)).isEqualTo(Standing.OUTSIDE);
    }

    @Test
    void whatATestDoesNotLookAtIsSaidAndKeptOut() {
        assertThat(ask(new Indications.SeeOne("held", "moon", true), POWERED))
                .isEqualTo(Taking.not(new Taking.Why.NoneOfThese(
                        "what this test looks at", "moon", List.of("bell", "fire-1", "fire-2", "loop-aft", "door"))));
        assertThat(ask(new Indications.SeeGroup("later", "lamps"), POWERED))
                .isEqualTo(Taking.not(
                        new Taking.Why.NoneOfThese("the phases of this test", "later", List.of("held", "released"))));
        assertThat(history.isEmpty()).isTrue();
    }

    @Test
    void aTestThatContradictsItselfIsRefused() {
        List<IndicationGroup> lamps = List.of(group("lamps", "one"));
        assertThatThrownBy(() -> new IndicationTest(
                        "t", "T", "s", lamps, List.of(new TestPhase("p", "P", List.of(always("two"))))))
                .hasMessage("'p' expects 'two', which is in none of the groups that the test looks at");
        assertThatThrownBy(() -> new IndicationTest(
                        "t", "T", "s", lamps, List.of(new TestPhase("p", "P", List.of(always("one"), always("one"))))))
                .hasMessage("'p' expects 'one' twice");
        assertThatThrownBy(() -> new Indications("T", "press", FIRE.test(), Map.of("moon", "why")))
                .hasMessageContaining("'moon' may be missing, but 'fire' does not look at it");
    }

    /**
     * Whatever is marked in whatever order: done means that every group was looked at and nothing wrong is undecided.
     */
    @Test
    void randomCrewsNeverPassAMissingLamp() {
        for (int seed = 0; seed < 500; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            history = History.NONE;
            for (int step = 0; step < 40; step++) {
                Known known = random.nextInt(4) == 0 ? ON_BATTERIES : POWERED;
                ask(Doings.wild(line(), random), known);
                Indications.TestView view = view(known);
                boolean all = view.groups().stream().allMatch(Indications.GroupView::complete);
                boolean settled = view.wrong().stream().allMatch(one -> one.verdict() == Indications.Verdict.GO);
                assertThat(FIRE.standing(history) == Standing.DONE).isEqualTo(all && settled);
                assertThat(view.wrong().stream().filter(one -> one.verdict() == Indications.Verdict.GO))
                        .allMatch(one -> one.indication().equals("fire-2"));
            }
        }
    }

    private static Line line() {
        return new Line(new LineHead("fire", null, List.of(), null, null, List.of(), false, null), FIRE);
    }
}
