package org.skelda.app.beside;

import java.util.Optional;
import java.util.UUID;

/** Which start is meant, as it stands in an address. */
sealed interface StartRef {

    /** An attempt of a departure: {@code departure.ID.ENGINE.NUMBER}. */
    record OfDeparture(UUID departureId, int engine, int number) implements StartRef {
        @Override
        public String toString() {
            return "departure." + departureId + "." + engine + "." + number;
        }
    }

    /** One from before departures were kept here: {@code before.ID}. */
    record Before(UUID id) implements StartRef {
        @Override
        public String toString() {
            return "before." + id;
        }
    }

    /** One in a trace from a file: {@code trace.ID.NUMBER}. */
    record OfTrace(UUID traceId, int number) implements StartRef {
        @Override
        public String toString() {
            return "trace." + traceId + "." + number;
        }
    }

    /** Reads it; empty when it is none. */
    static Optional<StartRef> parse(String text) {
        String[] parts = text.split("\\.", -1);
        try {
            return switch (parts[0] + " " + parts.length) {
                case "departure 4" ->
                    Optional.of(new OfDeparture(
                            UUID.fromString(parts[1]), Integer.parseInt(parts[2]), Integer.parseInt(parts[3])));
                case "before 2" -> Optional.of(new Before(UUID.fromString(parts[1])));
                case "trace 3" -> Optional.of(new OfTrace(UUID.fromString(parts[1]), Integer.parseInt(parts[2])));
                default -> Optional.empty();
            };
        } catch (IllegalArgumentException _) {
            return Optional.empty();
        }
    }
}
