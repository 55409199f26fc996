package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The running script after a start that was cut: what is done, what is to be done now, and for how long. The steps are the type's;
 * the fuel always goes off first. It advises; the approved manuals and the operator's procedures have the last word.
 */
public final class AfterCut {
    private final StartProfile profile;
    private final AttemptReport attempt;
    private final Standing standing;
    private final List<Step> steps = new ArrayList<>();
    private @Nullable Duration reached;

    /** Where a step stands. */
    public enum State { DONE, NOW, NEXT }

    /**
     * @param words what to do
     * @param left how long it still takes; null when that is not a matter of time
     */
    public record Step(String words, State state, @Nullable Duration left) {}

    private AfterCut(StartProfile profile, AttemptReport attempt, Standing standing) {
        this.profile = profile;
        this.attempt = attempt;
        this.standing = standing;
    }

    /**
     * The steps as they stand.
     *
     * @param profile of the type
     * @param attempt that went wrong
     * @param standing of the engine now, in the attempt's time
     * @param next when the starter may engage again
     * @param nextIn how long until then; zero or negative once it may
     */
    public static List<Step> script(StartProfile profile, AttemptReport attempt, Standing standing, StarterDuty.NextTry next, Duration nextIn) {
        AfterCut script = new AfterCut(profile, attempt, standing);
        script.fuelOff();
        script.confirm();
        script.fire();
        boolean lit = attempt.reached(Milestone.LIGHT_OFF).isPresent();
        (lit ? profile.remedy().hot() : profile.remedy().noLight()).forEach(script::remedy);
        script.again(next, nextIn);
        script.add(text("Write for maintenance: %s", note(profile, attempt)), false, null);
        return List.copyOf(script.steps);
    }

    private void add(String words, boolean done, @Nullable Duration left) {
        boolean before = steps.stream().allMatch(step -> step.state() == State.DONE);
        steps.add(new Step(words, done && before ? State.DONE : before ? State.NOW : State.NEXT, before && !done ? left : null));
    }

    private void fuelOff() {
        add(profile.drive().automatic() ? "Fuel off: the start computer cuts it; if it does not, lever off" : "Fuel lever off", !standing.fuel(), null);
        reached = standing.fuel() ? null : standing.cut();
    }

    /** The cut is confirmed by falling flow and temperature, else the second means. */
    private void confirm() {
        boolean ineffective = attempt.findings().stream().anyMatch(finding -> finding.id() == FindingId.CUT_NOT_EFFECTIVE);
        Double flow = standing.flow_kgph();
        boolean stopped = standing.flowStopped();
        add(ineffective && !stopped ? text("Use the %s: fuel still flows%s", profile.remedy().secondMeans(), flow == null ? "" : text(" at %.0f kg/h", flow))
                : text("See flow and %s fall, else use the %s", profile.words(Parameter.TEMPERATURE), profile.remedy().secondMeans()),
                !standing.fuel() && stopped, null);
    }

    private void fire() {
        Optional<Finding> fire = attempt.findings().stream().filter(finding -> finding.id() == FindingId.INTERNAL_FIRE).findFirst();
        if (fire.isPresent()) {
            add(text("Keep it turning until the %s falls: fire inside the engine", profile.words(Parameter.TEMPERATURE)),
                    isCool(profile.fuel().hottestBefore_c()), null);
        }
    }

    /** At or under a temperature; where none is read, the crew's stopping the starter says so. */
    private boolean isCool(double atMost_c) {
        Double temperature = standing.temperature_c();
        return temperature != null ? temperature <= atMost_c : standing.firstOff() != null;
    }

    private void remedy(StartProfile.Remedy.Step step) {
        switch (step.doing()) {
            case KEEP_TURNING -> keepTurning(step);
            case STOP_STARTER -> {
                add("Starter off", standing.firstOff() != null, null);
                reached = reached == null ? null : standing.firstOff();
            }
            case DRAIN -> timed(step, text("Let it drain %d s", seconds(step.time())));
            case DRY_MOTOR -> dryMotor(step);
        }
    }

