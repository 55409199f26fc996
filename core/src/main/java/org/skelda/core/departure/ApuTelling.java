package org.skelda.core.departure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.line.LineEvent;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Grounds;
import org.skelda.core.procedure.Line;

/**
 * A line that tells something of the APU is the crew's tap for it, where no feed reads the APU; taken back, so is it.
 */
final class ApuTelling {
    private ApuTelling() {}

    /** The events with what they tell of the APU. @param before the state before them */
    static List<Event> with(Departure before, List<Event> events, Grounds grounds) {
        Progress progress = before.progress();
        ApuOfLines apu = progress.apu();
        if (apu == null) {
            return events;
        }
        List<Event> all = new ArrayList<>(events);
        for (Event event : events) {
            if (event instanceof Event.OfLine(LineEvent.LineWorked worked)) {
                told(progress, apu, worked, grounds).map(Event::of).ifPresent(all::add);
            }
            if (event instanceof Event.OfLine(LineEvent.Undone undone) && isNewest(before, apu, undone)) {
                all.add(Event.of(new ApuFact.ApuUntold(undone.reason())));
            }
        }
        return all;
    }

    private static Optional<ApuFact> told(
            Progress progress, ApuOfLines apu, LineEvent.LineWorked worked, Grounds grounds) {
        Line line = progress.plan().line(worked.line()).orElseThrow();
        ApuTap tap = line.head().marks().apu();
        if (tap == null) {
            return Optional.empty();
        }
        Mark here = new Mark(grounds.actor(), null, grounds.doneAt(), grounds.at());
        boolean complete =
                progress.lines().line(worked.line()).worked(worked.work(), here).completes(line);
        return complete ? apu.told(tap, grounds.doneAt()) : Optional.empty();
    }

    /** Whether what the line told is the newest that is known of the APU. */
    private static boolean isNewest(Departure before, ApuOfLines apu, LineEvent.Undone undone) {
        LineRef ref = undone.line();
        ApuTap tap = before.plan().line(ref).orElseThrow().head().marks().apu();
        Mark answered = before.line(ref).answered();
        if (tap == null || answered == null) {
            return false;
        }
        Instant at = answered.doneAt();
        return apu.history()
                .newest()
                .filter(one -> !one.isRead() && one.what().equals(tap.event(at, null)))
                .isPresent();
    }
}
