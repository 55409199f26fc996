package org.skelda.sim;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * One hand on one control of the simulated aircraft.
 *
 * @param control which
 * @param engine 1 to 4 for a control of an engine, 0 for one of the aircraft
 * @param on whether it goes on; for {@link Control#WHAT_GOES_WRONG} whether anything does
 * @param failure what goes wrong at the next start; null for nothing and for other controls
 */
public record ControlMove(
        Control control, int engine, boolean on, @Nullable Failure failure) {
    private static final Pattern NAME = Pattern.compile("(?:engine-([1-4])/)?([a-z-]+)");
    private static final String NOTHING = "nothing";

    /** What can be moved. */
    public enum Control {
        AIR("air", false),
        PACKS("packs", false),
        GROUND_POWER("ground-power", false),
        WHAT_GOES_WRONG("what-goes-wrong", false),
        STARTER("starter", true),
        IGNITION("ignition", true),
        FUEL("fuel", true),
        SECOND_MEANS("second-means", true);

        private final String name;
        private final boolean ofEngine;

        Control(String name, boolean ofEngine) {
            this.name = name;
            this.ofEngine = ofEngine;
        }
    }

    /**
     * @param control as commands name it: {@code air}, {@code packs}, {@code ground-power}, {@code what-goes-wrong},
     *     {@code engine-2/starter}, {@code engine-2/ignition}, {@code engine-2/fuel}, {@code engine-2/second-means}
     * @param position {@code on} or {@code off}; for what goes wrong, {@code nothing} or a failure's name in lower case
     * @throws IllegalArgumentException for any other, naming what there is
     */
    public static ControlMove parse(String control, String position) {
        Matcher name = NAME.matcher(control);
        if (!name.matches()) {
            throw unknown(control);
        }
        int engine = name.group(1) == null ? 0 : Integer.parseInt(name.group(1));
        Control which = Arrays.stream(Control.values())
                .filter(c -> c.name.equals(name.group(2)) && c.ofEngine == engine > 0)
                .findFirst()
                .orElseThrow(() -> unknown(control));
        if (which == Control.WHAT_GOES_WRONG) {
            return new ControlMove(
                    which, 0, !position.equals(NOTHING), position.equals(NOTHING) ? null : failure(position));
        }
        if (!List.of("on", "off").contains(position)) {
            throw new IllegalArgumentException("'" + position + "' is no position of " + control + "; it is on or off");
        }
        return new ControlMove(which, engine, position.equals("on"), null);
    }

    private static Failure failure(String position) {
        return Arrays.stream(Failure.values())
                .filter(failure -> failure.code().equals(position))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "nothing called '" + position + "' can go wrong; it is nothing or one of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(Failure.values())
                                                .map(Failure::code)
                                                .toList())));
    }

    private static IllegalArgumentException unknown(String control) {
        return new IllegalArgumentException("the simulated aircraft has no control '" + control + "'");
    }
}
