package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The running script after a start that went wrong: what is done, what is to be done now, and for how long. It is a
 * table: {@link Row} holds what had happened, in the order in which it is asked, and the method of the same name what
 * is done about it. Every step is drawn from how the engine stands now, so that the script goes on by itself as things
 * are done, in any order.
 *
 * <p>It advises; the approved manuals and the operator's procedures have the last word.
 */
public final class Script {
    private static final Duration STILL_ENGAGED_AFTER = Duration.ofSeconds(3);

    private final WentWrong wrong;
    private final StartProfile profile;
    private final Standing now;
    private final Row row;
    private final List<Step> steps = new ArrayList<>();

    /** What had happened; the first that fits counts. */
    public enum Row {
        /** The starter stays on past its overrun speed, on an engine that runs. */
        OVERRUN,
        /** The fuel was cut and still flows. */
        CUT_NOT_EFFECTIVE,
        /**
         * A sheared drive: the spool falls while the starter is on, or does not turn though air or current is taken; or
         * no oil, no fan with fuel on.
         */
        LEFT_TO_RUN_DOWN,
        /** The temperature rises after the cut. */
        INTERNAL_FIRE,
        /** Fuel was never on. */
        FUEL_NEVER_ON,
        /** Fuel came on and never lit. */
        NEVER_LIT,
        /** It lit and was cut, the starter still on. */
        LIT_STARTER_ON,
        /** It lit and was cut, the starter already out. */
        LIT_STARTER_OUT,
        /** It lit and was cut, and the starter's time ends while it still has to be turned. */
        STARTER_TIME_ENDS
    }

    /** What a step asks for. */
    public enum Act {
        FUEL_OFF,
        IGNITION_OFF,
        SEE_FLOW_FALL,
        SECOND_MEANS,
        STARTER_OFF,
        TAKE_ITS_SUPPLY,
        KEEP_TURNING,
        DRAIN_AND_COOL,
        COOL,
        WAIT_FOR_SPEED,
        ENGAGE,
        RUN_DOWN,
        TELL,
        WRITE,
        START_AGAIN,
        MAINTENANCE
    }

    /** Where a step stands; {@link #ALSO} is done beside the others, at any time. */
    public enum State {
        DONE,
        NOW,
        NEXT,
        ALSO
    }

    /**
     * @param act what it asks for
     * @param words the same for the crew
     * @param state where it stands
     * @param left how long it still takes; null when that is not a matter of time
     */
    public record Step(
            Act act, String words, State state, @Nullable Duration left) {}

    private Script(WentWrong wrong) {
        this.wrong = wrong;
        this.profile = wrong.profile();
        this.now = wrong.now();
        this.row = rowOf(wrong);
    }

    /** The steps as they stand. */
    static Script of(WentWrong wrong) {
        Script script = new Script(wrong);
        switch (script.row) {
            case OVERRUN -> script.overrun();
            case CUT_NOT_EFFECTIVE -> script.cutNotEffective();
            case LEFT_TO_RUN_DOWN -> script.leftToRunDown();
            case INTERNAL_FIRE -> script.internalFire();
            case FUEL_NEVER_ON -> script.fuelNeverOn();
            case NEVER_LIT -> script.neverLit();
            case LIT_STARTER_ON, LIT_STARTER_OUT, STARTER_TIME_ENDS -> script.lit();
        }
        script.end();
        return script;
    }

    private static Row rowOf(WentWrong wrong) {
        Standing now = wrong.now();
        boolean burnt = now.fuel() ? wrong.lit() : now.left().fuel() == Clearing.Leaves.BURNT;
        return wrong.isOverrunAlone()
                ? Row.OVERRUN
                : wrong.found(FindingId.CUT_NOT_EFFECTIVE) && !now.fuel() && !now.flowStopped()
                        ? Row.CUT_NOT_EFFECTIVE
                        : wrong.mayNotBeTurned() && (wrong.fuelCame() || wrong.driveLost())
                                ? Row.LEFT_TO_RUN_DOWN
                                : wrong.found(FindingId.INTERNAL_FIRE)
                                        ? Row.INTERNAL_FIRE
                                        : wrong.found(FindingId.STARTER_OVERRUN)
                                                ? Row.LEFT_TO_RUN_DOWN
                                                : !wrong.fuelCame()
                                                        ? Row.FUEL_NEVER_ON
                                                        : !burnt && !wrong.reachedIdle()
                                                                ? Row.NEVER_LIT
                                                                : !now.starter()
                                                                        ? Row.LIT_STARTER_OUT
                                                                        : wrong.isStarterTimeOver()
                                                                                ? Row.STARTER_TIME_ENDS
                                                                                : Row.LIT_STARTER_ON;
    }

