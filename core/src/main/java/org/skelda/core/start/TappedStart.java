package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One start as the crew told it, tap by tap, where nothing is read. Immutable. It judges nothing: what is wrong is what
 * the crew says.
 *
 * @param taps in the order of time; the starter's going on is at zero, and what came before it too
 */
public record TappedStart(List<Told> taps) {

    public TappedStart {
        taps = taps.stream().sorted(Comparator.comparing(Told::at)).toList();
        if (taps.stream().noneMatch(told -> told.tap() == Tap.STARTER_ON || told.tap() == Tap.IGNITION_ON)) {
            throw new IllegalArgumentException("a tapped start begins with its ignition's or its starter's going on");
        }
    }

    /**
     * @param tap what was told
     * @param at since starter on
     * @param timed whether it was told as it happened; an answer to a question tells that it happened, not when
     * @param by whose tap it was, by the person's id
     */
    public record Told(Tap tap, Duration at, boolean timed, String by) {}

    /** The starter has gone on. @param by whose tap it was */
    public static TappedStart begun(String by) {
        return new TappedStart(List.of(new Told(Tap.STARTER_ON, Duration.ZERO, true, by)));
    }

    /** Ignition has gone on, the starter not yet. @param by whose tap it was */
    public static TappedStart prepared(String by) {
        return new TappedStart(List.of(new Told(Tap.IGNITION_ON, Duration.ZERO, true, by)));
    }

    /** Whether the starter has gone on. */
    public boolean hasBegun() {
        return has(Tap.STARTER_ON);
    }

    /** The starter goes on after its ignition: time counts from here. @param by whose tap it was */
    public TappedStart begins(String by) {
        List<Told> all = new ArrayList<>(taps.stream()
                .map(told -> new Told(told.tap(), Duration.ZERO, told.timed(), told.by()))
                .toList());
        all.add(new Told(Tap.STARTER_ON, Duration.ZERO, true, by));
        return new TappedStart(all);
    }

    /** With one tap more; one before the starter counts as with it. */
    public TappedStart with(Told told) {
        List<Told> all = new ArrayList<>(taps);
        all.add(told.at().isNegative() ? new Told(told.tap(), Duration.ZERO, told.timed(), told.by()) : told);
        return new TappedStart(all);
    }

    /** Without a tap that was a slip; the starter's going on stays. */
    public TappedStart without(Tap tap) {
        return new TappedStart(taps.stream()
                .filter(told -> told.tap() != tap || tap == Tap.STARTER_ON)
                .toList());
    }

    public Optional<Told> told(Tap tap) {
        return taps.stream().filter(told -> told.tap() == tap).findFirst();
    }

    public boolean has(Tap tap) {
        return told(tap).isPresent();
    }

    /** The newest tap. */
    public Told last() {
        return taps.getLast();
    }

    @Nullable
    Duration at(Tap tap) {
        return told(tap).map(Told::at).orElse(null);
    }

    /** Whether the starter is on, as far as was told: an engine at idle has no starter on. */
    public boolean starter() {
        return hasBegun() && !has(Tap.STARTER_OFF) && !has(Tap.IDLE);
    }

    /**
     * Whether ignition is on after these taps, where it has a switch: fuel comes on with it unless the crew says that
     * it is not, and it stays on until it is told off.
     *
     * @param before whether it was on before them
     */
    public boolean ignitionAfter(boolean before) {
        boolean on = before;
        for (Told told : taps) {
            on = ignitionAfter(on, told.tap());
        }
        return on;
    }

    /** The same after one tap. */
    public boolean ignitionAfter(boolean before, Tap tap) {
        return switch (tap) {
            case IGNITION_ON -> true;
            case FUEL_ON -> before || !has(Tap.IGNITION_NOT_ON);
            case IGNITION_OFF -> false;
            default -> before;
        };
    }

    /** Whether the fuel is on, as far as was told. */
    public boolean fuel() {
        return has(Tap.FUEL_ON) && !has(Tap.FUEL_OFF);
    }

    /** At idle, or starter and fuel both off. */
    public boolean ended() {
        return hasBegun() && (has(Tap.IDLE) || !starter() && !fuel());
    }

    /** When it ended, since starter on; null while it runs. */
    public @Nullable Duration endedAt() {
        if (!ended()) {
            return null;
        }
        Duration idle = at(Tap.IDLE);
        return idle != null ? idle : later(at(Tap.STARTER_OFF), at(Tap.FUEL_OFF));
    }

    private static @Nullable Duration later(@Nullable Duration one, @Nullable Duration other) {
        return one == null || other != null && other.compareTo(one) > 0 ? other : one;
    }

