package org.skelda.core.record;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.log.LogEntry;

/**
 * Whether the record is closed.
 *
 * @param signedAt when it was signed; null before
 * @param abandoned whether the departure was given up
 * @param amendments notes added after signing, in their order
 */
public record Signing(@Nullable Instant signedAt, boolean abandoned, List<String> amendments) {
    /** Neither signed nor given up. */
    public static final Signing OPEN = new Signing(null, false, List.of());

    public Signing {
        amendments = List.copyOf(amendments);
    }

    /** Folds one entry in. @throws IllegalArgumentException for a second opening */
    public Signing apply(LogEntry<RecordEvent> entry) {
        return switch (entry.event()) {
            case RecordEvent.Opened _ -> throw new IllegalArgumentException("a departure is opened once");
            case RecordEvent.Signed _ -> new Signing(entry.at(), abandoned, amendments);
            case RecordEvent.Abandoned _ -> new Signing(signedAt, true, amendments);
            case RecordEvent.Amended e -> {
                List<String> all = new ArrayList<>(amendments);
                all.add(e.text());
                yield new Signing(signedAt, abandoned, all);
            }
        };
    }
}
