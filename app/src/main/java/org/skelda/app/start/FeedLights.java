package org.skelda.app.start;

import java.util.List;
import java.util.Optional;
import org.skelda.core.procedure.Plan;
import org.skelda.formats.feed.FeedLine;

/** What lines of a feed tell of the aircraft's lights; those that the type does not have are kept out. */
final class FeedLights {
    private static final int MOST_TOLD = 5;

    private FeedLights() {}

    /** The lights that show by the newest of these lines, in a fixed order; empty when none tells. */
    static Optional<List<String>> newest(List<FeedLine> lines, Plan plan) {
        return lines.stream()
                .flatMap(line -> Optional.ofNullable(line.lights()).stream())
                .reduce((_, newest) -> newest)
                .map(lights -> lights.stream()
                        .filter(light -> plan.lights().contains(light))
                        .distinct()
                        .sorted()
                        .toList());
    }

    /** Lights of a line that the type does not have, the first few. */
    static List<String> unknown(FeedLine line, Plan plan) {
        return Optional.ofNullable(line.lights()).stream()
                .flatMap(List::stream)
                .filter(light -> !plan.lights().contains(light))
                .distinct()
                .limit(MOST_TOLD)
                .toList();
    }
}
