package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What is said of one engine at one moment: the verdict, the ladder and the script, drawn from the same facts, so that
 * they name the same next act.
 *
 * @param verdict what to do now, and why
 * @param ladder what to look for, in the order in which the type reaches it; nothing in it is next while a script runs
 * @param script the steps after a start that went wrong; empty when there is none
 */
public record StartAdvice(Verdict verdict, List<Ladder.Rung> ladder, List<Script.Step> script) {
    private static final Duration SHOWN_AFTER = Duration.ofMinutes(2);
    private static final Set<Script.Row> STARTER_MUST_GO =
            EnumSet.of(Script.Row.OVERRUN, Script.Row.FUEL_NEVER_ON, Script.Row.LEFT_TO_RUN_DOWN);
    private static final String BLIND = "no data. Use the aircraft's gauges.";

    /**
     * @param engine how the crew calls it
     * @param profile of the type
     * @param attempts of the engine in their order, the newest last
     * @param running whether the newest runs
     * @param since time since the newest attempt's starter on; zero before there was one
     * @param now how the engine stands
     * @param sight how it is seen
     * @param next the next try of the starter, were it off now
     * @param coolFor until the starter has cooled, were it off now
     */
    private record Moment(
            String engine,
            StartProfile profile,
            List<AttemptReport> attempts,
            boolean running,
            Duration since,
            Standing now,
            Sight sight,
            StarterDuty.NextTry next,
            Duration coolFor) {
        @Nullable
        AttemptReport newest() {
            return attempts.isEmpty() ? null : attempts.getLast();
        }

        boolean isRecent() {
            AttemptReport newest = newest();
            return newest != null && (running || since.minus(newest.lasted()).compareTo(SHOWN_AFTER) < 0);
        }
    }

    /**
     * Of an engine that is read.
     *
     * @param engine how the crew calls it
     * @param silent whether nothing has come for too long
     * @param next the next try of the starter, were it off now
     * @param coolFor until the starter has cooled, were it off now; zero or negative once it has
     * @param time a moment of the samples' clock (us) in words
     */
    public static StartAdvice read(
            String engine,
            StartMonitor monitor,
            boolean silent,
            StarterDuty.NextTry next,
            Duration coolFor,
            TimeWords time) {
        List<AttemptReport> attempts = monitor.attempts();
        Duration since = attempts.isEmpty() ? Duration.ZERO : monitor.since(attempts.getLast());
        return of(new Moment(
                engine,
                monitor.profile(),
                attempts,
                monitor.isRunning(),
                since,
                monitor.standing(),
                monitor.sight(silent, time),
                next,
                coolFor));
    }

    /**
     * Of an engine that the crew tells of.
     *
     * @param told the newest start as told
     * @param attempts of the engine in their order, the newest last
     * @param now how the engine stands, as far as was told
     */
    static StartAdvice tapped(
            String engine,
            StartProfile profile,
            TappedStart told,
            List<AttemptReport> attempts,
            Duration since,
            Standing now,
            @Nullable Milestone ahead,
            StarterDuty.NextTry next,
            Duration coolFor) {
        return of(new Moment(engine, profile, attempts, !told.ended(), since, now, Sight.tapped(ahead), next, coolFor));
    }

    private static StartAdvice of(Moment m) {
        Script script = WentWrong.of(m.profile(), m.attempts(), m.now(), m.since(), m.next(), m.coolFor())
                .map(StartAdvice::scriptOf)
                .orElse(null);
        Verdict verdict = verdict(m, script);
        AttemptReport shown = m.isRecent() ? m.newest() : null;
        return new StartAdvice(
                verdict,
                Ladder.of(
                        m.profile(),
                        shown,
                        m.since(),
                        verdict.next(),
                        m.sight().fuel(),
                        m.now().ignition()),
                script == null ? List.of() : script.steps());
    }

    /**
     * A start goes on once its overrun starter is off. All else stands until fuel comes on again: nobody forgets what
     * must come before.
     */
    private static @Nullable Script scriptOf(WentWrong wrong) {
        Script script = Script.of(wrong);
        boolean goesOn = script.row() == Script.Row.OVERRUN && !wrong.now().starter();
        return goesOn ? null : script;
    }

    private static Verdict verdict(Moment m, @Nullable Script script) {
        Verdict asked = script == null ? null : ofScript(m, script);
        if (asked != null && asked.call().isToActOn()) {
            return asked;
        }
        if (m.sight().silent() && (m.running() || asked == null) || m.sight().lost() != null) {
            return blind(m);
        }
        return asked != null ? asked : m.running() ? running(m) : resting(m);
    }

