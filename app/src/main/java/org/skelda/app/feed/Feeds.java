package org.skelda.app.feed;

import com.github.f4b6a3.uuid.UuidCreator;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.formats.record.Sha256;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The feeds that were issued. A token is shown once; only its hash is kept. */
@Repository
public class Feeds {
    private static final int TOKEN_BYTES = 32;

    private final JdbcClient database;
    private final SecureRandom random = new SecureRandom();

    Feeds(JdbcClient database) {
        this.database = database;
    }

    /** @param simulated whether it is the simulated aircraft's */
    public record Feed(UUID id, String operatorId, String tail, String label, boolean simulated) {}

    /** A feed with its token, which nobody can read again. */
    public record Issued(Feed feed, String token) {}

    /** @param by account id of who issues it */
    @Transactional
    public Issued issue(String operatorId, String tail, String label, boolean simulated, String by, Instant at) {
        byte[] secret = new byte[TOKEN_BYTES];
        random.nextBytes(secret);
        String token = HexFormat.of().formatHex(secret);
        Feed feed = new Feed(UuidCreator.getTimeOrderedEpoch(), operatorId, tail, label, simulated);
        database.sql("insert into feed (id, operator_id, tail, label, simulated, token_hash, issued_at, "
                        + "issued_by) values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(feed.id(), operatorId, tail, label, simulated, hash(token), Timestamp.from(at), by)
                .update();
        return new Issued(feed, token);
    }

    /** @return whether there was such a feed of the operator that was still good */
    @Transactional
    public boolean revoke(UUID id, String operatorId, String by, Instant at) {
        return database.sql("update feed set revoked_at = ?, revoked_by = ? where id = ? and operator_id = ? "
                                + "and revoked_at is null")
                        .params(Timestamp.from(at), by, id, operatorId)
                        .update()
                == 1;
    }

    /** @param revokedAt null while its token is good */
    record Listed(
            UUID id,
            String tail,
            String label,
            Instant issuedAt,
            @Nullable Instant revokedAt) {}

    /** An operator's own feeds, the newest first; those of simulated aircraft come and go by themselves. */
    List<Listed> listed(String operatorId) {
        return database.sql("select id, tail, label, issued_at, revoked_at from feed where operator_id = ? and "
                        + "simulated = false order by issued_at desc, id desc")
                .params(operatorId)
                .query((row, _) -> new Listed(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        row.getTimestamp(5) == null ? null : row.getTimestamp(5).toInstant()))
                .list();
    }

    /** Revokes every simulated feed of the time before: their tokens went with the server that held them. */
    public void revokeSimulated(Instant at) {
        database.sql("update feed set revoked_at = ?, revoked_by = 'server' where simulated = true and "
                        + "revoked_at is null")
                .params(Timestamp.from(at))
                .update();
    }

    /** The feed that a token opens; empty when it is unknown, revoked, or the token is another's. */
    Optional<Feed> opened(UUID id, String token) {
        return database.sql("select id, operator_id, tail, label, simulated, token_hash from feed where id = ? and "
                        + "revoked_at is null")
                .params(id)
                .query((row, _) -> MessageDigest.isEqual(
                                hash(token).getBytes(StandardCharsets.US_ASCII),
                                row.getString(6).getBytes(StandardCharsets.US_ASCII))
                        ? Optional.of(new Feed(
                                row.getObject(1, UUID.class),
                                row.getString(2),
                                row.getString(3),
                                row.getString(4),
                                row.getBoolean(5)))
                        : Optional.<Feed>empty())
                .optional()
                .flatMap(feed -> feed);
    }

    private static String hash(String token) {
        return Sha256.hex(token.getBytes(StandardCharsets.UTF_8));
    }
}
