package org.skelda.core.simulator;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.NoPosition;
import org.skelda.core.alignment.PositionText;
import org.skelda.core.measure.OutOfRange;

/** The controls of the simulated aircraft's inertial units, each with its positions, and what disturbs them. */
public final class UnitControls {
    private static final String INERTIAL = "inertial/";
    private static final Pattern OF_UNIT = Pattern.compile("inertial/([1-4]|all)/(mode|position|code|kept)");
    private static final List<String> ON_OFF = List.of("on", "off");
    private static final Map<String, List<String>> OF_UNITS =
            Map.of("mode", List.of("off", "align", "navigation"), "kept", List.of("elsewhere"));
    private static final List<String> OF_AIRCRAFT =
            List.of("inertial/tow", "inertial/gusts", "inertial/loading", "inertial/power");

    private UnitControls() {}

    /** Whether a control is one of these. */
    public static boolean has(String control) {
        return control.startsWith(INERTIAL);
    }

    /** A control of units. @param unit 1 to 4; null for all of them; @param what of it is moved */
    public record OfUnit(@Nullable Integer unit, String what) {}

    /** @return null for a control of the whole aircraft */
    public static @Nullable OfUnit ofUnit(String control) {
        Matcher matcher = OF_UNIT.matcher(control);
        if (!matcher.matches()) {
            return null;
        }
        return new OfUnit(
                matcher.group(1).equals("all") ? null : (Integer) Integer.parseInt(matcher.group(1)), matcher.group(2));
    }

    /** What is wrong with a move, in a sentence; null when nothing is, or when it is of another control. */
    static @Nullable String wrong(SimulatorAsk.TapControl tap, @Nullable InertialProfile profile) {
        if (!has(tap.control())) {
            return null;
        }
        OfUnit of = ofUnit(tap.control());
        boolean known = of == null
                ? OF_AIRCRAFT.contains(tap.control())
                : profile != null && (of.unit() == null || of.unit() <= profile.units());
        if (!known || profile == null) {
            return "The simulated aircraft has no control '" + tap.control() + "'.";
        }
        if (of != null && of.what().equals("position")) {
            try {
                PositionText.read(tap.position());
                return null;
            } catch (NoPosition e) {
                return e.getMessage();
            } catch (OutOfRange e) {
                return "There is no such place: " + e.quantity() + " is out of range.";
            }
        }
        if (of != null && of.what().equals("code")) {
            return tap.position().equals("none")
                            || profile.meaning(tap.position()).isPresent()
                    ? null
                    : "The type's document knows no code '" + tap.position() + "'.";
        }
        List<String> positions = of == null ? ON_OFF : OF_UNITS.getOrDefault(of.what(), ON_OFF);
        return positions.contains(tap.position())
                ? null
                : "'" + tap.position() + "' is no position of " + tap.control() + "; it is one of "
                        + String.join(", ", positions) + ".";
    }
}
