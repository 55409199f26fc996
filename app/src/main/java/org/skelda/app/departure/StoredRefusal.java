package org.skelda.app.departure;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A command that was refused, with the problem it met. What was accepted stands in the log. */
@Entity
@Immutable
@Table(name = "command_refused")
@IdClass(StoredRefusal.Key.class)
class StoredRefusal {
    @Id
    private UUID departureId;

    @Id
    private UUID commandId;

    private String operatorId;

    @JdbcTypeCode(SqlTypes.CHAR)
    private String requestHash;

    @Column(length = StoredEvent.LONGEST_TEXT)
    private String problem;

    protected StoredRefusal() {}

    StoredRefusal(UUID departureId, UUID commandId, String operatorId, String requestHash, String problem) {
        this.departureId = departureId;
        this.commandId = commandId;
        this.operatorId = operatorId;
        this.requestHash = requestHash;
        this.problem = problem;
    }

    String requestHash() {
        return requestHash;
    }

    String problem() {
        return problem;
    }

    /** A command of a departure. */
    record Key(UUID departureId, UUID commandId) implements Serializable {}
}
