package org.skelda.core.kind;

/**
 * Done at once, from memory. One late tap records it; it never waits for a device, a gate or a line before it.
 *
 * @param does what is done
 */
public record Memory(String label, String does) implements Tick {
    @Override
    public String expects() {
        return does;
    }

    @Override
    public boolean isFree(Doing doing) {
        return true;
    }
}
