package org.skelda.core.clock;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Every clock of a departure at a time, whoever started it: a line, or a state that was told or that a feed has shown.
 * Each is computed from when it began and how long it runs, so that it is the same on every device and after a restart.
 *
 * @param at the time
 * @param all the one that ends soonest first; those that count up; then those that have run out
 */
public record Clocks(Instant at, List<ClockView> all) {
    private static final Comparator<ClockView> IN_ORDER = Comparator.comparing(ClockView::elapsed)
            .thenComparing(ClockView::counts, Comparator.comparing(counts -> counts == ClockView.Counts.UP))
            .thenComparing(clock -> Objects.requireNonNullElse(clock.opensAt(), clock.startedAt()))
            .thenComparing(ClockView::id);

    public Clocks {
        all = all.stream().sorted(IN_ORDER).toList();
    }

    /** Joins what each room tells of its own. @param rooms clocks of lines, of the APU, of the inertial units */
    public static Clocks of(Instant at, Stream<Stream<ClockView>> rooms) {
        return new Clocks(at, rooms.flatMap(clocks -> clocks).toList());
    }

    /** When the next of them ends; empty when none that runs does. */
    public Optional<Instant> nextEnd() {
        return all.stream()
                .filter(clock -> !clock.elapsed())
                .map(ClockView::opensAt)
                .filter(Objects::nonNull)
                .filter(at::isBefore)
                .min(Comparator.naturalOrder());
    }
}
