package org.skelda.app.departure;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** That a departure exists, and whose it is; all else is in its log. */
@Entity
@Table(name = "departure")
class StoredDeparture {
    @Id
    private UUID id;

    private String operatorId;
    private Instant offBlock;

    protected StoredDeparture() {}

    StoredDeparture(UUID id, String operatorId, Instant offBlock) {
        this.id = id;
        this.operatorId = operatorId;
        this.offBlock = offBlock;
    }

    UUID id() {
        return id;
    }
}