    /** The milestones that were told. The starter's going off is one only with the engine lit and its fuel on. */
    public Map<Milestone, Duration> milestones() {
        Map<Milestone, Duration> all = new EnumMap<>(Milestone.class);
        for (Told told : taps) {
            Milestone milestone = told.tap().milestone();
            if (milestone != null
                    && (milestone != Milestone.STARTER_OUT || before(Tap.LIGHT_OFF, told.at()) && fuelAt(told.at()))) {
                all.put(milestone, told.at());
            }
        }
        return all;
    }

    private boolean before(Tap tap, Duration at) {
        Duration when = at(tap);
        return when != null && when.compareTo(at) <= 0;
    }

    private boolean fuelAt(Duration at) {
        return before(Tap.FUEL_ON, at) && !before(Tap.FUEL_OFF, at);
    }

    private boolean starterAt(Duration at) {
        return !before(Tap.STARTER_OFF, at);
    }

    /**
     * What the crew says is wrong, as findings, by time. Stopping the starter on an engine that has fuel and is not lit
     * is one too.
     */
    public List<Finding> findings() {
        List<Finding> all = new ArrayList<>();
        for (Told told : taps) {
            FindingId says = told.tap().says();
            if (says != null) {
                all.add(new Finding(
                        says,
                        told.at(),
                        action(says, told.at()),
                        text(
                                "The crew says: %s, %.1f s after the starter.",
                                told.tap().words(), told.at().toNanos() / 1e9)));
            }
            if (told.tap() == Tap.STARTER_OFF && fuelAt(told.at()) && !before(Tap.LIGHT_OFF, told.at())) {
                all.add(new Finding(
                        FindingId.STARTER_EARLY_OUT,
                        told.at(),
                        Action.CUT_FUEL,
                        "The starter is off with fuel on, and the engine is not lit."));
            }
        }
        return all.stream().sorted(Finding.IN_ORDER).toList();
    }

    private Action action(FindingId says, Duration at) {
        boolean fuel = fuelAt(at);
        return switch (says) {
            case CUT_NOT_EFFECTIVE -> Action.SECOND_MEANS;
            case INTERNAL_FIRE -> fuel ? Action.CUT_FUEL : Action.KEEP_TURNING;
            case STARTER_OVERRUN -> Action.STOP_STARTER;
            case SLOW_TO_IDLE -> Action.ADVISE;
            case STARTER_TIME ->
                !fuel ? Action.STOP_STARTER : before(Tap.LIGHT_OFF, at) ? Action.ADVISE : Action.CUT_FUEL;
            default -> fuel ? Action.CUT_FUEL : starterAt(at) ? Action.STOP_STARTER : Action.ADVISE;
        };
    }

    /** How long the starter was on. @param now since starter on, for one that still is */
    public Duration starterOn(Duration now) {
        Duration off = at(Tap.STARTER_OFF);
        Duration idle = at(Tap.IDLE);
        return off != null ? off : idle != null ? idle : now;
    }

    /** How it ended. */
    public Outcome outcome() {
        return Outcome.decidedBy(findings(), false)
                .orElseGet(() -> Outcome.of(
                        has(Tap.IDLE)
                                ? Outcome.Kind.NORMAL
                                : has(Tap.FUEL_ON) && !fuel()
                                        ? Outcome.Kind.CREW_ABORT
                                        : !has(Tap.FUEL_ON) && !starter()
                                                ? Outcome.Kind.DRY_MOTOR
                                                : Outcome.Kind.INCOMPLETE));
    }

    /**
     * As a report, like that of a start that was read; what only readings can tell is missing in it, and it begins at
     * zero.
     *
     * @param now since starter on
     */
    public AttemptReport report(Duration now) {
        Duration ended = endedAt();
        return new AttemptReport(
                0,
                ended == null ? now : ended,
                ended != null,
                outcome(),
                milestones(),
                findings(),
                List.of(),
                List.of(),
                null,
                new AttemptReport.Remembered(
                        null,
                        null,
                        null,
                        null,
                        between(Tap.FUEL_ON, Tap.LIGHT_OFF),
                        between(Tap.STARTER_ON, Tap.IDLE),
                        null,
                        starterOn(now),
                        null,
                        has(Tap.NO_ROTATION) && has(Tap.VALVE_OPEN),
                        false),
                List.of(),
                Map.of());
    }

    /** Time between two taps that were both told as they happened; null otherwise. */
    private @Nullable Duration between(Tap from, Tap to) {
        Optional<Told> first = told(from).filter(Told::timed);
        Optional<Told> second = told(to).filter(Told::timed);
        return first.isEmpty() || second.isEmpty()
                ? null
                : second.get().at().minus(first.get().at());
    }
}
