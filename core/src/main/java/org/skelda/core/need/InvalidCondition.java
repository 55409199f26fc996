package org.skelda.core.need;

/** A condition that cannot be understood. Its message is a sentence for who wrote it. */
public final class InvalidCondition extends IllegalArgumentException {
    public InvalidCondition(String message) {
        super(message);
    }
}
