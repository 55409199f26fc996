package org.skelda.app.departure;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter.DataWithMediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One reader of a stream. It reads the log first, and then what waits in its queue, so that a slow reader holds nobody
 * up; one that falls too far behind is let go and comes back with the number of its last event.
 */
final class Reader {
    private static final Logger LOG = LoggerFactory.getLogger(Reader.class);
    private static final int FAR_BEHIND = 2000;
    /** Both engines, the APU, a log entry and its view are five. */
    private static final int MOST_TOGETHER = 16;

    private static final long STUCK_ns = 10_000_000_000L;
    /**
     * A page says every ten seconds that it is there; one in the background is let do so once a minute by its browser.
     */
    private static final long LIVING_ns = 25_000_000_000L;

    private static final long GONE_ns = 150_000_000_000L;
    private static final StreamMessage END = new StreamMessage("end", null, "");

    private final SseEmitter emitter = new SseEmitter(0L);
    private final BlockingQueue<StreamMessage> queue = new ArrayBlockingQueue<>(FAR_BEHIND);
    private final AtomicBoolean ended = new AtomicBoolean();
    private final List<Runnable> onEnd = new CopyOnWriteArrayList<>();
    private Iterator<StreamMessage> before = Collections.emptyIterator();
    private final UUID id = UUID.randomUUID();
    private final String personId;
    private final String sessionId;
    /** Nanoseconds of the steady clock since the message that is being sent; 0 while none is. */
    private volatile long sendingSince_ns;

    private volatile long aliveAt_ns = System.nanoTime();

    /** @param personId who reads; @param sessionId of the session in which the stream was opened, which ends it */
    Reader(String personId, String sessionId) {
        this.personId = personId;
        this.sessionId = sessionId;
        emitter.onCompletion(this::end);
        emitter.onTimeout(this::end);
        emitter.onError(_ -> end());
    }

    /** Known to its own page alone. */
    UUID id() {
        return id;
    }

    String personId() {
        return personId;
    }

    String sessionId() {
        return sessionId;
    }

    SseEmitter emitter() {
        return emitter;
    }

    /** What is to be done when it ends; at once when it has. */
    void onEnd(Runnable action) {
        onEnd.add(action);
        if (ended.get()) {
            action.run();
        }
    }

    /** Its page said that it is there. @param steady_ns now */
    void isThere(long steady_ns) {
        aliveAt_ns = steady_ns;
    }

    /** Whether its page is there, as far as is known. @param steady_ns now */
    boolean isLiving(long steady_ns) {
        return steady_ns - aliveAt_ns < LIVING_ns;
    }

    /**
     * Whether its device takes nothing any more, or has said nothing for so long that it is not there. @param steady_ns
     * now
     */
    boolean isGone(long steady_ns) {
        long since = sendingSince_ns;
        return since != 0 && steady_ns - since > STUCK_ns || steady_ns - aliveAt_ns > GONE_ns;
    }

    /**
     * What is to be read before anything that comes from now on; as long as it likes, for it is not held in the queue.
     */
    void readsFirst(Iterator<StreamMessage> messages) {
        before = messages;
    }

    void start() {
        Thread.ofVirtual().name("stream").start(this::send);
    }

    void offer(StreamMessage message) {
        if (!ended.get() && !queue.offer(message)) {
            end();
        }
    }

    /** What its device has not been told yet, in order. */
    List<StreamMessage> waiting() {
        return List.copyOf(queue);
    }

    private void send() {
        try {
            while (!ended.get() && before.hasNext()) {
                send(List.of(before.next()));
            }
            List<StreamMessage> together = new ArrayList<>();
            while (!ended.get()) {
                together.clear();
                together.add(queue.take());
                queue.drainTo(together, MOST_TOGETHER - 1);
                int end = together.indexOf(END);
                send(end < 0 ? together : together.subList(0, end));
                if (end >= 0) {
                    break;
                }
            }
            emitter.complete();
        } catch (IOException | IllegalStateException e) {
            LOG.debug("a stream's reader went away: {}", e.getMessage());
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        } finally {
            end();
        }
    }

    /** What waits goes out together: a device that is behind is not told one thing after the other. */
    private void send(List<StreamMessage> messages) throws IOException {
        Set<DataWithMediaType> text = new LinkedHashSet<>();
        for (StreamMessage message : messages) {
            SseEmitter.SseEventBuilder event =
                    SseEmitter.event().name(message.name()).data(message.json(), MediaType.APPLICATION_JSON);
            text.addAll((message.id() == null ? event : event.id(message.id().toString())).build());
        }
        sendingSince_ns = System.nanoTime() | 1;
        emitter.send(text);
        sendingSince_ns = 0;
    }

    /** Ends the stream; its page opens another when it is still there. */
    void end() {
        if (ended.compareAndSet(false, true)) {
            onEnd.forEach(Runnable::run);
            queue.clear();
            queue.offer(END);
        }
    }
}
