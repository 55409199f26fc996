package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Another start attempt after one that went wrong: offered only after no light-off (once), fuel early, residual heat,
 * an ignition slip, a supply that was cured, a forecast cut without any exceedance and with its cause known, and a crew
 * abort. After anything else, or a second failure of the same kind, maintenance comes first. A start computer makes its
 * own tries and no more.
 *
 * @param condition what must be so first; empty for nothing
 * @param next when the starter may engage, and the tries left
 */
record AnotherAttempt(String condition, StarterDuty.NextTry next) {

    /** Failures of one kind; a second of the same kind is maintenance's. */
    private enum Kind {
        LIGHT_OFF,
        FUEL_EARLY,
        RESIDUAL_HEAT,
        IGNITION,
        SUPPLY,
        FORECAST
    }

    private static final Map<FindingId, Kind> OFFERED = new EnumMap<>(Map.of(
            FindingId.NO_LIGHT_OFF,
            Kind.LIGHT_OFF,
            FindingId.FUEL_EARLY,
            Kind.FUEL_EARLY,
            FindingId.RESIDUAL_HOT,
            Kind.RESIDUAL_HEAT,
            FindingId.IGNITION_MISSING,
            Kind.IGNITION,
            FindingId.IGNITION_LATE,
            Kind.IGNITION,
            FindingId.LOW_SUPPLY,
            Kind.SUPPLY,
            FindingId.DIP_LOW,
            Kind.SUPPLY,
            FindingId.HOT_PREDICTED,
            Kind.FORECAST));

    /** @param all attempts up to the one that went wrong, that one last; @param next the next try of the starter */
    static @Nullable AnotherAttempt after(StartProfile profile, List<AttemptReport> all, StarterDuty.NextTry next) {
        AttemptReport last = all.getLast();
        Set<FindingId> found = asked(last);
        boolean offered = !profile.drive().automatic()
                && last.exceedances().isEmpty()
                && !last.figures().driveLost()
                && OFFERED.keySet().containsAll(found);
        if (!offered || isSecond(all, kinds(found))) {
            return null;
        }
        String condition = found.contains(FindingId.HOT_PREDICTED)
                ? "Only with the cause of the heat known: "
                : kinds(found).contains(Kind.SUPPLY) ? "Only once the supply is cured: " : "";
        return new AnotherAttempt(condition, next);
    }

    private static Set<FindingId> asked(AttemptReport report) {
        Set<FindingId> found = EnumSet.noneOf(FindingId.class);
        report.findings().stream()
                .filter(finding -> finding.action() != Action.ADVISE)
                .map(Finding::id)
                .forEach(found::add);
        return found;
    }

    private static Set<Kind> kinds(Set<FindingId> found) {
        Set<Kind> kinds = EnumSet.noneOf(Kind.class);
        found.stream().map(OFFERED::get).filter(java.util.Objects::nonNull).forEach(kinds::add);
        return kinds;
    }

    /** Whether a failure of the same kind came before, since the engine last came to idle. */
    private static boolean isSecond(List<AttemptReport> all, Set<Kind> kinds) {
        for (int i = all.size() - 2; i >= 0 && all.get(i).outcome().kind() != Outcome.Kind.NORMAL; i--) {
            if (kinds(asked(all.get(i))).stream().anyMatch(kinds::contains)) {
                return true;
            }
        }
        return false;
    }

    /** For the crew. @param engagements of the starter that come before it: each counts as a try */
    String words(int engagements) {
        Double atMost = next.spoolAtMost_pct();
        String ready = atMost == null ? "starter cooled" : text("starter cooled, spool at %.0f %% or less", atMost);
        int left = next.left() - engagements;
        return Words.sentence(
                left < 1
                        ? text("%sanother start attempt once the starter has had its whole rest", condition)
                        : text(
                                "%sanother start attempt, %d of %d (%s): %s",
                                condition,
                                next.number() + engagements,
                                next.of(),
                                left == 1 ? "the last" : left + " tries left",
                                ready));
    }
}
