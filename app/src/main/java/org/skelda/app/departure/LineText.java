package org.skelda.app.departure;

import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.crew.Role;
import org.skelda.core.kind.LineRef;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Marks;

/**
 * A line's words.
 *
 * @param expects what must be set, seen, answered, done or said; for a caution, the hazard; for a measure, its limits
 * @param detail what its kind has beside that
 * @param marks what any line may carry
 */
record LineText(
        LineRef ref,
        KindText.Sort kind,
        String label,
        String expects,
        @Nullable String zone,
        @Nullable String guards,
        @Nullable String hardToSee,
        KindText detail,
        MarksText marks) {

    /**
     * @param control that must be agreed on before it is moved; null when none must
     * @param apu what it tells of the APU; null when nothing
     * @param inertial what it tells of the inertial units; null when nothing
     * @param by whose line it is alone; null when either may
     */
    record MarksText(
            @Nullable String control,
            boolean stationary,
            boolean notSteering,
            @Nullable Role by,
            boolean heldUntilAgreed,
            boolean repeatable,
            @Nullable ApuTap apu,
            @Nullable UnitTap inertial) {
        static MarksText of(Marks marks) {
            return new MarksText(
                    marks.agree() && marks.control() != null ? marks.control().label() : null,
                    marks.stationary(),
                    marks.notSteering(),
                    marks.by(),
                    marks.heldUntilAgreed(),
                    marks.repeatable(),
                    marks.apu(),
                    marks.inertial());
        }
    }

    static LineText of(LineRef ref, Line line) {
        return new LineText(
                ref,
                KindText.sort(line.kind()),
                line.kind().label(),
                line.kind().expects(),
                line.head().zone(),
                line.head().guards(),
                line.head().hardToSee(),
                KindText.of(line.kind()),
                MarksText.of(line.head().marks()));
    }
}
