package org.skelda.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** What would explain that a typed position is not the one it should be; the most telling first. */
public enum PositionSlip {
    NORTH_FOR_SOUTH("north and south exchanged"),
    EAST_FOR_WEST("east and west exchanged"),
    BOTH_HEMISPHERES("both hemispheres exchanged"),
    HALVES_EXCHANGED("latitude and longitude exchanged"),
    MINUTES_AS_DECIMALS("minutes typed as decimals of a degree"),
    DECIMALS_AS_MINUTES("decimals of a degree typed as minutes"),
    EXCHANGED_DIGITS("two digits exchanged"),
    ONE_DIGIT("one digit off");

    private static final double CLOSELY = 10;
    private static final int HUNDREDTHS = 100;
    private static final int SIXTY = 60;
    /** Latitude and longitude as they are written in degrees, minutes and tenths. */
    private static final int LATITUDE_DIGITS = 5;

    private static final int LONGITUDE_DIGITS = 6;

    private final String words;

    PositionSlip(String words) {
        this.words = words;
    }

    /** As the crew reads it. */
    public String words() {
        return words;
    }

    /**
     * Looks for one slip that would have turned what was meant into what was typed.
     *
     * @param near_NM how far from {@code meant} is near enough, NM, positive
     * @return empty when they are that near, or no single slip explains it
     */
    public static Optional<PositionSlip> explaining(Position typed, Position meant, double near_NM) {
        if (typed.distance_NM(meant) <= near_NM) {
            return Optional.empty();
        }
        // What leads nearly to the spot explains more than what leads somewhere near.
        return Stream.of(near_NM / CLOSELY, near_NM)
                .flatMap(room -> Stream.of(values())
                        .filter(slip -> slip.mended(typed).stream().anyMatch(one -> one.distance_NM(meant) <= room)))
                .findFirst();
    }

    /** Every position that may have been meant, if this was the slip. */
    List<Position> mended(Position typed) {
        double north = typed.latitude_deg();
        double east = typed.longitude_deg();
        return switch (this) {
            case NORTH_FOR_SOUTH -> List.of(new Position(-north, east));
            case EAST_FOR_WEST -> List.of(new Position(north, -east));
            case BOTH_HEMISPHERES -> List.of(new Position(-north, -east));
            case HALVES_EXCHANGED -> Math.abs(east) <= 90 ? List.of(new Position(east, north)) : List.of();
            case MINUTES_AS_DECIMALS -> each(typed, value -> turned(value, HUNDREDTHS, SIXTY));
            case DECIMALS_AS_MINUTES -> each(typed, value -> turned(value, SIXTY, HUNDREDTHS));
            case EXCHANGED_DIGITS -> digits(typed, false);
            case ONE_DIGIT -> digits(typed, true);
        };
    }

    /** The part under a degree, which was read as so many parts of a degree, read as other ones. */
    private static double turned(double value, int typedAs, int meantAs) {
        double whole = Math.floor(Math.abs(value));
        return Math.copySign(whole + (Math.abs(value) - whole) * typedAs / meantAs, value);
    }

    /** One half or both were typed so. */
    private static List<Position> each(Position typed, UnaryOperator<Double> turned) {
        List<Position> all = new ArrayList<>();
        double north = turned.apply(typed.latitude_deg());
        double east = turned.apply(typed.longitude_deg());
        add(all, north, typed.longitude_deg());
        add(all, typed.latitude_deg(), east);
        add(all, north, east);
        return all;
    }

    private static void add(List<Position> all, double latitude_deg, double longitude_deg) {
        if (Math.abs(latitude_deg) <= 90 && Math.abs(longitude_deg) <= 180) {
            all.add(new Position(latitude_deg, longitude_deg));
        }
    }

    private static List<Position> digits(Position typed, boolean one) {
        List<Position> all = new ArrayList<>();
        for (double north : others(typed.latitude_deg(), LATITUDE_DIGITS, one)) {
            add(all, north, typed.longitude_deg());
        }
        for (double east : others(typed.longitude_deg(), LONGITUDE_DIGITS, one)) {
            add(all, typed.latitude_deg(), east);
        }
        return all;
    }

    /** What a half may have been before one digit was mistaken, or two neighbours exchanged. */
    private static List<Double> others(double value_deg, int length, boolean one) {
        long tenths = Math.round(Math.abs(value_deg) * SIXTY * 10);
        String written = String.format("%0" + length + "d", tenths / (SIXTY * 10) * 1000 + tenths % (SIXTY * 10));
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < length; i++) {
            if (one) {
                for (char digit = '0'; digit <= '9'; digit++) {
                    all.add(read(written.substring(0, i) + digit + written.substring(i + 1), value_deg));
                }
            } else if (i + 1 < length) {
                all.add(read(
                        written.substring(0, i) + written.charAt(i + 1) + written.charAt(i) + written.substring(i + 2),
                        value_deg));
            }
        }
        return all;
    }

    private static double read(String digits, double sign) {
        int degrees = Integer.parseInt(digits.substring(0, digits.length() - 3));
        double minutes = Integer.parseInt(digits.substring(digits.length() - 3)) / 10.0;
        return Math.copySign(degrees + minutes / SIXTY, sign);
    }
}
