package org.skelda.core.electrics;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A battery's charge current after it was switched off and on: a charged one falls fast. Falling is the proof, and it
 * takes two readings.
 *
 * @param points since the battery came on, oldest first; those of an earlier time that it was switched on are left out
 * @param verdict how it stands
 * @param words the same in one or two sentences, with its numbers
 * @param under_s when it came under the limit at the latest, s; null when it has not
 * @param expected_s when it should come under the limit if it falls on as it does, s; null when that cannot be told
 * @param rule what it must do
 */
public record ChargeCurve(
        List<Point> points,
        Verdict verdict,
        String words,
        @Nullable Double under_s,
        @Nullable Double expected_s,
        ChargeRule rule) {
    private static final double MILLIS_PER_SECOND = 1000;

    /** A reading. @param at_s since the battery came on, s, not negative; @param current_A A */
    public record Point(double at_s, double current_A) {}

    /** How it stands. */
    public enum Verdict {
        /** One reading more is needed. */
        AGAIN,
        /** Under its limit in time, and falling. */
        GOOD,
        /** It rose. */
        RISES,
        /** It was not under its limit in time. */
        LATE
    }

    public ChargeCurve {
        points = List.copyOf(points);
    }

    /**
     * Judges readings.
     *
     * @param readings in the order in which they were made, at least one
     */
    public static ChargeCurve of(ChargeRule rule, List<Point> readings) {
        List<Point> points = newest(readings);
        double within_s = rule.within().toMillis() / MILLIS_PER_SECOND;
        Point last = points.getLast();
        Point before = points.size() > 1 ? points.get(points.size() - 2) : null;
        Double under_s = under(points, rule.under_A());
        if (before != null && last.current_A() > before.current_A()) {
            return new ChargeCurve(
                    points,
                    Verdict.RISES,
                    number(
                            "It rose from %.0f to %.0f A. A charging battery falls: read it again; if it rises on, "
                                    + "battery OFF, and maintenance.",
                            before.current_A(), last.current_A()),
                    under_s,
                    null,
                    rule);
        }
        if (under_s == null) {
            return over(rule, points, before, within_s);
        }
        boolean lateFirst = under_s > within_s && points.getFirst().at_s() < under_s;
        if (lateFirst) {
            return new ChargeCurve(
                    points,
                    Verdict.LATE,
                    number(
                            "It came under %.0f A only at about %.0f s, %.0f s late. Leave it on external power, "
                                    + "switch it OFF and ON once more; late again is maintenance.",
                            rule.under_A(), under_s, under_s - within_s),
                    under_s,
                    null,
                    rule);
        }
        if (before == null || !(last.current_A() < before.current_A())) {
            return new ChargeCurve(
                    points,
                    Verdict.AGAIN,
                    number("%.0f A, under %.0f. Is it falling? Read it once more.", last.current_A(), rule.under_A()),
                    under_s,
                    null,
                    rule);
        }
        return new ChargeCurve(points, Verdict.GOOD, good(rule, points, under_s, within_s), under_s, null, rule);
    }

    private static String good(ChargeRule rule, List<Point> points, double under_s, double within_s) {
        boolean seenLate = points.getFirst().at_s() >= under_s && under_s > within_s;
        return number("%.0f A and falling", points.getLast().current_A())
                + (seenLate
                        ? number(", under %.0f A when it was first read at %.0f s.", rule.under_A(), under_s)
                        : number(
                                ", under %.0f A by %.0f s, %.0f s in hand.",
                                rule.under_A(), under_s, within_s - under_s));
    }

    /** It is over its limit still: whether there is time, and whether it will do. */
    private static ChargeCurve over(ChargeRule rule, List<Point> points, @Nullable Point before, double within_s) {
        Point last = points.getLast();
        if (last.at_s() > within_s) {
            return new ChargeCurve(
                    points,
                    Verdict.LATE,
                    number(
                            "%.0f A at %.0f s: %.0f A over %.0f. Leave it on external power, switch it OFF and ON once "
                                    + "more; late again is maintenance.",
                            last.current_A(), last.at_s(), last.current_A() - rule.under_A(), rule.under_A()),
                    null,
                    null,
                    rule);
        }
        Double expected_s = expected(rule.under_A(), before, last);
        String left = number(
                "%.0f A, %.0f A over %.0f, with %.0f s left. ",
                last.current_A(), last.current_A() - rule.under_A(), rule.under_A(), within_s - last.at_s());
        String ahead = expected_s == null
                ? "Read it again."
                : number(
                        expected_s > within_s
                                ? "As it falls it comes under only at %.0f s, %.0f s late."
                                : "As it falls it comes under at %.0f s, %.0f s in hand. Read it again.",
                        expected_s,
                        Math.abs(within_s - expected_s));
        return new ChargeCurve(points, Verdict.AGAIN, left + ahead, null, expected_s, rule);
    }

    /** A battery that was switched on once more begins anew: its time starts again. */
    private static List<Point> newest(List<Point> readings) {
        List<Point> points = new ArrayList<>();
        for (Point one : readings) {
            if (!points.isEmpty() && one.at_s() < points.getLast().at_s()) {
                points.clear();
            }
            points.add(one);
        }
        return points;
    }

    /**
     * When it came under the limit: on the straight line between the last reading over it and the first under it, which
     * for a current that falls ever slower is never too early. Null when it is not under it.
     */
    private static @Nullable Double under(List<Point> points, double limit_A) {
        for (int i = 0; i < points.size(); i++) {
            Point one = points.get(i);
            if (one.current_A() < limit_A) {
                if (i == 0) {
                    return one.at_s();
                }
                Point before = points.get(i - 1);
                double part = (before.current_A() - limit_A) / (before.current_A() - one.current_A());
                return before.at_s() + part * (one.at_s() - before.at_s());
            }
        }
        return null;
    }

    /** It falls by the same part in the same time: {@code I = I0 exp(-t / T)} through the last two readings. */
    private static @Nullable Double expected(double limit_A, @Nullable Point before, Point last) {
        if (before == null || !(last.current_A() < before.current_A()) || last.at_s() <= before.at_s()) {
            return null;
        }
        double perSecond = Math.log(before.current_A() / last.current_A()) / (last.at_s() - before.at_s());
        return last.at_s() + Math.log(last.current_A() / limit_A) / perSecond;
    }

    private static String number(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
