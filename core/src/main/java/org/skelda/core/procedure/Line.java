package org.skelda.core.procedure;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;

/** One line of a procedure. Each kind is answered in its own way. */
public sealed interface Line {

    LineHead head();

    /** What the line is about, as it is read. */
    String label();

    default String id() {
        return head().id();
    }

    /** Something is set. @param setting how it must stand afterwards */
    record Action(LineHead head, String label, String setting) implements Line {}

    /** Something is looked at. @param shows what must be seen */
    record Check(LineHead head, String label, String shows) implements Line {}

    /** A number is read off and typed. @param spec unit, limits and their source */
    record Measure(LineHead head, MeasureSpec spec) implements Line {
        @Override
        public String label() {
            return spec.quantity();
        }
    }

    /** One reads the challenge, the responder answers, the reader confirms. @param responder who answers */
    record Challenge(LineHead head, String label, String response, Role responder) implements Line {}

    /** Read, then done. @param does what is done or seen */
    record Read(LineHead head, String label, String does) implements Line {}

    /**
     * Everything behind it in its procedure waits for it. It is answered once its conditions hold.
     *
     * @param said what is said or heard at this moment
     * @param splits whether it is the line that splits a checklist in two parts
     */
    record Gate(LineHead head, String label, String said, boolean splits) implements Line {}

    /** A hazard, acknowledged with its own key. @param hazard what can be hurt and how to keep clear */
    record Caution(LineHead head, String label, String hazard) implements Line {}

    /**
     * An engine is started, watched by its monitor. It is answered once the engine is at idle and nothing was found
     * that ends a start.
     *
     * @param engine 1 to 4
     * @param does what must have come about
     * @param today the measured lines that tell what to expect of the start
     */
    record Start(LineHead head, int engine, String label, String does, Today today) implements Line {
        /**
         * @param oat outside air, degC; @param tailWind from behind, kt; @param supply before the starter, kPa or V.
         *     Each null when no line reads it
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
}
