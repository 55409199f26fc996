package org.skelda.app.trace;

import com.github.f4b6a3.uuid.UuidCreator;
import java.io.IOException;
import java.io.OutputStream;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.store.DiskSpace;
import org.skelda.formats.record.Sha256;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Where traces from files are kept, byte for byte. */
@Repository
class Traces {
    private static final int LISTED = 100;
    private static final int PIECE_BYTES = 256 * 1024;
    private static final byte[] NOTHING = {};

    private final JdbcClient database;
    private final DiskSpace space;

    Traces(JdbcClient database, DiskSpace space) {
        this.database = database;
        this.space = space;
    }

    private static final String COLUMNS =
            "select id, name, type_id, elevation_ft, opened_at, outcomes, sha256, tail, engine from trace where ";

    /**
     * @param outcomes of its attempts, in words; empty text when it holds none
     * @param tail whose engine it is of; null while nobody has said
     * @param engine which of them; null like the tail
     */
    record Trace(
            UUID id,
            String name,
            String typeId,
            double elevation_ft,
            Instant openedAt,
            String outcomes,
            String sha256,
            @Nullable String tail,
            @Nullable Integer engine) {}

    @Transactional
    Trace add(
            String operatorId,
            String name,
            String typeId,
            double elevation_ft,
            String by,
            Instant at,
            String outcomes,
            byte[] content) {
        space.check();
        Trace trace = new Trace(
                UuidCreator.getTimeOrderedEpoch(),
                name,
                typeId,
                elevation_ft,
                at,
                outcomes,
                Sha256.hex(content),
                null,
                null);
        database.sql("insert into trace (id, operator_id, name, type_id, elevation_ft, opened_by, opened_at, "
                        + "outcomes, sha256, content) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        trace.id(),
                        operatorId,
                        name,
                        typeId,
                        elevation_ft,
                        by,
                        Timestamp.from(at),
                        outcomes,
                        trace.sha256(),
                        content)
                .update();
        return trace;
    }

    /** The newest first. */
    List<Trace> all(String operatorId) {
        return database.sql(COLUMNS + "operator_id = ? order by opened_at desc, id desc limit " + LISTED)
                .params(operatorId)
                .query((row, _) -> trace(row))
                .list();
    }

    Optional<Trace> find(String operatorId, UUID id) {
        return database.sql(COLUMNS + "operator_id = ? and id = ?")
                .params(operatorId, id)
                .query((row, _) -> trace(row))
                .optional();
    }

    /** Those of a tail's engines, the newest first. */
    List<Trace> of(String operatorId, String tail) {
        return database.sql(COLUMNS + "operator_id = ? and tail = ? order by opened_at desc, id desc limit " + LISTED)
                .params(operatorId, tail)
                .query((row, _) -> trace(row))
                .list();
    }

    /** Says of which engine a trace is; null for both takes it back. */
    @Transactional
    void attach(UUID id, @Nullable String tail, @Nullable Integer engine) {
        database.sql("update trace set tail = ?, engine = ? where id = ?")
                .params(Arrays.asList(tail, engine, id))
                .update();
    }

    /** How much an operator has kept, bytes. */
    long bytes(String operatorId) {
        return database.sql("select coalesce(sum(octet_length(content)), 0) from trace where operator_id = ?")
                .params(operatorId)
                .query(Long.class)
                .single();
    }

    /** The length of a file, bytes; 0 when it is gone. */
    long length(UUID id) {
        return database.sql("select octet_length(content) from trace where id = ?")
                .params(id)
                .query(Long.class)
                .optional()
                .orElse(0L);
    }

    @Transactional
    void delete(UUID id) {
        database.sql("delete from trace where id = ?").params(id).update();
    }

    byte[] content(UUID id) {
        return database.sql("select content from trace where id = ?")
                .params(id)
                .query(byte[].class)
                .single();
    }

    /**
     * Writes the file as it came, piece by piece: neither it nor a connection is held while its reader takes his time.
     */
    void copy(UUID id, OutputStream out) throws IOException {
        byte[] piece;
        for (long from = 0; (piece = piece(id, from)).length > 0; from += piece.length) {
            out.write(piece);
        }
    }

    private byte[] piece(UUID id, long from) {
        return database.sql("select content from trace where id = ?")
                .params(id)
                .query((row, _) -> row.getBlob(1).getBytes(from + 1, PIECE_BYTES))
                .optional()
                .orElse(NOTHING);
    }

    private static Trace trace(ResultSet row) throws SQLException {
        return new Trace(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getString(3),
                row.getDouble(4),
                row.getTimestamp(5).toInstant(),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                row.getObject(9, Integer.class));
    }
}
