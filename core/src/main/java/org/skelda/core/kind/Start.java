package org.skelda.core.kind;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * An engine is started, watched by its monitor. It is answered once the engine is at idle and nothing was found that
 * ends a start.
 *
 * @param engine 1 to 4
 * @param does what must have come about
 * @param today the measured lines that tell what to expect of the start
 */
public record Start(int engine, String label, String does, Today today) implements Tick {

    @Override
    public String expects() {
        return does;
    }

    /**
     * @param oat outside air, degC; @param tailWind from behind, kt; @param supply before the starter, kPa or V. Each
     *     null when no line reads it
     */
    public record Today(
            @Nullable LineRef oat,
            @Nullable LineRef tailWind,
            @Nullable LineRef supply) {
        /** Those that are read. */
        public List<LineRef> lines() {
            return Stream.of(oat, tailWind, supply).filter(Objects::nonNull).toList();
        }
    }
}
