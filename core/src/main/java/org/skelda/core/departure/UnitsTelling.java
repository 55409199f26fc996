package org.skelda.core.departure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.aligning.UnitsOfLines;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.kind.Mark;
import org.skelda.core.line.LineEvent;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Grounds;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Marks;

/**
 * A line that tells something of the inertial units is the crew's tap for it, where no feed reads them; taken back, so
 * is it. A line with which the aircraft begins to move disturbs those that count.
 */
final class UnitsTelling {
    private UnitsTelling() {}

    /** The events with what they tell of the units. @param before the state before them */
    static List<Event> with(Departure before, List<Event> events, Grounds grounds) {
        Progress progress = before.progress();
        UnitsOfLines units = progress.units();
        if (units == null) {
            return events;
        }
        List<Event> all = new ArrayList<>(events);
        for (Event event : events) {
            if (event instanceof Event.OfLine(LineEvent.LineWorked worked)) {
                told(progress, units, worked, grounds).map(Event::of).ifPresent(all::add);
            }
            if (event instanceof Event.OfLine(LineEvent.Undone undone) && isNewest(before, undone)) {
                all.add(Event.of(new UnitFact.UnitsUntold(undone.reason())));
            }
        }
        return all;
    }

    private static Optional<UnitFact> told(
            Progress progress, UnitsOfLines units, LineEvent.LineWorked worked, Grounds grounds) {
        Line line = progress.plan().line(worked.line()).orElseThrow();
        Marks marks = line.head().marks();
        Mark here = new Mark(grounds.actor(), null, grounds.doneAt(), grounds.at());
        if (!progress.lines().line(worked.line()).worked(worked.work(), here).completes(line)) {
            return Optional.empty();
        }
        if (marks.inertial() != null) {
            return units.told(marks.inertial(), grounds.doneAt());
        }
        return marks.motion() == Marks.Motion.BEGINS ? units.moved(grounds.doneAt()) : Optional.empty();
    }

    /** Whether what the line told is the newest that is known of them. */
    private static boolean isNewest(Departure before, LineEvent.Undone undone) {
        Marks marks = before.plan().line(undone.line()).orElseThrow().head().marks();
        UnitTap tap = marks.inertial();
        Mark answered = before.line(undone.line()).answered();
        boolean tells = tap != null || marks.motion() == Marks.Motion.BEGINS;
        return tells
                && answered != null
                && before.units() != null
                && before.units()
                        .newest()
                        .filter(one -> !one.isRead() && one.at().equals(answered.doneAt()))
                        .isPresent();
    }
}
