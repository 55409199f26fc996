package org.skelda.app.need;

import dev.cel.runtime.CelEvaluationException;
import dev.cel.runtime.CelRuntime;
import dev.cel.runtime.CelVariableResolver;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;

/** A condition that was understood. */
record CelCondition(String text, Set<String> names, Set<Double> numbers, CelRuntime.Program program) implements When {

    CelCondition {
        names = Set.copyOf(names);
        numbers = Set.copyOf(numbers);
    }

    @Override
    public Need need(Known known) {
        TreeSet<String> missing = new TreeSet<>();
        CelVariableResolver facts = name -> {
            Optional<Value> value = known.value(name);
            if (value.isEmpty()) {
                missing.add(name);
            }
            return value.map(CelCondition::plain);
        };
        try {
            // What is missing gives neither yes nor no, unless the rest decides it.
            return program.eval(facts) instanceof Boolean holds
                    ? (holds ? Need.NEEDED : Need.NOT_NEEDED)
                    : new Need.NotDecided(missing);
        } catch (CelEvaluationException e) {
            throw new IllegalStateException("'" + text + "' cannot be worked out", e);
        }
    }

    private static Object plain(Value value) {
        return switch (value) {
            case Value.Number(double number) -> number;
            case Value.YesNo(boolean yes) -> yes;
            case Value.Word(String word) -> word;
        };
    }
}
