package org.skelda.formats.procedure;

import java.util.Set;
import java.util.TreeSet;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.When;

/** Takes every condition as it is written and never decides it: for what is not about conditions. */
public final class NoConditions {
    public static final Conditions LANGUAGE = (text, _) -> new Undecided(text);

    private NoConditions() {}

    private record Undecided(String text) implements When {
        @Override
        public Set<String> names() {
            return Set.of(text);
        }

        @Override
        public Set<Double> numbers() {
            return Set.of();
        }

        @Override
        public Need need(Known known) {
            return new Need.NotDecided(new TreeSet<>(names()));
        }
    }
}
