package org.skelda.core.departure;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineEvent;
import org.skelda.core.procedure.Change;
import org.skelda.core.seat.SeatEvent;

/** A late change of the day, or of the crew, opens again the lines that it undoes. */
public final class LateChange {
    private LateChange() {}

    /** The events with what they undo. @param before the state before them */
    public static List<Event> with(Departure before, List<Event> events) {
        List<Event> all = new ArrayList<>(events);
        for (Event event : events) {
            Change change = change(before, event);
            if (change != null) {
                List<LineRef> undone = before.progress().undoneBy(change);
                if (!undone.isEmpty()) {
                    all.add(Event.of(new LineEvent.ChangeReported(change, words(event), undone)));
                }
            }
        }
        return all;
    }

    /** Only what was known and is otherwise now has changed. */
    private static @Nullable Change change(Departure before, Event event) {
        return switch (event) {
            case Event.OfFact(FactEvent.FactGiven given) ->
                before.progress()
                                .value(given.fact().id())
                                .filter(known -> !known.equals(given.value()))
                                .isPresent()
                        ? given.fact().change()
                        : null;
            case Event.OfSeat(SeatEvent.SeatHandedOver _) -> Change.CREW;
            default -> null;
        };
    }

    private static String words(Event event) {
        return switch (event) {
            case Event.OfFact(FactEvent.FactGiven given) -> given.fact().label();
            case Event.OfSeat(SeatEvent.SeatHandedOver handed) ->
                "Seat handed to " + handed.to().name();
            default -> "";
        };
    }
}
