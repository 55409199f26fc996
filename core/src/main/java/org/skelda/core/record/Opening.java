package org.skelda.core.record;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * What a departure is opened with; never changes afterwards.
 *
 * @param departureId the departure
 * @param kind whether the aircraft leaves, or a crew rehearses
 * @param operatorId whose it is
 * @param tail registration
 * @param typeId the type's code
 * @param flight flight number as spoken
 * @param from code of the field it leaves
 * @param to code of the field it goes to
 * @param stand the stand at {@code from}
 * @param latitude_deg latitude of the stand, degrees north positive
 * @param longitude_deg longitude of the stand, degrees east positive
 * @param elevation_ft elevation of the stand, ft
 * @param offBlock when it should leave its stand
 * @param typeHash content hash of the type document
 * @param procedureHash content hash of the procedure document
 * @param modifications ids of the tail's modifications that were applied
 * @param options the operator's school for each option, by id; one that is missing stands as its document sets it
 */
public record Opening(
        UUID departureId,
        Kind kind,
        String operatorId,
        String tail,
        String typeId,
        String flight,
        String from,
        String to,
        String stand,
        double latitude_deg,
        double longitude_deg,
        double elevation_ft,
        Instant offBlock,
        String typeHash,
        String procedureHash,
        List<String> modifications,
        Map<String, String> options) {

    /** Line and rehearsal are never mixed: what is rehearsed is no history of an engine. */
    public enum Kind {
        LINE,
        REHEARSAL
    }

    public boolean isRehearsal() {
        return kind == Kind.REHEARSAL;
    }

    public Opening {
        modifications = List.copyOf(modifications);
        options = Map.copyOf(options);
    }
}
