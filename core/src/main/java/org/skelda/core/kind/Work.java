package org.skelda.core.kind;

import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;

/** What can have happened on a line. Each kind adds its own. */
public sealed interface Work
        permits Work.Answered,
                Work.Confirmed,
                Work.Agreed,
                Measure.Read,
                Compare.Compared,
                Challenge.Said,
                Choice.Chosen,
                Communication.Heard,
                ControlCheck.PositionSeen,
                Walk.Found,
                Walk.Settled,
                Indications.GroupSeen,
                Indications.OneSeen,
                Indications.Decided,
                Indications.BegunAnew {

    /**
     * It was done as written.
     *
     * @param alone by a single pilot, who answers aloud and needs no other
     * @param agreed how it was agreed before an irreversible control was moved; null where none is
     */
    record Answered(boolean alone, @Nullable Agreement agreed) implements Work {
        public static final Answered PLAIN = new Answered(false, null);
    }

    /** The other pilot confirmed what was answered. */
    record Confirmed() implements Work {}

    /** What was done is agreed. @param named the control, where a single pilot named it; null when another agreed */
    record Agreed(@Nullable String named) implements Work {}

    /**
     * An agreement before an irreversible control is moved. It is spoken; nobody waits for a device.
     *
     * @param with the other pilot; null when none sits at a device
     * @param named the control, as a single pilot named it; null where two agreed
     */
    record Agreement(@Nullable Person with, @Nullable String named) {}
}
