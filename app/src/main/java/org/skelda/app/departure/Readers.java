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

    /** Lets those go whose device takes nothing any more. @param steady_ns now */
    void endStuck(long steady_ns) {
        open.stream().filter(reader -> reader.isStuck(steady_ns)).forEach(Reader::end);
    }

    void end() {
        open.forEach(Reader::end);
    }

    int count() {
        return open.size();
    }
}
