package org.skelda.core.kind;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.kind.History.Of;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.measure.Judgement;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;

/**
 * A number is read off and typed.
 *
 * @param spec unit, what is possible, and the limit that always applies, if there is one
 * @param bounds further limits, each where it applies
 * @param outside the list to go on with when it lies outside; null when there is none
 */
public record Measure(
        MeasureSpec spec, List<Bound> bounds, @Nullable String outside) implements LineKind {
    /** Its name in conditions; a bound may fall with it. */
    private static final String ELEVATION = "elevation_ft";

    private static final double THOUSAND = 1000;

    public Measure {
        bounds = List.copyOf(bounds);
    }

    public Measure(MeasureSpec spec) {
        this(spec, List.of(), null);
    }

    /**
     * A limit that applies where its condition holds.
     *
     * @param when null when it always does
     * @param limits that apply then; the rest as the measure's
     * @param fallPer1000ft by how much each limit falls with every 1,000 ft of elevation, in the measure's unit
     * @param from name of a reading from which the limits count downwards: min and max are how far it drops; null for
     *     limits of the value itself
     */
    public record Bound(
            @Nullable When when,
            MeasureSpec limits,
            double fallPer1000ft,
            @Nullable String from) {
        /** Of the value itself. */
        public Bound(@Nullable When when, MeasureSpec limits, double fallPer1000ft) {
            this(when, limits, fallPer1000ft, null);
        }
    }

    /** Types the reading. @param value in {@code unit} */
    public record Type(double value, String unit) implements Doing {}

    /**
     * It was read.
     *
     * @param value in {@code unit}
     * @param judgement against the limit that leaves the least, as it was made then
     * @param others against the other limits that applied
     * @param since how long the clock had run that it is read against; null where it is read against none
     * @param shown what a feed had shown of a charge current before, oldest first
     */
    public record Read(
            double value,
            String unit,
            Judgement judgement,
            List<Judgement> others,
            @Nullable Duration since,
            List<ChargeCurve.Point> shown)
            implements Work {
        /** Read against no clock. */
        public Read(double value, String unit, Judgement judgement, List<Judgement> others) {
            this(value, unit, judgement, others, null, List.of());
        }

        public Read {
            others = List.copyOf(others);
            shown = List.copyOf(shown);
        }

        public boolean withinLimits() {
            return judgement.verdict() != Judgement.Verdict.OUTSIDE;
        }
    }

    /**
     * A limit that applies now. @param min at least; @param max at most; each null when there is none; @param
     * cautionBelow and @param cautionAbove with caution; @param from what was read before, where the limit is one of
     * how far it drops from there; null for a limit of the value itself
     */
    public record LimitView(
            @Nullable Double min,
            @Nullable Double max,
            @Nullable Double cautionBelow,
            @Nullable Double cautionAbove,
            String source,
            @Nullable Double from) {}

    @Override
    public String label() {
        return spec.quantity();
    }

    @Override
    public String expects() {
        return spec.limits();
    }

    /**
     * How a charge current falls; null for what is none, and before anything was read or shown.
     *
     * @param shown what a feed has shown since its clock was started; what was shown at an earlier reading is with it
     */
    public @Nullable ChargeCurve charge(History history, List<ChargeCurve.Point> shown) {
        if (spec.charge() == null) {
            return null;
        }
        List<Of<Read>> reads = history.all(Read.class);
        List<ChargeCurve.Point> points = new ArrayList<>();
        for (Of<Read> read : reads) {
            add(points, read.work().shown());
            points.add(new ChargeCurve.Point(
                    Math.max(0, since(read, reads.getFirst()).toMillis()) / THOUSAND,
                    read.work().value()));
        }
        add(points, shown);
        return points.isEmpty() ? null : ChargeCurve.of(spec.charge(), points);
    }

    /** What goes on from the points that are there joins them; a battery that was switched on anew begins anew. */
    private static void add(List<ChargeCurve.Point> points, List<ChargeCurve.Point> shown) {
        double newest_s = points.isEmpty() ? -1 : points.getLast().at_s();
        boolean anew = !shown.isEmpty() && shown.getFirst().at_s() <= newest_s && !points.contains(shown.getFirst());
        shown.stream().filter(one -> anew || one.at_s() > newest_s).forEach(points::add);
    }

    /**
     * Where no clock was started the first reading stands for its start: one reading alone proves nothing either way.
     */
    private static Duration since(Of<Read> read, Of<Read> first) {
        Duration since = read.work().since();
        return since == null
                ? Duration.between(first.mark().doneAt(), read.mark().doneAt())
                : since;
    }

    @Override
    public Standing standing(History history) {
        ChargeCurve charge = charge(history, List.of());
        if (charge != null) {
            return switch (charge.verdict()) {
                case AGAIN -> Standing.BEGUN;
                case GOOD -> Standing.DONE;
                case RISES, LATE -> Standing.OUTSIDE;
            };
        }
        return history.last(Read.class)
                .map(read -> read.work().withinLimits() ? Standing.DONE : Standing.OUTSIDE)
                .orElse(Standing.OPEN);
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (!(doing instanceof Type(double value, String unit))) {
            return Taking.not(new Why.WrongAnswer("a measured value"));
        }
        if (!spec.unit().equals(unit)) {
            return Taking.not(new Why.UnknownUnit(unit, spec.unit()));
        }
        List<Judgement> judged = applying(hand.known()).stream()
                .map(limits -> limits.judge(value))
                .sorted(Comparator.comparing((Judgement one) -> -one.verdict().ordinal())
                        .thenComparing(one -> one.margin() == null ? Double.POSITIVE_INFINITY : one.margin()))
                .toList();
        return Taking.taken(new Read(
                value,
                unit,
                judged.getFirst(),
                judged.subList(1, judged.size()),
                since(hand),
                hand.charge().apply(spec)));
    }

    private @Nullable Duration since(Hand hand) {
        return spec.charge() == null ? null : hand.since(spec.charge().after());
    }

    @Override
    public Set<String> awaits(Known known) {
        Set<String> names = new TreeSet<>();
        for (Bound bound : bounds) {
            Need need = bound.when() == null ? Need.NEEDED : known.holds(bound.when());
            if (need instanceof Need.NotDecided(var waitsFor)) {
                names.addAll(waitsFor);
            } else if (need instanceof Need.Needed
                    && bound.fallPer1000ft() != 0
                    && known.value(ELEVATION).isEmpty()) {
                names.add(ELEVATION);
            } else if (need instanceof Need.Needed && bound.from() != null && number(known, bound.from()) == null) {
                names.add(bound.from());
            }
        }
        return names;
    }

    /** The limits that apply, at least one; what is not decided yet does not. */
    public List<MeasureSpec> applying(Known known) {
        return applyingFrom(known).stream().map(Applying::limits).toList();
    }

    /** @param from what was read before; null for limits of the value itself */
    private record Applying(MeasureSpec limits, @Nullable Double from) {}

    private List<Applying> applyingFrom(Known known) {
        List<Applying> applying = new ArrayList<>();
        for (Bound bound : bounds) {
            if (bound.when() != null && !(known.holds(bound.when()) instanceof Need.Needed)) {
                continue;
            }
            Double from = bound.from() == null ? null : number(known, bound.from());
            if (bound.from() == null) {
                applying.add(new Applying(
                        bound.limits().lowered(bound.fallPer1000ft() * elevation_ft(known) / THOUSAND), null));
            } else if (from != null) {
                applying.add(new Applying(bound.limits().downFrom(from, spec), from));
            }
        }
        if (applying.isEmpty() || spec.hasLimits()) {
            applying.add(new Applying(spec, null));
        }
        return applying;
    }

    private static double elevation_ft(Known known) {
        Double feet = number(known, ELEVATION);
        return feet == null ? 0 : feet;
    }

    private static @Nullable Double number(Known known, String name) {
        return known.value(name).orElse(null) instanceof Value.Number(double value) ? (Double) value : null;
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        // How far it dropped is told beside what was read.
        boolean drops = bounds.stream().anyMatch(bound -> bound.from() != null);
        if (bounds.isEmpty() || !history.isEmpty() && !drops) {
            return null;
        }
        List<LimitView> limits = applyingFrom(known).stream()
                .map(one -> view(one.limits(), one.from()))
                .toList();
        return WorkView.limits(limits);
    }

    private static LimitView view(MeasureSpec limits, @Nullable Double from) {
        return new LimitView(
                limits.min(), limits.max(), limits.cautionBelow(), limits.cautionAbove(), limits.source(), from);
    }
}
