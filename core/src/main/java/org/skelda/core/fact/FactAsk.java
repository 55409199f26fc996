package org.skelda.core.fact;

import org.skelda.core.need.Value;

/** What can be asked about the facts of the day. */
public sealed interface FactAsk {

    /** Gives a fact, or gives it anew. @param fact its id; @param unit of a number, empty for a yes or no */
    record GiveFact(String fact, Value value, String unit) implements FactAsk {}
}
