package org.skelda.sim;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One hand on one control of the simulated aircraft.
 *
 * @param control which
 * @param engine 1 to 4 for a control of an engine, 0 for one of the aircraft
 * @param on whether it goes on; for {@link Control#WHAT_GOES_WRONG} whether anything does
 * @param faults what goes wrong at the next start; empty for nothing and for other controls
 */
public record ControlMove(Control control, int engine, boolean on, List<Fault> faults) {
    private static final Pattern NAME = Pattern.compile("(?:engine-([1-4])/)?([a-z-]+)");

    /** What can be moved. */
    public enum Control {
        AIR("air", false),
        CROSS_BLEED("cross-bleed", false),
        PACKS("packs", false),
        GROUND_POWER("ground-power", false),
        BATTERY("battery", false),
        HELD("held", false),
        WHAT_GOES_WRONG("what-goes-wrong", false),
        STARTER("starter", true),
        IGNITION("ignition", true),
        FUEL("fuel", true),
        SECOND_STAGE("second-stage", true),
        SECOND_MEANS("second-means", true);

        private final String name;
        private final boolean ofEngine;

        Control(String name, boolean ofEngine) {
            this.name = name;
            this.ofEngine = ofEngine;
        }
    }

    public ControlMove {
        faults = List.copyOf(faults);
    }

    /**
     * @param control as commands name it: {@code air}, {@code cross-bleed}, {@code packs}, {@code ground-power},
     *     {@code battery}, {@code held}, {@code what-goes-wrong}, {@code engine-2/starter}, {@code engine-2/ignition},
     *     {@code engine-2/fuel}, {@code engine-2/second-stage}, {@code engine-2/second-means}
     * @param position {@code on} or {@code off}; for what goes wrong as {@link Fault#parse} reads it
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
            List<Fault> faults = Fault.parse(position);
            return new ControlMove(which, 0, !faults.isEmpty(), faults);
        }
        if (!List.of("on", "off").contains(position)) {
            throw new IllegalArgumentException("'" + position + "' is no position of " + control + "; it is on or off");
        }
        return new ControlMove(which, engine, position.equals("on"), List.of());
    }

    private static IllegalArgumentException unknown(String control) {
        return new IllegalArgumentException("the simulated aircraft has no control '" + control + "'");
    }
}
