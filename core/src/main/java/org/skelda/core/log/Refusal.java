package org.skelda.core.log;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Taking;
import org.skelda.core.procedure.GateState;

/** Why a command was not accepted. Nothing of it was kept. Each holds what a sentence about it needs. */
public sealed interface Refusal {

    /** The person holds no seat here. */
    record NotSeated() implements Refusal {}

    /** The seat, or the role, is another person's. @param holder who holds it */
    record SeatHeld(Seat seat, Person holder) implements Refusal {}

    /** The person holds that seat already and can sit in one only. */
    record AlreadySeated(Seat seat, Person person) implements Refusal {}

    /** Only the seat's holder may do this. @param holder null when the seat is free */
    record NotYourSeat(Seat seat, @Nullable Person holder) implements Refusal {}

    /** The departure is signed or abandoned. */
    record Closed(Lifecycle lifecycle) implements Refusal {}

    /** A record is amended only by one who held a seat, or by the operator's office. */
    record NotOfThisCrew() implements Refusal {}

    /** Only a signed record can be amended. */
    record NotSigned(Lifecycle lifecycle) implements Refusal {}

    /** The plan has no such line or procedure. */
    record UnknownLine(String name) implements Refusal {}

    /** The line's kind cannot take it. @param why in its own words */
    record NotTaken(LineRef line, Taking.Why why) implements Refusal {}

    /** The line's gate is closed. */
    record GateClosed(LineRef line, GateState gate) implements Refusal {}

    /** Going on would pass a guarded gate; the line must be named in a second step. */
    record OverrideNeeded(LineRef line, String guards) implements Refusal {}

    /** Something newer happened to the same subject. @param newest number of that event */
    record Conflict(String subject, long newest) implements Refusal {}

    /** There is nothing to confirm, to take back, or to come back to. @param what in words */
    record NothingThere(String what) implements Refusal {}

    /** What was typed can not be read. @param sentence what is the matter with it; @param todo what to type instead */
    record NotReadable(String sentence, String todo) implements Refusal {}

    /** A reason is needed. @param forWhat in words */
    record ReasonMissing(String forWhat) implements Refusal {}

    /**
     * A value no instrument shows, a latitude out of range, a time that cannot be. Bounds inclusive, in {@code unit}.
     */
    record ImpossibleValue(String quantity, double value, double min, double max, String unit, String todo)
            implements Refusal {}

    /** There is no such fact of a day. */
    record UnknownFact(String fact) implements Refusal {}

    /** A unit other than the line's. */
    record UnknownUnit(String given, String expected) implements Refusal {}

    /** The time of a late entry is in the future or before the departure was opened. Bounds inclusive. */
    record ImpossibleTime(Instant given, Instant earliest, Instant latest) implements Refusal {}

    /** The record cannot be signed yet. @param lines those still open; empty when it has not left its stand */
    record NotReadyToSign(List<LineRef> lines) implements Refusal {
        public NotReadyToSign {
            lines = List.copyOf(lines);
        }
    }
}
