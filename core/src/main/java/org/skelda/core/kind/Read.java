package org.skelda.core.kind;

/** Read, then done. @param does what is done or seen */
public record Read(String label, String does) implements Tick {
    @Override
    public String expects() {
        return does;
    }
}
