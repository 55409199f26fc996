package org.skelda.app.departure;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.skelda.app.people.SignedOut;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Every open stream by the person who reads it: a person has only so many, and signing out ends those of its session.
 */
@Component
class OpenStreams {
    static final int MOST = 20;

    private final Map<String, Set<Reader>> ofPeople = new ConcurrentHashMap<>();

    /** @throws ProblemException throttled when the person has too many */
    void add(Reader reader) {
        ofPeople.compute(reader.personId(), (_, before) -> {
            Set<Reader> open = before == null ? ConcurrentHashMap.newKeySet() : before;
            if (open.size() >= MOST) {
                throw new ProblemException(Problems.tooManyStreams(MOST));
            }
            open.add(reader);
            return open;
        });
        reader.onEnd(() -> ofPeople.computeIfPresent(reader.personId(), (_, open) -> {
            open.remove(reader);
            return open.isEmpty() ? null : open;
        }));
    }

    @EventListener
    void signedOut(SignedOut gone) {
        ofPeople.values().stream()
                .flatMap(Set::stream)
                .filter(reader -> reader.sessionId().equals(gone.sessionId()))
                .toList()
                .forEach(Reader::end);
    }
}