    private void keepTurning(StartProfile.Remedy.Step step) {
        Double untilCool = step.untilCool_c();
        if (untilCool == null) {
            Duration stopped = standing.firstOff();
            if (reached != null && stopped != null && step.time() != null && stopped.compareTo(reached.plus(step.time())) < 0) {
                add(text("Turned on the starter %d s of %d s", Math.max(0, stopped.minus(reached).toSeconds()), seconds(step.time())), true, null);
                reached = stopped;
                return;
            }
            timed(step, text("Keep turning on the starter %d s, then starter off", seconds(step.time())));
            return;
        }
        boolean cool = isCool(untilCool);
        add(text("Keep turning to %.0f degC or less, within the starter's %d s", untilCool, profile.starter().allowed().toSeconds()), cool, null);
        add("Starter off", standing.firstOff() != null, null);
        reached = cool ? standing.firstOff() : null;
    }

    private void timed(StartProfile.Remedy.Step step, String words) {
        Duration time = step.time();
        if (time == null || reached == null) {
            add(words, false, time);
            reached = null;
            return;
        }
        Duration left = reached.plus(time).minus(standing.now());
        boolean done = !left.isPositive();
        add(words, done, left);
        reached = done ? reached.plus(time) : null;
    }

    private void dryMotor(StartProfile.Remedy.Step step) {
        Duration time = step.time() == null ? Duration.ZERO : step.time();
        String words = text("Dry motor %d s: starter on, fuel and ignition off", time.toSeconds());
        Duration on = standing.starterOn();
        if (reached == null || on == null || on.compareTo(reached) < 0) {
            add(words, false, time);
            reached = null;
            return;
        }
        Duration until = standing.starter() || standing.starterOff() == null ? standing.now() : standing.starterOff();
        Duration left = time.minus(until.minus(on));
        add(words, !left.isPositive(), left);
        reached = left.isPositive() ? null : on.plus(time);
    }

    private void again(StarterDuty.NextTry next, Duration nextIn) {
        if (profile.remedy().tries() == 1) {
            add("No second try: the start computer makes one. Ask maintenance", false, null);
            return;
        }
        String spool = next.spoolAtMost_pct() == null ? "" : text(" and %s at %.0f %% or less", profile.words(Parameter.SPOOL), next.spoolAtMost_pct());
        Double now = standing.spool_pct();
        boolean slowEnough = next.spoolAtMost_pct() == null || now != null && now <= next.spoolAtMost_pct();
        add(text("Starter may engage again once cooled%s: try %d of %d", spool, next.number(), next.of()),
                !nextIn.isPositive() && slowEnough && !standing.starter(), nextIn.isPositive() ? nextIn : null);
    }

    /** What the crew writes down for maintenance, with the numbers. */
    public static String note(StartProfile profile, AttemptReport attempt) {
        StringBuilder note = new StringBuilder(profile.name()).append(", start cut");
        note.append(attempt.findings().stream().filter(finding -> finding.action().cuts()).findFirst()
                .map(finding -> text(" at %.1f s, %s: %s", finding.at().toNanos() / 1e9, finding.id(), finding.reason())).orElse("."));
        AttemptReport.Peak peak = attempt.peak();
        if (peak != null) {
            note.append(text(" Peak %s %.0f degC.", profile.words(Parameter.TEMPERATURE), peak.value_c()));
        }
        attempt.exceedances().forEach(exceedance -> note.append(text(" Above %.0f degC for %.1f s.", exceedance.limit().value(), exceedance.dwell().toNanos() / 1e9)));
        note.append(text(" Starter on %.0f s.", attempt.figures().starterOn().toNanos() / 1e9));
        return note.toString();
    }

    private static long seconds(@Nullable Duration duration) {
        return duration == null ? 0 : duration.toSeconds();
    }
}
