package org.skelda.app.departure;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** Everyone who reads a departure's stream now. */
final class Readers {
    private final List<Reader> open = new CopyOnWriteArrayList<>();

    void add(Reader reader) {
        open.add(reader);
        reader.onEnd(() -> open.remove(reader));
    }

    void tell(StreamMessage message) {
        open.forEach(reader -> reader.offer(message));
    }

    int count() {
        return open.size();
    }
}
