package org.skelda.formats.log;

/** An event that cannot be read: an unknown type or version, a missing or impossible field. Says which. */
public final class InvalidEvent extends RuntimeException {
    public InvalidEvent(String message) {
        super(message);
    }

    public InvalidEvent(String message, Throwable cause) {
        super(message, cause);
    }
}
