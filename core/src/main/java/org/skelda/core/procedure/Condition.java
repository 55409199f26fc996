package org.skelda.core.procedure;

import java.util.List;
import org.skelda.core.alignment.UnitGoal;
import org.skelda.core.apu.ApuGoal;
import org.skelda.core.kind.LineRef;

/** What must hold before a gated line may be answered. Whether it holds is told by the departure at a time. */
public sealed interface Condition {

    /** A clock has run out. @param clock the clock's id */
    record ClockElapsed(String clock) implements Condition {}

    /** Every line of these procedures is complete. @param procedures their ids */
    record ProceduresDone(List<String> procedures) implements Condition {
        public ProceduresDone {
            procedures = List.copyOf(procedures);
        }
    }

    /** The strands come together: every procedure that stands before the line's own is complete, on each strand. */
    record StrandsJoined() implements Condition {}

    /** A measured line holds a reading inside its limits. @param line the measured line */
    record WithinLimits(LineRef line) implements Condition {}

    /** The APU has come so far. @param goal how far */
    record ApuAt(ApuGoal goal) implements Condition {}

    /** Every inertial unit has come there. */
    record UnitsAt(UnitGoal goal) implements Condition {}

    /** A line is complete. @param line that line */
    record LineDone(LineRef line) implements Condition {}
}
