package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What to look for in a start, in order: each rung with the window in which it should come, and how long is left.
 *
 * <p>The ladder judges nothing by itself: what is late is a finding of the monitor, and the rung says so when there is one.
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
    public enum State { DONE, NOW, NEXT, LATE }

    /**
     * @param milestone it stands for; null for the temperature's turning over
     * @param words what to look for
     * @param detail its window, or when and how it came
     * @param left time to the end of its window; null while that is not running
     */
    public record Rung(@Nullable Milestone milestone, String words, String detail, State state, @Nullable Duration left) {}

    /**
     * @param attempt as it stands; null before the starter
     * @param now time since starter on; zero before it
     * @param next what the verdict looks for next; null when something is to be done first
     */
    public static List<Rung> of(StartProfile profile, @Nullable AttemptReport attempt, Duration now, @Nullable Milestone next) {
        Ladder ladder = new Ladder(profile, attempt, now, next);
        ladder.build();
        return List.copyOf(ladder.rungs);
    }

    private void build() {
        if (profile.drive().manner() == StartProfile.Manner.BLEED_AIR) {
            rung(Milestone.VALVE_OPEN, "Valve open, duct holds", "duct pressure dips", null);
        }
        rung(Milestone.ROTATION, text("%s turning", profile.words(Parameter.SPOOL)), text("within %d s", ROTATION.toSeconds()),
                left(Duration.ZERO, ROTATION));
        rung(Milestone.OIL_RISING, "Oil pressure rising", text("within %d s of rotation", profile.turning().oilWithin().toSeconds()),
                left(Milestone.ROTATION, profile.turning().oilWithin()));
        rung(Milestone.FAN_ROTATION, text("%s turning by %.0f %%", capital(profile.words(Parameter.FAN)), profile.turning().fanBy_pct()),
                profile.turning().orAtFuelOn() ? "or when the fuel comes on, if earlier" : "", null);
        fuel();
        rung(Milestone.LIGHT_OFF, text("Light-off within %d s", profile.lightOffWithin().toSeconds()), "of fuel on",
                left(Milestone.FUEL_ON, profile.lightOffWithin()));
        turnsOver();
        rung(Milestone.STARTER_OUT, text("Starter out, %.0f %%%s", profile.starter().cutOut_pct(), profile.starter().byHand() ? ", by hand" : ""),
                text("watch %.0f", profile.starter().overrun_pct()), null);
        rung(Milestone.IDLE, text("Idle %.0f %%, stable", profile.idle().speed_pct()), text("by %d s", profile.idle().within().toSeconds()),
                left(Duration.ZERO, profile.idle().within()));
    }

    private void fuel() {
        boolean automatic = profile.drive().automatic();
        boolean allowed = reached(Milestone.FUEL_ALLOWED) != null;
        String window = automatic ? text("at %.0f %%, by the start computer", profile.fuel().minimum_pct())
                : text("never under %.0f %%, at %.0f degC or less", profile.fuel().minimum_pct(), profile.fuel().hottestBefore_c());
        String words = automatic ? "Fuel on" : text("Fuel on at %.0f %%", profile.fuel().preferred_pct());
        boolean preferred = attempt != null && attempt.figures().fuelPreferred() != null;
        rung(Milestone.FUEL_ON, words, automatic ? window : preferred ? "now is best" : allowed ? text("allowed now, over %.0f %%", profile.fuel().minimum_pct()) : window, null);
    }

    /** The temperature has passed its peak: nothing hotter was read for two seconds, and lit. Silence is no reading. */
    private void turnsOver() {
        AttemptReport.Peak peak = attempt == null ? null : attempt.peak();
        boolean lit = reached(Milestone.LIGHT_OFF) != null;
        boolean over = lit && peak != null && attempt.lasted().minus(peak.at()).compareTo(SETTLED) >= 0 && !isSilentSince(peak.at());
        String detail = over ? text("peak %.0f degC at %s", peak.value_c(), seconds(peak.at())) : text("first limit %.0f degC", profile.lowestLimit_c());
        State state = over ? State.DONE : lit && next != null ? State.NOW : State.NEXT;
        rungs.add(new Rung(null, "Temperature turns over", detail, state, null));
    }

    /** Whether no temperature has come any more since soon after a moment. */
    private boolean isSilentSince(Duration at) {
        return attempt != null && attempt.gaps().stream().anyMatch(gap -> gap.parameter() == Parameter.TEMPERATURE && gap.to().compareTo(attempt.lasted()) >= 0
                && gap.from().compareTo(at.plus(SETTLED)) < 0);
    }

    private void rung(Milestone milestone, String words, String window, @Nullable Duration left) {
        Duration at = reached(milestone);
        if (at != null) {
            rungs.add(new Rung(milestone, words, reachedHow(milestone, at), State.DONE, null));
            return;
        }
        boolean late = left != null && left.isNegative();
        rungs.add(new Rung(milestone, words, window, late ? State.LATE : isNext(milestone) ? State.NOW : State.NEXT, late || attempt == null ? null : left));
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
        boolean bySpool = milestone == Milestone.FUEL_ON || milestone == Milestone.FAN_ROTATION || milestone == Milestone.STARTER_OUT;
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

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }
}
