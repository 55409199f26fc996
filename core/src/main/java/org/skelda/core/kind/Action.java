package org.skelda.core.kind;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * A control to set.
 *
 * @param setting how it must stand afterwards
 * @param holds how long it must be held, for one that works only while held; null for others
 */
public record Action(String label, String setting, @Nullable Duration holds) implements Tick {
    public Action(String label, String setting) {
        this(label, setting, null);
    }

    @Override
    public String expects() {
        return setting;
    }
}
