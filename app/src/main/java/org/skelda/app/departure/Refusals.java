package org.skelda.app.departure;

import static org.skelda.app.problem.Problem.of;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.app.problem.Problem;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Departure;
import org.skelda.core.fact.DayFact;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Procedure;

/** The catalogue's answer to each refusal: one clear sentence, and what to do. */
final class Refusals {
    private static final int FORBIDDEN = 403;
    private static final int NOT_FOUND = 404;
    private static final int CONFLICT = 409;
    private static final int UNPROCESSABLE = 422;
    private static final DateTimeFormatter UTC =
            DateTimeFormatter.ofPattern("HH:mm:ss 'UTC'").withZone(ZoneOffset.UTC);

    private final Departure departure;

    Refusals(Departure departure) {
        this.departure = departure;
    }

    Problem problem(Refusal refusal) {
        return switch (refusal) {
            case Refusal.NotSeated() ->
                of("not-seated", FORBIDDEN, "No seat", "You hold no seat on this departure.", "Take a seat first.");
            case Refusal.SeatHeld(Seat seat, var holder) ->
                of(
                        "seat-held",
                        CONFLICT,
                        "Seat or role is held",
                        holder.name() + " holds the " + word(seat) + " seat.",
                        "Choose the other seat or role, ask for a hand-over, or take it over with a reason.");
            case Refusal.AlreadySeated(Seat seat, var person) ->
                of(
                        "seat-held",
                        CONFLICT,
                        "Already seated",
                        person.name() + " already holds the " + word(seat) + " seat.",
                        "Release that seat first.");
            case Refusal.NotYourSeat(Seat seat, var holder) ->
                of(
                        "not-seated",
                        FORBIDDEN,
                        "Not your seat",
                        "The " + word(seat) + " seat is "
                                + (holder == null ? "free." : "held by " + holder.name() + "."),
                        "Only its holder can release it or hand it over.");
            case Refusal.Closed(Lifecycle lifecycle) ->
                of(
                        "departure-closed",
                        CONFLICT,
                        "Departure closed",
                        "This departure is " + (lifecycle == Lifecycle.SIGNED ? "signed." : "given up."),
                        lifecycle == Lifecycle.SIGNED
                                ? "Add an amendment if something is missing."
                                : "Open another under Today.");
            case Refusal.NotOfThisCrew() ->
                of(
                        "not-seated",
                        FORBIDDEN,
                        "Not of this crew",
                        "You held no seat on this departure.",
                        "Ask one who did, or your operator's office, to add it.");
            case Refusal.NotSigned _ ->
                of(
                        "departure-closed",
                        CONFLICT,
                        "Not signed",
                        "Only a signed record can be amended.",
                        "Answer or take back the line itself.");
            case Refusal.UnknownLine(String name) ->
                of(
                        "unknown-line",
                        NOT_FOUND,
                        "Unknown line",
                        "This departure's procedures have no '" + name + "'.",
                        "Reload the page; its procedures may be another version.");
            case Refusal.NotTaken(LineRef line, Why why) -> notTaken(line, why);
            case Refusal.GateClosed(LineRef line, GateState gate) -> gateClosed(line, gate);
            case Refusal.OverrideNeeded(LineRef line, String guards) ->
                of(
                                "gate-closed",
                                CONFLICT,
                                "Guarded gate",
                                label(line) + " is guarded: going on now can harm " + guards + ".",
                                "Wait for the gate, or name the line in a second step.")
                        .withGate(null, line.line(), guards);
            case Refusal.Conflict(String subject, long newest) ->
                of(
                                "conflict",
                                CONFLICT,
                                "Something newer happened",
                                "Event " + newest + " on this " + subject.split(":", 2)[0] + " came before yours.",
                                "Look at what is there now and decide again.")
                        .withNewest(newest);
            case Refusal.NothingThere(String what) ->
                of("nothing-there", CONFLICT, "Nothing there", what, "Look at what is there now.");
            case Refusal.NotReadable(String sentence, String todo) ->
                of("not-readable", UNPROCESSABLE, "Not readable", sentence, todo);
            case Refusal.ReasonMissing(String forWhat) ->
                of(
                        "reason-missing",
                        UNPROCESSABLE,
                        "Reason missing",
                        "A reason is needed for " + forWhat + ".",
                        "Give one in a few words.");
            case Refusal.ImpossibleValue(
                    String quantity,
                    double value,
                    double min,
                    double max,
                    String unit,
                    String todo) ->
                of(
                        "out-of-range",
                        UNPROCESSABLE,
                        "Impossible value",
                        quantity + " of " + plain(value) + " " + unit + " is outside " + plain(min) + " to "
                                + plain(max) + " " + unit + ".",
                        todo);
            case Refusal.UnknownFact(String fact) ->
                of(
                        "unknown-fact",
                        NOT_FOUND,
                        "No such fact",
                        "A day has no fact '" + fact + "'.",
                        "Look at the day's facts and give one of them.");
            case Refusal.UnknownUnit(String given, String expected)
            when expected.isEmpty() ->
                of("unit-unknown", UNPROCESSABLE, "Yes or no", "This is a yes or no, not a number.", "Say yes or no.");
            case Refusal.UnknownUnit(String given, String expected) ->
                of(
                        "unit-unknown",
                        UNPROCESSABLE,
                        "Another unit",
                        "The value came in '" + given + "'; it is told in " + expected + ".",
                        "Give it in " + expected + ".");
            case Refusal.ImpossibleTime(Instant given, Instant earliest, Instant latest) ->
                of(
                        "out-of-range",
                        UNPROCESSABLE,
                        "Impossible time",
                        UTC.format(given) + " is outside " + UTC.format(earliest) + " to " + UTC.format(latest) + ".",
                        "Give the time it was done, not later than now.");
            case Refusal.NotReadyToSign(List<LineRef> lines) ->
                of(
                        "lines-open",
                        CONFLICT,
                        "Not ready to sign",
                        lines.isEmpty()
                                ? "The aircraft has not left its stand."
                                : lines.size() + " lines are open, the first is " + label(lines.getFirst()) + ".",
                        "Answer them or record deviations first.");
        };
    }

