package org.skelda.core.indications;

import org.jspecify.annotations.Nullable;

/**
 * A light, a message or a sound of a type.
 *
 * @param id a slug, one of its kind in the type
 * @param label as it is read
 * @param way how it is noticed
 */
public record Indication(String id, String label, Way way) {

    /** Its name among what is known: whether a feed tells that it shows. */
    public String name() {
        return "light('" + id + "')";
    }

    /** The one with this name; null when a name is none of a light. */
    public static @Nullable String named(String name) {
        return name.startsWith("light('") ? name.substring("light('".length(), name.length() - 2) : null;
    }

    /** How it is noticed. */
    public enum Way {
        LIGHT,
        MESSAGE,
        SOUND
    }
}
