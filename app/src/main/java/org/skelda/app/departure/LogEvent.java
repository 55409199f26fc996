package org.skelda.app.departure;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;

/**
 * The form of a stored event, as the log's readers get it; the text itself is handed out as it was hashed.
 *
 * @param seat in lower case, as it is stored
 * @param payload what the type says; its fields carry their units in their names
 */
public record LogEvent(
        UUID id,
        long seq,
        String type,
        int v,
        Instant at,
        @Nullable Instant doneAt,
        Person actor,
        @Nullable String seat,
        UUID commandId,
        String subject,
        Map<String, Object> payload,
        String prevHash,
        String hash) {}
