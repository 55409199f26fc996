package org.skelda.core.feed;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.PowerSeen;
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
 * @param power how its electrics stand; null when the feed tells nothing of them, or is lost
 * @param currents what a source's current was, by the source's id, oldest first; those that the record needs
 */
public record Feed(
        UUID id,
        String label,
        boolean simulated,
        Instant attachedAt,
        @Nullable Instant lostAt,
        @Nullable Set<String> lights,
        @Nullable PowerSeen power,
        Map<String, List<Current>> currents) {
    private static final int MOST_CURRENTS = 60;

    /** @param at when it came; @param current_A A */
    public record Current(Instant at, double current_A) {}

    public Feed {
        lights = lights == null ? null : Set.copyOf(lights);
        currents = Map.copyOf(currents);
    }

    /** Folds one entry in. @param before null when there was none */
    public static @Nullable Feed apply(@Nullable Feed before, LogEntry<FeedEvent> entry) {
        if (entry.event() instanceof FeedEvent.FeedAttached(UUID id, String label, boolean simulated)) {
            return new Feed(id, label, simulated, entry.at(), null, null, null, Map.of());
        }
        return before == null ? null : before.with(entry.event(), entry.at());
    }

    private Feed with(FeedEvent event, Instant at) {
        return switch (event) {
            case FeedEvent.FeedAttached _ -> this;
            case FeedEvent.FeedLost _ -> new Feed(id, label, simulated, attachedAt, at, null, null, currents);
            case FeedEvent.LightsSeen(var shown) ->
                new Feed(id, label, simulated, attachedAt, lostAt, Set.copyOf(shown), power, currents);
            case FeedEvent.PowerShown(var shown) ->
                new Feed(id, label, simulated, attachedAt, lostAt, lights, shown, currents);
            case FeedEvent.CurrentShown(String source, double current_A) -> {
                List<Current> all = new ArrayList<>(currents.getOrDefault(source, List.of()));
                all.add(new Current(at, current_A));
                Map<String, List<Current>> next = new HashMap<>(currents);
                next.put(source, List.copyOf(all.subList(Math.max(0, all.size() - MOST_CURRENTS), all.size())));
                yield new Feed(id, label, simulated, attachedAt, lostAt, lights, power, next);
            }
        };
    }

    /** Whether it is as another one, whatever lights show. */
    public boolean isButForLights(Feed other) {
        return new Feed(id, label, simulated, attachedAt, lostAt, other.lights, power, currents).equals(other);
    }

    public boolean live() {
        return lostAt == null;
    }
}
