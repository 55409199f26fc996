package org.skelda.core.line;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.kind.LineRef;

/** A procedure put aside. @param line where it was left, null when not said */
public record Held(
        String procedure, String reason, @Nullable LineRef line, Person by, Instant since) {}
