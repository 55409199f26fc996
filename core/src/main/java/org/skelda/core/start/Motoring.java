package org.skelda.core.start;

import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.StandardAir;

/**
 * The highest start spool that a starter alone reaches: where the torque that its supply gives equals the drag.
 *
 * <p>With n against idle and f the free speed: s (1 - n / f) / (1 - m / f) = sigma (n + n n) / (m + m m). m is what the
 * type's starter reaches on the least supply while cranking at sea level; s the supply against that. On air the starter
 * swallows a part w of the static pressure, the less the faster it turns: s = p / p0 (1 - w (1 - n / f)). On current s
 * (1 - n / f) is the motor's current against standstill: (E - n / f E0) / (Rs + Rm) / I0, with Rm = E0 / I0 - R(25
 * degC).
 */
public final class Motoring {
    private static final double REFERENCE_degC = 25;
    private static final double MILLI = 1000;

    private final StartProfile profile;
    private final StartProfile.Starter.Alone alone;
    private final double idle_pct;
    private final double sigma;

    private Motoring(StartProfile profile, StartProfile.Starter.Alone alone, double oat_c, double elevation_ft) {
        this.profile = profile;
        this.alone = alone;
        idle_pct = profile.idle().speed_pct();
        sigma = StandardAir.sigma(elevation_ft, oat_c);
    }

    /**
     * @param oat_c outside air, degC; @param elevation_ft of the stand
     * @return null when the type does not tell what its starter reaches alone
     */
    public static @Nullable Motoring of(StartProfile profile, double oat_c, double elevation_ft) {
        StartProfile.Starter.Alone alone = profile.starter().alone();
        return alone == null ? null : new Motoring(profile, alone, oat_c, elevation_ft);
    }

    /**
     * On air.
     *
     * @param static_kpa in the duct before the starter, gauge
     * @param swallows part of it that the starter takes away at standstill
     * @return start spool, %
     */
    public double onAir(double static_kpa, double swallows, double elevation_ft) {
        double supply = Math.max(0, static_kpa) / profile.supply().crankingAt(0, elevation_ft);
        // (1 - w + w x)(1 - x), x = n / f
        double f = free();
        return balance(supply * (1 - swallows), supply * (2 * swallows - 1) / f, -supply * swallows / f / f);
    }

    /**
     * On current.
     *
     * @param open_v of the source with nothing drawn
     * @param source_mohm resistance of the source
     * @return start spool, %; 0 for a type that starts on air
     */
    public double onCurrent(double open_v, double source_mohm) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        if (battery == null) {
            return 0;
        }
        double motor_mohm = battery.full_v() / battery.standstill_a() * MILLI - battery.newAt(REFERENCE_degC);
        double amperes = MILLI / (source_mohm + motor_mohm) / battery.standstill_a();
        return balance(open_v * amperes, -battery.full_v() * amperes / free(), 0);
    }

    private double free() {
        return alone.free_pct() / idle_pct;
    }

    /** Where q0 + q1 n + q2 n n, scaled to what the reference gives, equals the drag. */
    private double balance(double q0, double q1, double q2) {
        double m = alone.motoring_pct() / idle_pct;
        double drag = sigma * (1 - m / free()) / (m + m * m);
        double a = q2 - drag;
        double b = q1 - drag;
        double root = Math.sqrt(Math.max(0, b * b - 4 * a * q0));
        return Math.clamp((-b - root) / (2 * a) * idle_pct, 0, alone.free_pct());
    }
}
