package org.skelda.app.departure;

import com.github.f4b6a3.uuid.UuidCreator;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.function.Function;
import java.util.function.Supplier;
import org.skelda.app.departure.LiveDeparture.Telling;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Deciding;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Event;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.LogEntry;
import org.skelda.core.log.Refusal;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.formats.record.DepartureRecord;
import org.skelda.formats.record.EventCodec;
import org.skelda.formats.record.HashChain;
import org.skelda.formats.record.Sha256;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Opens departures, answers commands on them, and lets their logs be read. */
@Service
public class Departures {
    private static final Duration TODAY_BEFORE = Duration.ofHours(12);
    private static final Duration TODAY_AFTER = Duration.ofHours(24);

    private static final TypeReference<Map<String, Object>> EVENT = new TypeReference<>() {};

    private final LogStore store;
    private final LiveDepartures live;
    private final Packs packs;
    private final InstallationKey key;
    private final JsonMapper json;
    private final ApplicationEventPublisher listeners;
    private final Executor writers = Executors.newVirtualThreadPerTaskExecutor();

    Departures(
            LogStore store,
            LiveDepartures live,
            Packs packs,
            InstallationKey key,
            JsonMapper json,
            ApplicationEventPublisher listeners) {
        this.store = store;
        this.live = live;
        this.packs = packs;
        this.key = key;
        this.json = json;
        this.listeners = listeners;
    }

    /**
     * Events were appended to a log. Published while the departure is held: a listener only takes note.
     *
     * @param events in their order
     * @param at when they were accepted
     * @param after the departure with them
     */
    public record Appended(UUID departureId, List<Event> events, Instant at, Departure after) {}

    /**
     * A departure's record is being signed. Published within the transaction that keeps the signature: what a listener
     * keeps, is kept with it.
     */
    public record Signing(Departure departure) {}

    /** Somebody begins to read a departure's stream. */
    public record Looked(Departure departure) {}

    /**
     * What became of a command; what it looks like then is told on the departure's stream, to everyone. @param first
     * number of its first event; @param last of its last
     */
    public record Answer(long first, long last) {}

    /** A departure as it stands. */
    record Standing(Departure state, DepartureView view) {}

    /** Opens a departure; its first event is on its log when this returns. */
    public void open(Opening opening, Person by, Instant at) {
        UUID id = opening.departureId();
        LogEntry<Event> entry = new LogEntry<>(
                UuidCreator.getTimeOrderedEpoch(),
                1,
                at,
                null,
                by,
                null,
                UuidCreator.getTimeOrderedEpoch(),
                Event.of(new RecordEvent.Opened(opening)));
        packs.planOf(opening);
        ObjectNode envelope = EventCodec.write(entry);
        HashChain.seal(envelope, HashChain.seed(id, opening.typeHash(), opening.procedureHash()));
        store.open(
                new StoredDeparture(id, opening.operatorId(), opening.offBlock()),
                new StoredEvent(id, 1, opening.operatorId(), at, json.writeValueAsString(envelope), null));
    }

    /** What a departure was opened with; empty when there is none of this id, whoever's it is. */
    public Optional<Opening> opened(UUID departureId) {
        return store.known(departureId) ? Optional.of(state(departureId).opening()) : Optional.empty();
    }

    /**
     * Decides a command and stores what follows. When this returns, the answer survives the server.
     *
     * @param requestHash hash of the request, to tell a repeat from another request under the same id
     * @throws ProblemException when it is refused; the refusal is stored as the answer to this command id
     */
    public Answer execute(UUID departureId, Command command, String requestHash, Person actor, Instant at) {
        return live.with(departureId, departure -> {
            departure.work();
            Optional<Answered> earlier =
                    departure.isAnswered(command.id()) ? store.answered(departureId, command.id()) : Optional.empty();
            departure.answering(command.id());
            return earlier.isPresent()
                    ? again(earlier.get(), requestHash)
                    : decide(departure, command, requestHash, actor, at);
        });
    }

    private Answer again(Answered earlier, String requestHash) {
        if (!earlier.requestHash().equals(requestHash)) {
            throw new ProblemException(Problems.commandReused());
        }
        return switch (earlier) {
            case Answered.Accepted made -> new Answer(made.first(), made.last());
            case Answered.Refused refused ->
                throw new ProblemException(json.readValue(refused.problem(), Problem.class));
        };
    }

