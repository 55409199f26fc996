package org.skelda.app.departure;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One line of a log, as the text that was hashed. */
@Entity
@Immutable
@Table(name = "departure_event")
@IdClass(StoredEvent.Key.class)
class StoredEvent {
    /** Characters; the size of the column. */
    static final int LONGEST_TEXT = 1_000_000;

    @Id
    private UUID departureId;

    @Id
    private long seq;

    private String operatorId;
    private Instant at;

    @Column(length = LONGEST_TEXT)
    private String envelope;

    @Embedded
    private @Nullable Asked asked;

    protected StoredEvent() {}

    /** @param asked the command that made it and what follows; null for all but its first event */
    StoredEvent(UUID departureId, long seq, String operatorId, Instant at, String envelope, @Nullable Asked asked) {
        this.departureId = departureId;
        this.seq = seq;
        this.operatorId = operatorId;
        this.at = at;
        this.envelope = envelope;
        this.asked = asked;
    }

    long seq() {
        return seq;
    }

    String envelope() {
        return envelope;
    }

    /** The answer to the command that made it; empty for all but its first event. */
    Optional<Answered> answer() {
        return Optional.ofNullable(asked)
                .map(command -> new Answered.Accepted(command.requestHash(), seq, command.lastSeq()));
    }

    /**
     * A command that was accepted.
     *
     * @param requestHash hash of its request, to tell a repeat from another under its id
     * @param lastSeq number of the last event that it made
     */
    @Embeddable
    record Asked(
            UUID commandId, @JdbcTypeCode(SqlTypes.CHAR) String requestHash, long lastSeq) {}

    /** A log's place: which departure, which number. */
    record Key(UUID departureId, long seq) implements Serializable {}
}
