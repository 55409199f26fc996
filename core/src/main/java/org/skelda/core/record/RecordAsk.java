package org.skelda.core.record;

/** What can be asked of the departure as a whole, and of its record. */
public sealed interface RecordAsk {

    /** Closes the record. */
    record Sign() implements RecordAsk {}

    /** Adds a note to a signed record. @param office whether the operator's office asks, which its account says */
    record Amend(String text, boolean office) implements RecordAsk {}

    /** Gives the departure up. */
    record Abandon(String reason) implements RecordAsk {}
}
