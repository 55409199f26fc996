package org.skelda.app.beside;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.app.start.KeptStarts.Kept;
import org.skelda.core.beside.Course;
import org.skelda.core.start.StartProfile;

/**
 * A start with all that is needed to lay it beside another.
 *
 * @param ref which it is
 * @param title what it is, in words
 * @param startedAt when its starter went on; null where a file does not say
 * @param outcome its name in files
 * @param tail whose engine; null while nobody has said of a file
 * @param engine which of them; null like the tail
 */
record ChosenStart(
        StartRef ref,
        String title,
        @Nullable Instant startedAt,
        String outcome,
        @Nullable String tail,
        @Nullable Integer engine,
        StartProfile profile,
        double elevation_ft,
        Kept kept) {

    Course course() {
        return Course.of(kept.report().startedAt_us(), kept.samples());
    }
}
