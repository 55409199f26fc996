package org.skelda.app.departure;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.skelda.app.store.DiskSpace;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Where logs are kept. An append and the answer to its command are one transaction of one departure. */
@Repository
class LogStore {
    private final DiskSpace space;

    @PersistenceContext
    private EntityManager entities;

    LogStore(DiskSpace space) {
        this.space = space;
    }

    @Transactional
    public void open(StoredDeparture departure, StoredEvent first) {
        space.check();
        entities.persist(departure);
        entities.persist(first);
    }

    @Transactional
    public void append(List<StoredEvent> events) {
        space.check();
        events.forEach(entities::persist);
    }

    /** @param along what else is to be kept, or not, with them */
    @Transactional
    public void append(List<StoredEvent> events, Runnable along) {
        append(events);
        along.run();
    }

    @Transactional
    public void refused(StoredRefusal refusal) {
        space.check();
        entities.persist(refusal);
    }

    @Transactional(readOnly = true)
    public List<StoredEvent> events(UUID departureId, long afterSeq) {
        return entities.createQuery(
                        "from StoredEvent where departureId = :id and seq > :after order by seq", StoredEvent.class)
                .setParameter("id", departureId)
                .setParameter("after", afterSeq)
                .getResultList();
    }

    /** @param afterSeq exclusive; @param lastSeq inclusive */
    @Transactional(readOnly = true)
    public List<StoredEvent> events(UUID departureId, long afterSeq, long lastSeq) {
        return entities.createQuery(
                        "from StoredEvent where departureId = :id and seq > :after and seq <= :last order by seq",
                        StoredEvent.class)
                .setParameter("id", departureId)
                .setParameter("after", afterSeq)
                .setParameter("last", lastSeq)
                .getResultList();
    }

    /** Ids of all commands of a departure that were refused. */
    @Transactional(readOnly = true)
    public Set<UUID> refused(UUID departureId) {
        return new HashSet<>(
                entities.createQuery("select commandId from StoredRefusal where departureId = :id", UUID.class)
                        .setParameter("id", departureId)
                        .getResultList());
    }

    /** What was answered to a command; empty when it is not known. */
    @Transactional(readOnly = true)
    public Optional<Answered> answered(UUID departureId, UUID commandId) {
        return entities.createQuery(
                        "from StoredEvent where departureId = :id and asked.commandId = :command", StoredEvent.class)
                .setParameter("id", departureId)
                .setParameter("command", commandId)
                .getResultStream()
                .findFirst()
                .flatMap(StoredEvent::answer)
                .or(() -> Optional.ofNullable(
                                entities.find(StoredRefusal.class, new StoredRefusal.Key(departureId, commandId)))
                        .map(refusal -> new Answered.Refused(refusal.requestHash(), refusal.problem())));
    }

    /** When a departure should leave its stand. */
    @Transactional(readOnly = true)
    public Instant offBlock(UUID departureId) {
        return entities.createQuery("select offBlock from StoredDeparture where id = :id", Instant.class)
                .setParameter("id", departureId)
                .getSingleResult();
    }

    @Transactional(readOnly = true)
    public boolean known(UUID departureId) {
        return entities.find(StoredDeparture.class, departureId) != null;
    }

    @Transactional(readOnly = true)
    public boolean belongsTo(UUID departureId, String operatorId) {
        return entities.createQuery(
                                "select count(*) from StoredDeparture where id = :id and operatorId = :operator",
                                Long.class)
                        .setParameter("id", departureId)
                        .setParameter("operator", operatorId)
                        .getSingleResult()
                == 1;
    }

    /**
     * Departures of every operator with an off-block time in the span, whose logs tell of a feed; no log is folded.
     *
     * @param from inclusive; @param to exclusive
     */
    @Transactional(readOnly = true)
    public List<UUID> fedBetween(Instant from, Instant to) {
        return entities.createQuery(
                        "select d.id from StoredDeparture d where d.offBlock >= :from and d.offBlock < :to "
                                + "and exists (select 1 from StoredEvent e where e.departureId = d.id "
                                + "and e.envelope like '%\"type\":\"FeedAttached\"%') order by d.offBlock, d.id",
                        UUID.class)
                .setParameter("from", from)
                .setParameter("to", to)
                .getResultList();
    }

    /** Departures with an off-block time in the span, earliest first. @param from inclusive; @param to exclusive */
    @Transactional(readOnly = true)
    public List<UUID> between(String operatorId, Instant from, Instant to) {
        return entities.createQuery(
                        "select id from StoredDeparture where operatorId = :operator and offBlock >= :from "
                                + "and offBlock < :to order by offBlock, id",
                        UUID.class)
                .setParameter("operator", operatorId)
                .setParameter("from", from)
                .setParameter("to", to)
                .getResultList();
    }
}
