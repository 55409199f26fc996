package org.skelda.app.logbook;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.departure.Departure;
import org.skelda.core.record.Opening;

/**
 * A signed departure in short.
 *
 * @param crew names of who held a seat at the end
 * @param signedAt when it was signed, whatever was added since
 * @param starts every attempt, by engine
 */
record LogbookRow(
        UUID id,
        Opening.Kind kind,
        String tail,
        String typeName,
        String flight,
        String from,
        String to,
        Instant offBlock,
        Instant signedAt,
        List<String> crew,
        List<LoggedStart> starts) {

    /** @param tapped whether the crew told it, where nothing read it; @param summary null when it had not ended */
    record LoggedStart(
            int engine,
            int number,
            boolean tapped,
            @Nullable AttemptSummary summary) {}

    /** @param departure a signed one */
    static LogbookRow of(Departure departure, Instant signedAt) {
        Opening opening = departure.opening();
        return new LogbookRow(
                opening.departureId(),
                opening.kind(),
                opening.tail(),
                departure.plan().type().name(),
                opening.flight(),
                opening.from(),
                opening.to(),
                opening.offBlock(),
                signedAt,
                departure.seats().values().stream()
                        .map(seated -> seated.person().name())
                        .toList(),
                departure.attempts().all().stream()
                        .map(start -> new LoggedStart(
                                start.engine(), start.number(), start.tapped() != null, start.summary()))
                        .toList());
    }
}