    private Answer decide(LiveDeparture departure, Command command, String requestHash, Person actor, Instant at) {
        Departure state = departure.state();
        return switch (Deciding.decide(state, command, actor, at)) {
            case Decision.Accepted<Event>(List<Event> events) -> {
                LiveDeparture.Prepared prepared =
                        departure.prepare(events, actor, command.id(), requestHash, at, command.doneAt());
                Optional<CompletableFuture<Telling>> telling = telling(departure, prepared.state(), at);
                store.append(prepared.events(), () -> signing(state, prepared.state()));
                publish(departure, prepared, telling, events, at);
                yield new Answer(state.seq() + 1, prepared.state().seq());
            }
            case Decision.Refused<Event>(var refusal) -> {
                Problem problem = withNewer(new Refusals(state).problem(refusal), refusal, state, command.seen());
                store.refused(new StoredRefusal(
                        state.opening().departureId(),
                        command.id(),
                        state.opening().operatorId(),
                        requestHash,
                        json.writeValueAsString(problem)));
                throw new ProblemException(problem);
            }
            case Decision.Repeated<Event> _ ->
                throw new IllegalStateException("command " + command.id() + " is in the log without an answer");
        };
    }

    private void signing(Departure before, Departure after) {
        if (before.signedAt() == null && after.signedAt() != null) {
            listeners.publishEvent(new Signing(after));
        }
    }

    /**
     * What the readers will be told, written once and beside the disk: it is known before it may be told. Empty when
     * nobody reads.
     */
    private Optional<CompletableFuture<Telling>> telling(LiveDeparture departure, Departure state, Instant at) {
        return departure.readers.count() == 0
                ? Optional.empty()
                : Optional.of(departure.telling(state, at, json, writers));
    }

    /** What has been stored becomes the state, and everyone is told. */
    private void publish(
            LiveDeparture departure,
            LiveDeparture.Prepared prepared,
            Optional<CompletableFuture<Telling>> telling,
            List<Event> events,
            Instant at) {
        departure.take(prepared);
        telling.ifPresent(told -> {
            prepared.events()
                    .forEach(event -> departure.readers.tell(new StreamMessage("log", event.seq(), event.envelope())));
            departure.tell(told.join());
        });
        listeners.publishEvent(new Appended(departure.state().opening().departureId(), events, at, departure.state()));
    }

    /**
     * Facts that a feed told go into the log as they are. When this returns, they survive the server.
     *
     * @param by the feed, as the log knows it
     * @return whether they were taken: a departure that is closed takes none
     */
    public boolean record(UUID departureId, List<Event> facts, Person by, Instant at) {
        return record(departureId, _ -> facts, by, at);
    }

    /** The same. @param told what is told, by the state as it is then */
    public boolean record(UUID departureId, Function<Departure, List<Event>> told, Person by, Instant at) {
        return live.with(departureId, departure -> {
            if (departure.state().lifecycle().closed()) {
                return false;
            }
            List<Event> facts = told.apply(departure.state());
            LiveDeparture.Prepared prepared =
                    departure.prepare(facts, by, UuidCreator.getTimeOrderedEpoch(), null, at, null);
            Optional<CompletableFuture<Telling>> telling = telling(departure, prepared.state(), at);
            store.append(prepared.events());
            publish(departure, prepared, telling, facts, at);
            return true;
        });
    }

    /**
     * Tells everyone who reads a departure's stream something that is not stored. @param message made only when
     * somebody reads
     */
    public void tell(UUID departureId, String name, Supplier<Object> message) {
        live.find(departureId)
                .filter(departure -> departure.readers.count() > 0)
                .ifPresent(departure ->
                        departure.readers.tell(new StreamMessage(name, null, json.writeValueAsString(message.get()))));
    }

    /**
     * The line departure of a tail that is being worked: the earliest by off-block time, if any. What an aircraft sends
     * is never a rehearsal's.
     */
    public Optional<Departure> worked(String operatorId, String tail, Instant at) {
        return store.between(operatorId, at.minus(TODAY_BEFORE), at.plus(TODAY_AFTER)).stream()
                .flatMap(id -> readable(id).stream())
                .filter(state ->
                        state.opening().tail().equals(tail) && !state.opening().isRehearsal())
                .filter(state -> state.lifecycle() == Lifecycle.WORKING || state.lifecycle() == Lifecycle.OFF_BLOCK)
                .findFirst();
    }

    /** Departures with an off-block time within a span around a time, of any operator, that had a feed. */
    public List<UUID> fed(Instant at, Duration span) {
        return store.fedBetween(at.minus(span), at.plus(span));
    }

