package org.skelda.app.logbook;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.skelda.app.departure.Departures;
import org.skelda.core.departure.Departure;
import org.skelda.core.record.Opening;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The logbook's rows: one is made with each signature, in its transaction, so that reading them folds no log. */
@Repository
class Logbook {
    private static final Logger LOG = LoggerFactory.getLogger(Logbook.class);

    private final Departures departures;
    private final JsonMapper json;

    @PersistenceContext
    private EntityManager entities;

    Logbook(Departures departures, JsonMapper json) {
        this.departures = departures;
        this.json = json;
    }

    /** Within the transaction of the signature. */
    @EventListener
    public void signed(Departures.Signing signing) {
        Opening opening = signing.departure().opening();
        entities.persist(new StoredEntry(
                opening.departureId(), opening.operatorId(), opening.offBlock(), text(signing.departure())));
    }

    /** Departures that an earlier version signed, once. */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void fill() {
        for (StoredEntry waiting : entities.createQuery("from StoredEntry where entry is null", StoredEntry.class)
                .getResultList()) {
            Departure departure = departures.state(waiting.departureId());
            if (departure.signedAt() == null) {
                LOG.warn("departure {} is not signed after all; it stays out of the logbook", waiting.departureId());
                entities.remove(waiting);
            } else {
                waiting.fill(text(departure));
            }
        }
    }

    private String text(Departure departure) {
        return json.writeValueAsString(LogbookRow.of(departure, Objects.requireNonNull(departure.signedAt())));
    }

    /** With an off-block time in a span, the newest first. @param from inclusive; @param to exclusive */
    @Transactional(readOnly = true)
    public List<LogbookRow> between(String operatorId, Instant from, Instant to) {
        return entities.createQuery(
                        "select entry from StoredEntry where operatorId = :operator and offBlock >= :from and "
                                + "offBlock < :to and entry is not null "
                                + "order by offBlock desc, departureId",
                        String.class)
                .setParameter("operator", operatorId)
                .setParameter("from", from)
                .setParameter("to", to)
                .getResultStream()
                .map(entry -> json.readValue(entry, LogbookRow.class))
                .toList();
    }
}