    // One method for each row.

    /** Starter OFF, the fuel stays ON; still engaged after 3 s: its air or current is taken away; still: fuel OFF. */
    private void overrun() {
        Duration since = wrong.sinceOverrun();
        boolean stays = now.starter() && since.compareTo(STILL_ENGAGED_AFTER) >= 0;
        boolean staysOn = now.starter() && since.compareTo(STILL_ENGAGED_AFTER.multipliedBy(2)) >= 0;
        step(
                Act.STARTER_OFF,
                stays ? "Starter switched OFF: it stays engaged" : "Starter OFF; the fuel stays ON",
                !now.starter() || stays);
        if (now.starter()) {
            step(
                    Act.TAKE_ITS_SUPPLY,
                    text("Still engaged after %d s: take away its %s", STILL_ENGAGED_AFTER.toSeconds(), supply()),
                    staysOn && now.fuel());
            step(Act.FUEL_OFF, "Still engaged: fuel OFF", !now.fuel());
        }
    }

    /** The second means, named for the type; two people agree which one. Then what had happened otherwise. */
    private void cutNotEffective() {
        fuelAndIgnitionOff();
        Double flow = now.flow_kgph();
        step(
                Act.SECOND_MEANS,
                text(
                        "Use the %s%s: two people agree which one, alone say it aloud",
                        profile.remedy().secondMeans(), flow == null ? "" : text(", fuel flows at %.0f kg/h", flow)),
                false);
        if (wrong.mayNotBeTurned()) {
            step(Act.STARTER_OFF, "Starter OFF", !now.starter());
        } else if (now.starter() && !wrong.lit() && drains()) {
            step(Act.STARTER_OFF, "Starter OFF", false);
        } else if (now.starter()) {
            step(Act.KEEP_TURNING, "Leave the starter ON meanwhile, within its time", false);
        }
    }

    /** Fuel OFF, starter OFF, let it run down; maintenance. */
    private void leftToRunDown() {
        if (wrong.fuelCame()) {
            fuelAndIgnitionOff();
            flowFalls();
        }
        step(Act.STARTER_OFF, "Starter OFF; do not turn it again", !now.starter());
        Double spool = now.spool_pct();
        step(
                Act.RUN_DOWN,
                text("Let %s run down", word(Parameter.SPOOL)),
                spool == null || spool < Attempt.STOPPED_pct);
        if (wrong.found(FindingId.FIRE_WARNING)) {
            also(Act.TELL, "Fire outside the core: work the list for fire. Tell ground and tower");
        }
    }

    /**
     * Fuel and ignition stay OFF; starter on: leave it ON; off: engage it at or under the speed; until the temperature
     * is at or under the maximum before fuel, then OFF. No fire bottle for a fire inside; a fire outside the core is
     * the fire list's.
     */
    private void internalFire() {
        fuelAndIgnitionOff();
        double cool_c = profile.fuel().hottestBefore_c();
        turn(
                !isAtOrUnder(cool_c),
                text("until %s is %.0f °C or less", word(Parameter.TEMPERATURE), cool_c),
                null,
                true);
        also(
                Act.TELL,
                "Tell ground and tower. No fire bottle for an internal fire; a fire outside the core: work the list "
                        + "for fire");
    }

    /** Starter OFF; no motoring, no dry motor; cool by duty; the cause found first. */
    private void fuelNeverOn() {
        step(Act.STARTER_OFF, "Starter OFF; no motoring", !now.starter());
        step(
                Act.COOL,
                "Let the starter cool, and find the cause first",
                !now.starter() && !wrong.coolFor().isPositive(),
                wrong.coolFor());
    }

