package org.skelda.core.start;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;

/**
 * One attempt to start, while it runs. Confined to its monitor; what leaves it is immutable. Times are microseconds.
 */
final class Attempt {
    private static final long ENDS_AFTER_IDLE_us = 10_000_000;
    static final double STOPPED_pct = 5;
    private static final Milestone[] MILESTONES = Milestone.values();

    private final StartProfile profile;
    private final Readings readings;
    private final Switches switches;
    private final long startedAt_us;
    private final Windows windows;
    private final MilestoneRules milestoneRules;
    private final Figures figures;
    private final List<DwellWatch> limitWatches = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final long[] milestones_us = new long[MILESTONES.length];
    private final double[] spoolAt_pct = new double[MILESTONES.length];
    private final TemperatureForecast forecast;
    private final Rule.AtSample[] atSample;
    private final Rule.AtMove[] atMove;
    private final Rule.AtSwitch[] atSwitch;
    private final Rule.AtMilestone[] atMilestone;
    private final Rule.OnTime[] onTime;
    private final List<Rule> rules;
    private long now_us;
    private final Clearing clearing;
    private final boolean later;
    private long blindFrom_us = Signal.NEVER;
    private boolean fuelComesOn;
    private boolean running;
    private boolean fuelCut;
    private boolean starterAtEnd;
    private boolean ended;

    /** @param later whether the engine had an attempt before */
    Attempt(
            StartProfile profile,
            Readings readings,
            Switches switches,
            Clearing clearing,
            boolean later,
            long startedAt_us,
            TemperatureForecast forecast) {
        this.profile = profile;
        this.readings = readings;
        this.switches = switches;
        this.clearing = clearing;
        this.later = later;
        this.startedAt_us = startedAt_us;
        this.now_us = startedAt_us;
        this.windows = new Windows(startedAt_us);
        this.milestoneRules = new MilestoneRules();
        this.figures = new Figures();
        Arrays.fill(milestones_us, Signal.NEVER);
        this.forecast = forecast;
        rules = Rules.all(forecast);
        atSample = only(Rule.AtSample.class).toArray(Rule.AtSample[]::new);
        atMove = only(Rule.AtMove.class).toArray(Rule.AtMove[]::new);
        atSwitch = only(Rule.AtSwitch.class).toArray(Rule.AtSwitch[]::new);
        atMilestone = only(Rule.AtMilestone.class).toArray(Rule.AtMilestone[]::new);
        onTime = only(Rule.OnTime.class).toArray(Rule.OnTime[]::new);
        readings.hush();
        for (Limit limit : profile.temperatureLimits()) {
            watchTemperature(limit);
        }
        rules.forEach(rule -> rule.begin(this));
    }

