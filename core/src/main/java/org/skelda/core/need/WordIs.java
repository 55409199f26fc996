package org.skelda.core.need;

import java.util.Set;
import java.util.TreeSet;

/** That a name stands for a word, or that it does not. @param is which of the two */
public record WordIs(String name, String word, boolean is) implements When {

    @Override
    public String text() {
        return name + (is ? " == '" : " != '") + word + "'";
    }

    @Override
    public Set<String> names() {
        return Set.of(name);
    }

    @Override
    public Set<Double> numbers() {
        return Set.of();
    }

    @Override
    public Need need(Known known) {
        return known.value(name)
                .map(value -> value.equals(new Value.Word(word)) == is ? Need.NEEDED : Need.NOT_NEEDED)
                .orElseGet(() -> new Need.NotDecided(new TreeSet<>(Set.of(name))));
    }
}
