package org.skelda.sim.alignment;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.PositionText;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.simulator.UnitControls;
import org.skelda.core.start.Switch;

/**
 * The inertial units of an aircraft under somebody's hands, at 50 Hz: each counts while it stands still, takes a
 * position that is near what it kept, drifts while it navigates, keeps its position if its power stays on long enough,
 * and forgets it otherwise. Deterministic from its seed.
 *
 * <p>Times are microseconds since 1970. One thread.
 */
public final class SimulatedUnits {
    private static final long STEP_us = 20_000;
    private static final double US_PER_S = 1e6;
    /** How likely a step of it begins the counts anew: a gust every ten seconds, a nudge every quarter of an hour. */
    private static final double GUST_SHAKES = 0.002;

    private static final double LOADING_SHAKES = 0.00002;

    private final InertialProfile profile;
    private final List<Unit> units = new ArrayList<>();
    private final SplittableRandom noise;
    private long now_us;
    private boolean towed;
    private boolean gusts;
    private boolean loaded;
    private boolean switched = true;
    private boolean fed = true;

    /** All off, their last position kept. @param stand where the aircraft stands */
    public SimulatedUnits(InertialProfile profile, Position stand, long seed, long begin_us) {
        this.profile = profile;
        this.noise = new SplittableRandom(seed);
        this.now_us = begin_us;
        for (int number = 1; number <= profile.units(); number++) {
            units.add(new Unit(profile, stand, noise.split()));
        }
    }

    /** Units that stand as somebody has told. @param told at their beginning, number 1 first */
    public static SimulatedUnits as(
            InertialProfile profile, Position stand, long seed, long begin_us, List<InertialUnit> told) {
        SimulatedUnits all = new SimulatedUnits(profile, stand, seed, begin_us);
        for (int i = 0; i < told.size(); i++) {
            all.units.get(i).standsAs(told.get(i), begin_us);
        }
        return all;
    }

    static long micros(Instant at) {
        return at.getEpochSecond() * 1_000_000 + at.getNano() / 1000;
    }

    /**
     * A control is moved.
     *
     * @param control one of {@link UnitControls}; @param position one of its positions
     * @param at_us not before the move before it
     * @throws IllegalArgumentException for any other
     */
    public void move(String control, String position, long at_us) {
        advanceTo(at_us);
        boolean on = position.equals("on");
        UnitControls.OfUnit of = UnitControls.ofUnit(control);
        if (of != null) {
            for (int number = 1; number <= units.size(); number++) {
                if (of.unit() == null || of.unit() == number) {
                    units.get(number - 1).move(of.what(), position, now_us, power());
                }
            }
            return;
        }
        switch (control) {
            case "inertial/tow" -> towed = on;
            case "inertial/gusts" -> gusts = on;
            case "inertial/loading" -> loaded = on;
            case "inertial/power" -> power(on);
            default -> throw new IllegalArgumentException("simulated inertial units have no control '" + control + "'");
        }
    }

    private void power(boolean on) {
        switched = on;
        loseIfDead();
    }

    /**
     * What feeds them is there, or gone: what they have not stored is then lost.
     *
     * @param now whether any bus of the aircraft has power; true where nothing is known of its buses
     */
    public void fed(boolean now) {
        fed = now;
        loseIfDead();
    }

    private boolean power() {
        return switched && fed;
    }

    private void loseIfDead() {
        if (!power()) {
            units.forEach(Unit::losePower);
        }
    }

    /** Lets time pass. @param to_us not before the time before it */
    public void advanceTo(long to_us) {
        while (now_us + STEP_us <= to_us) {
            now_us += STEP_us;
            boolean shaken = gusts && noise.nextDouble() < GUST_SHAKES;
            for (Unit unit : units) {
                // A trolley against the door is felt by one unit more than by another.
                boolean nudged = loaded && noise.nextDouble() < LOADING_SHAKES;
                unit.step(now_us, towed || shaken || nudged);
            }
        }
    }

    /** Whether something goes on with them that is worth being read closely. */
    public boolean busy() {
        return towed || gusts || units.stream().anyMatch(unit -> unit.phase == Phase.STORING || unit.changed(now_us));
    }

    /** What they show now. */
    public UnitsSample sample() {
        return new UnitsSample(
                now_us,
                units.stream().map(unit -> unit.shows(now_us, towed, power())).toList());
    }

    /** What a unit really does. @param number from 1 */
    public Phase phase(int number) {
        return units.get(number - 1).phase;
    }

    /** What it really holds; null while it holds none. */
    public @Nullable Position position(int number) {
        Unit unit = units.get(number - 1);
        return unit.phase == Phase.ALIGNING ? unit.position : null;
    }

    /** Whether it asks for its position again. */
    public boolean asks(int number) {
        return units.get(number - 1).entered != null;
    }

    /** Seconds that are left of its count; NaN when it does not count. */
    public double left_s(int number) {
        return units.get(number - 1).left_s(now_us);
    }

    /** The code that it shows; empty for none. */
    public String code(int number) {
        return units.get(number - 1).code;
    }

    /** One of them. */
    private static final class Unit {
        private static final double NM_PER_DEGREE = 60;
        private static final double MOST_DRIFT_nmph = 2.6;
        private static final double KT_PER_NMPH = 5;
        private static final double SECONDS_PER_HOUR = 3600;
        private static final double SAME_NM = 0.11;
        private static final double BUSY_FOR_us = 3 * US_PER_S;
        private static final double ELSEWHERE_deg = 1.4;

