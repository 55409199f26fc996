package org.skelda.core.fact;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Reach;

/** What can be known of the day of a departure, and may decide what is needed. Its id is its name in a condition. */
public enum DayFact {
    OAT_C("oat_c", "Outside air", "degC", -60, 55),
    ELEVATION_FT("elevation_ft", "Elevation of the stand", "ft", -1500, 15_000),
    GUSTS_KT("gusts_kt", "Gusts", "kt", 0, 120),
    PASSENGERS("passengers", "Passengers", "people", 0, 600),
    MINUTES_STANDING("minutes_standing", "Standing since the last flight", "min", 0, 43_200),
    ICING("icing", "Icing conditions"),
    FIRST_FLIGHT_OF_DAY("first_flight_of_day", "First flight of the day"),
    CREW_CHANGED("crew_changed", "Crew changed"),
    GROUND_POWER("ground_power", "Ground power connected"),
    NIGHT("night", "Night"),
    ROUTE_WITHOUT_AIDS("route_without_aids", "Route without radio aids");

    private static final Map<String, DayFact> BY_ID =
            Arrays.stream(values()).collect(Collectors.toUnmodifiableMap(DayFact::id, Function.identity()));

    private final String id;
    private final String label;
    private final String unit;
    private final Reach.Bounds bounds;

    /** A number. */
    DayFact(String id, String label, String unit, double min, double max) {
        this.id = id;
        this.label = label;
        this.unit = unit;
        this.bounds = Reach.Bounds.number(min, max);
    }

    /** A yes or no. */
    DayFact(String id, String label) {
        this.id = id;
        this.label = label;
        this.unit = "";
        this.bounds = Reach.Bounds.YES_NO;
    }

    public static Optional<DayFact> named(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }

    /** Its name in a condition. */
    public String id() {
        return id;
    }

    /** As the crew reads it. */
    public String label() {
        return label;
    }

    public Kind kind() {
        return bounds.kind();
    }

    /** Unit of a number; empty for a yes or no. */
    public String unit() {
        return unit;
    }

    /** What it can be, inclusive. */
    public Reach.Bounds bounds() {
        return bounds;
    }
}
