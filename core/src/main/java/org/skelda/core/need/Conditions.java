package org.skelda.core.need;

import java.util.Map;

/** The language in which conditions are written; the core knows only that there is one. */
@FunctionalInterface
public interface Conditions {

    /**
     * Understands a condition, or says why not; at the latest when the condition is asked for the first time.
     *
     * @param text of the condition
     * @param declared every name it may use
     * @throws InvalidCondition when it does not say yes or no, or names something else
     */
    When compile(String text, Map<String, Kind> declared);
}