        private final InertialProfile profile;
        private final Position stand;
        private final double drift_nmph;
        private Phase phase = Phase.OFF;
        private boolean toNavigation;
        private boolean quick;
        private long count_us;
        private double needs_s;
        private long storing_us;
        private long changed_us;
        private @Nullable Position kept;
        private @Nullable Position entered;
        private @Nullable Position position;
        private double drifted_nm;
        private String code = "";

        Unit(InertialProfile profile, Position stand, SplittableRandom random) {
            this.profile = profile;
            this.stand = stand;
            this.kept = stand;
            this.drift_nmph = random.nextDouble(0.2, MOST_DRIFT_nmph);
        }

        void standsAs(InertialUnit told, long begin_us) {
            phase = told.phase();
            quick = told.quick();
            toNavigation = quick || profile.rule().navigatesByItself() || phase == Phase.NAVIGATING;
            count_us = Math.min(begin_us, micros(told.since()));
            storing_us = count_us;
            needs_s = told.needs().toMillis() / 1000.0;
            kept = told.stored();
            entered = told.entered();
            position = told.position();
            code = told.code() == null ? "" : told.code();
            changed_us = begin_us;
        }

        void move(String what, String to, long now_us, boolean power) {
            changed_us = now_us;
            switch (what) {
                case "mode" -> mode(to, now_us, power);
                case "position" -> typed(PositionText.read(to));
                case "code" -> code = to.equals("none") || !isOn() ? "" : to;
                case "kept" -> kept = new Position(stand.latitude_deg() - ELSEWHERE_deg, stand.longitude_deg());
                default -> throw new IllegalArgumentException("a simulated inertial unit has no '" + what + "'");
            }
        }

        private boolean isOn() {
            return phase == Phase.ALIGNING || phase == Phase.NAVIGATING;
        }

        private void mode(String to, long now_us, boolean power) {
            if (to.equals("off")) {
                off(now_us);
                return;
            }
            toNavigation = to.equals("navigation");
            boolean aligns = power
                    && !isOn()
                    && Math.abs(stand.latitude_deg()) <= profile.rule().full().highestLatitude_deg();
            if (!aligns) {
                return;
            }
            boolean inTime = phase == Phase.STORING
                    && now_us - storing_us <= profile.rule().quickWithin().toNanos() / 1000;
            if (phase == Phase.STORING) {
                kept = position;
            }
            quick = inTime;
            needs_s = inTime ? profile.rule().quick().toMillis() / 1000.0 : fullCount_s();
            phase = Phase.ALIGNING;
            count_us = now_us;
            position = null;
            entered = null;
        }

        private double fullCount_s() {
            return profile.rule().full().timeAt(stand.latitude_deg()).toMillis() / 1000.0;
        }

        private void off(long now_us) {
            if (phase == Phase.NAVIGATING) {
                phase = Phase.STORING;
                storing_us = now_us;
                position = here();
            } else if (phase == Phase.ALIGNING) {
                phase = Phase.OFF;
                position = null;
            }
            entered = null;
            code = "";
        }

        private void typed(Position to) {
            if (phase != Phase.ALIGNING) {
                return;
            }
            boolean near =
                    kept != null && kept.distance_NM(to) <= profile.rule().near_NM();
            boolean twice = entered != null && entered.distance_NM(to) <= SAME_NM;
            position = near || twice ? to : null;
            entered = near || twice ? null : to;
        }

        void losePower() {
            if (phase == Phase.NAVIGATING || phase == Phase.STORING) {
                kept = null;
            }
            phase = Phase.OFF;
            position = null;
            entered = null;
            code = "";
        }

        void step(long now_us, boolean moved) {
            switch (phase) {
                case ALIGNING -> align(now_us, moved);
                case NAVIGATING -> drifted_nm += drift_nmph * STEP_us / US_PER_S / SECONDS_PER_HOUR;
                case STORING -> {
                    if (now_us - storing_us >= profile.rule().stores().toNanos() / 1000) {
                        kept = position;
                        position = null;
                        phase = Phase.OFF;
                        changed_us = now_us;
                    }
                }
                case OFF -> {}
            }
        }

        private void align(long now_us, boolean moved) {
            if (moved) {
                needs_s = quick && kept != null ? fullCount_s() : needs_s;
                quick = false;
                count_us = now_us;
                changed_us = now_us;
            } else if (toNavigation() && left_s(now_us) <= 0 && position != null && code.isEmpty()) {
                phase = Phase.NAVIGATING;
                drifted_nm = 0;
                changed_us = now_us;
            }
        }

        private boolean toNavigation() {
            return toNavigation || quick || profile.rule().navigatesByItself();
        }

        boolean changed(long now_us) {
            return now_us - changed_us < BUSY_FOR_us;
        }

        double left_s(long now_us) {
            return phase == Phase.ALIGNING ? Math.max(0, needs_s - (now_us - count_us) / US_PER_S) : Double.NaN;
        }

        private @Nullable Position here() {
            return position == null
                    ? null
                    : new Position(position.latitude_deg() + drifted_nm / NM_PER_DEGREE, position.longitude_deg());
        }

        UnitsSample.One shows(long now_us, boolean moving, boolean power) {
            return new UnitsSample.One(
                    phase,
                    left_s(now_us),
                    here(),
                    entered,
                    phase == Phase.NAVIGATING ? drift_nmph * KT_PER_NMPH * Math.min(1, drifted_nm) : Double.NaN,
                    code,
                    moving ? Switch.ON : Switch.OFF,
                    power ? Switch.ON : Switch.OFF);
        }
    }
}
