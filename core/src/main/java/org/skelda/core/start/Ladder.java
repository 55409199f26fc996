package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What to look for in a start, in order: each rung with the window in which it should come, and how long is left.
 *
 * <p>The ladder judges nothing by itself: what is late is a finding of the monitor, and the rung says so when there is
 * one.
 */
public final class Ladder {
    private static final Duration ROTATION = Duration.ofNanos(TurningRules.NoRotation.WITHIN_us * 1000);
    private static final Duration SETTLED = Duration.ofSeconds(2);

    private final StartProfile profile;
    private final @Nullable AttemptReport attempt;
    private final Duration now;
    private final @Nullable Milestone next;
    private final List<Rung> rungs = new ArrayList<>();

    private Ladder(StartProfile profile, @Nullable AttemptReport attempt, Duration now, @Nullable Milestone next) {
        this.profile = profile;
        this.attempt = attempt;
        this.now = now;
        this.next = next;
    }

    /** How a rung stands. */
    public enum State {
        DONE,
        NOW,
        NEXT,
        LATE
    }

    /**
     * @param milestone it stands for; null for ignition and for the temperature's turning over
     * @param tap what tells it; null for what is only looked at
     * @param words what to look for
     * @param detail its window, or when and how it came
     * @param left time to the end of its window; null while that is not running
     */
    public record Rung(
            @Nullable Milestone milestone,
            @Nullable Tap tap,
            String words,
            String detail,
            State state,
            @Nullable Duration left) {}

    /**
     * @param attempt as it stands; null before the starter
     * @param now time since starter on; zero before it
     * @param next what the verdict looks for next; null when something is to be done first
     * @param fuel whether fuel may come on now; null when that is no question
     * @param ignition whether ignition is on; null when that is not known
     */
    static List<Rung> of(
            StartProfile profile,
            @Nullable AttemptReport attempt,
            Duration now,
            @Nullable Milestone next,
            @Nullable FuelGate fuel,
            @Nullable Boolean ignition) {
        Ladder ladder = new Ladder(profile, attempt, now, next);
        if (profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER) {
            ladder.ignition(Boolean.TRUE.equals(ignition));
        }
        for (Milestone milestone : profile.order()) {
            ladder.rung(milestone, fuel);
            if (milestone == Milestone.LIGHT_OFF) {
                ladder.turnsOver();
            }
        }
        return List.copyOf(ladder.rungs);
    }

    /** Where ignition has its switch, it comes before the starter. Once fuel is on it is no more to be looked for. */
    private void ignition(boolean on) {
        boolean fuel = reached(Milestone.FUEL_ON) != null;
        State state = on || fuel ? State.DONE : attempt == null || attempt.ended() ? State.NEXT : State.NOW;
        rungs.add(new Rung(null, Tap.IGNITION_ON, "Ignition ON", "before the starter", state, null));
    }

    private void rung(Milestone milestone, @Nullable FuelGate gate) {
        switch (milestone) {
            case VALVE_OPEN -> rung(milestone, "Valve open, duct holds", "duct pressure dips", null);
            case ROTATION ->
                rung(
                        milestone,
                        text("%s turning", profile.words(Parameter.SPOOL)),
                        text("within %d s", ROTATION.toSeconds()),
                        left(Duration.ZERO, ROTATION));
            case OIL_RISING ->
                rung(
                        milestone,
                        "Oil pressure rising",
                        text(
                                "within %d s of rotation",
                                profile.turning().oilWithin().toSeconds()),
                        left(Milestone.ROTATION, profile.turning().oilWithin()));
            case FAN_ROTATION ->
                rung(
                        milestone,
                        text(
                                "%s turning by %.0f %%",
                                Words.sentence(profile.words(Parameter.FAN)),
                                profile.turning().fanBy_pct()),
                        profile.turning().orAtFuelOn() ? "or when the fuel comes on, if earlier" : "",
                        null);
            case FUEL_ALLOWED -> {}
            case FUEL_ON -> fuel(gate);
            case LIGHT_OFF ->
                rung(
                        milestone,
                        text("Light-off within %d s", profile.lightOffWithin().toSeconds()),
                        "of fuel on",
                        left(Milestone.FUEL_ON, profile.lightOffWithin()));
            case STARTER_OUT ->
                rung(
                        milestone,
                        text(
                                "Starter out, %.0f %%%s",
                                profile.starter().cutOut_pct(),
                                profile.starter().byHand() ? ", by hand" : ""),
                        text("watch %.0f", profile.starter().overrun_pct()),
                        null);
            case IDLE ->
                rung(
                        milestone,
                        text("Idle %.0f %%, stable", profile.idle().speed_pct()),
                        text("by %d s", profile.idle().within().toSeconds()),
                        left(Duration.ZERO, profile.idle().within()));
        }
    }

