package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.log.Fact;

/** What a feed or the crew told of the APU, as the log keeps it: changes only, never single readings. */
public sealed interface ApuFact extends Fact {

    /** Something happened to it. */
    record ApuTold(ApuEvent what) implements ApuFact {}

    /** What the crew told last was a slip. @param reason needed when another person told it */
    record ApuUntold(@Nullable String reason) implements ApuFact {}

    /** Its readings arrive from here on: what a feed tells counts, the crew's taps rest. */
    record ApuRead(Instant since) implements ApuFact {}

    /**
     * Its temperature was over a limit for longer than allowed.
     *
     * @param starting whether the limit is one of its start
     * @param limit_C degC; @param allowed time above it; @param at when it became longer than that
     */
    record ApuTooHot(boolean starting, double limit_C, Duration allowed, Instant at) implements ApuFact {}

    /**
     * The highest temperature of a start, or of a run: read by the feed, or typed.
     *
     * @param peak_C degC
     * @param at when the start or the run was over, or when it was typed
     * @param seenFrom from when on it was read, where that was not the whole start or run; null where it was, or typed
     */
    record ApuPeak(
            boolean starting,
            double peak_C,
            Instant at,
            @Nullable Instant seenFrom) implements ApuFact {}

    @Override
    default String subject() {
        return "apu";
    }
}
