package org.skelda.app.people;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.transaction.support.TransactionOperations;

/**
 * The last use of a session is written at most once a minute: written at each request it would be most of a request's
 * work, and nothing needs to know it closer.
 */
@Configuration
class SparingSessions {
    /**
     * The repository's own statement, with a condition that spares the write. Parameters are numbered, because some are
     * asked for twice.
     */
    private static final String UPDATE = """
            UPDATE %TABLE_NAME%
            SET SESSION_ID = ?1, LAST_ACCESS_TIME = ?2, MAX_INACTIVE_INTERVAL = ?3, EXPIRY_TIME = ?4, \
            PRINCIPAL_NAME = ?5
            WHERE PRIMARY_ID = ?6
            AND (SESSION_ID <> ?1 OR MAX_INACTIVE_INTERVAL <> ?3 OR PRINCIPAL_NAME IS DISTINCT FROM ?5 OR \
            LAST_ACCESS_TIME < ?2 - 60000)
            """;

    /**
     * A statement each, and no transaction around it: reading a session waits for no disk, and one that is lost with
     * the power is signed in anew.
     */
    @Bean("springSessionTransactionOperations")
    TransactionOperations eachStatementByItself() {
        return TransactionOperations.withoutTransaction();
    }

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> lastUseOnceAMinute() {
        return sessions -> sessions.setUpdateSessionQuery(UPDATE);
    }
}
