package org.skelda.app.departure;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
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

    /** Lets those go whose device is not there any more. @param steady_ns now */
    void endGone(long steady_ns) {
        open.stream().filter(reader -> reader.isGone(steady_ns)).forEach(Reader::end);
    }

    /** How many devices are there. @param steady_ns now */
    int living(long steady_ns) {
        return (int) open.stream().filter(reader -> reader.isLiving(steady_ns)).count();
    }

    /** A person's page said that it is there. @return whether there is such a reader */
    boolean isThere(UUID reader, String personId, long steady_ns) {
        Optional<Reader> found = open.stream()
                .filter(one -> one.id().equals(reader) && one.personId().equals(personId))
                .findAny();
        found.ifPresent(one -> one.isThere(steady_ns));
        return found.isPresent();
    }

    void end() {
        open.forEach(Reader::end);
    }

    int count() {
        return open.size();
    }
}
