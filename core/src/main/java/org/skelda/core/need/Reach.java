package org.skelda.core.need;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * Whether a condition can hold at all: it is tried with every number that it compares with, those between them, and the
 * ends of what its names can be.
 */
public final class Reach {
    /** More trials than any condition of a procedure needs; one that needs more is not judged. */
    private static final int MOST_TRIALS = 100_000;

    private final When when;
    private final List<String> names;
    private final List<List<Value>> values;

    private Reach(When when, Map<String, Bounds> bounds) {
        this.when = when;
        this.names = List.copyOf(when.names());
        this.values = names.stream()
                .map(name -> trials(bounds.getOrDefault(name, Bounds.YES_NO)))
                .toList();
    }

    /**
     * What a name can be.
     *
     * @param min the lowest number; @param max the highest; both matter for a number only
     * @param few where it is one of a few, those
     */
    public record Bounds(Kind kind, double min, double max, List<Value> few) {
        public static final Bounds YES_NO = few(List.of(new Value.YesNo(true), new Value.YesNo(false)));

        public Bounds {
            few = List.copyOf(few);
        }

        public static Bounds number(double min, double max) {
            return new Bounds(Kind.NUMBER, min, max, List.of());
        }

        /** @param values of one kind, at least one */
        public static Bounds few(List<Value> values) {
            return new Bounds(values.getFirst().kind(), 0, 1, values);
        }
    }

    /**
     * Whether it holds for anything that can be.
     *
     * @param bounds of every name that it uses
     */
    public static boolean canHold(When when, Map<String, Bounds> bounds) {
        return new Reach(when, bounds).any();
    }

    private List<Value> trials(Bounds bounds) {
        if (!bounds.few().isEmpty()) {
            return bounds.few();
        }
        TreeSet<Double> points = new TreeSet<>(List.of(bounds.min(), bounds.max()));
        for (double number : when.numbers()) {
            points.add(number);
            points.add(-number);
        }
        List<Double> sorted = List.copyOf(points);
        for (int i = 1; i < sorted.size(); i++) {
            points.add((sorted.get(i - 1) + sorted.get(i)) / 2);
        }
        return points.stream()
                .filter(point -> point >= bounds.min() && point <= bounds.max())
                .<Value>map(Value.Number::new)
                .toList();
    }

    private boolean any() {
        long all = values.stream().mapToLong(List::size).reduce(1, (a, b) -> Math.min(MOST_TRIALS + 1L, a * b));
        if (all > MOST_TRIALS) {
            return true;
        }
        for (long trial = 0; trial < all; trial++) {
            Map<String, Value> known = new HashMap<>();
            long rest = trial;
            for (int i = 0; i < names.size(); i++) {
                List<Value> of = values.get(i);
                known.put(names.get(i), of.get((int) (rest % of.size())));
                rest /= of.size();
            }
            if (when.need(name -> Optional.ofNullable(known.get(name))) instanceof Need.Needed) {
                return true;
            }
        }
        return false;
    }
}