    private static Verdict blind(Moment m) {
        String lost = m.sight().lost();
        String reason =
                lost != null ? lost : m.running() ? "The feed fell silent in mid-start." : "The feed is silent.";
        String sentence =
                m.engine() + ": " + BLIND + (m.running() ? " If you cannot see the temperature either: fuel OFF." : "");
        return new Verdict(Verdict.Call.BLIND, sentence, List.of(reason), "", null);
    }

    private static Verdict running(Moment m) {
        Verdict hand = handDue(m);
        if (hand != null) {
            return hand;
        }
        AttemptReport newest = m.newest();
        if (newest != null
                && !m.sight().tapped()
                && !m.now().starter()
                && !m.now().fuel()
                && !newest.milestones().containsKey(Milestone.FUEL_ON)) {
            return new Verdict(
                    Verdict.Call.ADVISE,
                    m.engine() + ": starter off, it runs down",
                    List.of("No fuel came. If no hand switched it off, look for its air or its current."),
                    m.sight().unwatched(),
                    null);
        }
        List<String> advice = m.newest() == null
                ? List.of()
                : m.newest().findings().stream()
                        .sorted(Finding.IN_ORDER)
                        .map(Finding::reason)
                        .toList();
        String well =
                m.sight().tapped() ? ": as you tap it" : advice.isEmpty() ? ": on track" : ": go on, and know this";
        return new Verdict(
                advice.isEmpty() ? Verdict.Call.ON_TRACK : Verdict.Call.ADVISE,
                m.engine() + well,
                advice,
                m.sight().unwatched(),
                m.sight().next());
    }

    /** A starter that a hand switches off, at its speed; null while it is not due. */
    private static @Nullable Verdict handDue(Moment m) {
        StartProfile.Starter starter = m.profile().starter();
        Double spool = m.now().spool_pct();
        if (!starter.byHand()
                || !m.now().starter()
                || !m.now().fuel()
                || spool == null
                || spool < starter.cutOut_pct()) {
            return null;
        }
        return new Verdict(
                Verdict.Call.HAND_DUE,
                m.engine() + ": starter OFF",
                List.of(text(
                        "%s %.0f %%: off at %.0f %%, it overruns at %.0f %%.",
                        m.profile().words(Parameter.SPOOL), spool, starter.cutOut_pct(), starter.overrun_pct())),
                "It stops only the starter; fuel stays on.",
                m.sight().next());
    }

    private static Verdict resting(Moment m) {
        AttemptReport last = m.isRecent() ? m.newest() : null;
        String words = last == null
                ? ": not starting"
                : switch (last.outcome().kind()) {
                    case NORMAL -> ": started, at idle";
                    case DRY_MOTOR -> ": dry motored, not started";
                    case UNKNOWN ->
                        last.milestones().containsKey(Milestone.IDLE)
                                ? ": at idle, not seen all the way"
                                : ": not seen to its end";
                    case FINDING ->
                        last.milestones().containsKey(Milestone.IDLE) && m.now().fuel()
                                ? ": started, at idle"
                                : ": not starting";
                    case CREW_ABORT, INCOMPLETE -> ": not starting";
                };
        List<String> reasons = last == null
                ? List.of()
                : switch (last.outcome().kind()) {
                    case UNKNOWN ->
                        List.of("Readings were missing while they were needed. Check it by the aircraft's gauges.");
                    case INCOMPLETE -> List.of("The start before was not seen to its end.");
                    case FINDING ->
                        Stream.concat(reasons(m).stream().limit(1), Stream.of("Maintenance before another start."))
                                .toList();
                    default -> List.of();
                };
        return new Verdict(Verdict.Call.RESTING, m.engine() + words, reasons, "", null);
    }

    // What the script asks for now.

    private static Verdict ofScript(Moment m, Script script) {
        Script.Step step = script.next();
        Verdict.Call call = call(m, script, step);
        List<String> reasons = Optional.ofNullable(
                        m.sight().silent() || m.sight().lost() != null ? unseen(m) : null)
                .map(unseen -> {
                    List<String> all = new java.util.ArrayList<>(reasons(m));
                    all.add(all.isEmpty() ? 0 : 1, unseen);
                    return all;
                })
                .orElseGet(() -> reasons(m));
        if (call == Verdict.Call.COMPUTER_STOPS) {
            return new Verdict(
                    call,
                    text("%s: the start computer should cut the fuel, %d s", m.engine(), secondsUp(waits(m, script))),
                    reasons,
                    "If it does not, cut the fuel yourself.",
                    null);
        }
        return new Verdict(
                call, m.engine() + ": " + sentence(m.profile(), step.act(), m.now()), reasons, note(m, step), null);
    }

