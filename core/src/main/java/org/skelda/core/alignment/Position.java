package org.skelda.core.alignment;

import java.util.Locale;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicMask;
import org.skelda.core.measure.OutOfRange;

/**
 * A place on the earth.
 *
 * @param latitude_deg degrees, north positive, -90 to 90 inclusive
 * @param longitude_deg degrees, east positive, -180 to 180 inclusive
 */
public record Position(double latitude_deg, double longitude_deg) {
    private static final double METRES_PER_NM = 1852;
    private static final double SAME_NM = 0.11;
    private static final int MINUTES = 60;
    /** Tenths of a minute are written: 185 m at most. */
    private static final int TENTHS = 10;

    /** @throws OutOfRange when there is no such place */
    public Position {
        if (!(latitude_deg >= -90 && latitude_deg <= 90)) {
            throw new OutOfRange("Latitude", latitude_deg, -90, 90, "deg", "Read it again from the stand sign.");
        }
        if (!(longitude_deg >= -180 && longitude_deg <= 180)) {
            throw new OutOfRange("Longitude", longitude_deg, -180, 180, "deg", "Read it again from the stand sign.");
        }
    }

    /**
     * The shortest way over the ellipsoid of the world geodetic system of 1984, by Karney's method.
     *
     * @return NM, not negative, the same in both directions to a micrometre
     */
    public double distance_NM(Position other) {
        return Geodesic.WGS84.Inverse(
                                latitude_deg,
                                longitude_deg,
                                other.latitude_deg,
                                other.longitude_deg,
                                GeodesicMask.DISTANCE)
                        .s12
                / METRES_PER_NM;
    }

    /** Whether it is the same as it is typed and read back: to a tenth of a minute, either way. */
    public boolean isSameAs(Position other) {
        return distance_NM(other) <= SAME_NM;
    }

    /** As it is typed and read back, to a tenth of a minute: {@code N62 24.6 W010 49.2}. */
    public String words() {
        return half(latitude_deg, "N", "S", 2) + " " + half(longitude_deg, "E", "W", 3);
    }

    /** The same in degrees and decimals, south and west negative: {@code 62.410 -10.820}. */
    public String decimals() {
        return String.format(Locale.ROOT, "%.3f %.3f", latitude_deg, longitude_deg);
    }

    private static String half(double value_deg, String positive, String negative, int digits) {
        long tenths = Math.round(Math.abs(value_deg) * MINUTES * TENTHS);
        long whole = tenths / (MINUTES * TENTHS);
        long rest = tenths % (MINUTES * TENTHS);
        return String.format(
                Locale.ROOT,
                "%s%0" + digits + "d %02d.%d",
                value_deg < 0 && tenths > 0 ? negative : positive,
                whole,
                rest / TENTHS,
                rest % TENTHS);
    }
}
