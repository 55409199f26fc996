package org.skelda.core.kind;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What there is to show of a line beside who did it and when. One part is there: its kind's.
 *
 * @param limits those that apply now to a measure that is open, or of whose drop is told what it counts from
 * @param compared the readings and how they agree
 * @param said a challenge's number and what the record knows
 * @param choice what is chosen or offered
 * @param heard by the headings' ids
 * @param axes of a control check
 * @param findings of a station
 * @param test what a test shows and what was seen of it
 * @param agreed how an irreversible control was agreed on
 */
public record WorkView(
        @Nullable List<Measure.LimitView> limits,
        Compare.@Nullable Compared compared,
        Challenge.@Nullable Said said,
        Choice.@Nullable ChoiceView choice,
        @Nullable Map<String, String> heard,
        @Nullable List<ControlCheck.AxisView> axes,
        @Nullable List<Walk.FindingView> findings,
        Indications.@Nullable TestView test,
        Work.@Nullable Agreement agreed) {

    static WorkView limits(List<Measure.LimitView> limits) {
        return new WorkView(limits, null, null, null, null, null, null, null, null);
    }

    static WorkView compared(Compare.Compared compared) {
        return new WorkView(null, compared, null, null, null, null, null, null, null);
    }

    static WorkView said(Challenge.Said said) {
        return new WorkView(null, null, said, null, null, null, null, null, null);
    }

    static WorkView choice(Choice.ChoiceView choice) {
        return new WorkView(null, null, null, choice, null, null, null, null, null);
    }

    static WorkView heard(Map<String, String> heard) {
        return new WorkView(null, null, null, null, heard, null, null, null, null);
    }

    static WorkView axes(List<ControlCheck.AxisView> axes) {
        return new WorkView(null, null, null, null, null, axes, null, null, null);
    }

    static WorkView findings(List<Walk.FindingView> findings) {
        return new WorkView(null, null, null, null, null, null, findings, null, null);
    }

    static WorkView test(Indications.TestView test) {
        return new WorkView(null, null, null, null, null, null, null, test, null);
    }

    static WorkView agreed(Work.Agreement agreed) {
        return new WorkView(null, null, null, null, null, null, null, null, agreed);
    }
}
