package org.skelda.app.departure;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Command;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.need.Value;
import org.skelda.core.simulator.Controls;
import org.skelda.core.simulator.SimulatorAsk;
import org.skelda.sim.ControlMove;

/**
 * What a request alone does not tell.
 *
 * @param people finds a person of the operator by id
 * @param office whether the operator's office asks
 */
record Asking(Function<String, @Nullable Person> people, boolean office) {

    /** @throws ProblemException bad-request when a field names nobody, or nothing */
    Command command(CommandRequest request) {
        return new Command(
                request.commandId(),
                request.seen(),
                request.doneAt() == null ? null : inMillis(request.doneAt()),
                request.ask(this));
    }

    /** Times are kept to the millisecond. */
    static Instant inMillis(Instant time) {
        return time.truncatedTo(ChronoUnit.MILLIS);
    }

    Person person(String id) {
        Person person = people.apply(id);
        if (person == null) {
            throw doesNotFit("to", "is nobody of your operator");
        }
        return person;
    }

    FactAsk fact(String fact, @Nullable Double number, @Nullable String unit, @Nullable Boolean yes) {
        if ((number == null) == (yes == null)) {
            throw doesNotFit("number", "or 'yes' is needed, and not both");
        }
        return number == null
                ? new FactAsk.GiveFact(fact, new Value.YesNo(yes), "")
                : new FactAsk.GiveFact(fact, new Value.Number(number), unit == null ? "" : unit);
    }

    SimulatorAsk control(String control, String position) {
        try {
            if (!Controls.isOfType(control)) {
                ControlMove.parse(control, position);
            }
            return new SimulatorAsk.TapControl(control, position);
        } catch (IllegalArgumentException e) {
            throw doesNotFit("control", String.valueOf(e.getMessage()));
        }
    }

    private static ProblemException doesNotFit(String field, String why) {
        return new ProblemException(
                Problems.badRequest("The request does not fit.").with(List.of(new Problem.Violation(field, why))));
    }
}
