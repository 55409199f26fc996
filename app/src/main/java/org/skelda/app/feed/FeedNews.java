package org.skelda.app.feed;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.start.LiveStarts;
import org.springframework.stereotype.Component;

/**
 * What an administrator should know of each feed since the server began: when it was heard, and what was wrong with it.
 */
@Component
class FeedNews {
    private static final Duration KEPT_FOR = Duration.ofHours(24);

    private final Cache<UUID, News> news =
            Caffeine.newBuilder().expireAfterWrite(KEPT_FOR).maximumSize(10_000).build();

    /** @param heardAt when a batch last came; @param words what was last wrong, and when; null for nothing */
    record News(Instant heardAt, @Nullable String words) {}

    void note(UUID feed, LiveStarts.Counts counts, Instant at) {
        String wrong = counts.clock() != null
                ? counts.clock()
                : counts.ignored() > 0 ? counts.flagged().getFirst() : null;
        News before = news.getIfPresent(feed);
        news.put(
                feed,
                new News(
                        at,
                        wrong != null
                                ? at.toString().substring(11, 19) + " UTC: " + wrong + "."
                                : before == null ? null : before.words()));
    }

    Optional<News> of(UUID feed) {
        return Optional.ofNullable(news.getIfPresent(feed));
    }
}
