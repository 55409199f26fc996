package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.UnitRule;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.StateClock;

/** The clocks that the inertial units' own state starts: no line does, and no hand stops them. */
public final class UnitsClocks {
    private UnitsClocks() {}

    /** Those that run, or have run out in the phase that lasts; units that count together have one. */
    public static List<StateClock> of(Units units, Instant at) {
        Map<Instant, List<Integer>> aligning = new TreeMap<>();
        Map<Instant, List<Integer>> storing = new TreeMap<>();
        List<InertialUnit> now = units.at(at);
        for (int number : units.numbers()) {
            InertialUnit unit = now.get(number - 1);
            Map<Instant, List<Integer>> of = unit.phase() == Phase.STORING ? storing : aligning;
            if (unit.phase() == Phase.ALIGNING || unit.phase() == Phase.STORING) {
                of.computeIfAbsent(unit.since(), _ -> new ArrayList<>()).add(number);
            }
        }
        List<StateClock> all = new ArrayList<>();
        aligning.forEach((since, numbers) -> {
            InertialUnit unit = now.get(numbers.getFirst() - 1);
            all.add(new StateClock(
                    "inertial-align-" + numbers.getFirst(),
                    (unit.quick() ? "Quick alignment" : "Alignment") + of(numbers, units),
                    "navigation mode",
                    "Nobody tows meanwhile.",
                    since,
                    unit.needs()));
        });
        storing.forEach((since, numbers) -> {
            UnitRule rule = now.get(numbers.getFirst() - 1).rule();
            if (at.isBefore(since.plus(rule.quickWithin()))) {
                all.add(new StateClock(
                        "inertial-quick-" + numbers.getFirst(),
                        "Quick alignment" + of(numbers, units),
                        "back ON for a quick alignment",
                        null,
                        since,
                        rule.quickWithin(),
                        ClockView.Counts.WINDOW));
            }
            all.add(new StateClock(
                    "inertial-off-" + numbers.getFirst(),
                    "Inertial units storing" + of(numbers, units),
                    "their power may go",
                    "Never by breaker.",
                    since,
                    rule.stores()));
        });
        return List.copyOf(all);
    }

    /**
     * The window in which they are to be switched on, so that they are aligned at off-block.
     *
     * @param since when the departure was opened
     * @param latest the latest switching-on; null when nothing is left to be switched on, or they do not align there
     * @return empty as well once it is over: what is late then is said elsewhere
     */
    public static Optional<StateClock> latest(Instant since, @Nullable Instant latest, Instant at) {
        return latest == null || !latest.isAfter(at) || !latest.isAfter(since)
                ? Optional.empty()
                : Optional.of(new StateClock(
                        "inertial-latest",
                        "Latest switch-on for off-block",
                        "inertial units ON",
                        null,
                        since,
                        Duration.between(since, latest),
                        ClockView.Counts.WINDOW));
    }

    private static String of(List<Integer> numbers, Units units) {
        return numbers.size() == units.units().size()
                ? ""
                : ", " + UnitsWords.name(numbers).substring("Inertial ".length());
    }
}
