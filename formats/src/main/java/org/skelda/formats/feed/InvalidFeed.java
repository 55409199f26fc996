package org.skelda.formats.feed;

/** A batch that cannot be used; nothing of it was taken in. */
public final class InvalidFeed extends RuntimeException {
    private final int line;

    InvalidFeed(int line, String message) {
        super("line " + line + ": " + message);
        this.line = line;
    }

    /** Number of the first bad line, from 1. */
    public int line() {
        return line;
    }
}
