package org.skelda.app.departure;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;
import org.skelda.core.start.Tap;

/**
 * One request to a departure; which fields are needed depends on {@code ask}.
 *
 * @param commandId made by the client; the same id again gives the same answer
 * @param seen number of the newest event the person had before them
 * @param doneAt when it was really done, for a late entry
 * @param ask what is asked
 * @param line a line, as procedure/line: answer, measure, confirm, deviate, undo, and where a hold was made
 * @param procedure a procedure's id: hold, resume
 * @param value a reading in {@code unit}: measure
 * @param unit the line's unit: measure
 * @param reason why: deviate, hold, abandon, taking over a held seat, undoing another's answer
 * @param overrides the guarded line's id, given in the second step: deviate
 * @param seat takeSeat, releaseSeat, handOverSeat
 * @param role takeSeat
 * @param to a person's id: handOverSeat
 * @param text of an amendment
 * @param password the person's own, entered again: sign
 * @param control of the simulated aircraft, e.g. engine-2/fuel: tapControl
 * @param position of that control: tapControl
 * @param engine whose start is told, 1 to 4: tapStart, undoTap, typeFigures
 * @param tap what is told of it: tapStart, undoTap
 * @param tappedAt when, by the person's device: tapStart
 * @param timed whether it was told as it happened; false for an answer to a question: tapStart
 * @param peak_c highest temperature read off, degC: typeFigures
 * @param dip_v lowest volts read off, V: typeFigures
 */
record CommandRequest(
        @NotNull UUID commandId,
        @NotNull @PositiveOrZero Long seen,
        @Nullable Instant doneAt,
        @NotNull Kind ask,
        @Size(max = 130) @Nullable String line,
        @Size(max = 60) @Nullable String procedure,
        @Nullable Double value,
        @Size(max = 20) @Nullable String unit,
        @Size(max = 500) @Nullable String reason,
        @Size(max = 60) @Nullable String overrides,
        @Nullable Seat seat,
        @Nullable Role role,
        @Size(max = 60) @Nullable String to,
        @Size(max = 2000) @Nullable String text,
        @Size(max = 200) @Nullable String password,
        @Size(max = 40) @Nullable String control,
        @Size(max = 40) @Nullable String position,
        @Min(1) @Max(4) @Nullable Integer engine,
        @Nullable Tap tap,
        @Nullable Instant tappedAt,
        @Nullable Boolean timed,
        @Nullable Double peak_c,
        @Nullable Double dip_v) {

    /** What can be asked. */
    enum Kind { TAKE_SEAT, RELEASE_SEAT, HAND_OVER_SEAT, SWAP_ROLES, ANSWER, MEASURE, CONFIRM, DEVIATE, HOLD, RESUME, UNDO, TAP_CONTROL, TAP_START, UNDO_TAP, TYPE_FIGURES,
        SIGN, AMEND, ABANDON }

    /** The same request without its password, which is never stored nor hashed. */
    CommandRequest withoutPassword() {
        return new CommandRequest(commandId, seen, doneAt, ask, line, procedure, value, unit, reason, overrides, seat, role, to, text, null, control, position, engine,
                tap, tappedAt, timed, peak_c, dip_v);
    }
}
