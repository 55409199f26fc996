package org.skelda.app.departure;

/** What was answered to a command before: the events it made, or the problem it met. */
sealed interface Answered {
    /** Hash of the request that was answered. */
    String requestHash();

    /** @param first number of its first event; @param last of its last */
    record Accepted(String requestHash, long first, long last) implements Answered {}

    /** @param problem as it was told */
    record Refused(String requestHash, String problem) implements Answered {}
}
