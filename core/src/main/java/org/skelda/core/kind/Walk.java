package org.skelda.core.kind;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.need.Known;

/**
 * A station of the walk-around: all well, or findings, each of which asks for a decision back at the desk.
 *
 * @param looks what is looked at
 */
public record Walk(String label, String looks) implements LineKind {
    private static final int MOST_FINDINGS = 20;

    /** What kind of thing was found. */
    public enum Sort {
        DAMAGE,
        LEAK,
        MISSING,
        LOOSE,
        WORN,
        OPEN,
        ICE,
        OTHER
    }

    /** How much it matters, in the eye of the one who found it. */
    public enum Severity {
        /** Worth a word. */
        MINOR,
        /** Somebody should judge it. */
        DOUBTFUL,
        /** Not like this. */
        GROUNDING
    }

    /** What is decided about a finding. */
    public enum Verdict {
        /** It goes like this, with a reason. */
        GO,
        /** It was put right. */
        MENDED,
        /** Maintenance is called; it stays open until one of the others. */
        MAINTENANCE
    }

    /** Tells a finding. @param words what it is, in a few words */
    public record Find(Sort what, String words, Severity severity) implements Doing {}

    /** Decides about one. @param finding from 0; @param reason for going like this */
    public record Settle(
            int finding, Verdict verdict, @Nullable String reason) implements Doing {}

    /** Something was found. */
    public record Found(Sort what, String words, Severity severity) implements Work {}

    /** It was decided about. */
    public record Settled(
            int finding, Verdict verdict, @Nullable String reason) implements Work {}

    /** A finding as it stands. @param verdict the newest decision; null while there is none */
    public record FindingView(
            Sort what,
            String words,
            Severity severity,
            Mark found,
            @Nullable Verdict verdict,
            @Nullable String reason,
            @Nullable Mark settled) {
        /** Whether somebody must still decide about it. */
        public boolean open() {
            return verdict == null || verdict == Verdict.MAINTENANCE;
        }
    }

    @Override
    public String expects() {
        return looks;
    }

    private static List<FindingView> findings(History history) {
        List<FindingView> findings = new ArrayList<>();
        for (History.Of<Found> one : history.all(Found.class)) {
            findings.add(new FindingView(
                    one.work().what(), one.work().words(), one.work().severity(), one.mark(), null, null, null));
        }
        for (History.Of<Settled> one : history.all(Settled.class)) {
            FindingView of = findings.get(one.work().finding());
            findings.set(
                    one.work().finding(),
                    new FindingView(
                            of.what(),
                            of.words(),
                            of.severity(),
                            of.found(),
                            one.work().verdict(),
                            one.work().reason(),
                            one.mark()));
        }
        return findings;
    }

    @Override
    public Standing standing(History history) {
        if (history.isEmpty()) {
            return Standing.OPEN;
        }
        return findings(history).stream().anyMatch(FindingView::open) ? Standing.OUTSIDE : Standing.DONE;
    }

    /** The walk goes on; what was found is decided about back at the desk. */
    @Override
    public boolean holdsUp(boolean outside) {
        return !outside;
    }

    @Override
    public boolean isFree(Doing doing) {
        return doing instanceof Settle || LineKind.super.isFree(doing);
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        return switch (doing) {
            case Doing.Answer answer when history.isEmpty() -> Tick.answered(answer, hand);
            case Find find -> find(find, history);
            case Settle settle -> settle(settle, history);
            default -> Taking.not(new Why.WrongAnswer("all well, a finding, or a decision about one"));
        };
    }

    private static Taking find(Find find, History history) {
        if (find.words().isBlank()) {
            return Taking.not(new Why.WordsMissing("what was found"));
        }
        return history.all(Found.class).size() >= MOST_FINDINGS
                ? Taking.not(new Why.NotYet("a decision about what was found"))
                : Taking.taken(new Found(find.what(), find.words().strip(), find.severity()));
    }

    private static Taking settle(Settle settle, History history) {
        List<FindingView> findings = findings(history);
        if (settle.finding() < 0 || settle.finding() >= findings.size()) {
            return Taking.not(new Why.NothingThere("There is no such finding."));
        }
        if (!findings.get(settle.finding()).open()) {
            return Taking.not(new Why.NothingThere("That finding is decided."));
        }
        String reason = settle.reason() == null || settle.reason().isBlank()
                ? null
                : settle.reason().strip();
        return settle.verdict() == Verdict.GO && reason == null
                ? Taking.not(new Why.WordsMissing("why it goes like this"))
                : Taking.taken(new Settled(settle.finding(), settle.verdict(), reason));
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        List<FindingView> findings = findings(history);
        return findings.isEmpty() ? null : WorkView.findings(findings);
    }
}
