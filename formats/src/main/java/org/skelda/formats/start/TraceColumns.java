package org.skelda.formats.start;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;

/** Which column of a trace holds what, for one type of engine. A missing optional column is -1. */
final class TraceColumns {
    private static final int MISSING = -1;

    private final Map<String, Integer> header;
    private final int width;
    private final Map<Parameter, String> names = new HashMap<>();
    private final int[] places = new int[Parameter.values().length];

    private TraceColumns(Map<String, Integer> header, int width) {
        this.header = header;
        this.width = width;
    }

    /** @throws InvalidTrace when a required column is missing or a known one is there twice */
    static TraceColumns of(String file, long line, List<String> cells, StartProfile profile) {
        Map<String, Integer> header = new HashMap<>();
        for (int i = 0; i < cells.size(); i++) {
            String name = cells.get(i).strip().toLowerCase(Locale.ROOT);
            if (header.putIfAbsent(name, i) != null && isKnown(name)) {
                throw new InvalidTrace(file, line, "the column " + name + " is there twice");
            }
        }
        TraceColumns columns = new TraceColumns(header, cells.size());
        columns.place(profile.drive().engine() == StartProfile.Engine.JET);
        List<String> missing = new ArrayList<>(Stream.of("t_s", "starter", "fuel")
                .filter(name -> !header.containsKey(name))
                .toList());
        for (Parameter required : List.of(Parameter.SPOOL, Parameter.TEMPERATURE)) {
            if (!columns.has(required)) {
                missing.add(columns.name(required));
            }
        }
        if (!missing.isEmpty()) {
            String what = missing.size() == 1
                    ? "the column " + missing.getFirst() + " is missing"
                    : "the columns " + String.join(", ", missing) + " are missing";
            throw new InvalidTrace(
                    file,
                    line,
                    header.containsKey("t_s")
                            ? what + " for a " + profile.name()
                            : what + "; expected a header line with t_s, starter, fuel and the type's columns");
        }
        return columns;
    }

    private static boolean isKnown(String name) {
        return List.of(
                        "t_s",
                        "n1_pct",
                        "n2_pct",
                        "ng_pct",
                        "np_rpm",
                        "egt_c",
                        "itt_c",
                        "ff_kgph",
                        "oil_kpa",
                        "duct_kpa",
                        "bus_v",
                        "bus_a",
                        "starter",
                        "fuel",
                        "ignition")
                .contains(name);
    }

    /** What a parameter's column is called for a jet or a turboprop. */
    static String usualName(Parameter parameter, boolean jet) {
        return switch (parameter) {
            case SPOOL -> jet ? "n2_pct" : "ng_pct";
            case FAN -> jet ? "n1_pct" : "np_rpm";
            case TEMPERATURE -> jet ? "egt_c" : "itt_c";
            case FLOW -> "ff_kgph";
            case OIL -> "oil_kpa";
            case DUCT -> "duct_kpa";
            case VOLTS -> "bus_v";
            case AMPERES -> "bus_a";
        };
    }

    private void place(boolean jet) {
        for (Parameter parameter : Parameter.values()) {
            name(parameter, usualName(parameter, jet));
        }
        String other = usualName(Parameter.TEMPERATURE, !jet);
        if (!has(Parameter.TEMPERATURE) && header.containsKey(other)) {
            name(Parameter.TEMPERATURE, other);
        }
    }

    private void name(Parameter parameter, String name) {
        names.put(parameter, name);
        places[parameter.ordinal()] = header.getOrDefault(name, MISSING);
    }

    /** The name of a parameter's column. */
    String name(Parameter parameter) {
        return Objects.requireNonNull(names.get(parameter), "placed at the beginning");
    }

    boolean has(Parameter parameter) {
        return place(parameter) != MISSING;
    }

    int place(Parameter parameter) {
        return places[parameter.ordinal()];
    }

    int place(String name) {
        return header.getOrDefault(name, MISSING);
    }

    /** How many cells a row has. */
    int width() {
        return width;
    }
}
