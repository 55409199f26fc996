package org.skelda.core.procedure;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;

/**
 * Whether a line may be answered at a time, and what it waits for.
 *
 * @param waits what does not hold yet; empty when the gate is open
 * @param guards what is destroyed or hurt by going on now; null when nothing is
 */
public record GateState(List<Wait> waits, @Nullable String guards) {

    public GateState {
        waits = List.copyOf(waits);
    }

    /** One thing a closed gate waits for. */
    public sealed interface Wait {
        /** A running clock. @param opensAt when it runs out */
        record ForClock(String clock, Instant opensAt) implements Wait {}

        /** A clock that no line has started. */
        record ForClockStart(String clock) implements Wait {}

        /** A procedure with open lines. */
        record ForProcedure(String procedure) implements Wait {}

        /** The strands, which come together once these procedures are complete. */
        record ForStrands(List<String> procedures) implements Wait {
            public ForStrands {
                procedures = List.copyOf(procedures);
            }
        }

        /** A reading inside its limits. */
        record ForReading(LineRef line) implements Wait {}

        /** Another line. */
        record ForLine(LineRef line) implements Wait {}

        /** Something that is not known yet, without which nobody can tell whether the line is needed. */
        record ForFact(String name) implements Wait {}

        /** A line before it, in a procedure that is worked in order. */
        record InOrder(LineRef line) implements Wait {}

        /** The aircraft stands still. */
        record ForStandstill() implements Wait {}

        /**
         * The APU.
         *
         * @param what of it, as the crew reads it
         * @param opensAt when time alone brings it; null otherwise
         * @param atHand whether doing just that is what there is to do now
         */
        record ForApu(String what, @Nullable Instant opensAt, boolean atHand) implements Wait {}

        /** The inertial units; as for the APU. */
        record ForUnits(String what, @Nullable Instant opensAt, boolean atHand) implements Wait {}

        /** An engine that has not come to idle. */
        record ForIdle(int engine) implements Wait {}
    }

    public boolean open() {
        return waits.isEmpty();
    }

    /** When it opens by the passing of time alone; empty when something must be done first, or when it is open. */
    public Optional<Instant> opensAt() {
        Instant latest = null;
        for (Wait wait : waits) {
            Instant opensAt = switch (wait) {
                case Wait.ForClock(String _, Instant at) -> at;
                case Wait.ForApu(String _, Instant at, boolean _) -> at;
                case Wait.ForUnits(String _, Instant at, boolean _) -> at;
                default -> null;
            };
            if (opensAt == null) {
                return Optional.empty();
            }
            latest = latest == null || opensAt.isAfter(latest) ? opensAt : latest;
        }
        return Optional.ofNullable(latest);
    }
}
