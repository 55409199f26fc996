package org.skelda.core.departure;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * One request of one person.
 *
 * @param id made by the client; the same id again changes nothing
 * @param seen the newest event the person had before them; a newer one on the same subject is a conflict
 * @param doneAt when it was really done, for a late entry; null when it is done now
 * @param ask what is asked
 */
public record Command(UUID id, long seen, @Nullable Instant doneAt, Ask ask) {}
