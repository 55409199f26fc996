package org.skelda.core.kind;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crosscheck.Slip;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;

/**
 * Several readings of one thing, typed one after the other, that must agree with each other and with a reference.
 *
 * @param spec quantity, unit, what is possible, and the source of the tolerances
 * @param of what is read, at least two, in the order of typing
 * @param within how far any two may lie apart, in the unit; null when only the reference counts
 * @param reference what each must agree with; null when there is none
 */
public record Compare(
        MeasureSpec spec,
        List<String> of,
        @Nullable Double within,
        @Nullable Reference reference) implements LineKind {

    public Compare {
        of = List.copyOf(of);
    }

    /**
     * @param name under which it is known, as in a condition
     * @param label in words
     * @param within how far a reading may lie from it, in the unit
     */
    public record Reference(String name, String label, double within) {}

    /** Types all of them. @param values in {@code unit}, in the order of {@link Compare#of} */
    public record TypeAll(List<Double> values, String unit) implements Doing {
        public TypeAll {
            values = List.copyOf(values);
        }
    }

    /**
     * They were read.
     *
     * @param values in {@code unit}
     * @param agree whether they agree as they must
     * @param spread between the lowest and the highest
     * @param reference as it was known then; null when there is none
     * @param odd which one stands out, from 0; null when none does, or when it cannot be told
     * @param slip that would explain the odd one; null when none does
     */
    public record Compared(
            List<Double> values,
            String unit,
            boolean agree,
            double spread,
            @Nullable Double reference,
            @Nullable Integer odd,
            @Nullable Slip slip)
            implements Work {
        public Compared {
            values = List.copyOf(values);
        }
    }

    @Override
    public String label() {
        return spec.quantity();
    }

    @Override
    public String expects() {
        String each = within == null ? "" : "within " + spec.number(within) + " " + spec.unitShown() + " of each other";
        if (reference == null) {
            return each;
        }
        return (each.isEmpty() ? "" : each + ", ") + "within " + spec.number(reference.within()) + " "
                + spec.unitShown() + " of " + reference.label();
    }

    @Override
    public Standing standing(History history) {
        return history.last(Compared.class)
                .map(all -> all.work().agree() ? Standing.DONE : Standing.OUTSIDE)
                .orElse(Standing.OPEN);
    }

    @Override
    public Set<String> awaits(Known known) {
        return reference == null || known.value(reference.name()).isPresent() ? Set.of() : Set.of(reference.name());
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (!(doing instanceof TypeAll(List<Double> values, String unit)) || values.size() != of.size()) {
            return Taking.not(new Why.WrongAnswer(of.size() + " readings: " + String.join(", ", of)));
        }
        if (!spec.unit().equals(unit)) {
            return Taking.not(new Why.UnknownUnit(unit, spec.unit()));
        }
        for (int i = 0; i < values.size(); i++) {
            double value = values.get(i);
            if (!(value >= spec.possibleMin() && value <= spec.possibleMax())) {
                throw new OutOfRange(
                        spec.quantity() + ", " + of.get(i),
                        value,
                        spec.possibleMin(),
                        spec.possibleMax(),
                        unit,
                        "Read it again and type what it shows.");
            }
        }
        return Taking.taken(judge(values, hand.known()));
    }

    private Compared judge(List<Double> values, Known known) {
        Double expected =
                reference != null && known.value(reference.name()).orElse(null) instanceof Value.Number(double number)
                        ? (Double) number
                        : null;
        double spread = rounded(Collections.max(values) - Collections.min(values));
        double near = reference == null ? 0 : reference.within();
        boolean apart = within != null && spread > within;
        boolean off = expected != null && values.stream().anyMatch(value -> rounded(Math.abs(value - expected)) > near);
        if (!apart && !off) {
            return new Compared(values, spec.unit(), true, spread, expected, null, null);
        }
        int odd = odd(values, expected);
        Slip slip = odd < 0 ? null : slip(values, odd, expected).orElse(null);
        if (odd < 0) {
            // Two that differ, and nothing to hold them against: one slip may tell which of them it is.
            List<Integer> explained = IntStream.range(0, values.size())
                    .boxed()
                    .filter(i -> slip(values, i, null).isPresent())
                    .toList();
            if (explained.size() == 1) {
                odd = explained.getFirst();
                slip = slip(values, odd, null).orElse(null);
            }
        }
        return new Compared(values, spec.unit(), false, spread, expected, odd < 0 ? null : odd, slip);
    }

    /** The one farthest from the reference, or from the middle of three and more; -1 when it cannot be told. */
    private static int odd(List<Double> values, @Nullable Double expected) {
        if (expected == null && values.size() < 3) {
            return -1;
        }
        double middle = expected == null ? median(values) : expected;
        return IntStream.range(0, values.size())
                .boxed()
                .max(Comparator.comparing(i -> Math.abs(values.get(i) - middle)))
                .orElse(-1);
    }

    private Optional<Slip> slip(List<Double> values, int odd, @Nullable Double expected) {
        List<Double> others = new ArrayList<>(values);
        others.remove(odd);
        double meant = expected == null ? median(others) : expected;
        double apart = within == null ? 0 : within;
        double tolerance = expected == null || reference == null ? apart : reference.within();
        return Slip.explaining(values.get(odd), meant, tolerance, spec.unit(), spec.decimals());
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    /** Takes the noise of binary fractions away. */
    private static double rounded(double value) {
        return Math.rint(value * 1e6) / 1e6;
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        return history.last(Compared.class)
                .map(all -> WorkView.compared(all.work()))
                .orElse(null);
    }
}
