package org.skelda.core.feed;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.log.Fact;

/** What can have happened to the readings of the aircraft. */
public sealed interface FeedEvent extends Fact {

    /**
     * Readings of the aircraft arrive. @param feed which; @param label as people call it; @param simulated whether it
     * is the simulator's
     */
    record FeedAttached(UUID feed, String label, boolean simulated) implements FeedEvent {}

    /** Nothing arrives any more. @param lastHeard when the newest reading was taken, on the feed's own clock */
    record FeedLost(UUID feed, Instant lastHeard) implements FeedEvent {}

    /** The aircraft shows other lights than before. @param lights all that are lit, shown or heard now, by their ids */
    record LightsSeen(List<String> lights) implements FeedEvent {
        public LightsSeen {
            lights = List.copyOf(lights);
        }
    }

    /** The electrics stand otherwise than before. @param power as the instruments show it now */
    record PowerShown(PowerSeen power) implements FeedEvent {}

    /** What an instrument of a source shows, where a line needs it. @param source by its id; @param current_A A */
    record CurrentShown(String source, double current_A) implements FeedEvent {}

    @Override
    default String subject() {
        return "feed";
    }
}
