package org.skelda.core.crew;

/** Who flies and who monitors; separate from the seat. */
public enum Role {
    FLYING,
    MONITORING;

    public Role other() {
        return this == FLYING ? MONITORING : FLYING;
    }
}
