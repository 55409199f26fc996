package org.skelda.core.simulator;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.Network.Kind;

/**
 * The controls of the simulated aircraft's sources and ties, each with its positions, and what can be wrong with a
 * source.
 */
public final class PowerControls {
    private static final String ELECTRICS = "electrics/";
    private static final Pattern OF = Pattern.compile("electrics/([a-z0-9-]+)/(there|on|closed|goes-wrong)");
    private static final List<String> ON_OFF = List.of("on", "off");
    private static final Map<Kind, List<String>> WRONG = Map.of(
            Kind.BATTERY, List.of("nothing", "weak"),
            Kind.GROUND, List.of("nothing", "low", "high", "reversed"));

    private PowerControls() {}

    /** Whether a control is one of these. */
    public static boolean has(String control) {
        return control.startsWith(ELECTRICS);
    }

    /** A control. @param id of the source or the tie; @param what of it is moved */
    public record Of(String id, String what) {}

    /** @return null for what is no control of these */
    public static @Nullable Of of(String control) {
        Matcher matcher = OF.matcher(control);
        return matcher.matches() ? new Of(matcher.group(1), matcher.group(2)) : null;
    }

    /** What is wrong with a move, in a sentence; null when nothing is, or when it is of another control. */
    static @Nullable String wrong(SimulatorAsk.TapControl tap, @Nullable Network network) {
        if (!has(tap.control())) {
            return null;
        }
        List<String> positions = positions(of(tap.control()), network);
        if (positions.isEmpty()) {
            return "The simulated aircraft has no control '" + tap.control() + "'.";
        }
        return positions.contains(tap.position())
                ? null
                : "'" + tap.position() + "' is no position of " + tap.control() + "; it is one of "
                        + String.join(", ", positions) + ".";
    }

    private static List<String> positions(@Nullable Of of, @Nullable Network network) {
        if (of == null || network == null) {
            return List.of();
        }
        if (of.what().equals("closed")) {
            return network.ties().stream().anyMatch(tie -> tie.id().equals(of.id()) && tie.closed() != null)
                    ? ON_OFF
                    : List.of();
        }
        return network.sources().stream()
                .filter(one -> one.id().equals(of.id()))
                .findFirst()
                .map(one -> switch (of.what()) {
                    case "there" -> one.isBrought() ? ON_OFF : List.<String>of();
                    case "on" -> one.hasSwitch() ? ON_OFF : List.<String>of();
                    default -> WRONG.getOrDefault(one.kind(), List.of());
                })
                .orElse(List.of());
    }
}
