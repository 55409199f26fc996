package org.skelda.core.simulator;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelda.core.indications.IndicationTest;

/**
 * The controls of the simulated aircraft's warnings: the switch of each test, and each lamp, which can fail.
 *
 * @param pressed the phase in which the switch of a test stands, by the test's id; those that are let go are not there
 * @param failed indications that stay dark, whatever should show
 */
public record LightControls(Map<String, String> pressed, Set<String> failed) {
    public static final String LET_GO = "off";
    public static final String FAILED = "failed";
    public static final String WHOLE = "whole";
    private static final String TEST = "test/";
    private static final String LAMP = "lamp/";

    public LightControls {
        pressed = Map.copyOf(pressed);
        failed = Set.copyOf(failed);
    }

    /** The name of a test's switch. */
    public static String test(String id) {
        return TEST + id;
    }

    /** The name of a lamp, a message or a sound. */
    public static String lamp(String indication) {
        return LAMP + indication;
    }

    /** Whether a control is one of these. */
    public static boolean has(String control) {
        return control.startsWith(TEST) || control.startsWith(LAMP);
    }

    /** How these stand among all. */
    public static LightControls of(Controls controls) {
        Map<String, String> pressed = new TreeMap<>();
        Set<String> failed = new TreeSet<>();
        controls.positions().forEach((control, position) -> {
            if (control.startsWith(TEST) && !position.equals(LET_GO)) {
                pressed.put(control.substring(TEST.length()), position);
            }
            if (control.startsWith(LAMP) && position.equals(FAILED)) {
                failed.add(control.substring(LAMP.length()));
            }
        });
        return new LightControls(pressed, failed);
    }

    /** What is wrong with a move, in a sentence; null when nothing is, or when it is of another control. */
    static @Nullable String wrong(SimulatorAsk.TapControl tap, Map<String, IndicationTest> tests) {
        String control = tap.control();
        if (control.startsWith(LAMP)) {
            String lamp = control.substring(LAMP.length());
            if (!IndicationTest.lookedAt(tests.values()).contains(lamp)) {
                return "The simulated aircraft has no lamp '" + lamp + "'.";
            }
            return Set.of(FAILED, WHOLE).contains(tap.position())
                    ? null
                    : "A lamp is '" + FAILED + "' or '" + WHOLE + "', not '" + tap.position() + "'.";
        }
        if (control.startsWith(TEST)) {
            Optional<IndicationTest> test = Optional.ofNullable(tests.get(control.substring(TEST.length())));
            if (test.isEmpty()) {
                return "The simulated aircraft has no test '" + control.substring(TEST.length()) + "'.";
            }
            return tap.position().equals(LET_GO)
                            || test.get().phase(tap.position()).isPresent()
                    ? null
                    : "The test has no phase '" + tap.position() + "'.";
        }
        return null;
    }
}