    private static String unseen(Moment m) {
        String lost = m.sight().lost();
        return lost != null ? lost : "Nothing is read any more.";
    }

    private static Duration waits(Moment m, Script script) {
        return Optional.ofNullable(script.computerWaits()).orElse(Duration.ZERO);
    }

    private static Verdict.Call call(Moment m, Script script, Script.Step step) {
        boolean fire = script.row() == Script.Row.INTERNAL_FIRE;
        return switch (step.act()) {
            case FUEL_OFF -> script.computerWaits() == null ? Verdict.Call.CUT_FUEL : Verdict.Call.COMPUTER_STOPS;
            case SECOND_MEANS -> Verdict.Call.SECOND_MEANS;
            case TAKE_ITS_SUPPLY -> Verdict.Call.STOP_STARTER;
            case STARTER_OFF ->
                STARTER_MUST_GO.contains(script.row()) || script.starterMustGo()
                        ? Verdict.Call.STOP_STARTER
                        : Verdict.Call.AFTER_CUT;
            case KEEP_TURNING, ENGAGE, WAIT_FOR_SPEED -> fire ? Verdict.Call.KEEP_TURNING : Verdict.Call.AFTER_CUT;
            case IGNITION_OFF, SEE_FLOW_FALL, DRAIN_AND_COOL, COOL, RUN_DOWN, TELL, WRITE, START_AGAIN, MAINTENANCE ->
                Verdict.Call.AFTER_CUT;
        };
    }

    private static String sentence(StartProfile profile, Script.Act act, Standing now) {
        return switch (act) {
            case FUEL_OFF -> "cut the fuel";
            case IGNITION_OFF -> "ignition OFF";
            case SEE_FLOW_FALL -> text("see flow and %s fall", profile.words(Parameter.TEMPERATURE));
            case SECOND_MEANS -> text("use the %s", profile.remedy().secondMeans());
            case STARTER_OFF -> "stop the starter";
            case TAKE_ITS_SUPPLY ->
                "take away its " + (profile.drive().manner() == StartProfile.Manner.BLEED_AIR ? "air" : "current");
            case KEEP_TURNING -> "keep it turning, fuel OFF";
            case DRAIN_AND_COOL -> now.starter() ? "stop the starter" : "let it drain, starter OFF";
            case COOL -> "let the starter cool";
            case WAIT_FOR_SPEED ->
                text(
                        "starter OFF until %s is %.0f %% or less",
                        profile.words(Parameter.SPOOL),
                        Objects.requireNonNull(profile.starter().engageAtOrBelow_pct()));
            case ENGAGE -> "turn it on the starter, fuel and ignition OFF";
            case RUN_DOWN -> "let it run down";
            case START_AGAIN -> "another start attempt may follow";
            case MAINTENANCE, TELL, WRITE -> "maintenance before another start";
        };
    }

    /** What the act does not do. */
    private static String note(Moment m, Script.Step step) {
        return switch (step.act()) {
            case FUEL_OFF -> m.now().starter() ? "Cutting the fuel does not stop the starter: it stays on." : "";
            case SECOND_MEANS -> "The fuel lever did not stop the fuel.";
            case STARTER_OFF, TAKE_ITS_SUPPLY ->
                m.now().fuel() ? "Stopping the starter leaves the fuel on." : "Fuel stays off.";
            case KEEP_TURNING -> "Turning it does not stop fuel that still flows.";
            default -> "";
        };
    }

    private static List<String> reasons(Moment m) {
        if (m.newest() == null) {
            return List.of();
        }
        Comparator<Finding> pressing = Comparator.comparing(finding -> switch (finding.action()) {
            case SECOND_MEANS -> 0;
            case CUT_FUEL, AUTO_STOP -> 1;
            case KEEP_TURNING -> 2;
            case STOP_STARTER -> 3;
            case ADVISE -> 4;
        });
        for (int i = m.attempts().size() - 1; i >= 0; i--) {
            List<String> reasons = m.attempts().get(i).findings().stream()
                    .sorted(pressing.thenComparing(Finding.IN_ORDER))
                    .map(Finding::reason)
                    .toList();
            if (!reasons.isEmpty()) {
                return reasons;
            }
        }
        return List.of();
    }

    private static long secondsUp(Duration duration) {
        return (duration.toMillis() + 999) / 1000;
    }

    /** A moment of a clock in words. */
    public interface TimeWords {
        /** @param at_us microseconds on the clock of the samples */
        String of(long at_us);
    }
}