    /** A conflict's answer holds the events that the person has not seen on the same subject. */
    private Problem withNewer(Problem problem, Refusal refusal, Departure state, long seen) {
        if (!(refusal instanceof Refusal.Conflict(String subject, long newest))) {
            return problem;
        }
        return problem.withNewer(envelopes(state.opening().departureId(), Math.min(seen, newest - 1)).stream()
                .map(envelope -> json.readValue(envelope, EVENT))
                .filter(event -> subject.equals(event.get("subject")) || Objects.equals(event.get("seq"), (int) newest))
                .toList());
    }

    /** Today's departures of an operator, by off-block time. */
    List<UUID> today(String operatorId, Instant at) {
        return store.between(operatorId, at.minus(TODAY_BEFORE), at.plus(TODAY_AFTER));
    }

    /** When a departure should leave its stand, as it is kept beside its log. */
    Instant offBlock(UUID departureId) {
        return store.offBlock(departureId);
    }

    /** Whether the operator has a departure within a span around a time. */
    public boolean anyWithin(String operatorId, Instant at, Duration span) {
        return !store.between(operatorId, at.minus(span), at.plus(span)).isEmpty();
    }

    Standing standing(UUID departureId, Instant at) {
        return live.with(departureId, departure -> new Standing(departure.state(), departure.view(at)));
    }

    /** The same, for a page that keeps it beside what its stream tells. */
    Standing shown(UUID departureId, Instant at) {
        return live.with(departureId, departure -> new Standing(departure.state(), departure.shown(at)));
    }

    /**
     * The state as it is; empty where the stored log was changed by something else, which is told to whoever opens that
     * departure.
     */
    public Optional<Departure> readable(UUID departureId) {
        try {
            return Optional.of(state(departureId));
        } catch (ProblemException e) {
            if (e.problem().slug().equals(Problems.LOG_CHANGED)) {
                return Optional.empty();
            }
            throw e;
        }
    }

    /** The state as it is. */
    public Departure state(UUID departureId) {
        return live.with(departureId, LiveDeparture::state);
    }

    /** The stored envelopes behind a number, in order. */
    public List<String> envelopes(UUID departureId, long after) {
        return store.events(departureId, after).stream()
                .map(StoredEvent::envelope)
                .toList();
    }

    String record(UUID departureId) {
        return DepartureRecord.write(envelopes(departureId, 0), key.seal());
    }

    /** @throws ProblemException not-found when the departure does not exist or is another operator's */
    public void checkOwner(UUID departureId, String operatorId) {
        boolean owns = live.find(departureId)
                .map(known -> known.operatorId().equals(operatorId))
                .orElseGet(() -> store.belongsTo(departureId, operatorId));
        if (!owns) {
            throw new ProblemException(Problems.noSuchDeparture());
        }
    }

    /** Gives a reader the events behind {@code after}, the view, then whatever comes, without a gap. */
    void read(UUID departureId, long after, Instant at, Reader reader) {
        live.with(departureId, departure -> {
            reader.readsFirst(
                    new LogPages(store, departureId, after, departure.state().seq()));
            reader.offer(new StreamMessage("view", null, json.writeValueAsString(departure.shown(at))));
            reader.offer(new StreamMessage("reader", null, json.writeValueAsString(new ReaderId(reader.id()))));
            departure.readers.add(reader);
            departure.work();
            listeners.publishEvent(new Looked(departure.state()));
            return reader;
        });
    }

    /** How a page calls its own stream when it says that it is still there. */
    public record ReaderId(UUID id) {}

    /** A page says that it is still there. @return whether its stream is still open */
    boolean isThere(UUID departureId, UUID reader, String personId, long steady_ns) {
        return live.find(departureId)
                .filter(departure -> departure.readers.isThere(reader, personId, steady_ns))
                .isPresent();
    }

    /** Whether somebody looks at a departure, or worked it a short while ago. @param steady_ns now */
    public boolean isWorked(UUID departureId, long steady_ns) {
        return live.isWorked(departureId, steady_ns);
    }

    /** @param now the server's time; @param devices how many are there with this departure */
    public record Heartbeat(Instant now, int devices) {}

    static String requestHash(JsonMapper json, CommandRequest request, Person actor) {
        return Sha256.hex((actor.id() + json.writerFor(CommandRequest.class).writeValueAsString(request))
                .getBytes(StandardCharsets.UTF_8));
    }
}
