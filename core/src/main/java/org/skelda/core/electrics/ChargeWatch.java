package org.skelda.core.electrics;

import java.util.List;
import org.skelda.core.electrics.ChargeCurve.Point;
import org.skelda.core.electrics.ChargeCurve.Verdict;

/** Watches a charge current that a feed tells ten times a second, and says which of its readings the record needs. */
public final class ChargeWatch {
    /** So that its curve can be drawn. */
    private static final double EVERY_s = 10;
    /** What the last digit of an ammeter may do by itself is no rise and no fall. */
    private static final double DIGIT_A = 1;

    private ChargeWatch() {}

    /**
     * Whether a reading belongs to the record: the first, one every ten seconds, one that changes the verdict for good.
     * One of a battery that takes nothing, because it is off or carries a bus itself, never does.
     *
     * @param kept those before it, oldest first
     * @param now later than all of them, not negative
     */
    public static boolean keeps(ChargeRule rule, List<Point> kept, Point now) {
        if (!(now.current_A() > 0)) {
            // Off, or giving instead of taking: that is no charge current, however low it is.
            return false;
        }
        if (kept.isEmpty()) {
            return true;
        }
        Point last = kept.getLast();
        boolean proved = ChargeCurve.of(rule, kept).verdict() == Verdict.GOOD;
        boolean crosses = last.current_A() >= rule.under_A() && now.current_A() < rule.under_A();
        boolean proves = !proved && last.current_A() < rule.under_A() && now.current_A() <= last.current_A() - DIGIT_A;
        boolean rises = now.current_A() >= last.current_A() + DIGIT_A && now.at_s() >= last.at_s() + 1;
        return crosses || proves || rises || !proved && now.at_s() >= last.at_s() + EVERY_s;
    }
}
