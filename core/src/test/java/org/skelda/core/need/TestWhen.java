package org.skelda.core.need;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A condition made by hand, for plans that come from no pack. */
public record TestWhen(Set<String> names, Set<Double> numbers, Function<Known, Need> decide) implements When {

    public static TestWhen below(String name, double limit) {
        return of(name, Set.of(limit), value -> value instanceof Value.Number(double number) && number < limit);
    }

    public static TestWhen yes(String name) {
        return of(name, Set.of(), value -> value instanceof Value.YesNo(boolean yes) && yes);
    }

    private static TestWhen of(String name, Set<Double> numbers, Function<Value, Boolean> holds) {
        return new TestWhen(Set.of(name), numbers, known -> {
            Optional<Value> value = known.value(name);
            if (value.isEmpty()) {
                return new Need.NotDecided(new TreeSet<>(Set.of(name)));
            }
            return holds.apply(value.get()) ? Need.NEEDED : Need.NOT_NEEDED;
        });
    }

    public TestWhen and(TestWhen other) {
        return new TestWhen(
                Stream.concat(names.stream(), other.names.stream()).collect(Collectors.toUnmodifiableSet()),
                Stream.concat(numbers.stream(), other.numbers.stream()).collect(Collectors.toUnmodifiableSet()),
                known -> decide.apply(known).and(other.decide.apply(known)));
    }

    @Override
    public String text() {
        return "by hand";
    }

    @Override
    public Need need(Known known) {
        return decide.apply(known);
    }
}
