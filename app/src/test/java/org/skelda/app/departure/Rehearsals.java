package org.skelda.app.departure;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.app.procedure.Packs;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Event;
import org.skelda.core.record.Opening;
import org.skelda.core.seat.SeatEvent;

/** Rehearsals of one person on the left seat, opened past the door. */
public final class Rehearsals {
    public static final Person CAPTAIN = new Person("trial", "Trial");
    private static final String OPERATOR = "vardholm";

    private final Departures departures;
    private final Packs packs;

    public Rehearsals(Departures departures, Packs packs) {
        this.departures = departures;
        this.packs = packs;
    }

    /** @param schools by option; @return its id */
    public UUID open(String tail, String type, Map<String, String> schools, Instant now) {
        UUID id = UUID.randomUUID();
        Packs.Current pair = packs.currentFor(OPERATOR, type);
        departures.open(
                new Opening(
                        id,
                        Opening.Kind.REHEARSAL,
                        OPERATOR,
                        tail,
                        type,
                        "799",
                        "QVAR",
                        "QSKR",
                        "12",
                        62.4,
                        5.7,
                        330,
                        now.plusSeconds(3600),
                        pair.typeHash(),
                        pair.procedureHash(),
                        List.of(),
                        schools),
                CAPTAIN,
                now);
        happens(id, Event.of(new SeatEvent.SeatTaken(Seat.LEFT, Role.FLYING, CAPTAIN, null, null)), now);
        return id;
    }

    public void happens(UUID id, Event event, Instant at) {
        departures.record(id, _ -> List.of(event), CAPTAIN, at);
    }
}