    private Problem notTaken(LineRef line, Why why) {
        return switch (why) {
            case Why.WrongAnswer(String expected) ->
                of(
                        "wrong-answer",
                        UNPROCESSABLE,
                        "Not how this line is answered",
                        label(line) + " needs " + expected + ".",
                        "Answer it in that way.");
            case Why.UnknownUnit(String given, String expected) ->
                of(
                        "unit-unknown",
                        UNPROCESSABLE,
                        "Another unit",
                        "The value came in '" + given + "'; it is told in " + expected + ".",
                        "Give it in " + expected + ".");
            case Why.AnotherPersonNeeded() ->
                of(
                        "another-person",
                        FORBIDDEN,
                        "Another person confirms",
                        "You gave the response to " + label(line) + "; the other pilot confirms it.",
                        "Ask the other pilot to confirm.");
            case Why.OthersPart(String whose) ->
                of(
                        "another-person",
                        FORBIDDEN,
                        "Not your part",
                        label(line) + " is answered by " + whose + ".",
                        "Leave it to them, or record a deviation.");
            case Why.NothingThere(String what) ->
                of("nothing-there", CONFLICT, "Nothing there", what, "Look at what is there now.");
            case Why.WordsMissing(String forWhat) ->
                of(
                        "reason-missing",
                        UNPROCESSABLE,
                        "Something is missing",
                        label(line) + ": " + forWhat + " is missing.",
                        "Give it in a few words.");
            case Why.AgreementNeeded(String control, boolean alone) ->
                of(
                        "agreement-needed",
                        CONFLICT,
                        "Not agreed",
                        control + " cannot be undone; it is moved only once it is agreed.",
                        alone
                                ? "Name " + control + " aloud and press again."
                                : "Name it, hear the other pilot agree, then press again.");
            case Why.NoneOfThese(String what, String given, List<String> known) ->
                of(
                        "wrong-answer",
                        UNPROCESSABLE,
                        "Nothing of that name",
                        "'" + given + "' is none of " + what + ": " + String.join(", ", known) + ".",
                        "Choose one of them.");
            case Why.NotYet(String first) ->
                of(
                        "gate-closed",
                        CONFLICT,
                        "Something comes first",
                        label(line) + " waits for: " + first + ".",
                        "Do that first.");
        };
    }

    private Problem gateClosed(LineRef line, GateState gate) {
        String why = gate.waits().stream().map(this::wait).collect(Collectors.joining("; "));
        return of(
                        "gate-closed",
                        CONFLICT,
                        "Gate closed",
                        label(line) + " waits: " + why + ".",
                        gate.opensAt().isPresent()
                                ? "Do something else meanwhile; it opens by itself."
                                : "Do that first, or record a deviation.")
                .withGate(gate.opensAt().orElse(null), null, gate.guards());
    }

    private String wait(GateState.Wait wait) {
        return switch (wait) {
            case GateState.Wait.ForClock(String clock, Instant opensAt) ->
                clock(clock) + " runs until " + UTC.format(opensAt);
            case GateState.Wait.ForClockStart(String clock) -> clock(clock) + " has not been started";
            case GateState.Wait.ForProcedure(String id) -> title(id) + " is not complete";
            case GateState.Wait.ForStrands(List<String> ids) ->
                "both strands come together here, and not complete are "
                        + ids.stream().map(this::title).collect(Collectors.joining(", "));
            case GateState.Wait.ForReading(LineRef ref) ->
                label(ref) + (departure.line(ref).reading() == null ? " is not read yet" : " is not within limits");
            case GateState.Wait.ForLine(LineRef ref) -> label(ref) + " is not done";
            case GateState.Wait.ForFact(String name) -> fact(name) + " is not known";
            case GateState.Wait.InOrder(LineRef ref) -> label(ref) + " comes first in this list";
            case GateState.Wait.ForStandstill() -> "the aircraft stands still";
            case GateState.Wait.ForApu(String what, Instant opensAt, boolean atHand) ->
                equipment(what, opensAt, atHand);
            case GateState.Wait.ForUnits(String what, Instant opensAt, boolean atHand) ->
                equipment(what, opensAt, atHand);
            case GateState.Wait.ForIdle(int engine) -> "engine " + engine + " has not come to idle on a good start";
        };
    }

    private static String equipment(String what, @Nullable Instant opensAt, boolean atHand) {
        if (opensAt != null) {
            return what + " until " + UTC.format(opensAt);
        }
        return atHand ? "nothing has shown yet: " + what : what;
    }

    private String title(String id) {
        return departure.plan().procedure(id).map(Procedure::title).orElse(id);
    }

    private String clock(String id) {
        ClockSpec spec = departure.plan().type().clocks().get(id);
        return spec == null ? id : spec.label();
    }

    private String fact(String name) {
        LineRef reading = departure.plan().reading(name);
        return reading != null
                ? label(reading)
                : DayFact.named(name).map(DayFact::label).orElse(name);
    }

    private String label(LineRef ref) {
        return departure.plan().line(ref).map(Line::label).orElse(ref.toString());
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? String.format(Locale.ROOT, "%.0f", value)
                : Double.toString(value);
    }

    private static String word(Seat seat) {
        return seat.name().toLowerCase(Locale.ROOT);
    }
}
