package org.skelda.app.departure;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

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

    protected StoredEvent() {}

    StoredEvent(UUID departureId, long seq, String operatorId, Instant at, String envelope) {
        this.departureId = departureId;
        this.seq = seq;
        this.operatorId = operatorId;
        this.at = at;
        this.envelope = envelope;
    }

    long seq() {
        return seq;
    }

    String envelope() {
        return envelope;
    }

    /** A log's place: which departure, which number. */
    record Key(UUID departureId, long seq) implements Serializable {}
}
