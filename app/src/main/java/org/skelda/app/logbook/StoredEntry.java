package org.skelda.app.logbook;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A signed departure as the logbook shows it. The text is null only while one that was signed by an earlier version
 * waits to be filled in.
 */
@Entity
@Table(name = "logbook_entry")
class StoredEntry {
    private static final int LONGEST_TEXT = 1_000_000;

    @Id
    private UUID departureId;

    private String operatorId;
    private Instant offBlock;

    @Column(length = LONGEST_TEXT)
    private @Nullable String entry;

    protected StoredEntry() {}

    StoredEntry(UUID departureId, String operatorId, Instant offBlock, String entry) {
        this.departureId = departureId;
        this.operatorId = operatorId;
        this.offBlock = offBlock;
        this.entry = entry;
    }

    UUID departureId() {
        return departureId;
    }

    @Nullable
    String entry() {
        return entry;
    }

    void fill(String text) {
        entry = text;
    }
}
