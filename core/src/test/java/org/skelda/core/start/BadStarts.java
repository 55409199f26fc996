package org.skelda.core.start;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Function;

/** For each finding, a start that draws it, with the action it asks for and its moment. */
final class BadStarts {
    private static final Map<FindingId, Function<StartProfile, Bad>> ALL = new EnumMap<>(FindingId.class);

    /** @param at when it falls due (s since starter on); @param within how near it must be told (s) */
    record Bad(SimpleStart start, Action action, double at, double within, int attempt) {
        Bad(SimpleStart start, Action action, double at, double within) {
            this(start, action, at, within, 0);
        }
    }

    private BadStarts() {}

    static Map<FindingId, Function<StartProfile, Bad>> all() {
        return ALL;
    }

    /** Whether a type can have a finding at all. */
    static boolean canHave(StartProfile profile, FindingId id) {
        return switch (id) {
            case FIRE_WARNING, CREW_CALL -> false; // Nothing reads them.
            case STARTER_REENGAGED -> profile.starter().engageAtOrBelow_pct() != null;
            case DIP_LOW -> profile.drive().manner() == StartProfile.Manner.ELECTRIC;
            case AUTO_STOP_FAILED -> profile.drive().automatic();
            default -> true;
        };
    }

    private static double seconds(java.time.Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    private static Parameter supply(StartProfile profile) {
        return profile.supplyParameter();
    }

    static {
        ALL.put(FindingId.LOW_SUPPLY, p -> {
            boolean volts = p.drive().manner() == StartProfile.Manner.ELECTRIC;
            SimpleStart start = SimpleStart.of(p)
                    .with(
                            supply(p),
                            (t, good) -> t < 0.05
                                    ? good
                                    : p.supply().cranking().getFirst().least() - 0.5);
            return new Bad(start, Action.STOP_STARTER, volts ? 4.0 : 2.0, 0.12);
        });
        ALL.put(
                FindingId.DIP_LOW,
                p -> new Bad(
                        SimpleStart.of(p)
                                .with(
                                        Parameter.VOLTS,
                                        (t, good) -> t > 0.05 && t < 0.95
                                                ? p.supply().dip().stop_v() - 1
                                                : good),
                        Action.STOP_STARTER,
                        0.1,
                        0.12));
        ALL.put(
                FindingId.NO_ROTATION,
                p -> new Bad(SimpleStart.of(p).with(Parameter.SPOOL, (_, _) -> 0), Action.STOP_STARTER, 5, 0.001));
        ALL.put(FindingId.NO_OIL_PRESSURE, p -> {
            SimpleStart start = SimpleStart.of(p).with(Parameter.OIL, (_, _) -> 3);
            double rotation = start.fuelAt() * 2 / start.spool(start.fuelAt());
            double at = rotation + seconds(p.turning().oilWithin());
            return new Bad(start, at >= start.fuelAt() ? Action.CUT_FUEL : Action.STOP_STARTER, at, 0.15);
        });
        ALL.put(FindingId.NO_FAN_ROTATION, p -> {
            SimpleStart start = SimpleStart.of(p).with(Parameter.FAN, (_, _) -> 0);
            double gate = p.turning().orAtFuelOn()
                    ? start.fuelAt() * Math.min(1, p.turning().fanBy_pct() / start.spool(start.fuelAt()))
                    : p.turning().fanBy_pct() > start.spool(start.lightAt())
                            ? start.timeOfSpool(p.turning().fanBy_pct())
                            : firstAt(start, p.turning().fanBy_pct());
            return new Bad(start, gate >= start.fuelAt() ? Action.CUT_FUEL : Action.STOP_STARTER, gate, 0.15);
        });
        ALL.put(FindingId.FUEL_EARLY, p -> {
            SimpleStart start = SimpleStart.of(p);
            double at = start.fuelAt();
            return new Bad(
                    start.with(
                            Parameter.SPOOL,
                            (t, good) -> Math.abs(t - at) < 0.11 ? p.fuel().minimum_pct() - 1 : good),
                    Action.CUT_FUEL,
                    at,
                    0.11);
        });
        ALL.put(FindingId.RESIDUAL_HOT, p -> {
            SimpleStart start = SimpleStart.of(p);
            double light = start.lightAt();
            return new Bad(
                    start.with(
                            Parameter.TEMPERATURE,
                            (t, good) -> t < light
                                    ? p.fuel().hottestBefore_c() + 15
                                    : Math.max(good, p.fuel().hottestBefore_c() + 15)),
                    Action.CUT_FUEL,
                    start.fuelAt(),
                    0.11);
        });
        ALL.put(FindingId.IGNITION_MISSING, p -> {
            SimpleStart start = SimpleStart.of(p);
            return new Bad(start.ignition(_ -> false), Action.CUT_FUEL, start.fuelAt(), 0.11);
        });
        ALL.put(FindingId.IGNITION_LATE, p -> {
            SimpleStart start = SimpleStart.of(p);
            double late = start.fuelAt() + 1;
            return new Bad(start.ignition(t -> t >= late), Action.CUT_FUEL, late, 0.11);
        });
        ALL.put(FindingId.NO_LIGHT_OFF, p -> {
            SimpleStart start = SimpleStart.of(p);
            return new Bad(
                    start.with(Parameter.TEMPERATURE, (_, _) -> 20),
                    p.guardedCut(),
                    start.fuelAt() + seconds(p.lightOffWithin()),
                    0.11);
        });
        ALL.put(FindingId.FLOW_HIGH, p -> {
            SimpleStart start = SimpleStart.of(p);
            double from = start.fuelAt() + 1;
            return new Bad(
                    start.with(Parameter.FLOW, (t, good) -> t >= from ? p.fuel().cutAbove_kgph() + 10 : good),
                    p.guardedCut(),
                    from + 0.5,
                    0.15);
        });
        ALL.put(FindingId.HOT_PREDICTED, BadStarts::hot);
        ALL.put(FindingId.HOT_START, BadStarts::hot);
        ALL.put(FindingId.HUNG_START, p -> {
            SimpleStart start = SimpleStart.of(p);
            double from = start.lightAt() + 4;
            double at = start.spool(from);
            return new Bad(
                    start.with(Parameter.SPOOL, (t, good) -> t < from ? good : at),
                    p.guardedCut(),
                    from + 1.5 + seconds(p.hung().time()),
                    1.2);
        });
        ALL.put(FindingId.STARTER_TIME, p -> {
            SimpleStart start = SimpleStart.of(p);
            double allowed = seconds(p.starter().allowed());
            return new Bad(
                    start.fuel(_ -> false)
                            .starter(t -> t >= 0)
                            .with(
                                    Parameter.SPOOL,
                                    (t, good) -> Math.min(good, p.fuel().minimum_pct()))
                            .with(Parameter.TEMPERATURE, (_, _) -> 20)
                            .lasts(allowed + 3),
                    Action.STOP_STARTER,
                    allowed,
                    0.001);
        });
        ALL.put(FindingId.STARTER_OVERRUN, p -> {
            SimpleStart start = SimpleStart.of(p);
            return new Bad(
                    start.starter(t -> t >= 0),
                    Action.STOP_STARTER,
                    start.timeOfSpool(p.starter().overrun_pct()) + 1,
                    0.1);
        });
        ALL.put(FindingId.STARTER_EARLY_OUT, p -> {
            SimpleStart start = SimpleStart.of(p);
            double out = start.timeOfSpool(p.starter().cutOut_pct() - 8);
            return new Bad(start.starter(t -> t >= 0 && t < out), Action.CUT_FUEL, out, 0.11);
        });
        ALL.put(FindingId.STARTER_REENGAGED, p -> {
            SimpleStart start = SimpleStart.of(p);
            double out = start.timeOfSpool(p.starter().cutOut_pct() - 8);
            return new Bad(start.starter(t -> t >= 0 && t < out || t >= out + 1), Action.STOP_STARTER, out + 1, 0.11);
        });
        ALL.put(FindingId.NOT_CLEARED, p -> {
            SimpleStart start = SimpleStart.of(p);
            double from = start.fuelAt();
            double cut = from + 4;
            double again = cut + 10;
            return new Bad(
                    start.fuel(t -> t >= from && t < cut || t >= again + from)
                            .starter(t -> t >= 0 && t < cut || t >= again)
                            .with(
                                    Parameter.SPOOL,
                                    (t, _) -> t < cut
                                            ? start.spool(Math.min(t, from))
                                            : t < again ? 0 : start.spool(Math.min(t - again, from)))
                            .with(Parameter.TEMPERATURE, (_, _) -> 20)
                            .lasts(again + from + 2),
                    Action.CUT_FUEL,
                    from,
                    0.11,
                    1);
        });
        ALL.put(FindingId.RELIGHT_AFTER_CUT, p -> {
            SimpleStart start = SimpleStart.of(p);
            double cut = start.lightAt() + 3;
            double from = start.fuelAt();
            return new Bad(start.fuel(t -> t >= from && t < cut || t >= cut + 2), Action.CUT_FUEL, cut + 2, 0.11);
        });
        ALL.put(FindingId.OIL_LOW_AT_IDLE, p -> {
            SimpleStart start = SimpleStart.of(p);
            double idle = start.idleAt();
            return new Bad(
                    start.with(
                            Parameter.OIL, (t, good) -> t > idle - 5 ? p.idle().oilLeast_kpa() - 15 : good),
                    Action.CUT_FUEL,
                    idle + 7,
                    2.2);
        });
        ALL.put(FindingId.AUTO_STOP_FAILED, p -> {
            SimpleStart start = SimpleStart.of(p);
            return new Bad(
                    start.with(Parameter.TEMPERATURE, (_, _) -> 20),
                    Action.CUT_FUEL,
                    start.fuelAt() + seconds(p.lightOffWithin()) + 2,
                    0.11);
        });
        ALL.put(FindingId.CUT_NOT_EFFECTIVE, p -> {
            SimpleStart start = SimpleStart.of(p);
            double cut = start.lightAt() + 3;
            double from = start.fuelAt();
            return new Bad(
                    start.fuel(t -> t >= from && t < cut).with(Parameter.FLOW, (t, good) -> t >= cut ? 40 : good),
                    Action.SECOND_MEANS,
                    cut + 4,
                    0.11);
        });
        ALL.put(FindingId.INTERNAL_FIRE, p -> {
            SimpleStart start = SimpleStart.of(p);
            double cut = start.lightAt() + 3;
            double from = start.fuelAt();
            return new Bad(
                    start.fuel(t -> t >= from && t < cut)
                            .with(Parameter.FLOW, (t, good) -> t >= cut ? 0 : good)
                            .with(Parameter.TEMPERATURE, (t, good) -> t < cut ? good : 260 + 3 * (t - cut)),
                    Action.KEEP_TURNING,
                    cut + 6,
                    0.15);
        });
        ALL.put(FindingId.SLOW_TO_IDLE, p -> {
            SimpleStart start = SimpleStart.of(p);
            double under = p.idle().speed_pct() - p.idle().tolerance_pct() - 1;
            return new Bad(
                    start.with(Parameter.SPOOL, (_, good) -> Math.min(good, under))
                            .lasts(seconds(p.idle().within()) + 3),
                    Action.ADVISE,
                    seconds(p.idle().within()),
                    0.001);
        });
        ALL.put(FindingId.IDLE_ABNORMAL, p -> {
            SimpleStart start = SimpleStart.of(p);
            double idle = start.idleAt();
            return new Bad(
                    start.with(
                            Parameter.TEMPERATURE,
                            (t, good) -> t > idle ? p.idle().hottest_c() + 20 : good),
                    Action.ADVISE,
                    idle + 4,
                    2.2);
        });
    }

    private static double firstAt(SimpleStart start, double spool) {
        double t = 0;
        while (start.spool(t) < spool) {
            t += 0.01;
        }
        return t;
    }

    /** Rises by 60 degC a second from light-off, far past every limit. */
    private static Bad hot(StartProfile p) {
        SimpleStart start = SimpleStart.of(p);
        double light = start.lightAt();
        double highest = p.temperatureLimits().getLast().value();
        double exceeded = light + (highest - 15) / 60;
        return new Bad(
                start.with(Parameter.TEMPERATURE, (t, good) -> t < light ? good : 15 + 60 * (t - light)),
                p.guardedCut(),
                exceeded,
                Double.NaN);
    }
}
