package org.skelda.app.start;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Limit;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;

/**
 * What the desk of a start needs once: its lanes with their limits, and what to do when anything is wrong.
 *
 * @param lanes in the order in which they stand
 * @param span_s how much time a lane shows, s; it grows when a start takes longer
 * @param electric whether the starter is electric; else it is turned by air
 * @param ignitionSwitch whether ignition has a switch of its own
 * @param automatic whether a start computer opens and cuts the fuel
 * @param crossBleed whether a valve joins its ducts
 * @param canBeHeld whether its start selector can be held by hand
 * @param secondStage what the second stage of a fuel lever does: high idle; null where thrust is raised for a
 *     cross-bleed
 * @param wrong what comes first when anything is wrong
 * @param secondMeans of stopping the fuel
 */
public record StartSheet(
        List<LaneSheet> lanes,
        int span_s,
        boolean electric,
        boolean ignitionSwitch,
        boolean automatic,
        boolean crossBleed,
        boolean canBeHeld,
        @Nullable String secondStage,
        String wrong,
        String secondMeans) {
    private static final double ROOM = 1.12;
    private static final int STEP_s = 15;

    /** @param most value at the top of the lane */
    public record LaneSheet(
            Parameter parameter, String label, String unit, int decimals, double most, List<Line> lines) {}

    /** How a limit line is drawn: a caution above it, a hard limit above it, or a minimum below which it is wrong. */
    public enum Kind {
        CAUTION_ABOVE,
        LIMIT_ABOVE,
        MINIMUM
    }

    /** @param value in the lane's unit; @param words what it is, in figures */
    public record Line(double value, String words, Kind kind) {}

    /** What is drawn, in the order of the lanes. */
    public List<Parameter> parameters() {
        return lanes.stream().map(LaneSheet::parameter).toList();
    }

    /** The sheet of a type. @param elevation_ft of the stand */
    public static StartSheet of(StartProfile profile, double elevation_ft) {
        List<LaneSheet> lanes = new ArrayList<>();
        lanes.add(lane(profile, Parameter.SPOOL, "%", 1, profile.idle().speed_pct() * ROOM, List.of()));
        lanes.add(lane(
                profile,
                Parameter.TEMPERATURE,
                "°C",
                0,
                profile.temperatureLimits().getLast().value() * ROOM,
                temperatures(profile)));
        double cut = profile.fuel().cutAbove_kgph();
        lanes.add(lane(
                profile,
                Parameter.FLOW,
                "kg/h",
                0,
                cut * 1.6,
                List.of(new Line(cut, text("cut above %.0f at light-off", cut), Kind.LIMIT_ABOVE))));
        lanes.add(lane(profile, Parameter.OIL, "kPa", 0, profile.idle().oilMost_kpa() * ROOM, List.of()));
        boolean air = profile.supplyParameter() == Parameter.DUCT;
        double least = profile.supply().crankingAt(0, elevation_ft);
        lanes.add(lane(
                profile,
                profile.supplyParameter(),
                profile.supplyUnit(),
                air ? 0 : 1,
                air ? profile.supply().beforeStarter() * 1.4 : 32,
                List.of(new Line(
                        least,
                        text(air ? "%.0f while cranking" : "%.1f at first, rising with speed", least),
                        Kind.MINIMUM))));
        int within = (int) profile.idle().within().toSeconds();
        String lever = profile.drive().automatic()
                ? "engine master OFF, whatever the start computer does; the starter keeps turning it until it is cool"
                : "fuel lever OFF first, then the starter";
        return new StartSheet(
                lanes,
                (within + STEP_s - 1) / STEP_s * STEP_s,
                !air,
                profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER,
                profile.drive().automatic(),
                profile.supply().air() != null
                        && !profile.supply().air().valves().isEmpty(),
                profile.starter().canBeHeld(),
                profile.idle().high_pct() == null
                        ? null
                        : text("high idle, %.0f %%", profile.idle().high_pct()),
                "Wrong in any way: " + lever + ".",
                profile.remedy().secondMeans());
    }

    private static LaneSheet lane(
            StartProfile profile, Parameter parameter, String unit, int decimals, double most, List<Line> lines) {
        String label = switch (parameter) {
            case FLOW -> "Flow";
            case OIL -> "Oil";
            case DUCT -> "Duct";
            case VOLTS -> "Bus";
            case SPOOL, TEMPERATURE, FAN, AMPERES -> profile.words(parameter);
        };
        return new LaneSheet(parameter, label, unit, decimals, most, lines);
    }

    private static List<Line> temperatures(StartProfile profile) {
        return profile.temperatureLimits().stream().map(StartSheet::temperature).toList();
    }

    private static Line temperature(Limit limit) {
        return limit.allowed().isZero()
                ? new Line(limit.value(), text("%.0f never", limit.value()), Kind.LIMIT_ABOVE)
                : new Line(
                        limit.value(),
                        text(
                                "%.0f, %d s at most",
                                limit.value(), limit.allowed().toSeconds()),
                        Kind.CAUTION_ABOVE);
    }

    private static String text(String form, @Nullable Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
