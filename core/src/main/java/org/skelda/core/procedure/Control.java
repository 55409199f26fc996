package org.skelda.core.procedure;

import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Hazard;

/**
 * A control of the type that needs care.
 *
 * @param id a slug
 * @param label as it is named aloud ("Isolation handle, engine 1")
 * @param irreversible whether moving it cannot be undone, so that it is agreed on first
 * @param hazard what moving it begins that can hurt people; null when nothing
 */
public record Control(
        String id,
        String label,
        boolean irreversible,
        @Nullable Hazard hazard) {}