    /**
     * Fuel OFF, ignition OFF; flow gone, else the second means. Jets: leave the starter ON for the rest of the time.
     * Where the type drains: starter OFF, drain, cool (the longer of drain and duty), dry motor with ignition OFF,
     * which counts as an engagement.
     */
    private void neverLit() {
        fuelAndIgnitionOff();
        flowFalls();
        Clearing.Left left = now.left();
        long whole = profile.remedy().turnUnlit().toSeconds();
        boolean owed = now.fuel() || !left.isCleared();
        if (!drains()) {
            turn(
                    owed,
                    text("for the rest of its %d s", whole),
                    now.fuel() ? profile.remedy().turnUnlit() : left.turn(),
                    false);
            return;
        }
        boolean drained = !now.fuel() && left.drain().isZero();
        if (!drained) {
            step(Act.STARTER_OFF, "Starter OFF", !now.starter());
        }
        // A starter that is on again before its drain is over begins the drain anew.
        Duration drain = longer(
                now.fuel() || now.starter() && !drained ? profile.remedy().drain() : left.drain(),
                now.starter() && drained ? Duration.ZERO : wrong.coolFor());
        boolean waited = !owed || drained && (now.starter() || !wrong.coolFor().isPositive());
        step(
                Act.DRAIN_AND_COOL,
                text(
                        "Let it drain and the starter cool: %d s, or longer by its duty",
                        profile.remedy().drain().toSeconds()),
                waited,
                drain);
        if (drained && owed && now.starter() && wrong.isStarterTimeOver()) {
            step(Act.STARTER_OFF, "Starter OFF: its time is over", false);
        }
        if (owed && !(drained && now.starter())) {
            step(Act.ENGAGE, text("Starter ON for a dry motor of %d s, fuel and ignition OFF", whole), false);
        }
        step(
                Act.KEEP_TURNING,
                owed ? text("Dry motor %d s, fuel and ignition OFF", whole) : text("Dry motored %d s", whole),
                !owed,
                left.turn());
        step(Act.STARTER_OFF, "Starter OFF", !owed && !now.starter());
    }

    /**
     * Fuel OFF, ignition OFF; flow and temperature fall, else the second means; the starter turns it to the temperature
     * before fuel, or for its seconds, within its time; then OFF. Already out: it stays OFF until the spool is at or
     * under the re-engagement speed, and is never engaged on a spool that runs down faster. Its time ends while still
     * hot: OFF, cool, engage again at or under the speed.
     */
    private void lit() {
        fuelAndIgnitionOff();
        flowFalls();
        Double until_c = profile.remedy().turnUntil_c();
        boolean burnt = now.fuel() ? !wrong.reachedIdle() : now.left().fuel() == Clearing.Leaves.BURNT;
        if (until_c != null) {
            // A spool that runs down fast hides the metal's heat: the temperature tells it once the starter turns it,
            // or it is slow.
            boolean tells = now.starter() || isSlowEnough();
            boolean cooled = tells && isAtOrUnder(until_c) || now.coolest_c() != null && now.coolest_c() <= until_c;
            turn(
                    burnt && !cooled,
                    text(
                            "until %s is %.0f °C or less, within its %d s",
                            word(Parameter.TEMPERATURE),
                            until_c,
                            profile.starter().allowed().toSeconds()),
                    null,
                    false);
        } else {
            Duration left = now.fuel() ? profile.remedy().turnLit() : now.left().turn();
            turn(
                    burnt && left.isPositive(),
                    text("for its %d s", profile.remedy().turnLit().toSeconds()),
                    left,
                    false);
        }
    }

    // What the rows share.

    private void fuelAndIgnitionOff() {
        step(
                Act.FUEL_OFF,
                wrong.computerWaits() == null
                        ? "Fuel OFF"
                        : "Fuel: the start computer cuts it; if it does not, OFF by hand",
                !now.fuel());
        boolean staysOn = !now.fuel() && Boolean.TRUE.equals(now.ignition());
        if (profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER || staysOn) {
            step(Act.IGNITION_OFF, "Ignition OFF", !now.fuel() && !Boolean.TRUE.equals(now.ignition()));
        }
    }

    private void flowFalls() {
        step(
                Act.SEE_FLOW_FALL,
                text(
                        "Flow and %s fall, else the %s",
                        word(Parameter.TEMPERATURE), profile.remedy().secondMeans()),
                !now.fuel() && now.flowStopped());
    }

