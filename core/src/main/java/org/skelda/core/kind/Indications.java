package org.skelda.core.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;

/**
 * A test of warnings: what shows is looked at group by group. What is missing, and what shows and should not, asks for
 * a decision by the operator's list: maintenance, or go with its reason.
 *
 * @param does what is pressed or held
 * @param test what is looked at and what shows
 * @param go indications that may be missing, or show, by the operator's list: why, by id
 */
public record Indications(String label, String does, IndicationTest test, Map<String, String> go) implements LineKind {

    /** @throws IllegalArgumentException when the operator's list names what the test does not look at */
    public Indications {
        go = Map.copyOf(go);
        for (String indication : go.keySet()) {
            if (test.groupOf(indication).isEmpty()) {
                throw new IllegalArgumentException(
                        "'" + indication + "' may be missing, but '" + test.id() + "' does not look at it");
            }
        }
    }

    /** What is decided about an indication that is not as it should be. */
    public enum Verdict {
        /** It goes like this, by the operator's list. */
        GO,
        /** Maintenance is called; it stays open until the test is made again. */
        MAINTENANCE
    }

    /** Everything that is expected of a group shows, and nothing else, beside what was marked singly. */
    public record SeeGroup(String phase, String group) implements Doing {}

    /** Marks one. @param lit whether it shows */
    public record SeeOne(String phase, String indication, boolean lit) implements Doing {}

    /** Decides about one that is not as it should be. */
    public record Decide(String phase, String indication, Verdict verdict) implements Doing {}

    /** Begins the test anew; what was seen is kept in the record. */
    public record TestAgain() implements Doing {}

    /**
     * A group was looked at.
     *
     * @param expected what had to show
     * @param dark what of it the feed told to be dark
     * @param extra what else the feed told to show
     */
    public record GroupSeen(String phase, String group, List<String> expected, List<String> dark, List<String> extra)
            implements Work {
        public GroupSeen {
            expected = List.copyOf(expected);
            dark = List.copyOf(dark);
            extra = List.copyOf(extra);
        }
    }

    /** One was marked. @param expected what is expected of its group at that time */
    public record OneSeen(String phase, String indication, boolean lit, List<String> expected) implements Work {
        public OneSeen {
            expected = List.copyOf(expected);
        }
    }

    /** It was decided about. @param reason of the operator's list, for going like this */
    public record Decided(
            String phase,
            String indication,
            Verdict verdict,
            @Nullable String reason) implements Work {}

    /** The test was begun anew. */
    public record BegunAnew() implements Work {}

    /**
     * A group in a phase.
     *
     * @param complete whether it was looked at
     * @param expected what shows now, or showed when it was looked at
     * @param dark what stays dark for a known reason, with the reason
     * @param lit what was seen to show
     * @param fed what a feed tells to show now; null when none tells, or before the test is pressed
     */
    public record GroupView(
            String phase,
            String group,
            boolean complete,
            List<String> expected,
            Map<String, String> dark,
            List<String> lit,
            @Nullable List<String> fed) {}

    /**
     * One that is not as it should be.
     *
     * @param missing whether it should show; otherwise it shows and should not
     * @param go why it may go like this, by the operator's list; null when it may not
     * @param verdict the newest decision; null while there is none
     */
    public record WrongView(
            String phase,
            String indication,
            String label,
            boolean missing,
            Mark seen,
            @Nullable String go,
            @Nullable Verdict verdict,
            @Nullable Mark decided) {}

    /** @param rounds how often the test was begun anew */
    public record TestView(List<GroupView> groups, List<WrongView> wrong, int rounds) {}

    @Override
    public String expects() {
        return does;
    }

    @Override
    public Standing standing(History history) {
        TestRound round = round(history);
        if (round.next().isPresent()) {
            return round.isUntouched() ? Standing.OPEN : Standing.BEGUN;
        }
        return round.wrong().stream().allMatch(one -> one.verdict() == Verdict.GO) ? Standing.DONE : Standing.OUTSIDE;
    }

    @Override
    public boolean isFree(Doing doing) {
        return doing instanceof Decide || LineKind.super.isFree(doing);
    }

    @Override
    public Set<String> awaits(Known known) {
        Set<String> names = new TreeSet<>();
        test.phases().forEach(phase -> names.addAll(phase.unknown(known)));
        return names;
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        return switch (doing) {
            case SeeGroup see -> seeGroup(see, history, hand);
            case SeeOne see -> seeOne(see, history, hand);
            case Decide decide -> decide(decide, history);
            case TestAgain _ ->
                history.isEmpty()
                        ? Taking.not(new Why.NothingThere("The test was not begun."))
                        : Taking.taken(new BegunAnew());
            default -> Taking.not(new Why.WrongAnswer("a group that was looked at, or one light"));
        };
    }

