package org.skelda.core.fact;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Reach;
import org.skelda.core.procedure.Change;

/** What can be known of the day of a departure, and may decide what is needed. Its id is its name in a condition. */
public enum DayFact {
    OAT_C("oat_c", "Outside air", "degC", -60, 55, Change.WEATHER),
    ELEVATION_FT("elevation_ft", "Elevation of the stand", "ft", -1500, 15_000, null),
    GUSTS_KT("gusts_kt", "Gusts", "kt", 0, 120, Change.WEATHER),
    PASSENGERS("passengers", "Passengers", "people", 0, 600, Change.LOAD),
    TAXI_SLOPE_PCT("taxi_slope_pct", "Steepest slope of the taxi way", "%", 0, 10, Change.RUNWAY),
    TAXI_MIN("taxi_min", "Way from the stand to the runway", "min", 0, 90, Change.RUNWAY),
    MINUTES_STANDING("minutes_standing", "Standing since the last flight", "min", 0, 43_200, null),
    CONTAMINATED("contaminated", "Taxi way or runway contaminated", Change.RUNWAY),
    ICING("icing", "Icing conditions", Change.WEATHER),
    FIRST_FLIGHT_OF_DAY("first_flight_of_day", "First flight of the day", null),
    ENGINE_1_FIRST_LAST("engine_1_first_last", "Engine 1 was started first last time", null),
    CREW_CHANGED("crew_changed", "Crew changed", Change.CREW),
    GROUND_POWER("ground_power", "Ground power connected", null),
    NIGHT("night", "Night", null),
    ROUTE_WITHOUT_AIDS("route_without_aids", "Route without radio aids", null);

    private static final Map<String, DayFact> BY_ID =
            Arrays.stream(values()).collect(Collectors.toUnmodifiableMap(DayFact::id, Function.identity()));

    /** Names of those that are yes or no. */
    public static final Set<String> YES_NO = Arrays.stream(values())
            .filter(fact -> fact.kind() == Kind.YES_NO)
            .map(DayFact::id)
            .collect(Collectors.toUnmodifiableSet());

    private final String id;
    private final String label;
    private final String unit;
    private final Reach.Bounds bounds;
    private final @Nullable Change change;

    /** A number. */
    DayFact(String id, String label, String unit, double min, double max, @Nullable Change change) {
        this.id = id;
        this.label = label;
        this.change = change;
        this.unit = unit;
        this.bounds = Reach.Bounds.number(min, max);
    }

    /** A yes or no. */
    DayFact(String id, String label, @Nullable Change change) {
        this.id = id;
        this.label = label;
        this.change = change;
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

    /** What kind of change of the day it is when it changes; null when it undoes nothing. */
    public @Nullable Change change() {
        return change;
    }

    /** What it can be, inclusive. */
    public Reach.Bounds bounds() {
        return bounds;
    }
}
