package org.skelda.bench;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What the same server takes to pass a text on to a stream and to do nothing else. */
@RestController
class BareStreamController {
    private final List<SseEmitter> readers = new CopyOnWriteArrayList<>();

    @GetMapping(path = "/api/bench/bare/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter read() {
        SseEmitter emitter = new SseEmitter(0L);
        readers.add(emitter);
        return emitter;
    }

    @PostMapping("/api/bench/bare")
    String pass(@RequestBody String text) throws IOException {
        for (SseEmitter reader : readers) {
            reader.send(SseEmitter.event().name("bare").data(text));
        }
        return "{}";
    }
}
