package org.skelda.core.kind;

/** Something to know. @param says it; @param acknowledged whether it takes a key of its own, as a caution does */
public record Note(String label, String says, boolean acknowledged) implements Tick {
    @Override
    public String expects() {
        return says;
    }
}
