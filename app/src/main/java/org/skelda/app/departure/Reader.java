package org.skelda.app.departure;

import java.io.IOException;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One reader of a stream. Messages wait in a queue, so that a slow reader holds nobody up; one that falls too far behind
 * is let go and comes back with the number of its last event.
 */
final class Reader {
    private static final Logger LOG = LoggerFactory.getLogger(Reader.class);
    private static final int FAR_BEHIND = 2000;
    private static final StreamMessage END = new StreamMessage("end", null, "");

    private final SseEmitter emitter = new SseEmitter(0L);
    private final BlockingQueue<StreamMessage> queue = new ArrayBlockingQueue<>(FAR_BEHIND);
    private final AtomicBoolean ended = new AtomicBoolean();
    private Runnable onEnd = () -> { };

    SseEmitter emitter() {
        return emitter;
    }

    void onEnd(Runnable action) {
        onEnd = action;
        emitter.onCompletion(this::end);
        emitter.onTimeout(this::end);
        emitter.onError(_ -> end());
    }

    void start() {
        Thread.ofVirtual().name("stream").start(this::send);
    }

    void offer(StreamMessage message) {
        if (!ended.get() && !queue.offer(message)) {
            end();
        }
    }

    private void send() {
        try {
            while (!ended.get()) {
                StreamMessage message = queue.take();
                if (message == END) {
                    break;
                }
                SseEmitter.SseEventBuilder event = SseEmitter.event().name(message.name()).data(message.json(), MediaType.APPLICATION_JSON);
                emitter.send(message.id() == null ? event : event.id(message.id().toString()));
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

    private void end() {
        if (ended.compareAndSet(false, true)) {
            onEnd.run();
            queue.clear();
            queue.offer(END);
        }
    }
}
