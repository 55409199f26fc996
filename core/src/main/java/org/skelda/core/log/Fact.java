package org.skelda.core.log;

import java.util.List;

/** Something that happened, in the words of its own room. */
public interface Fact {

    /** What two facts must share to be in conflict: a line, a seat, an engine's start, or the departure itself. */
    String subject();

    /** Everything that it touches, its own subject first. */
    default List<String> touches() {
        return List.of(subject());
    }
}
