package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** After a start: what was expected against what was got, and what differs beyond what was usual, named. */
public final class ExpectedAndGot {
    private ExpectedAndGot() {}

    /** What came of a start. Null where a number is not known. */
    public record Got(
            @Nullable Double dip_v,
            @Nullable Double timeToLight_s,
            @Nullable Double peak_c,
            @Nullable Double timeToIdle_s) {}

    /**
     * Expected against got.
     *
     * @param what in words
     * @param expected null when nothing was to be expected
     * @param decimals with which it is shown
     * @param says what differs beyond what was usual, with what it could come from; null when nothing does
     */
    public record Comparison(
            String what,
            BeforeStart.@Nullable Range expected,
            double got,
            String unit,
            int decimals,
            @Nullable String says) {}

    /** Expected against got, for all that was measured. */
    public static List<Comparison> compare(BeforeStart.Expected expected, Got got) {
        List<Comparison> all = new ArrayList<>();
        compare(all, Compared.DIP, expected.dip_v(), got.dip_v());
        compare(all, Compared.LIGHT, expected.timeToLight_s(), got.timeToLight_s());
        compare(all, Compared.PEAK, expected.peak_c(), got.peak_c());
        compare(all, Compared.IDLE, expected.timeToIdle_s(), got.timeToIdle_s());
        return List.copyOf(all);
    }

    /** What is compared, how a difference is said, and what it could come from. */
    private enum Compared {
        DIP(
                "dip",
                "V",
                1,
                0.4,
                "deeper a dip",
                "higher a dip",
                "ground power, or a generator's help?",
                "charge, cold, or age of the battery?"),
        LIGHT("to light", "s", 1, 0.4, "sooner to light", "later to light", "igniter, or fuel that comes late?", ""),
        PEAK(
                "peak",
                "°C",
                0,
                15,
                "cooler a peak",
                "hotter a peak",
                "early fuel, wind from behind, supply, or a compressor that fouls?",
                ""),
        IDLE("to idle", "s", 0, 3, "sooner at idle", "later at idle", "supply, drag, or fuel control?", "");

        private final String what;
        private final String unit;
        private final int decimals;
        /** What lies outside by less is no difference that anybody would look into. */
        private final double worthSaying;

        private final String less;
        private final String more;
        private final String ifMore;
        private final String ifLess;

        Compared(
                String what,
                String unit,
                int decimals,
                double worthSaying,
                String less,
                String more,
                String ifMore,
                String ifLess) {
            this.what = what;
            this.unit = unit;
            this.decimals = decimals;
            this.worthSaying = worthSaying;
            this.less = less;
            this.more = more;
            this.ifMore = ifMore;
            this.ifLess = ifLess;
        }
    }

    private static void compare(
            List<Comparison> all, Compared what, BeforeStart.@Nullable Range range, @Nullable Double got) {
        if (got != null) {
            String says = range == null ? null : differs(what, range, got);
            all.add(new Comparison(what.what, range, got, what.unit, what.decimals, says));
        }
    }

    private static @Nullable String differs(Compared what, BeforeStart.Range range, double got) {
        boolean more = got > range.highest();
        double outside = range.outside(got);
        if (outside < what.worthSaying) {
            return null;
        }
        String cause = more ? what.ifMore : what.ifLess;
        return text(
                "%." + what.decimals + "f %s %s than %s%s",
                outside,
                what.unit,
                more ? what.more : what.less,
                range.starts() > 1
                        ? text("any of the %d before", range.starts())
                        : range.starts() == 1 ? "the one before" : "a new battery's",
                cause.isEmpty() ? "" : ": " + cause);
    }
}
