package org.skelda.formats.record;

import java.util.Set;

/** The version in which each type of event is written. Older ones stay readable, and are never rewritten. */
final class Versions {
    private static final Set<String> SECOND = Set.of("Opened", "AttemptBegan", "MilestoneReached", "FindingRaised", "AttemptEnded", "TraceStored");

    private Versions() {}

    static int of(String type) {
        return SECOND.contains(type) ? 2 : 1;
    }
}
