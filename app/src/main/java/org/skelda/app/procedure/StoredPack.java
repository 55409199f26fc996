package org.skelda.app.procedure;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.skelda.formats.procedure.PackReader;

/** One pack document, addressed by the hash of its content; never changed, never removed. */
@Entity
@Table(name = "pack")
class StoredPack {
    @Id
    @JdbcTypeCode(SqlTypes.CHAR)
    private String hash;

    private String kind;
    private String documentId;
    private String typeId;

    /** Whose procedures they are; empty for a type, null where that was not kept yet. */
    private @Nullable String operatorId;

    private Instant storedAt;

    @JdbcTypeCode(SqlTypes.CLOB)
    private String content;

    protected StoredPack() {}

    StoredPack(PackReader.Document document, Instant storedAt, byte[] content) {
        this.hash = document.hash();
        this.kind = document.kind();
        this.documentId = document.id();
        this.typeId = document.typeId();
        this.operatorId = document.operator();
        this.storedAt = storedAt;
        this.content = new String(content, StandardCharsets.UTF_8);
    }

    byte[] bytes() {
        return content.getBytes(StandardCharsets.UTF_8);
    }
}
