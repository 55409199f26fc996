package org.skelda.core.kind;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * A thing to see.
 *
 * @param shows what must be seen
 * @param holds how long its control must be held to see it; null when none is
 */
public record Check(String label, String shows, @Nullable Duration holds) implements Tick {
    public Check(String label, String shows) {
        this(label, shows, null);
    }

    @Override
    public String expects() {
        return shows;
    }
}
