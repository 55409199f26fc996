package org.skelda.formats.log;

import java.util.Arrays;
import java.util.List;
import org.skelda.core.log.Fact;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The payloads of one room's facts as JSON. Units are in the names of their fields.
 *
 * @param <F> the room's facts
 */
public interface FactCodec<F extends Fact> {

    /** Writes a fact's fields, in the newest version of its type. */
    void write(F fact, ObjectNode payload);

    /**
     * Reads a payload of the newest version.
     *
     * @param type the fact's name
     * @throws InvalidEvent when a field is missing or impossible, or the room has no such fact
     */
    F read(String type, JsonNode payload);

    /** The name of a fact in the log. */
    default String type(F fact) {
        return fact.getClass().getSimpleName();
    }

    /** The names of all facts. @param facts the room's sealed family */
    default List<String> types(Class<F> facts) {
        return Arrays.stream(facts.getPermittedSubclasses())
                .map(Class::getSimpleName)
                .toList();
    }

    /** The version in which a type is written; older ones stay readable and are never rewritten. */
    default int version(String type) {
        return 1;
    }

    /** Makes a payload one version newer. @param from its version, at least 1 and older than {@link #version} */
    default void upcast(String type, int from, ObjectNode payload) {
        throw new InvalidEvent(type + " has no version " + from);
    }
}
