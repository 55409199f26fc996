package org.skelda.app.departure;

import com.github.f4b6a3.uuid.UuidCreator;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.Viewing;
import org.skelda.core.log.LogEntry;
import org.skelda.core.procedure.Plan;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.formats.record.EventCodec;
import org.skelda.formats.record.HashChain;
import org.skelda.formats.record.LogChain;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A departure in memory: the fold of its stored log, the hash to continue from, and its readers. One owner at a time.
 */
final class LiveDeparture {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    final ReentrantLock lock = new ReentrantLock();
    final Readers readers = new Readers();
    private boolean gone;
    private volatile long usedAt_ns = System.nanoTime();
    private volatile long workedAt_ns = System.nanoTime();
    private Departure state;
    /**
     * The view that every reader was told last; null while one of them may have another. What is told next tells only
     * what changed of it.
     */
    private @Nullable Telling told;

    private String headHash;

    /** Commands that were refused, or of which it is not known what was kept. */
    private final Set<UUID> notInLog;

    private final String operatorId;

    private LiveDeparture(Departure state, String headHash, Set<UUID> notInLog) {
        this.state = state;
        this.headHash = headHash;
        this.notInLog = notInLog;
        this.operatorId = state.opening().operatorId();
    }

    String operatorId() {
        return operatorId;
    }

    /** Whether a command may have been answered before. Only with its lock. */
    boolean isAnswered(UUID commandId) {
        return state.commands().contains(commandId) || notInLog.contains(commandId);
    }

    /** A command is being answered: what the store has of it may be more than what stands here. Only with its lock. */
    void answering(UUID commandId) {
        notInLog.add(commandId);
    }

    /**
     * @param stored the whole log, in order
     * @param refused commands that were refused
     * @param plans finds the plan of its opening
     * @throws LogChain.Broken when the text of an entry is not what was stored
     */
    static LiveDeparture replay(List<StoredEvent> stored, Set<UUID> refused, Function<Opening, Plan> plans) {
        String head = LogChain.check(stored.stream().map(StoredEvent::envelope).toList());
        List<LogEntry<Event>> log =
                stored.stream().map(event -> EventCodec.read(event.envelope())).toList();
        if (!(log.getFirst().event() instanceof Event.OfRecord(RecordEvent.Opened(Opening opening)))) {
            throw new IllegalStateException("a log of a departure begins with its opening, not with "
                    + log.getFirst().event());
        }
        Plan plan = plans.apply(opening);
        return new LiveDeparture(Departure.replay(plan, log), head, refused);
    }

    Departure state() {
        return state;
    }

    /** Somebody has use for it. */
    void use() {
        usedAt_ns = System.nanoTime();
    }

    /** Somebody of its crew has use for it. */
    void work() {
        workedAt_ns = System.nanoTime();
    }

    /** Whether somebody reads it, or worked it lately. @param steady_ns now */
    boolean isWorked(long steady_ns, Duration lately) {
        return readers.count() > 0 || steady_ns - workedAt_ns <= lately.toNanos();
    }

    /** Nobody reads it, and nobody has had use for it for that long. @param steady_ns now */
    boolean isUnused(long steady_ns, Duration forSoLong) {
        return readers.count() == 0 && steady_ns - usedAt_ns > forSoLong.toNanos();
    }

    /** Whether it was forgotten while somebody waited for its lock; what is in the log is then to be folded anew. */
    boolean isGone() {
        return gone;
    }

    /**
     * Its memory is given back: its readers are ended, and whoever waits for it folds the log anew. Only with its lock.
     */
    void leave() {
        gone = true;
        readers.end();
    }

    DepartureView view(Instant at) {
        return Viewing.view(state, noEarlier(state, at));
    }

    /** The same, for a page to keep: what readers are told next is told whole again. Only with its lock. */
    DepartureView shown(Instant at) {
        told = null;
        return view(at);
    }

    /** What readers are told of a state. @param view the whole of it; @param message the same, as it is told */
    record Telling(Departure state, DepartureView view, StreamMessage message) {}

    /**
     * What its readers will be told of a state, written beside everything else. Only with its lock.
     *
     * @param state that it will be in
     */
    CompletableFuture<Telling> telling(Departure state, Instant at, JsonMapper json, Executor writers) {
        Telling before = told;
        Instant then = noEarlier(state, at);
        return CompletableFuture.supplyAsync(
                () -> {
                    if (before == null) {
                        DepartureView view = Viewing.view(state, then);
                        return new Telling(state, view, new StreamMessage("view", null, json.writeValueAsString(view)));
                    }
                    DepartureView view = Viewing.view(state, then, before.state(), before.view());
                    return new Telling(
                            state,
                            view,
                            new StreamMessage("change", null, json.writeValueAsString(view.since(before.view()))));
                },
                writers);
    }

    /** Its readers are told. Only with its lock. */
    void tell(Telling telling) {
        readers.tell(telling.message());
        told = telling;
    }

    /** Time goes forward, whatever a clock says: a view is no earlier than its newest event. */
    private static Instant noEarlier(Departure state, Instant at) {
        return at.isBefore(state.at()) ? state.at() : at;
    }

    /** Events that are decided but not yet stored. Becomes the state by {@link #take}. */
    record Prepared(List<StoredEvent> events, Departure state, String headHash, UUID commandId) {}

    /**
     * Seals events as the next entries of the log, without changing anything. @param requestHash of the request that
     * asked for them; null when nobody did
     */
    Prepared prepare(
            List<Event> events,
            Person actor,
            UUID commandId,
            @Nullable String requestHash,
            Instant at,
            @Nullable Instant doneAt) {
        List<StoredEvent> sealed = new ArrayList<>();
        Departure next = state;
        String hash = headHash;
        Instant acceptedAt = at.isBefore(state.at()) ? state.at() : at;
        Seat seat = state.seatOf(actor).orElse(null);
        StoredEvent.Asked asked =
                requestHash == null ? null : new StoredEvent.Asked(commandId, requestHash, state.seq() + events.size());
        for (Event event : events) {
            LogEntry<Event> entry = new LogEntry<>(
                    UuidCreator.getTimeOrderedEpoch(),
                    next.seq() + 1,
                    acceptedAt,
                    doneAt,
                    actor,
                    seat,
                    commandId,
                    event);
            ObjectNode envelope = EventCodec.write(entry);
            hash = HashChain.seal(envelope, hash);
            sealed.add(new StoredEvent(
                    state.opening().departureId(),
                    entry.seq(),
                    state.opening().operatorId(),
                    acceptedAt,
                    JSON.writeValueAsString(envelope),
                    sealed.isEmpty() ? asked : null));
            next = next.apply(entry);
        }
        return new Prepared(sealed, next, hash, commandId);
    }

    /** Takes over what has been stored. */
    void take(Prepared prepared) {
        state = prepared.state();
        headHash = prepared.headHash();
        notInLog.remove(prepared.commandId());
    }
}
