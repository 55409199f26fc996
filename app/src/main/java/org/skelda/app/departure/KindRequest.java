package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Ask;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Walk;
import org.skelda.core.line.LineAsk;

/** How lines are worked, each kind in its own way. A line is named as procedure/line. */
@JsonSubTypes({
    @JsonSubTypes.Type(KindRequest.AnswerLine.class),
    @JsonSubTypes.Type(KindRequest.ConfirmLine.class),
    @JsonSubTypes.Type(KindRequest.MeasureLine.class),
    @JsonSubTypes.Type(KindRequest.CompareLine.class),
    @JsonSubTypes.Type(KindRequest.SayLine.class),
    @JsonSubTypes.Type(KindRequest.ChooseLine.class),
    @JsonSubTypes.Type(KindRequest.HearLine.class),
    @JsonSubTypes.Type(KindRequest.SeePosition.class),
    @JsonSubTypes.Type(KindRequest.FindAtStation.class),
    @JsonSubTypes.Type(KindRequest.SettleFinding.class),
    @JsonSubTypes.Type(KindRequest.SeeGroup.class),
    @JsonSubTypes.Type(KindRequest.SeeIndication.class),
    @JsonSubTypes.Type(KindRequest.DecideIndication.class),
    @JsonSubTypes.Type(KindRequest.TestAgain.class)
})
sealed interface KindRequest extends CommandRequest {

    LineRef line();

    /** What is done with the line. */
    Doing doing();

    @Override
    default Ask ask(Asking asking) {
        return Ask.of(new LineAsk.WorkLine(line(), doing()));
    }

    /**
     * Ticks a line that needs no value. @param agreed that the control it moves was agreed on aloud; @param named that
     * control, named by a single pilot in a second step
     */
    @JsonTypeName("ANSWER")
    record AnswerLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @Nullable Boolean agreed,
            @Size(max = 120) @Nullable String named)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Doing.Answer(Boolean.TRUE.equals(agreed), named);
        }
    }

    /** Confirms the colleague's response. @param named by a single pilot: the line that is held until it is agreed */
    @JsonTypeName("CONFIRM")
    record ConfirmLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @Size(max = 300) @Nullable String named)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Doing.Confirm(named);
        }
    }

    /** Types a reading. @param value in {@code unit}; @param unit the line's own */
    @JsonTypeName("MEASURE")
    record MeasureLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull Double value,
            @NotNull @Size(max = 20) String unit)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Measure.Type(value, unit);
        }
    }

    /** Types several readings of one thing. @param values in {@code unit}, in the line's order */
    @JsonTypeName("COMPARE")
    record CompareLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(min = 2, max = 8) List<@NotNull Double> values,
            @NotNull @Size(max = 20) String unit)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Compare.TypeAll(values, unit);
        }
    }

    /** Answers a challenge with a number. @param value in {@code unit} */
    @JsonTypeName("SAY")
    record SayLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull Double value,
            @NotNull @Size(max = 20) String unit)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Challenge.Say(value, unit);
        }
    }

    /** Answers a decision. @param choice id of the answer */
    @JsonTypeName("CHOOSE")
    record ChooseLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 60) String choice)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Choice.Choose(choice);
        }
    }

    /** Tells what was heard. @param values by the ids of what is heard */
    @JsonTypeName("HEAR")
    record HearLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 12) Map<@NotNull @Size(max = 60) String, @NotNull @Size(max = 200) String> values)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Communication.Hear(values);
        }
    }

    /** Marks a position of a control check. @param right whether what was seen is right */
    @JsonTypeName("SEE_POSITION")
    record SeePosition(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 60) String axis,
            @NotNull @Size(max = 60) String position,
            @NotNull Boolean right)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new ControlCheck.See(axis, position, right);
        }
    }

    /** Tells a finding of the walk-around. @param words what it is */
    @JsonTypeName("FIND")
    record FindAtStation(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull Walk.Sort what,
            @NotNull @Size(max = 300) String words,
            @NotNull Walk.Severity severity)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Walk.Find(what, words, severity);
        }
    }

    /** Decides about a finding. @param finding its number at the station, from 0; @param reason for going like this */
    @JsonTypeName("SETTLE")
    record SettleFinding(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull Integer finding,
            @NotNull Walk.Verdict verdict,
            @Size(max = 300) @Nullable String reason)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Walk.Settle(finding, verdict, reason);
        }
    }

    /** Tells that a group of a test shows what it must, and nothing else, beside what was marked singly. */
    @JsonTypeName("SEE_GROUP")
    record SeeGroup(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 60) String phase,
            @NotNull @Size(max = 60) String group)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Indications.SeeGroup(phase, group);
        }
    }

    /** Marks one indication of a test. @param lit whether it shows, or sounds */
    @JsonTypeName("SEE_INDICATION")
    record SeeIndication(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 60) String phase,
            @NotNull @Size(max = 60) String indication,
            @NotNull Boolean lit)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Indications.SeeOne(phase, indication, lit);
        }
    }

    /** Decides about an indication that is not as it should be. */
    @JsonTypeName("DECIDE_INDICATION")
    record DecideIndication(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 60) String phase,
            @NotNull @Size(max = 60) String indication,
            @NotNull Indications.Verdict verdict)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Indications.Decide(phase, indication, verdict);
        }
    }

    /** Begins a test anew. */
    @JsonTypeName("TEST_AGAIN")
    record TestAgain(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line)
            implements KindRequest {
        @Override
        public Doing doing() {
            return new Indications.TestAgain();
        }
    }
}
