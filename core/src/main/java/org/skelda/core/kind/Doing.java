package org.skelda.core.kind;

import org.jspecify.annotations.Nullable;

/** What one can do with a line. Each kind adds its own. */
public sealed interface Doing
        permits Doing.Answer,
                Doing.Confirm,
                Measure.Type,
                Compare.TypeAll,
                Challenge.Say,
                Choice.Choose,
                Communication.Hear,
                ControlCheck.See,
                Walk.Find,
                Walk.Settle,
                Indications.SeeGroup,
                Indications.SeeOne,
                Indications.Decide,
                Indications.TestAgain {

    /**
     * Ticks it.
     *
     * @param agreed that the control about to be moved was agreed on aloud
     * @param named that control, named by a single pilot in a deliberate second step
     */
    record Answer(boolean agreed, @Nullable String named) implements Doing {
        public static final Answer PLAIN = new Answer(false, null);
    }

    /** Confirms what the colleague gave. @param named by a single pilot: the line that is held until it is agreed */
    record Confirm(@Nullable String named) implements Doing {
        public static final Confirm PLAIN = new Confirm(null);
    }
}
