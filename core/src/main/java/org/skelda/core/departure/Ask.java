package org.skelda.core.departure;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;
import org.skelda.core.start.Tap;

/** What a crew member can ask of a departure. */
public sealed interface Ask {

    /** Takes a seat. @param reason needed only to take over a held seat */
    record TakeSeat(Seat seat, Role role, @Nullable String reason) implements Ask {}

    /** Leaves one's own seat. */
    record ReleaseSeat(Seat seat) implements Ask {}

    /** Hands one's own seat to another person. */
    record HandOverSeat(Seat seat, Person to) implements Ask {}

    /** Exchanges flying and monitoring. */
    record SwapRoles() implements Ask {}

    /** Ticks a line that needs no value. */
    record AnswerLine(LineRef line) implements Ask {}

    /** Gives a measured line its reading. @param value in {@code unit} */
    record MeasureLine(LineRef line, double value, String unit) implements Ask {}

    /** Confirms the colleague's response to a challenge. */
    record ConfirmLine(LineRef line) implements Ask {}

    /**
     * Goes on without the line as written.
     *
     * @param reason why, not blank
     * @param overrides the line's own id, given in a deliberate second step where a closed gate guards against damage
     */
    record Deviate(LineRef line, String reason, @Nullable String overrides) implements Ask {}

    /** Puts a procedure aside. @param at the line it was left at */
    record Hold(String procedure, String reason, @Nullable LineRef at) implements Ask {}

    /** Comes back to a held procedure. */
    record Resume(String procedure) implements Ask {}

    /** Takes an answer, a reading, a confirmation or a deviation back. @param reason needed when it is another person's */
    record Undo(LineRef line, @Nullable String reason) implements Ask {}

    /** Moves a control of the simulated aircraft. @param control which; @param position to which */
    record TapControl(String control, String position) implements Ask {}

    /** Tells something of a start that nothing reads. @param tappedAt when, by the person's device; @param timed whether it was told as it happened */
    record TapStart(int engine, Tap tap, Instant tappedAt, boolean timed) implements Ask {}

    /** Takes the newest tap of an engine's start back. @param tap which that is; @param reason needed when it is another person's */
    record UndoTap(int engine, Tap tap, @Nullable String reason) implements Ask {}

    /** Types what was read off after a start that nothing reads. @param peak_c degC; @param dip_v V; null for what was not read */
    record TypeFigures(int engine, @Nullable Double peak_c, @Nullable Double dip_v) implements Ask {}

    /** Closes the record. */
    record Sign() implements Ask {}

    /** Adds a note to a signed record. @param office whether the operator's office asks, which its account says */
    record Amend(String text, boolean office) implements Ask {}

    /** Gives the departure up. */
    record Abandon(String reason) implements Ask {}
}
