package org.skelda.core.bleed;

import java.util.List;

/**
 * How much air a source gives, by the air around it and, for an engine, by how hard it is worked.
 *
 * <p>p = rated (1 - byPressure + byPressure delta) (1 - perDegree (OAT - 15)) part(N1). Numbers are the type's.
 *
 * @param rated_kpa static duct pressure with nothing taken, at sea level and 15 degC, kPa gauge
 * @param byPressure part of it that goes with the pressure around, 0 to 1
 * @param perDegree part that it loses for each degC above 15, and gains below
 * @param byFan part of the rated pressure by N1: linear between the points, flat outside, rising; empty for a source
 *     that is no engine
 */
public record Delivery(double rated_kpa, double byPressure, double perDegree, List<ByFan> byFan) {
    private static final double STANDARD_degC = 15;

    /** @param n1_pct fan speed; @param part of the rated pressure there */
    public record ByFan(double n1_pct, double part) {}

    /** @throws IllegalArgumentException when more fan speed would give less air */
    public Delivery {
        byFan = List.copyOf(byFan);
        for (int i = 1; i < byFan.size(); i++) {
            if (byFan.get(i).n1_pct() <= byFan.get(i - 1).n1_pct()
                    || byFan.get(i).part() < byFan.get(i - 1).part()) {
                throw new IllegalArgumentException("more fan speed gives more air: the points rise in both numbers");
            }
        }
    }

    /** What it gives with nothing taken, kPa gauge; an engine as at the last of its points. */
    public double at(double oat_c, double elevation_ft) {
        double around = 1 - byPressure + byPressure * StandardAir.delta(elevation_ft);
        return Math.max(0, rated_kpa * around * (1 - perDegree * (oat_c - STANDARD_degC)));
    }

    /** What an engine gives at a fan speed, kPa gauge. */
    public double at(double oat_c, double elevation_ft, double n1_pct) {
        return at(oat_c, elevation_ft) * part(n1_pct);
    }

    /** The part of the rated pressure that an engine gives at a fan speed; 1 for a source that is none. */
    public double part(double n1_pct) {
        if (byFan.isEmpty()) {
            return 1;
        }
        ByFan below = byFan.getFirst();
        if (n1_pct <= below.n1_pct()) {
            return below.part();
        }
        for (ByFan above : byFan) {
            if (n1_pct <= above.n1_pct()) {
                return below.part()
                        + (above.part() - below.part()) * (n1_pct - below.n1_pct()) / (above.n1_pct() - below.n1_pct());
            }
            below = above;
        }
        return below.part();
    }

    /**
     * The fan speed from which an engine gives a pressure, %.
     *
     * @param least_kpa wanted with nothing taken, kPa gauge
     * @return the first of its points when that is enough; infinity when no speed of its points is
     */
    public double fanFor(double least_kpa, double oat_c, double elevation_ft) {
        double wanted = least_kpa / at(oat_c, elevation_ft);
        if (byFan.isEmpty()) {
            return wanted <= 1 ? 0 : Double.POSITIVE_INFINITY;
        }
        ByFan below = byFan.getFirst();
        if (wanted <= below.part()) {
            return below.n1_pct();
        }
        for (ByFan above : byFan) {
            if (wanted <= above.part()) {
                return below.n1_pct()
                        + (above.n1_pct() - below.n1_pct()) * (wanted - below.part()) / (above.part() - below.part());
            }
            below = above;
        }
        return Double.POSITIVE_INFINITY;
    }
}
