package org.skelda.app.start;

import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Departure;
import org.skelda.core.fact.DayFact;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Start;
import org.skelda.core.need.Value;

/** What a crew has told of the day on which an engine is started. */
public final class DayOfStart {
    private DayOfStart() {}

    /** Outside air, degC: as its line reads it, or else as the day has it. Null while neither is known. */
    public static @Nullable Double oat_c(Departure departure, int engine) {
        Double read = reading(departure, lines(departure, engine).oat());
        return read != null
                ? read
                : departure.progress().value(DayFact.OAT_C.id()).orElse(null) instanceof Value.Number(double known)
                        ? (Double) known
                        : null;
    }

    /** Wind from behind, kt; negative from ahead. Null while it is not read. */
    public static @Nullable Double tailWind_kt(Departure departure, int engine) {
        return reading(departure, lines(departure, engine).tailWind());
    }

    /** What feeds the starter, kPa or V. Null while it is not read. */
    static @Nullable Double supply(Departure departure, int engine) {
        return reading(departure, lines(departure, engine).supply());
    }

    /** The lines that tell what to expect of an engine's start. */
    private static Start.Today lines(Departure departure, int engine) {
        return departure.plan().lines().values().stream()
                .filter(line -> line.kind() instanceof Start start && start.engine() == engine)
                .map(line -> ((Start) line.kind()).today())
                .findFirst()
                .orElse(new Start.Today(null, null, null));
    }

    private static @Nullable Double reading(Departure departure, @Nullable LineRef line) {
        var reading = line == null ? null : departure.line(line).reading();
        return reading == null ? null : (Double) reading.work().value();
    }
}