    private Taking seeGroup(SeeGroup see, History history, Hand hand) {
        Optional<TestPhase> phase = test.phase(see.phase());
        Optional<IndicationGroup> group = test.group(see.group());
        if (phase.isEmpty()) {
            return unknownPhase(see.phase());
        }
        if (group.isEmpty()) {
            return Taking.not(new Why.NoneOfThese(
                    "the groups of this test",
                    see.group(),
                    test.groups().stream().map(IndicationGroup::id).toList()));
        }
        TestRound.Place place = new TestRound.Place(phase.get(), group.get());
        Taking early = early(place, history);
        if (early != null) {
            return early;
        }
        List<String> expected = phase.get().expected(group.get(), hand.known());
        List<String> fed = isPressed(phase.get(), hand.known()) ? fed(group.get(), hand.known()) : null;
        if (fed != null && isStillHeld(phase.get(), group.get(), fed, history, hand.known())) {
            return Taking.not(new Why.NotYet("Letting go"));
        }
        return Taking.taken(new GroupSeen(
                see.phase(),
                see.group(),
                expected,
                fed == null
                        ? List.of()
                        : expected.stream().filter(id -> !fed.contains(id)).toList(),
                fed == null
                        ? List.of()
                        : fed.stream().filter(id -> !expected.contains(id)).toList()));
    }

    /**
     * Whether what a feed tells is of this phase: before anything of it shows the test is not pressed, and what is dark
     * then says nothing.
     */
    private boolean isPressed(TestPhase phase, Known known) {
        boolean wanted = false;
        for (IndicationGroup group : test.groups()) {
            List<String> fed = fed(group, known);
            if (fed == null) {
                return false;
            }
            List<String> expected = phase.expected(group, known);
            if (expected.stream().anyMatch(fed::contains)) {
                return true;
            }
            wanted |= !expected.isEmpty();
        }
        return !wanted;
    }

    /** Whether the feed tells that something shows where nothing must, and nobody has marked it. */
    private boolean isStillHeld(
            TestPhase phase, IndicationGroup group, List<String> fed, History history, Known known) {
        return test.groups().stream().allMatch(one -> phase.expected(one, known).isEmpty())
                && !round(history).of(phase.id(), group.id()).marked().containsAll(fed);
    }

    /** What of a group a feed tells to show now; null when it tells nothing of lights. */
    private static @Nullable List<String> fed(IndicationGroup group, Known known) {
        List<String> shows = new ArrayList<>();
        for (Indication one : group.indications()) {
            Value told = known.value(one.name()).orElse(null);
            if (told == null) {
                return null;
            }
            if (told.equals(new Value.YesNo(true))) {
                shows.add(one.id());
            }
        }
        return shows;
    }

    private Taking seeOne(SeeOne see, History history, Hand hand) {
        Optional<TestPhase> phase = test.phase(see.phase());
        Optional<IndicationGroup> group = test.groupOf(see.indication());
        if (phase.isEmpty()) {
            return unknownPhase(see.phase());
        }
        if (group.isEmpty()) {
            return Taking.not(new Why.NoneOfThese(
                    "what this test looks at",
                    see.indication(),
                    test.groups().stream()
                            .flatMap(one -> one.indications().stream())
                            .map(Indication::id)
                            .toList()));
        }
        Taking early = early(new TestRound.Place(phase.get(), group.get()), history);
        return early != null
                ? early
                : Taking.taken(new OneSeen(
                        see.phase(), see.indication(), see.lit(), phase.get().expected(group.get(), hand.known())));
    }

    private Taking unknownPhase(String given) {
        return Taking.not(new Why.NoneOfThese(
                "the phases of this test",
                given,
                test.phases().stream().map(TestPhase::id).toList()));
    }

    /** Groups are looked at in their order; one that was looked at may be looked at again. */
    private @Nullable Taking early(TestRound.Place place, History history) {
        TestRound round = round(history);
        Optional<TestRound.Place> next = round.next();
        List<TestRound.Place> all = round.places().toList();
        return next.isPresent() && all.indexOf(place) > all.indexOf(next.get())
                ? Taking.not(new Why.NotYet(
                        next.get().phase().label() + ": " + next.get().group().label()))
                : null;
    }

    private Taking decide(Decide decide, History history) {
        Optional<WrongView> wrong = round(history).wrong().stream()
                .filter(one ->
                        one.phase().equals(decide.phase()) && one.indication().equals(decide.indication()))
                .findFirst();
        if (wrong.isEmpty()) {
            return Taking.not(new Why.NothingThere("That one is as it should be."));
        }
        String reason = wrong.get().go();
        if (decide.verdict() == Verdict.GO && reason == null) {
            return Taking.not(new Why.NothingThere("The operator's list does not let it go like this."));
        }
        return Taking.taken(new Decided(
                decide.phase(), decide.indication(), decide.verdict(), decide.verdict() == Verdict.GO ? reason : null));
    }

    @Override
    public WorkView view(History history, Known known) {
        TestRound round = round(history);
        Set<String> pressed = test.phases().stream()
                .filter(phase -> isPressed(phase, known))
                .map(TestPhase::id)
                .collect(Collectors.toSet());
        List<GroupView> groups = round.places()
                .map(place ->
                        view(place, round, known, pressed.contains(place.phase().id())))
                .toList();
        return WorkView.test(new TestView(groups, round.wrong(), round.rounds()));
    }

    private GroupView view(TestRound.Place place, TestRound round, Known known, boolean pressed) {
        TestRound.Looked looked = round.of(place.phase().id(), place.group().id());
        boolean complete = looked.isComplete();
        List<String> expected = looked.expected();
        return new GroupView(
                place.phase().id(),
                place.group().id(),
                complete,
                complete && expected != null ? expected : place.phase().expected(place.group(), known),
                complete ? Map.of() : place.phase().dark(place.group(), known),
                looked.lit(),
                complete || !pressed ? null : fed(place.group(), known));
    }

    private TestRound round(History history) {
        return new TestRound(test, go, history);
    }
}