    /**
     * Turns the engine on its starter: as it is, or engaged again once that may be. @param fire whether it may not wait
     * for the starter's cooling
     */
    private void turn(boolean owed, String until, @Nullable Duration left, boolean fire) {
        if (!owed) {
            step(Act.KEEP_TURNING, "Turned " + until, true);
            step(Act.STARTER_OFF, "Starter OFF", !now.starter());
            return;
        }
        boolean tooFast = wrong.isEngagedTooFast();
        boolean over = wrong.isStarterTimeOver() && !fire;
        if (now.starter() && !tooFast && !over) {
            step(Act.KEEP_TURNING, "Leave the starter ON " + until, false, left);
            step(Act.STARTER_OFF, "Starter OFF", false);
            return;
        }
        Double atMost = profile.starter().engageAtOrBelow_pct();
        if (now.starter()) {
            step(
                    Act.STARTER_OFF,
                    tooFast && atMost != null
                            ? text("Starter OFF: it may engage at %s %.0f %% or less", word(Parameter.SPOOL), atMost)
                            : "Starter OFF: its time is over",
                    false);
        }
        Double spool = now.spool_pct();
        if (atMost != null) {
            step(
                    Act.WAIT_FOR_SPEED,
                    text("Starter stays OFF until %s is %.0f %% or less", word(Parameter.SPOOL), atMost),
                    spool != null && spool <= atMost);
        }
        if (!fire) {
            step(
                    Act.COOL,
                    "Let the starter cool",
                    !now.starter() && !wrong.coolFor().isPositive(),
                    wrong.coolFor());
        }
        step(Act.ENGAGE, "Starter ON, fuel and ignition OFF", false);
        step(Act.KEEP_TURNING, "Turn it " + until, false);
        step(Act.STARTER_OFF, "Starter OFF", false);
    }

    /** Another start attempt, where one is offered; else maintenance first. The note holds the numbers. */
    private void end() {
        if (row == Row.CUT_NOT_EFFECTIVE) {
            also(Act.TELL, "Tell ground and tower");
        }
        also(Act.WRITE, wrong.note());
        AnotherAttempt another = wrong.another();
        if (another == null) {
            step(Act.MAINTENANCE, "Maintenance before another start", false);
        } else {
            int engagements = (int) steps.stream()
                    .filter(step -> step.act() == Act.ENGAGE && step.state() != State.DONE)
                    .count();
            step(Act.START_AGAIN, another.words(engagements), false, wrong.coolFor());
        }
    }

    private void step(Act act, String words, boolean done) {
        step(act, words, done, null);
    }

    private void step(Act act, String words, boolean done, @Nullable Duration left) {
        boolean before = steps.stream().allMatch(step -> step.state() == State.DONE || step.state() == State.ALSO);
        State state = done && before ? State.DONE : before ? State.NOW : State.NEXT;
        steps.add(new Step(act, words, state, state == State.NOW && left != null && left.isPositive() ? left : null));
    }

    private void also(Act act, String words) {
        steps.add(new Step(act, words, State.ALSO, null));
    }

    private boolean drains() {
        return !profile.remedy().drain().isZero();
    }

    /** At or under a temperature; where none is read, the crew's stopping the starter after turning it says so. */
    private boolean isAtOrUnder(double atMost_c) {
        Double temperature = now.temperature_c();
        return temperature != null
                ? temperature <= atMost_c
                : !now.starter() && now.left().turned().isPositive();
    }

    private boolean isSlowEnough() {
        Double atMost = profile.starter().engageAtOrBelow_pct();
        Double spool = now.spool_pct();
        return atMost == null || spool == null || spool <= atMost;
    }

    private String supply() {
        return profile.drive().manner() == StartProfile.Manner.BLEED_AIR ? "air" : "current";
    }

    private String word(Parameter parameter) {
        return profile.words(parameter);
    }

    private static Duration longer(Duration one, Duration other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    /** How much longer the start computer has to cut the fuel; null when the crew cuts. */
    @Nullable
    Duration computerWaits() {
        return now.fuel() ? wrong.computerWaits() : null;
    }

    /** Whether the starter that is on must go at once: it was engaged above its speed, or its time is over. */
    boolean starterMustGo() {
        return wrong.isEngagedTooFast() || wrong.isStarterTimeOver();
    }

    /** Which row it is. */
    public Row row() {
        return row;
    }

    /** All steps in their order. */
    public List<Step> steps() {
        return List.copyOf(steps);
    }

    /** What is to be done now. */
    public Step next() {
        return steps.stream()
                .filter(step -> step.state() == State.NOW)
                .findFirst()
                .orElseThrow();
    }

    /** Whether all but what follows on the ground is done. */
    public boolean isOver() {
        return Set.of(Act.START_AGAIN, Act.MAINTENANCE).contains(next().act());
    }
}
