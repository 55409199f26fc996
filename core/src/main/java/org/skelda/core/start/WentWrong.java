package org.skelda.core.start;

import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A start that went wrong, as its script asks for it: what had happened, and how the engine stands now.
 *
 * @param profile of the type
 * @param found everything that was found in it, and since
 * @param fuelCame whether fuel came on
 * @param lit whether it lit
 * @param reachedIdle whether idle was reached on that fuel
 * @param driveLost whether the starter does not turn the engine although it takes air or current
 * @param engineRan whether the engine ran when the starter engaged
 * @param computerWaits how much longer the start computer has to cut the fuel; null when the crew cuts
 * @param sinceOverrun time since the overrun was found; zero when it was not
 * @param now how the engine stands
 * @param coolFor until the starter has cooled, were it off from now on; zero or negative once it has
 * @param another start attempt that is offered; null for maintenance first
 * @param note for maintenance, in words
 */
record WentWrong(
        StartProfile profile,
        Set<FindingId> found,
        boolean fuelCame,
        boolean lit,
        boolean reachedIdle,
        boolean driveLost,
        boolean engineRan,
        @Nullable Duration computerWaits,
        Duration sinceOverrun,
        Standing now,
        Duration coolFor,
        @Nullable AnotherAttempt another,
        String note) {
    private static final Duration COMPUTER_WAITS = Duration.ofSeconds(2);
    /** With one of these the engine is not turned on its starter again. */
    private static final Set<FindingId> NOT_TO_BE_TURNED = EnumSet.of(
            FindingId.NO_ROTATION,
            FindingId.NO_OIL_PRESSURE,
            FindingId.NO_FAN_ROTATION,
            FindingId.OIL_LOW_AT_IDLE,
            FindingId.FIRE_WARNING);

    private static final Set<FindingId> STARTER_ALONE =
            EnumSet.of(FindingId.STARTER_OVERRUN, FindingId.STARTER_REENGAGED);

    /**
     * The start whose script runs: the newest that had fuel and went wrong, or else the newest that was stopped,
     * together with what was turned after it.
     *
     * @param all attempts of the engine in their order, the newest last
     * @param now how the engine stands
     * @param lasts time since the newest attempt's starter on
     * @param next the next try of the starter, were it off now, with how long it cools until then
     * @return empty when nothing went wrong
     */
    static Optional<WentWrong> of(
            StartProfile profile,
            List<AttemptReport> all,
            Standing now,
            Duration lasts,
            StarterDuty.NextTry next,
            Duration coolFor) {
        int from = begins(all, now);
        if (from < 0) {
            return Optional.empty();
        }
        AttemptReport first = all.get(from);
        Set<FindingId> found = EnumSet.noneOf(FindingId.class);
        boolean driveLost = false;
        for (AttemptReport report : all.subList(from, all.size())) {
            report.findings().stream()
                    .filter(finding -> finding.action() != Action.ADVISE)
                    .map(Finding::id)
                    .forEach(found::add);
            driveLost |= report.figures().driveLost();
        }
        boolean fuelCame = hadFuel(first) || first == all.getLast() && now.fuel();
        return Optional.of(new WentWrong(
                profile,
                found,
                fuelCame,
                first.reached(Milestone.LIGHT_OFF).isPresent(),
                first.reached(Milestone.IDLE).isPresent(),
                driveLost,
                first.figures().engineRan(),
                computerWaits(first, lasts),
                sinceOverrun(first, all.getLast() == first ? lasts : Duration.ZERO),
                now,
                coolFor,
                AnotherAttempt.after(profile, all.subList(0, from + 1), next),
                MaintenanceNote.of(profile, first)));
    }

    private static int begins(List<AttemptReport> all, Standing now) {
        int stopped = -1;
        for (int i = all.size() - 1; i >= 0; i--) {
            AttemptReport report = all.get(i);
            boolean newest = i == all.size() - 1;
            if (hadFuel(report) || newest && now.fuel()) {
                return wentWrong(report, newest, now) ? i : stopped;
            }
            if (stopped < 0 && report.wasCut()) {
                stopped = i;
            }
        }
        return stopped;
    }

    private static boolean hadFuel(AttemptReport report) {
        return report.reached(Milestone.FUEL_ON).isPresent() || report.figures().engineRan();
    }

    private static boolean wentWrong(AttemptReport report, boolean newest, Standing now) {
        boolean asked = report.findings().stream().anyMatch(finding -> finding.action() != Action.ADVISE);
        boolean given = report.outcome().kind() == Outcome.Kind.CREW_ABORT
                || newest && !now.fuel() && report.reached(Milestone.IDLE).isEmpty() && hadFuel(report);
        return asked || given;
    }

    private static @Nullable Duration computerWaits(AttemptReport report, Duration lasts) {
        boolean crews = report.findings().stream().anyMatch(finding -> finding.action() == Action.CUT_FUEL);
        Optional<Duration> since = report.findings().stream()
                .filter(finding -> finding.action() == Action.AUTO_STOP)
                .map(Finding::at)
                .min(Duration::compareTo);
        if (crews || since.isEmpty()) {
            return null;
        }
        Duration left = since.get().plus(COMPUTER_WAITS).minus(lasts);
        return left.isPositive() ? left : null;
    }

    private static Duration sinceOverrun(AttemptReport report, Duration lasts) {
        return report.findings().stream()
                .filter(finding -> finding.id() == FindingId.STARTER_OVERRUN)
                .map(finding -> lasts.minus(finding.at()))
                .findFirst()
                .orElse(Duration.ZERO);
    }

    boolean found(FindingId id) {
        return found.contains(id);
    }

    /**
     * The starter must go and nothing else: the fuel stays on. An engine that ran already when its starter was engaged
     * is no other case.
     */
    boolean isOverrunAlone() {
        boolean alone =
                found(FindingId.STARTER_OVERRUN) || found(FindingId.STARTER_REENGAGED) && engineRan && now.fuel();
        return alone && STARTER_ALONE.containsAll(found) && (now.fuel() || now.starter() || reachedIdle);
    }

    /** No rotation, no oil pressure or no fan: the engine is not turned on its starter. */
    boolean mayNotBeTurned() {
        return driveLost || found.stream().anyMatch(NOT_TO_BE_TURNED::contains);
    }

    boolean isStarterTimeOver() {
        return now.starter() && now.starterFor().compareTo(profile.starter().allowed()) >= 0;
    }

    /** Whether the starter that is on was engaged above the speed at which it may. */
    boolean isEngagedTooFast() {
        Double atMost = profile.starter().engageAtOrBelow_pct();
        return now.starter() && atMost != null && now.engaged_pct() != null && now.engaged_pct() > atMost;
    }
}
