package org.skelda.core.departure;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * The feed that a departure is watched by.
 *
 * @param id which
 * @param label as people call it
 * @param simulated whether it is the simulated aircraft's
 * @param attachedAt when its first reading came
 * @param lostAt when it was noticed that nothing comes any more; null while it does
 */
public record Feed(UUID id, String label, boolean simulated, Instant attachedAt, @Nullable Instant lostAt) {

    Feed lost(Instant at) {
        return new Feed(id, label, simulated, attachedAt, at);
    }

    public boolean live() {
        return lostAt == null;
    }
}
