package org.skelda.core.feed;

import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.log.LogEntry;

/**
 * The feed that a departure is watched by.
 *
 * @param id which
 * @param label as people call it
 * @param simulated whether it is the simulated aircraft's
 * @param attachedAt when its first reading came
 * @param lostAt when it was noticed that nothing comes any more; null while it does
 * @param lights what the aircraft shows, by ids; null when the feed tells none, or is lost
 */
public record Feed(
        UUID id,
        String label,
        boolean simulated,
        Instant attachedAt,
        @Nullable Instant lostAt,
        @Nullable Set<String> lights) {

    /** Folds one entry in. @param before null when there was none */
    public static @Nullable Feed apply(@Nullable Feed before, LogEntry<FeedEvent> entry) {
        return switch (entry.event()) {
            case FeedEvent.FeedAttached e -> new Feed(e.feed(), e.label(), e.simulated(), entry.at(), null, null);
            case FeedEvent.FeedLost _ ->
                before == null
                        ? null
                        : new Feed(before.id, before.label, before.simulated, before.attachedAt, entry.at(), null);
            case FeedEvent.LightsSeen(var lights) ->
                before == null
                        ? null
                        : new Feed(
                                before.id,
                                before.label,
                                before.simulated,
                                before.attachedAt,
                                before.lostAt,
                                Set.copyOf(lights));
        };
    }

    public boolean live() {
        return lostAt == null;
    }
}
