package org.skelda.app.departure;

import java.time.Instant;
import java.util.UUID;

/** A device that has a departure's stream open, and takes its time to read it. */
public final class SomebodyLooks {
    private SomebodyLooks() {}

    public static void at(Departures departures, UUID departureId) {
        departures.read(departureId, 0, Instant.now(), new Reader("somebody", "their session"));
    }
}
