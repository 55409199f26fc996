package org.skelda.app.departure;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Callout;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Check;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Gate;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineKind;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Note;
import org.skelda.core.kind.Read;
import org.skelda.core.kind.Start;
import org.skelda.core.kind.Walk;
import org.skelda.core.measure.MeasureSpec;

/**
 * What the kind of a line has beside its words. What a kind has not is null or empty.
 *
 * @param measure of what is read off: unit, what is possible, the limit that always applies
 * @param role who answers a challenge, or who says a callout
 * @param splits whether it is the line that splits a checklist
 * @param engine which engine a start line starts
 * @param holds_s how long the control must be held
 * @param outside the list to go on with when a measure lies outside
 * @param own whether it takes a key of its own
 * @param compare what is compared
 * @param choices of a decision
 * @param heard in a communication
 * @param axes of a control check
 * @param test of warnings
 */
record KindText(
        @Nullable MeasureSpec measure,
        @Nullable Role role,
        boolean splits,
        @Nullable Integer engine,
        @Nullable Double holds_s,
        @Nullable String outside,
        boolean own,
        @Nullable Comparing compare,
        List<ChoiceText> choices,
        @Nullable Hearing heard,
        List<ControlCheck.Axis> axes,
        @Nullable TestText test) {
    private static final double MILLIS_PER_SECOND = 1000;
    private static final KindText PLAIN = plain();

    /** How a line is worked. */
    enum Sort {
        ACTION,
        CHECK,
        MEASURE,
        COMPARE,
        CHALLENGE,
        READ,
        MEMORY,
        DECISION,
        GATE,
        CALLOUT,
        COMMUNICATION,
        NOTE,
        CAUTION,
        CONTROL_CHECK,
        WALK,
        INDICATIONS,
        START
    }

    /** @param of what is read, in the order of typing; @param reference what each must agree with, in words */
    record Comparing(
            List<String> of,
            @Nullable Double within,
            @Nullable String reference,
            @Nullable Double referenceWithin) {}

    /** @param ends with which words the list ends; @param list which is gone on with; each null where it does not */
    record ChoiceText(
            String id,
            String label,
            @Nullable String ends,
            @Nullable String list) {}

    /** @param with whom; @param readBack whether the other pilot confirms */
    record Hearing(String with, List<HeardText> values, boolean readBack) {}

    /** One value that is heard. @param pick the words there are; empty for others; @param example of digits */
    record HeardText(
            String id,
            String label,
            @Nullable String unit,
            @Nullable Double min,
            @Nullable Double max,
            List<String> pick,
            @Nullable String example) {}

    /** @param groups what is looked at, in its order; @param phases what is done, in its order */
    record TestText(String source, List<IndicationGroup> groups, List<PhaseText> phases) {}

    /** @param label what is done */
    record PhaseText(String id, String label) {}

    /** How a kind is worked. */
    static Sort sort(LineKind kind) {
        return switch (kind) {
            case Action _ -> Sort.ACTION;
            case Check _ -> Sort.CHECK;
            case Measure _ -> Sort.MEASURE;
            case Compare _ -> Sort.COMPARE;
            case Challenge _ -> Sort.CHALLENGE;
            case Read _ -> Sort.READ;
            case Memory _ -> Sort.MEMORY;
            case Choice _ -> Sort.DECISION;
            case Gate _ -> Sort.GATE;
            case Callout _ -> Sort.CALLOUT;
            case Communication _ -> Sort.COMMUNICATION;
            case Note _ -> Sort.NOTE;
            case Caution _ -> Sort.CAUTION;
            case ControlCheck _ -> Sort.CONTROL_CHECK;
            case Walk _ -> Sort.WALK;
            case Indications _ -> Sort.INDICATIONS;
            case Start _ -> Sort.START;
        };
    }

    static KindText of(LineKind kind) {
        return switch (kind) {
            case Action action -> held(action.holds());
            case Check check -> held(check.holds());
            case Measure measure -> measured(measure.spec(), null, measure.outside(), null);
            case Compare compare -> measured(compare.spec(), null, null, comparing(compare));
            case Challenge challenge ->
                measured(
                        challenge.match() == null ? null : challenge.match().spec(), challenge.responder(), null, null);
            case Choice choice -> choosing(choice);
            case Gate gate -> tick(null, gate.splits(), null, null, false);
            case Callout callout -> tick(callout.speaker(), false, null, null, false);
            case Communication communication -> hearing(communication);
            case Note note -> tick(null, false, null, null, note.acknowledged());
            case Caution _ -> tick(null, false, null, null, true);
            case ControlCheck check ->
                new KindText(null, null, false, null, null, null, false, null, List.of(), null, check.axes(), null);
            case Start start -> tick(null, false, start.engine(), null, false);
            case Indications indications -> testing(indications.test());
            case Read _, Memory _, Walk _ -> PLAIN;
        };
    }

    private static KindText plain() {
        return tick(null, false, null, null, false);
    }

    private static KindText tick(
            @Nullable Role role, boolean splits, @Nullable Integer engine, @Nullable Double holds_s, boolean own) {
        return new KindText(null, role, splits, engine, holds_s, null, own, null, List.of(), null, List.of(), null);
    }

    private static KindText held(@Nullable Duration holds) {
        return holds == null ? PLAIN : tick(null, false, null, holds.toMillis() / MILLIS_PER_SECOND, false);
    }

    private static KindText measured(
            @Nullable MeasureSpec spec, @Nullable Role role, @Nullable String outside, @Nullable Comparing compare) {
        return new KindText(spec, role, false, null, null, outside, false, compare, List.of(), null, List.of(), null);
    }

    private static Comparing comparing(Compare compare) {
        Compare.Reference reference = compare.reference();
        return new Comparing(
                compare.of(),
                compare.within(),
                reference == null ? null : reference.label(),
                reference == null ? null : (Double) reference.within());
    }

    private static KindText choosing(Choice choice) {
        List<ChoiceText> answers = choice.branches().stream()
                .map(branch -> new ChoiceText(branch.id(), branch.label(), branch.ends(), branch.list()))
                .toList();
        return new KindText(null, null, false, null, null, null, false, null, answers, null, List.of(), null);
    }

    private static KindText testing(IndicationTest test) {
        TestText text = new TestText(
                test.source(),
                test.groups(),
                test.phases().stream()
                        .map(phase -> new PhaseText(phase.id(), phase.label()))
                        .toList());
        return new KindText(null, null, false, null, null, null, false, null, List.of(), null, List.of(), text);
    }

    private static KindText hearing(Communication communication) {
        Hearing hearing = new Hearing(
                communication.with(),
                communication.values().stream().map(KindText::heard).toList(),
                communication.readBack());
        return new KindText(null, null, false, null, null, null, false, null, List.of(), hearing, List.of(), null);
    }

    private static HeardText heard(Communication.Heading heading) {
        return switch (heading) {
            case Communication.Heading.Number number ->
                new HeardText(number.id(), number.label(), number.unit(), number.min(), number.max(), List.of(), null);
            case Communication.Heading.Digits digits ->
                new HeardText(digits.id(), digits.label(), null, null, null, List.of(), digits.example());
            case Communication.Heading.Pick pick ->
                new HeardText(pick.id(), pick.label(), null, null, null, pick.of(), null);
            case Communication.Heading.Words words ->
                new HeardText(words.id(), words.label(), null, null, null, List.of(), null);
        };
    }
}
