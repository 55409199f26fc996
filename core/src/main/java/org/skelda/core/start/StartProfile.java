package org.skelda.core.start;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.limit.Limit;

/**
 * All that the judgement of a start needs to know of an aircraft type. Every number is the type's own and comes from
 * its pack. {@link ProfileChecks} tells what contradicts itself in it.
 *
 * @param typeId the type's code, e.g. {@code HAVERN-2M}
 * @param name as people call it
 * @param drive what turns the engine, and which engine it is
 * @param supply air or current that the start needs
 * @param fuel when fuel may come on, and how much of it should flow
 * @param lightOffWithin longest time from fuel on to light-off
 * @param temperatureLimits limits while starting (degC), from the lowest value up
 * @param turning when fan or propeller and oil must have come
 * @param hung when a start hangs
 * @param starter its speeds and its duty
 * @param idle what a good idle is
 * @param remedy what follows a start that went wrong
 */
public record StartProfile(
        String typeId,
        String name,
        Drive drive,
        Supply supply,
        Fuel fuel,
        Duration lightOffWithin,
        List<Limit> temperatureLimits,
        Turning turning,
        Hung hung,
        Starter starter,
        Idle idle,
        Remedy remedy) {

    public StartProfile {
        temperatureLimits = List.copyOf(temperatureLimits);
    }

    /** What turns the engine. */
    public enum Manner {
        BLEED_AIR,
        ELECTRIC
    }

    /** Which spool the starter turns, and what it drives along. */
    public enum Engine {
        /** N2 is turned, N1 is watched, the temperature is EGT. */
        JET("N2", "fan", "EGT"),
        /** Ng is turned, the propeller is watched, the temperature is ITT. */
        TURBOPROP("Ng", "propeller", "ITT");

        private final String spool;
        private final String fan;
        private final String temperature;

        Engine(String spool, String fan, String temperature) {
            this.spool = spool;
            this.fan = fan;
            this.temperature = temperature;
        }

        public String spool() {
            return spool;
        }

        public String fan() {
            return fan;
        }

        public String temperature() {
            return temperature;
        }
    }

    /** How ignition comes on. */
    public enum Ignition {
        WITH_FUEL_LEVER,
        AUTOMATIC,
        SWITCH_BEFORE_STARTER
    }

    /**
     * @param ignition how it comes on
     * @param ignitionAt_pct start spool at which automatic ignition comes on, %; null where it is not automatic
     * @param tailWindCaution_kt wind from behind that is worth a caution before a start, kt
     * @param automatic whether a start computer opens the fuel and guards light-off, flow, temperature and a hung start
     */
    public record Drive(
            Manner manner,
            Engine engine,
            Ignition ignition,
            @Nullable Double ignitionAt_pct,
            boolean automatic,
            double tailWindCaution_kt) {}

    /**
     * Air or current. Pressures are kPa gauge at sea level and fall with elevation; volts do not.
     *
     * @param beforeStarter least before the starter (kPa static, or V loaded)
     * @param caution before the starter, worth a caution under this; null for none
     * @param cranking least while cranking, by start spool: linear between the points, flat outside; one point for a
     *     constant
     * @param fallPer1000ft of both, per 1,000 ft of elevation
     * @param dip bus volts just after the starter engages; null for bleed air
     * @param battery that feeds an electric start; null for bleed air
     * @param air what gives air to the starters; null for an electric start, or when the type does not tell
     */
    public record Supply(
            double beforeStarter,
            @Nullable Double caution,
            List<Point> cranking,
            double fallPer1000ft,
            @Nullable Dip dip,
            @Nullable Battery battery,
            @Nullable AirNetwork air) {
        public Supply {
            cranking = List.copyOf(cranking);
        }

        /** @param spool_pct start spool, %; @param least kPa or V there */
        public record Point(double spool_pct, double least) {}

        /** @param caution_v advise under this; @param stop_v stop the starter under this */
        public record Dip(double caution_v, double stop_v) {}

        /**
         * A battery as a source with a resistance: loaded volts = open-circuit volts - current x resistance.
         *
         * @param newAt25_mohm resistance when new, at 25 degC, mOhm
         * @param growsPerDegree part by which it grows for each degC below 25
         * @param full_v open-circuit volts when full, at 25 degC, V
         * @param standstill_a current that the starter draws at standstill, A
         */
        public record Battery(double newAt25_mohm, double growsPerDegree, double full_v, double standstill_a) {
            private static final double REFERENCE_degC = 25;

            /** Resistance when new at a temperature (degC), mOhm. */
            public double newAt(double battery_c) {
                return newAt25_mohm * (1 + growsPerDegree * Math.max(0, REFERENCE_degC - battery_c));
            }

            /** Volts to which a new, full battery dips at a temperature (degC), V. */
            public double newDipAt(double battery_c) {
                return full_v - standstill_a * newAt(battery_c) / 1000;
            }
        }

        /** Least static supply before the starter at an elevation (ft). */
        public double beforeStarterAt(double elevation_ft) {
            return beforeStarter - fallPer1000ft * elevation_ft / 1000;
        }

        /** Least supply while cranking at a start spool (%) and an elevation (ft). */
        public double crankingAt(double spool_pct, double elevation_ft) {
            return bySpool(spool_pct) - fallPer1000ft * elevation_ft / 1000;
        }

        private double bySpool(double spool_pct) {
            Point below = cranking.getFirst();
            if (spool_pct <= below.spool_pct) {
                return below.least;
            }
            for (int i = 1; i < cranking.size(); i++) {
                Point above = cranking.get(i);
                if (spool_pct <= above.spool_pct) {
                    return below.least
                            + (above.least - below.least)
                                    * (spool_pct - below.spool_pct)
                                    / (above.spool_pct - below.spool_pct);
                }
                below = above;
            }
            return below.least;
        }
    }

    /**
     * @param minimum_pct least start spool at fuel on, %
     * @param preferred_pct start spool that is better waited for, %; the minimum where a computer opens the fuel
     * @param hottestBefore_c highest temperature at fuel on, degC
     * @param normalFrom_kgph lowest usual flow at light-off, kg/h
     * @param normalTo_kgph highest usual flow at light-off, kg/h
     * @param cutAbove_kgph a flow above this is cut, kg/h
     * @param secondNozzles that join on the way to idle; null where there are none
     */
    public record Fuel(
            double minimum_pct,
            double preferred_pct,
            double hottestBefore_c,
            double normalFrom_kgph,
            double normalTo_kgph,
            double cutAbove_kgph,
            @Nullable SecondNozzles secondNozzles) {

        /** @param from_pct start spool from which they give, %; @param adds_kgph flow that steps up with them, kg/h */
        public record SecondNozzles(double from_pct, double adds_kgph) {}
    }

    /**
     * @param fanBy_pct start spool by which fan or propeller turns, %
     * @param orAtFuelOn whether it must turn when the fuel comes on, if that is earlier
     * @param oilWithin longest time from rotation to rising oil pressure
     */
    public record Turning(double fanBy_pct, boolean orAtFuelOn, Duration oilWithin) {}

    /**
     * @param rate_pctps slowest acceleration, % a second; @param time under it without a break, after which the start
     *     hangs
     */
    public record Hung(double rate_pctps, Duration time) {}

    /**
     * @param cutOut_pct start spool at which the starter should go out, %
     * @param overrun_pct start spool at which it must be out, %
     * @param byHand whether the crew switches it off
     * @param engageAtOrBelow_pct highest start spool at which it may engage again, %; null for any, after cooling
     * @param duty the tries in their order; after the last the count begins anew
     * @param alone what it reaches without fuel; null when the type does not tell
     * @param canBeHeld whether its selector can be held by hand, and then no speed drops it out
     */
    public record Starter(
            double cutOut_pct,
            double overrun_pct,
            boolean byHand,
            @Nullable Double engageAtOrBelow_pct,
            List<Try> duty,
            @Nullable Alone alone,
            boolean canBeHeld) {
        public Starter {
            duty = List.copyOf(duty);
        }

        /**
         * @param motoring_pct start spool that it reaches on the least supply while cranking, at sea level on a
         *     standard day, %
         * @param free_pct start spool at which it gives no torque any more, %
         */
        public record Alone(double motoring_pct, double free_pct) {}

        /** @param on longest time engaged; @param cool time to wait after it */
        public record Try(Duration on, Duration cool) {}

        /** Longest time of the first try: what a starter in use is held to. */
        public Duration allowed() {
            return duty.getFirst().on();
        }
    }

    /**
     * @param speed_pct start spool at idle, %
     * @param tolerance_pct to both sides, %
     * @param high_pct start spool at high idle, %; null where there is none
     * @param coolest_c lower end of the usual temperature, degC
     * @param hottest_c upper end of the usual temperature, degC
     * @param oilLeast_kpa least oil pressure, kPa
     * @param oilMost_kpa usual most oil pressure, kPa
     * @param within longest time from starter on
     */
    public record Idle(
            double speed_pct,
            double tolerance_pct,
            @Nullable Double high_pct,
            double coolest_c,
            double hottest_c,
            double oilLeast_kpa,
            double oilMost_kpa,
            Duration within) {

        /** Whether a start spool (%) is at idle or at high idle. */
        boolean at(double spool_pct) {
            return Math.abs(spool_pct - speed_pct) <= tolerance_pct
                    || high_pct != null && Math.abs(spool_pct - high_pct) <= tolerance_pct;
        }
    }

    /**
     * @param noLight steps after no light-off, once the fuel is off
     * @param hot steps after a hot or hung start, once the fuel is off
     * @param secondMeans of stopping the fuel, in words
     * @param tries that a start computer makes by itself; 0 where there is none
     */
    public record Remedy(List<Step> noLight, List<Step> hot, String secondMeans, int tries) {
        public Remedy {
            noLight = List.copyOf(noLight);
            hot = List.copyOf(hot);
        }

        /**
         * Time to stand with the starter off before a dry motor after no light-off; zero where the type does not drain.
         */
        public Duration drain() {
            return sum(noLight, Doing.DRAIN);
        }

        /** Starter time that clears an engine of fuel that never lit. */
        public Duration turnUnlit() {
            return sum(noLight, Doing.KEEP_TURNING).plus(sum(noLight, Doing.DRY_MOTOR));
        }

        /** Starter time that clears an engine of fuel that burnt; zero where it turns until it is cool instead. */
        public Duration turnLit() {
            return sum(hot, Doing.KEEP_TURNING);
        }

        /**
         * Temperature (degC) down to which an engine turns after fuel that burnt; null where it turns for a time
         * instead.
         */
        public @Nullable Double turnUntil_c() {
            return hot.stream()
                    .map(Step::untilCool_c)
                    .filter(java.util.Objects::nonNull)
                    .findFirst()
                    .orElse(null);
        }

        private static Duration sum(List<Step> steps, Doing doing) {
            return steps.stream()
                    .filter(step -> step.doing() == doing && step.time() != null)
                    .map(Step::time)
                    .reduce(Duration.ZERO, Duration::plus);
        }

        /** What is done in a step. */
        public enum Doing {
            KEEP_TURNING,
            STOP_STARTER,
            DRAIN,
            DRY_MOTOR
        }

        /**
         * @param doing what
         * @param time how long; null when it ends otherwise or at once
         * @param untilCool_c until the temperature is at or under this, degC; null when it ends otherwise
         */
        public record Step(
                Doing doing,
                @Nullable Duration time,
                @Nullable Double untilCool_c) {}
    }

    /** What the action of the guarded findings is: the computer's stop first where there is one. */
    Action guardedCut() {
        return drive.automatic() ? Action.AUTO_STOP : Action.CUT_FUEL;
    }

    /**
     * What is looked for, in the order in which the type reaches it: a fan or propeller whose speed comes after the
     * fuel's turns after light-off.
     */
    List<Milestone> order() {
        List<Milestone> order = new java.util.ArrayList<>(List.of(Milestone.values()));
        if (drive.manner() != Manner.BLEED_AIR) {
            order.remove(Milestone.VALVE_OPEN);
        }
        if (!turning.orAtFuelOn() && turning.fanBy_pct() > fuel.preferred_pct()) {
            order.remove(Milestone.FAN_ROTATION);
            order.add(order.indexOf(Milestone.LIGHT_OFF) + 1, Milestone.FAN_ROTATION);
        }
        return order;
    }

    /** The lowest start limit, degC. */
    double lowestLimit_c() {
        return temperatureLimits.getFirst().value();
    }

    /** What is measured of the supply: duct pressure or bus volts. */
    public Parameter supplyParameter() {
        return drive.manner() == Manner.BLEED_AIR ? Parameter.DUCT : Parameter.VOLTS;
    }

    /** The unit of the supply. */
    public String supplyUnit() {
        return drive.manner() == Manner.BLEED_AIR ? "kPa" : "V";
    }

    /** The type's own word for a parameter. */
    public String words(Parameter parameter) {
        return switch (parameter) {
            case SPOOL -> drive.engine().spool();
            case FAN -> drive.engine().fan();
            case TEMPERATURE -> drive.engine().temperature();
            case FLOW, OIL, DUCT, VOLTS, AMPERES -> parameter.words();
        };
    }
}
