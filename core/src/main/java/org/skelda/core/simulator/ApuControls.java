package org.skelda.core.simulator;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.AutomaticStop;

/** The controls of the simulated aircraft's APU, each with its positions, and what can go wrong with it. */
public final class ApuControls {
    private static final String APU = "apu/";
    private static final List<String> ON_OFF = List.of("on", "off");

    /** Names and positions, as a move carries them. */
    private static final Map<String, List<String>> POSITIONS = Map.of(
            "apu/master", ON_OFF,
            "apu/start", ON_OFF,
            "apu/generator", ON_OFF,
            "apu/bleed", ON_OFF,
            "apu/emergency-stop", List.of("on"),
            "apu/batteries", ON_OFF,
            "apu/reset", List.of("on"),
            "apu/goes-wrong",
                    Stream.concat(
                                    Stream.of("nothing", "no-light", "hot", "hangs", "door-stuck"),
                                    Arrays.stream(AutomaticStop.values()).map(ApuControls::stop))
                            .toList());

    private ApuControls() {}

    /** How a position names a stop of its own. */
    public static String stop(AutomaticStop why) {
        return "stops-" + why.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether a control is one of these. */
    public static boolean has(String control) {
        return control.startsWith(APU);
    }

    /** What is wrong with a move, in a sentence; null when nothing is, or when it is of another control. */
    static @Nullable String wrong(SimulatorAsk.TapControl tap, boolean hasApu) {
        if (!has(tap.control())) {
            return null;
        }
        List<String> positions = POSITIONS.get(tap.control());
        if (positions == null || !hasApu) {
            return "The simulated aircraft has no control '" + tap.control() + "'.";
        }
        return positions.contains(tap.position())
                ? null
                : "'" + tap.position() + "' is no position of " + tap.control() + "; it is one of "
                        + String.join(", ", positions) + ".";
    }
}
