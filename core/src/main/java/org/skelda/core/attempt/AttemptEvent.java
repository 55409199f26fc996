package org.skelda.core.attempt;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.log.Fact;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Tap;
import org.skelda.core.watch.Subject;

/** What a feed or the crew told of an attempt to start. */
public sealed interface AttemptEvent extends Fact {

    /**
     * An attempt to start began: the starter went on.
     *
     * @param of what is started
     * @param number of the attempt on it in this departure, from 1
     * @param startedAt on the feed's own clock
     * @param watched the version of the judgement, and the type's document by its hash
     */
    record AttemptBegan(Subject of, int number, Instant startedAt, String watched) implements AttemptEvent {}

    /** @param at since the attempt's starter on */
    record MilestoneReached(Subject of, int number, Milestone milestone, Duration at) implements AttemptEvent {}

    /** It is known from the event's own time on; the finding carries the moment it is about. */
    record FindingRaised(Subject of, int number, Finding finding) implements AttemptEvent {}

    /** @param summary what is remembered of the attempt */
    record AttemptEnded(Subject of, int number, AttemptSummary summary) implements AttemptEvent {}

    /** The attempt's readings are kept. @param sha256 of its trace as CSV, hex; @param samples how many */
    record TraceStored(Subject of, int number, String sha256, int samples) implements AttemptEvent {}

    /**
     * Nothing was read of an attempt for a while. @param from when the page went blind; @param until when readings came
     * again
     */
    record SightLost(Subject of, int number, Instant from, Instant until) implements AttemptEvent {}

    /**
     * The crew told something of a start that nothing reads. The starter's going on begins an attempt.
     *
     * @param tappedAt when, by the person's device
     * @param timed whether it was told as it happened, and not in answer to a question
     */
    record StartTapped(int engine, int number, Tap tap, Instant tappedAt, boolean timed) implements AttemptEvent {}

    /** A tap was a slip. @param reason why it was taken back, when it was another person's */
    record StartTapUndone(
            int engine, int number, Tap tap, @Nullable String reason) implements AttemptEvent {}

    /**
     * What the crew read off after a start that nothing reads. Null where it typed nothing. @param peak_c degC; @param
     * dip_v V
     */
    record StartFiguresTyped(
            int engine,
            int number,
            @Nullable Double peak_c,
            @Nullable Double dip_v) implements AttemptEvent {}

    @Override
    default String subject() {
        return switch (this) {
            case AttemptBegan e -> subject(e.of());
            case MilestoneReached e -> subject(e.of());
            case FindingRaised e -> subject(e.of());
            case AttemptEnded e -> subject(e.of());
            case TraceStored e -> subject(e.of());
            case SightLost e -> subject(e.of());
            case StartTapped e -> subject(e.engine(), e.tap());
            case StartTapUndone e -> subject(e.engine(), e.tap());
            case StartFiguresTyped e -> "figures:engine-" + e.engine();
        };
    }

    /** Two people may tap different things of the same start at the same time. */
    private static String subject(int engine, Tap tap) {
        return "tap:engine-" + engine + "/" + tap.name().toLowerCase(Locale.ROOT);
    }

    private static String subject(Subject of) {
        return "start:" + of.slug();
    }
}
