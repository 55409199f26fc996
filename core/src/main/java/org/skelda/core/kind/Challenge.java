package org.skelda.core.kind;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.crosscheck.Slip;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;

/**
 * One reads the challenge, the responder answers, the reader confirms. The reader never answers himself; one who is
 * alone answers aloud with one key. An answer that is a number must match the record.
 *
 * @param responder who answers
 * @param match what the answer must match; null when it is words
 */
public record Challenge(
        String label,
        String response,
        Role responder,
        @Nullable Match match) implements LineKind {

    public Challenge(String label, String response, Role responder) {
        this(label, response, responder, null);
    }

    /**
     * @param name under which the record knows the number, as in a condition
     * @param spec unit and what is possible
     * @param within how far the answer may lie from it, in the unit
     */
    public record Match(String name, MeasureSpec spec, double within) {}

    /** Answers with a number. @param value in {@code unit} */
    public record Say(double value, String unit) implements Doing {}

    /**
     * It was answered with a number.
     *
     * @param value in {@code unit}
     * @param expected as the record knew it then; null when it was passed over, and nobody knows
     * @param matches whether they agree
     * @param slip that would explain it when they do not; null when none does
     * @param alone whether it was answered by one who is alone
     */
    public record Said(
            double value,
            String unit,
            @Nullable Double expected,
            boolean matches,
            @Nullable Slip slip,
            boolean alone) implements Work {}

    @Override
    public String expects() {
        return response;
    }

    @Override
    public Standing standing(History history) {
        History.Done newest = history.newest();
        if (newest == null) {
            return Standing.OPEN;
        }
        return switch (newest.work()) {
            case Said said when !said.matches() -> Standing.OUTSIDE;
            case Said said -> said.alone() ? Standing.DONE : Standing.RESPONDED;
            case Work.Answered answered -> answered.alone() ? Standing.DONE : Standing.RESPONDED;
            default -> Standing.DONE;
        };
    }

    @Override
    public Set<String> awaits(Known known) {
        return match == null || known.value(match.name()).isPresent() ? Set.of() : Set.of(match.name());
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (doing instanceof Doing.Confirm) {
            return confirm(history, hand);
        }
        boolean fits = match == null ? doing instanceof Doing.Answer : doing instanceof Say;
        if (!fits) {
            return Taking.not(new Why.WrongAnswer(match == null ? "words, without a value" : "a value"));
        }
        if (!hand.alone() && hand.role() == responder.other()) {
            return Taking.not(new Why.OthersPart("the pilot " + responder.word() + "; the one who reads does not"));
        }
        return match != null && doing instanceof Say say
                ? say(say, match, hand)
                : Tick.answered(doing instanceof Doing.Answer answer ? answer : Doing.Answer.PLAIN, hand);
    }

    private Taking say(Say say, Match match, Hand hand) {
        MeasureSpec spec = match.spec();
        if (!spec.unit().equals(say.unit())) {
            return Taking.not(new Why.UnknownUnit(say.unit(), spec.unit()));
        }
        if (!(say.value() >= spec.possibleMin() && say.value() <= spec.possibleMax())) {
            throw new OutOfRange(
                    label,
                    say.value(),
                    spec.possibleMin(),
                    spec.possibleMax(),
                    spec.unit(),
                    "Read it again and say what it shows.");
        }
        if (!(hand.known().value(match.name()).orElse(null) instanceof Value.Number(double expected))) {
            return Taking.taken(new Said(say.value(), say.unit(), null, true, null, hand.alone()));
        }
        boolean matches = Math.abs(say.value() - expected) <= match.within() + 1e-9;
        Slip slip = Slip.explaining(say.value(), expected, match.within(), spec.unit(), spec.decimals())
                .orElse(null);
        return Taking.taken(new Said(say.value(), say.unit(), expected, matches, slip, hand.alone()));
    }

    private Taking confirm(History history, Hand hand) {
        Mark answered = history.answered();
        if (answered == null) {
            return Taking.not(new Why.NothingThere("The challenge has no response yet."));
        }
        if (standing(history) == Standing.OUTSIDE) {
            return Taking.not(new Why.NotYet("an answer that matches the record"));
        }
        return hand.isOwn(answered) ? Taking.not(new Why.AnotherPersonNeeded()) : Taking.taken(new Work.Confirmed());
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        return history.last(Said.class).map(said -> WorkView.said(said.work())).orElse(null);
    }
}
