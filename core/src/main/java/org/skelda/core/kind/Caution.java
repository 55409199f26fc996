package org.skelda.core.kind;

import java.util.Set;

/**
 * A hazard, acknowledged with its own key.
 *
 * @param hazard what can be hurt and how to keep clear
 * @param about what it covers: the hazards of lines behind it
 */
public record Caution(String label, String hazard, Set<Hazard> about) implements Tick {
    public Caution {
        about = Set.copyOf(about);
    }

    public Caution(String label, String hazard) {
        this(label, hazard, Set.of());
    }

    @Override
    public String expects() {
        return hazard;
    }
}
