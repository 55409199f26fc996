package org.skelda.core.attempt;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Tap;

/** What the crew can tell of a start that nothing reads. */
public sealed interface AttemptAsk {

    /**
     * Tells something of it. @param tappedAt when, by the person's device; @param timed whether it was told as it
     * happened
     */
    record TapStart(int engine, Tap tap, Instant tappedAt, boolean timed) implements AttemptAsk {}

    /**
     * Takes the newest tap of an engine's start back. @param tap which that is; @param reason needed when it is another
     * person's
     */
    record UndoTap(int engine, Tap tap, @Nullable String reason) implements AttemptAsk {}

    /** Types what was read off after it. @param peak_c degC; @param dip_v V; null for what was not read */
    record TypeFigures(
            int engine, @Nullable Double peak_c, @Nullable Double dip_v) implements AttemptAsk {}
}