    private <R> List<R> only(Class<R> kind) {
        return rules.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    private void watchTemperature(Limit limit) {
        DwellWatch watch = new DwellWatch(limit, at_us -> LimitExceeded.exceeded(this, limit, at_us));
        watch.openFrom(startedAt_us);
        limitWatches.add(watch);
        listen(readings.of(Parameter.TEMPERATURE), watch);
    }

    /** Lets a watch hear a signal for as long as the attempt lasts. */
    void listen(Signal signal, Signal.Listener listener) {
        signal.tell(Listeners.joined(signal, listener));
    }

    /** Time passes without a sample: what falls due before this moment falls due, in the order of time. */
    void advanceTo(long at_us) {
        while (!ended) {
            long due = nextDue_us();
            if (due >= at_us) {
                break;
            }
            readings.advanceTo(due);
            noticeBlindness(due);
            fallDue(due);
        }
        if (!ended) {
            readings.advanceTo(at_us);
            noticeBlindness(at_us);
            now_us = Math.max(now_us, at_us);
        }
    }

    private long nextDue_us() {
        long next = isReached(Milestone.IDLE) ? at_us(Milestone.IDLE) + ENDS_AFTER_IDLE_us : Signal.NEVER;
        for (Rule.OnTime rule : onTime) {
            next = Math.min(next, rule.due_us(this));
        }
        return next;
    }

    private void fallDue(long due) {
        for (Rule.OnTime rule : onTime) {
            if (rule.due_us(this) == due) {
                rule.fallDue(this, due);
            }
        }
        if (isReached(Milestone.IDLE) && at_us(Milestone.IDLE) + ENDS_AFTER_IDLE_us == due) {
            end(due);
        }
    }

    private void noticeBlindness(long at_us) {
        if (blindFrom_us != Signal.NEVER || isReached(Milestone.IDLE) || !(switches.starter() || switches.fuel())) {
            return;
        }
        long lost = Math.min(
                readings.of(Parameter.SPOOL).lostFrom_us(),
                readings.of(Parameter.TEMPERATURE).lostFrom_us());
        if (lost < at_us) {
            blindFrom_us = Math.max(lost, startedAt_us);
        }
    }

    /**
     * A sample whose switches and readings are taken in already. What its readings complete is judged by the switches
     * of its own moment.
     */
    void absorb(Sample sample) {
        now_us = sample.at_us();
        noteFuel();
        windows.absorb(sample);
        figures.absorb(this, sample);
        if (switches.anyMoved()) {
            for (Rule.AtSwitch rule : atSwitch) {
                rule.switched(this);
            }
        }
        milestoneRules.absorb(this);
        if (switches.anyMoved()) {
            for (Rule.AtMove rule : atMove) {
                rule.moved(this);
            }
        }
        for (Rule.AtSample rule : atSample) {
            rule.sampled(this);
        }
        double spool = value(Parameter.SPOOL);
        if (!switches.starter() && !switches.fuel() && spool < STOPPED_pct) {
            end(now_us);
        }
    }

    /**
     * Fuel that was on before the starter comes on with it under the minimum speed; at or above it the engine runs, and
     * no fuel comes on in this attempt. A cut at the first sample is the attempt's before.
     */
    private void noteFuel() {
        boolean first = now_us == startedAt_us;
        if (!first && !switches.anyMoved()) {
            fuelComesOn = false;
            return;
        }
        boolean onBefore = first && switches.fuel() && !switches.fuelTurnedOn();
        double spool = value(Parameter.SPOOL);
        running |= onBefore && spool >= profile.fuel().minimum_pct();
        fuelComesOn = !running
                && !isReached(Milestone.FUEL_ON)
                && (switches.fuelTurnedOn()
                        || onBefore && spool < profile.fuel().minimum_pct());
        fuelCut |= !first && switches.fuelTurnedOff();
    }

    private void end(long at_us) {
        now_us = at_us;
        starterAtEnd = switches.starter();
        ended = true;
        readings.hush();
    }

    /**
     * The starter engages anew with this sample, whose readings were heard: the next attempt begins, and this one is
     * over, its starter off.
     */
    void giveWay(Sample sample) {
        end(sample.at_us());
        starterAtEnd = false;
    }

    /** Whether the fuel comes on at this sample, for the first time in the attempt. */
    boolean fuelComesOn() {
        return fuelComesOn;
    }

    /** Whether the engine ran when the starter engaged. */
    boolean engineRan() {
        return running;
    }

    /** Whether the fuel has gone off in the attempt. */
    boolean wasFuelCut() {
        return fuelCut;
    }

    /** Whether the engine had an attempt before. */
    boolean isLater() {
        return later;
    }

    Clearing clearing() {
        return clearing;
    }

    /** Whether the starter is on, or was when the attempt ended. */
    boolean starter() {
        return ended ? starterAtEnd : switches.starter();
    }

    void reach(Milestone milestone) {
        if (isReached(milestone)) {
            return;
        }
        milestones_us[milestone.ordinal()] = now_us;
        spoolAt_pct[milestone.ordinal()] = value(Parameter.SPOOL);
        if (milestone == Milestone.LIGHT_OFF) {
            figures.lightOff(this);
        }
        for (Rule.AtMilestone rule : atMilestone) {
            rule.reached(this, milestone);
        }
    }

    /** Whether a finding may still be raised: not when it was already, unless it only advised and cuts now. */
    boolean mayRaise(FindingId id, Action action) {
        for (Finding finding : findings) {
            if (finding.id() == id && (finding.action().cuts() || !action.cuts())) {
                return false;
            }
        }
        return true;
    }

    void raise(FindingId id, long at_us, Action action, String reason) {
        boolean needsFuel = action == Action.CUT_FUEL || action == Action.AUTO_STOP;
        if (!ended && mayRaise(id, action) && (!needsFuel || switches.fuelOnAt(at_us))) {
            findings.add(new Finding(id, sinceStart(at_us), action, reason));
        }
    }

    /** Whether the spool or the temperature is out of sight while it is needed. */
    boolean isBlind() {
        boolean needed = (switches.starter() || switches.fuel()) && !isReached(Milestone.IDLE);
        return needed
                && (readings.of(Parameter.SPOOL).isLostAt(now_us)
                        || readings.of(Parameter.TEMPERATURE).isLostAt(now_us));
    }

    /** What is not being watched, in words; empty for nothing. */
    String unwatched() {
        List<String> missing = new ArrayList<>();
        for (Parameter parameter : List.of(
                Parameter.SPOOL,
                Parameter.FAN,
                Parameter.TEMPERATURE,
                Parameter.FLOW,
                Parameter.OIL,
                profile.supplyParameter())) {
            Signal signal = readings.of(parameter);
            if (!signal.isMeasured()) {
                missing.add(profile.words(parameter) + " not measured");
            } else if (signal.isLostAt(now_us)) {
                missing.add(profile.words(parameter) + " lost");
            }
        }
        return String.join(", ", missing);
    }

    /** What to look for next, in the order in which the type reaches it; null for nothing. */
    @Nullable
    Milestone next() {
        for (Milestone milestone : profile.order()) {
            boolean canCome = switch (milestone) {
                case VALVE_OPEN -> readings.of(Parameter.DUCT).isMeasured();
                case OIL_RISING -> readings.of(Parameter.OIL).isMeasured();
                case FAN_ROTATION -> readings.of(Parameter.FAN).isMeasured();
                case FUEL_ALLOWED -> !isReached(Milestone.FUEL_ON);
                case ROTATION, FUEL_ON, LIGHT_OFF, STARTER_OUT, IDLE -> true;
            };
            if (canCome && !isReached(milestone)) {
                return milestone;
            }
        }
        return null;
    }

    Duration sinceStart(long at_us) {
        return Duration.ofNanos((at_us - startedAt_us) * 1000);
    }

    StartProfile profile() {
        return profile;
    }

    Readings readings() {
        return readings;
    }

    Switches switches() {
        return switches;
    }

    Windows windows() {
        return windows;
    }

    Figures figures() {
        return figures;
    }

    TemperatureForecast forecast() {
        return forecast;
    }

    List<DwellWatch> limitWatches() {
        return limitWatches;
    }

    List<Finding> findings() {
        return findings;
    }

    long startedAt_us() {
        return startedAt_us;
    }

    long now_us() {
        return now_us;
    }

    boolean isEnded() {
        return ended;
    }

    /** Whether sight of spool or temperature was lost while it was needed. */
    boolean wasBlind() {
        return blindFrom_us != Signal.NEVER;
    }

    /**
     * The last reading while it may be used; NaN when it is lost or was never there. Comparisons with NaN find nothing.
     */
    double value(Parameter parameter) {
        return readings.value(parameter, now_us);
    }

    boolean isReached(Milestone milestone) {
        return milestones_us[milestone.ordinal()] != Signal.NEVER;
    }

    /** Start spool (%) when a milestone was reached; NaN when it was not known then. */
    double spoolAt_pct(Milestone milestone) {
        return spoolAt_pct[milestone.ordinal()];
    }

    /** When a milestone was reached; {@link Signal#NEVER} before. */
    long at_us(Milestone milestone) {
        return milestones_us[milestone.ordinal()];
    }
}
