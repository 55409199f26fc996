package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The starter's duty over the tries of a series: how often, how long, and how long it cools in between. After the last
 * try of a series, or after as long a rest, the count begins anew. Nothing is switched off by it: it says what the type
 * allows.
 */
public final class StarterDuty {
    private StarterDuty() {}

    /** The starter was engaged. @param off when it went off; null while it is on */
    public record Engagement(Instant on, @Nullable Instant off) {}

    /**
     * The next try, or the one that runs.
     *
     * @param number of the try in its series, from 1
     * @param of how many
     * @param allowedAt when the starter has cooled; for a try that runs, when it began
     * @param mayLast how long it may be on
     * @param spoolAtMost_pct highest start spool at which it may engage, %; null for any
     * @param left tries left in the series, the next one included
     */
    public record NextTry(
            int number,
            int of,
            Instant allowedAt,
            Duration mayLast,
            @Nullable Double spoolAtMost_pct,
            int left) {

        /** Whether the starter may engage at a time and a start spool (%). */
        public boolean isAllowed(Instant at, double spool_pct) {
            return !at.isBefore(allowedAt) && (spoolAtMost_pct == null || spool_pct <= spoolAtMost_pct);
        }

        /** In words, at a time and a start spool (%): what it still waits for. */
        public String words(Instant at, double spool_pct) {
            if (at.isBefore(allowedAt)) {
                return text(
                        "Starter cools for another %d s, then try %d of %d",
                        secondsUp(Duration.between(at, allowedAt)), number, of);
            }
            return spoolAtMost_pct != null && !(spool_pct <= spoolAtMost_pct)
                    ? text(
                            "Wait for %.0f %% or less before the starter engages, then try %d of %d",
                            spoolAtMost_pct, number, of)
                    : text("The starter may engage: try %d of %d, at most %d s", number, of, mayLast.toSeconds());
        }

        private static long secondsUp(Duration duration) {
            return (duration.toMillis() + 999) / 1000;
        }
    }

    /**
     * The next try after what was done already.
     *
     * @param starter of the type
     * @param engagements in the order of time, all that may still count
     * @param at the present; a rest as long as after a whole series begins a new one
     */
    public static NextTry next(StartProfile.Starter starter, List<Engagement> engagements, Instant at) {
        int place = -1;
        Instant restedAt = Instant.MIN;
        Instant cooledAt = Instant.MIN;
        Duration wholeRest = starter.duty().getLast().cool();
        for (Engagement engagement : engagements) {
            place = engagement.on().isBefore(restedAt)
                    ? Math.min(place + 1, starter.duty().size() - 1)
                    : 0;
            if (engagement.off() == null) {
                return tryAt(starter, place, engagement.on());
            }
            cooledAt = engagement.off().plus(starter.duty().get(place).cool());
            restedAt = engagement.off().plus(wholeRest);
        }
        boolean seriesIsOver = place == starter.duty().size() - 1 || !at.isBefore(restedAt);
        return tryAt(starter, place < 0 || seriesIsOver ? 0 : place + 1, cooledAt);
    }

    private static NextTry tryAt(StartProfile.Starter starter, int place, Instant allowedAt) {
        int of = starter.duty().size();
        return new NextTry(
                place + 1, of, allowedAt, starter.duty().get(place).on(), starter.engageAtOrBelow_pct(), of - place);
    }
}
