package org.skelda.app.departure;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Person;
import org.skelda.core.procedure.LineRef;
import org.skelda.sim.ControlMove;

/** Reads a request into a command; says all fields that are missing. */
final class Asking {
    private final CommandRequest request;
    private final Function<String, Person> people;
    private final boolean office;
    private final List<Problem.Violation> violations = new ArrayList<>();

    private Asking(CommandRequest request, Function<String, Person> people, boolean office) {
        this.request = request;
        this.people = people;
        this.office = office;
    }

    /**
     * @param people finds a person of the operator by id
     * @param office whether the operator's office asks
     * @throws ProblemException bad-request with the missing fields
     */
    static Command command(CommandRequest request, Function<String, Person> people, boolean office) {
        Asking asking = new Asking(request, people, office);
        Ask ask = asking.ask();
        if (ask == null || !asking.violations.isEmpty()) {
            throw new ProblemException(Problems.badRequest("The request does not fit.").with(asking.violations));
        }
        return new Command(request.commandId(), request.seen(),
                request.doneAt() == null ? null : request.doneAt().truncatedTo(ChronoUnit.MILLIS), ask);
    }

    private @Nullable Ask ask() {
        return switch (request.ask()) {
            case TAKE_SEAT -> all(need("seat", request.seat()), need("role", request.role()))
                    ? new Ask.TakeSeat(request.seat(), request.role(), request.reason()) : null;
            case RELEASE_SEAT -> need("seat", request.seat()) ? new Ask.ReleaseSeat(request.seat()) : null;
            case HAND_OVER_SEAT -> all(need("seat", request.seat()), need("to", request.to()))
                    ? new Ask.HandOverSeat(request.seat(), people.apply(request.to())) : null;
            case SWAP_ROLES -> new Ask.SwapRoles();
            case ANSWER -> onLine(Ask.AnswerLine::new);
            case MEASURE -> all(need("value", request.value()), need("unit", request.unit()))
                    ? onLine(line -> new Ask.MeasureLine(line, request.value(), request.unit())) : null;
            case CONFIRM -> onLine(Ask.ConfirmLine::new);
            case DEVIATE -> need("reason", request.reason())
                    ? onLine(line -> new Ask.Deviate(line, request.reason(), request.overrides())) : null;
            case HOLD -> all(need("procedure", request.procedure()), need("reason", request.reason()))
                    ? new Ask.Hold(request.procedure(), request.reason(), request.line() == null ? null : line()) : null;
            case RESUME -> need("procedure", request.procedure()) ? new Ask.Resume(request.procedure()) : null;
            case UNDO -> onLine(line -> new Ask.Undo(line, request.reason()));
            case TAP_CONTROL -> all(need("control", request.control()), need("position", request.position())) ? tapControl() : null;
            case TAP_START -> all(need("engine", request.engine()), need("tap", request.tap()), need("tappedAt", request.tappedAt()))
                    ? new Ask.TapStart(request.engine(), request.tap(), request.tappedAt().truncatedTo(ChronoUnit.MILLIS), !Boolean.FALSE.equals(request.timed())) : null;
            case UNDO_TAP -> all(need("engine", request.engine()), need("tap", request.tap())) ? new Ask.UndoTap(request.engine(), request.tap(), request.reason()) : null;
            case TYPE_FIGURES -> need("engine", request.engine()) ? new Ask.TypeFigures(request.engine(), request.peak_c(), request.dip_v()) : null;
            case SIGN -> need("password", request.password()) ? new Ask.Sign() : null;
            case AMEND -> need("text", request.text()) ? new Ask.Amend(request.text(), office) : null;
            case ABANDON -> need("reason", request.reason()) ? new Ask.Abandon(request.reason()) : null;
        };
    }

    private @Nullable Ask onLine(Function<LineRef, Ask> ask) {
        LineRef line = need("line", request.line()) ? line() : null;
        return line == null ? null : ask.apply(line);
    }

    private @Nullable Ask tapControl() {
        try {
            ControlMove.parse(request.control(), request.position());
            return new Ask.TapControl(request.control(), request.position());
        } catch (IllegalArgumentException e) {
            violations.add(new Problem.Violation("control", String.valueOf(e.getMessage())));
            return null;
        }
    }

    private @Nullable LineRef line() {
        try {
            return LineRef.parse(request.line());
        } catch (IllegalArgumentException e) {
            violations.add(new Problem.Violation("line", String.valueOf(e.getMessage())));
            return null;
        }
    }

    private boolean need(String field, @Nullable Object value) {
        if (value == null) {
            violations.add(new Problem.Violation(field, "is needed to " + request.ask().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ')));
        }
        return value != null;
    }

    private static boolean all(boolean... present) {
        for (boolean one : present) {
            if (!one) {
                return false;
            }
        }
        return true;
    }
}