    private void fuel(@Nullable FuelGate gate) {
        boolean automatic = profile.drive().automatic();
        String window = automatic
                ? text("at %.0f %%, by the start computer", profile.fuel().minimum_pct())
                : text(
                        "never under %s %%, at %.0f °C or less",
                        Words.shortest(profile.fuel().minimum_pct()),
                        profile.fuel().hottestBefore_c());
        String words = automatic
                ? "Fuel on"
                : text("Fuel on at %s %%", Words.shortest(profile.fuel().preferred_pct()));
        rung(Milestone.FUEL_ON, words, gate == null ? window : gate.words(), null);
    }

    /** The temperature has passed its peak: nothing hotter was read for two seconds, and lit. Silence is no reading. */
    private void turnsOver() {
        AttemptReport.Peak peak = attempt == null ? null : attempt.peak();
        boolean lit = reached(Milestone.LIGHT_OFF) != null;
        boolean over = lit
                && attempt != null
                && peak != null
                && attempt.lasted().minus(peak.at()).compareTo(SETTLED) >= 0
                && !isSilentSince(peak.at());
        String detail = over && peak != null
                ? text("peak %.0f °C at %s", peak.value_c(), seconds(peak.at()))
                : text("first limit %.0f °C", profile.lowestLimit_c());
        State state = over ? State.DONE : lit && next != null ? State.NOW : State.NEXT;
        rungs.add(new Rung(null, null, "Temperature turns over", detail, state, null));
    }

    /** Whether no temperature has come any more since soon after a moment. */
    private boolean isSilentSince(Duration at) {
        return attempt != null
                && attempt.gaps().stream()
                        .anyMatch(gap -> gap.parameter() == Parameter.TEMPERATURE
                                && gap.to().compareTo(attempt.lasted()) >= 0
                                && gap.from().compareTo(at.plus(SETTLED)) < 0);
    }

    private void rung(Milestone milestone, String words, String window, @Nullable Duration left) {
        Duration at = reached(milestone);
        if (at != null) {
            rungs.add(new Rung(milestone, Tap.of(milestone), words, reachedHow(milestone, at), State.DONE, null));
            return;
        }
        boolean late = left != null && left.isNegative();
        rungs.add(new Rung(
                milestone,
                Tap.of(milestone),
                words,
                window,
                late ? State.LATE : isNext(milestone) ? State.NOW : State.NEXT,
                late || attempt == null ? null : left));
    }

    /** Fuel that may not come on yet is looked for on the rung of the fuel itself. */
    private boolean isNext(Milestone milestone) {
        return milestone == next || milestone == Milestone.FUEL_ON && next == Milestone.FUEL_ALLOWED;
    }

    private String reachedHow(Milestone milestone, Duration at) {
        Double spool = attempt == null ? null : attempt.spoolAt_pct().get(milestone);
        Duration fuel = reached(Milestone.FUEL_ON);
        if (milestone == Milestone.LIGHT_OFF && fuel != null) {
            return text("%s after fuel", seconds(at.minus(fuel)));
        }
        boolean bySpool = milestone == Milestone.FUEL_ON
                || milestone == Milestone.FAN_ROTATION
                || milestone == Milestone.STARTER_OUT;
        return bySpool && spool != null ? text("at %.1f %%, %s", spool, seconds(at)) : seconds(at);
    }

    private @Nullable Duration reached(Milestone milestone) {
        return attempt == null ? null : attempt.milestones().get(milestone);
    }

    private @Nullable Duration left(Milestone from, Duration within) {
        Duration begun = reached(from);
        return begun == null ? null : left(begun, within);
    }

    private Duration left(Duration from, Duration within) {
        return from.plus(within).minus(now);
    }

    private static String seconds(Duration duration) {
        return text("%.1f s", duration.toNanos() / 1e9);
    }
}
