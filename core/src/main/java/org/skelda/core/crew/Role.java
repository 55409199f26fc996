package org.skelda.core.crew;

/** Who flies and who monitors; separate from the seat. */
public enum Role {
    FLYING,
    MONITORING;

    /** As a crew says it: the pilot flying, the pilot monitoring. */
    public String word() {
        return this == FLYING ? "flying" : "monitoring";
    }

    public Role other() {
        return this == FLYING ? MONITORING : FLYING;
    }
}
