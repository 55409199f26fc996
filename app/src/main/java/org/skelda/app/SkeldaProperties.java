package org.skelda.app;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings of the product.
 *
 * @param data folder of everything that is kept; default {@code data}
 * @param demo whether the made-up operator, crew and day are added; default false
 * @param packs folder with {@code types/} and {@code procedures/}; without it the shipped packs are used
 * @param hosts names under which the server is reached beside those of its address, as of a proxy before it; default
 *     none
 * @param clock the server's clock
 */
@ConfigurationProperties("skelda")
public record SkeldaProperties(
        @DefaultValue("data") Path data,
        @DefaultValue("false") boolean demo,
        @Nullable Path packs,
        @DefaultValue List<String> hosts,
        @DefaultValue Clock clock) {

    /**
     * @param speed seconds of the server's clock in a second of life, 1 to 1000; default 1
     * @param behind how far the server's clock is behind the machine's when the server starts, as to show a day again;
     *     default none
     */
    public record Clock(
            @DefaultValue("1") double speed,
            @DefaultValue("0s") Duration behind) {
        public Clock {
            if (!(speed >= 1 && speed <= 1000)) {
                throw new IllegalArgumentException("skelda.clock.speed is " + speed + "; it must be 1 to 1000");
            }
        }
    }
}
