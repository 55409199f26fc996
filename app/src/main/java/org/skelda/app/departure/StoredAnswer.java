package org.skelda.app.departure;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What was answered to a command: the events it made, or the problem it met. */
@Entity
@Table(name = "command_answer")
@IdClass(StoredAnswer.Key.class)
class StoredAnswer {
    @Id
    private UUID departureId;

    @Id
    private UUID commandId;

    private String operatorId;

    @JdbcTypeCode(SqlTypes.CHAR)
    private String requestHash;

    private @Nullable Long firstSeq;
    private @Nullable Long lastSeq;

    @Column(length = StoredEvent.LONGEST_TEXT)
    private @Nullable String problem;

    protected StoredAnswer() {}

    private StoredAnswer(Key key, String operatorId, String requestHash) {
        this.departureId = key.departureId();
        this.commandId = key.commandId();
        this.operatorId = operatorId;
        this.requestHash = requestHash;
    }

    static StoredAnswer accepted(Key key, String operatorId, String requestHash, long firstSeq, long lastSeq) {
        StoredAnswer answer = new StoredAnswer(key, operatorId, requestHash);
        answer.firstSeq = firstSeq;
        answer.lastSeq = lastSeq;
        return answer;
    }

    static StoredAnswer refused(Key key, String operatorId, String requestHash, String problem) {
        StoredAnswer answer = new StoredAnswer(key, operatorId, requestHash);
        answer.problem = problem;
        return answer;
    }

    String requestHash() {
        return requestHash;
    }

    @Nullable
    Long firstSeq() {
        return firstSeq;
    }

    @Nullable
    Long lastSeq() {
        return lastSeq;
    }

    @Nullable
    String problem() {
        return problem;
    }

    /** A command of a departure. */
    record Key(UUID departureId, UUID commandId) implements Serializable {}
}
