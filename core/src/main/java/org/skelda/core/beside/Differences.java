package org.skelda.core.beside;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.hipparchus.stat.descriptive.rank.Median;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Milestone;

/** What one start came to, in figures, against another or against what is usual. */
public final class Differences {
    private static final double NANOS_PER_SECOND = 1e9;

    private Differences() {}

    /**
     * @param median of the starts; @param lowest of them; @param highest of them; @param starts that have the figure
     */
    public record Usual(double median, double lowest, double highest, int starts) {}

    /**
     * One figure.
     *
     * @param what in words
     * @param unit of all of them; @param decimals with which they are shown
     * @param one of the start; null when it has none
     * @param other of the other start; null when it has none, or there is no other
     * @param usual of several; null beside one other, or when none of them has it
     * @param by how much it lies above the other, or outside of what is usual: negative below, 0 inside; null when
     *     there is nothing to compare
     */
    public record Difference(
            String what,
            String unit,
            int decimals,
            @Nullable Double one,
            @Nullable Double other,
            @Nullable Usual usual,
            @Nullable Double by) {}

    /** Beside one other. Figures that neither has are left out. */
    public static List<Difference> between(AttemptReport one, AttemptReport other) {
        return Arrays.stream(Figure.values())
                .map(figure -> {
                    Double mine = figure.of(one);
                    Double its = figure.of(other);
                    return new Difference(
                            figure.what,
                            figure.unit,
                            figure.decimals,
                            mine,
                            its,
                            null,
                            mine == null || its == null ? null : (Double) (mine - its));
                })
                .filter(row -> row.one() != null || row.other() != null)
                .toList();
    }

    /** Beside several. Figures that neither the start nor any of them has are left out. */
    public static List<Difference> from(AttemptReport one, List<AttemptReport> several) {
        return Arrays.stream(Figure.values())
                .map(figure -> {
                    Double mine = figure.of(one);
                    Usual usual = usual(figure, several);
                    return new Difference(
                            figure.what,
                            figure.unit,
                            figure.decimals,
                            mine,
                            null,
                            usual,
                            mine == null || usual == null ? null : (Double) outside(mine, usual));
                })
                .filter(row -> row.one() != null || row.usual() != null)
                .toList();
    }

    private static double outside(double value, Usual usual) {
        return value > usual.highest() ? value - usual.highest() : Math.min(0, value - usual.lowest());
    }

    private static @Nullable Usual usual(Figure figure, List<AttemptReport> several) {
        double[] values = several.stream()
                .map(figure::of)
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
        return values.length == 0
                ? null
                : new Usual(new Median().evaluate(values), values[0], values[values.length - 1], values.length);
    }

    /** What is compared, in the order of a start. */
    private enum Figure {
        MOTORING("starter alone", "%", 1, report -> report.figures().motoring_pct()),
        DIP("dip", "V", 1, report -> report.figures().dip_v()),
        RESISTANCE(
                "resistance of the source",
                "mOhm",
                1,
                report -> report.figures().resistance_mohm()),
        DUCT("lowest duct", "kPa", 0, report -> report.figures().lowestDuct_kpa()),
        ROTATION("to rotation", "s", 1, reached(Milestone.ROTATION)),
        OIL("to oil rising", "s", 1, reached(Milestone.OIL_RISING)),
        FAN("to fan turning", "s", 1, reached(Milestone.FAN_ROTATION)),
        FUEL("to fuel on", "s", 1, reached(Milestone.FUEL_ON)),
        FUEL_SPOOL(
                "start spool at fuel on", "%", 1, report -> report.spoolAt_pct().get(Milestone.FUEL_ON)),
        LIGHT("fuel to light-off", "s", 1, report -> seconds(report.figures().timeToLightOff())),
        LIGHT_FLOW("flow at light-off", "kg/h", 0, report -> report.figures().flowAtLightOff_kgph()),
        PEAK(
                "peak",
                "°C",
                0,
                report -> report.peak() == null ? null : (Double) report.peak().value_c()),
        PEAK_AT(
                "peak at",
                "s",
                1,
                report -> report.peak() == null ? null : seconds(report.peak().at())),
        OVER(
                "longest over a limit",
                "s",
                1,
                report -> report.exceedances().stream()
                        .map(exceedance -> seconds(exceedance.dwell()))
                        .max(Double::compare)
                        .orElse(null)),
        STARTER_OUT("to starter out", "s", 1, reached(Milestone.STARTER_OUT)),
        STARTER_OUT_SPOOL(
                "start spool at starter out",
                "%",
                1,
                report -> report.spoolAt_pct().get(Milestone.STARTER_OUT)),
        IDLE("to idle", "s", 1, report -> seconds(report.figures().timeToIdle()));

        private final String what;
        private final String unit;
        private final int decimals;
        private final Function<AttemptReport, @Nullable Double> figure;

        Figure(String what, String unit, int decimals, Function<AttemptReport, @Nullable Double> figure) {
            this.what = what;
            this.unit = unit;
            this.decimals = decimals;
            this.figure = figure;
        }

        private @Nullable Double of(AttemptReport report) {
            return figure.apply(report);
        }

        private static Function<AttemptReport, @Nullable Double> reached(Milestone milestone) {
            return report -> seconds(report.milestones().get(milestone));
        }

        private static @Nullable Double seconds(@Nullable Duration time) {
            return time == null ? null : (Double) (time.toNanos() / NANOS_PER_SECOND);
        }
    }
}
