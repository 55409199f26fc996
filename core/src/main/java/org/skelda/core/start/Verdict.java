package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Signal;

/**
 * One sentence to act on, with the engine's name, and why.
 *
 * @param call what it comes down to
 * @param sentence to act on
 * @param reasons ranked: what to act on first, first
 * @param note what the act does not do, or what is not being watched; empty when there is nothing to add
 * @param next what to look for next; null when something is to be done first
 */
public record Verdict(Call call, String sentence, List<String> reasons, String note, @Nullable Milestone next) {
    private static final double COMPUTER_WAITS_s = 2;

    public Verdict {
        reasons = List.copyOf(reasons);
    }

    /** What a verdict comes down to, the most pressing first. */
    public enum Call { BLIND, SECOND_MEANS, CUT_FUEL, COMPUTER_STOPS, KEEP_TURNING, STOP_STARTER, AFTER_CUT, ADVISE, ON_TRACK, RESTING }

    /** Nothing comes from the aircraft. @param starting whether a start was under way when it fell silent */
    public static Verdict noData(String engine, boolean starting) {
        return new Verdict(Call.BLIND, engine + ": no data. Use the aircraft's gauges.", List.of(starting ? "The feed fell silent in mid-start." : "The feed is silent."), "", null);
    }

    /** Between attempts, after one that has ended: what came of it. */
    public static Verdict after(String engine, AttemptReport last) {
        return switch (last.outcome().kind()) {
            case NORMAL -> new Verdict(Call.RESTING, engine + ": started, at idle", List.of(), "", null);
            case DRY_MOTOR -> new Verdict(Call.RESTING, engine + ": dry motored, not started", List.of(), "", null);
            case FINDING -> new Verdict(Call.AFTER_CUT, engine + ": start ended. Work the steps after a cut.", reasons(last.findings()), "", null);
            case CREW_ABORT -> new Verdict(Call.AFTER_CUT, engine + ": start given up. Work the steps after a cut.", List.of(), "", null);
            case UNKNOWN -> new Verdict(Call.RESTING, engine + (last.milestones().containsKey(Milestone.IDLE) ? ": at idle, not seen all the way" : ": not seen to its end"),
                    List.of("Readings were missing while they were needed. Check it by the aircraft's gauges."), "", null);
            case INCOMPLETE -> new Verdict(Call.RESTING, engine + ": not starting", List.of("The start before was not seen to its end."), "", null);
        };
    }

    static Verdict resting(String engine) {
        return new Verdict(Call.RESTING, engine + ": not starting", List.of(), "", null);
    }

    static Verdict of(String engine, Attempt a) {
        if (isBlind(a)) {
            return new Verdict(Call.BLIND, engine + ": no data. Use the aircraft's gauges.", List.of(lost(a)), "", null);
        }
        List<Finding> open = open(a);
        if (!open.isEmpty()) {
            return toAct(engine, a, open);
        }
        if (a.isReached(Milestone.FUEL_ON) && !a.switches().fuel()) {
            return new Verdict(Call.AFTER_CUT, engine + ": fuel is off. Work the steps after a cut.", reasons(a.findings()), "", null);
        }
        List<Finding> advice = a.findings().stream().filter(finding -> !finding.action().cuts()).sorted(Finding.IN_ORDER).toList();
        if (!advice.isEmpty()) {
            return new Verdict(Call.ADVISE, engine + ": go on, and know this", reasons(advice), unwatched(a), next(a));
        }
        return new Verdict(Call.ON_TRACK, engine + ": on track", List.of(), unwatched(a), next(a));
    }

    private static boolean isBlind(Attempt a) {
        boolean needed = (a.switches().starter() || a.switches().fuel()) && !a.isReached(Milestone.IDLE);
        return needed && (a.readings().of(Parameter.SPOOL).isLostAt(a.now_us()) || a.readings().of(Parameter.TEMPERATURE).isLostAt(a.now_us()));
    }

    private static String lost(Attempt a) {
        Parameter which = a.readings().of(Parameter.SPOOL).isLostAt(a.now_us()) ? Parameter.SPOOL : Parameter.TEMPERATURE;
        Signal signal = a.readings().of(which);
        return signal.isMeasured()
                ? text("The last %s was read %.1f s ago.", a.profile().words(which), (a.now_us() - signal.last_us()) / 1e6)
                : text("No %s has been read.", a.profile().words(which));
    }

    /** Findings whose action is still to be done. */
    private static List<Finding> open(Attempt a) {
        return a.findings().stream().filter(finding -> switch (finding.action()) {
            case CUT_FUEL, AUTO_STOP -> a.switches().fuel();
            case STOP_STARTER -> a.switches().starter();
            case SECOND_MEANS -> !a.switches().fuel() && a.value(Parameter.FLOW) > CutWatch.STOPPED_FLOW_kgph;
            case KEEP_TURNING -> !a.switches().fuel();
            case ADVISE -> false;
        }).sorted(Comparator.comparing((Finding finding) -> rank(a, finding)).thenComparing(Finding.IN_ORDER)).toList();
    }

    /** Fuel always goes off before the starter when both must. */
    private static Call rank(Attempt a, Finding finding) {
        return switch (finding.action()) {
            case SECOND_MEANS -> Call.SECOND_MEANS;
            case CUT_FUEL -> Call.CUT_FUEL;
            case AUTO_STOP -> waited_s(a, finding) < COMPUTER_WAITS_s ? Call.COMPUTER_STOPS : Call.CUT_FUEL;
            case KEEP_TURNING -> Call.KEEP_TURNING;
            case STOP_STARTER -> a.switches().fuel() && finding.id() != FindingId.STARTER_OVERRUN ? Call.CUT_FUEL : Call.STOP_STARTER;
            case ADVISE -> Call.ADVISE;
        };
    }

    private static double waited_s(Attempt a, Finding finding) {
        return (a.now_us() - a.startedAt_us()) / 1e6 - finding.at().toNanos() / 1e9;
    }

    private static Verdict toAct(String engine, Attempt a, List<Finding> open) {
        Call call = rank(a, open.getFirst());
        if (call == Call.COMPUTER_STOPS) {
            return new Verdict(call, text("%s: the start computer should cut the fuel, %.0f s", engine,
                    Math.ceil(COMPUTER_WAITS_s - waited_s(a, open.getFirst()))), reasons(open), "If it does not, cut the fuel yourself.", null);
        }
        return toAct(engine, call, a.profile(), a.switches().starter(), a.switches().fuel(), reasons(open));
    }

    /** What to do at once. Each says what it does not do. */
    private static Verdict toAct(String engine, Call call, StartProfile profile, boolean starter, boolean fuel, List<String> reasons) {
        return switch (call) {
            case SECOND_MEANS -> new Verdict(call, text("%s: use the %s", engine, profile.remedy().secondMeans()), reasons,
                    "The fuel lever did not stop the fuel.", null);
            case CUT_FUEL -> new Verdict(call, engine + ": cut the fuel", reasons, starter ? "Cutting the fuel does not stop the starter: it stays on." : "", null);
            case KEEP_TURNING -> new Verdict(call, engine + ": keep it turning, fuel off", reasons, "Turning it does not stop fuel that still flows.", null);
            default -> new Verdict(Call.STOP_STARTER, engine + ": stop the starter", reasons,
                    fuel ? "Stopping the starter leaves the fuel on. If its switch does not end it, take away its "
                            + (profile.drive().manner() == StartProfile.Manner.BLEED_AIR ? "air" : "current") + ", then shut down."
                            : "Fuel stays off.", null);
        };
    }

    /**
     * Of a start that nothing reads: it calls for an act only on what the crew says.
     *
     * @param told as the crew told it
     * @param report the same as a report
     * @param next what comes next; null when something is to be done first
     */
    static Verdict tapped(String engine, StartProfile profile, TappedStart told, AttemptReport report, @Nullable Milestone next) {
        List<Finding> open = report.findings().stream().filter(finding -> tappedRank(told, finding) != Call.ADVISE)
                .sorted(Comparator.comparing((Finding finding) -> tappedRank(told, finding)).thenComparing(Finding.IN_ORDER)).toList();
        if (!open.isEmpty()) {
            return toAct(engine, tappedRank(told, open.getFirst()), profile, told.starter(), told.fuel(), reasons(open));
        }
        if (report.ended()) {
            return after(engine, report);
        }
        if (told.has(Tap.FUEL_OFF)) {
            return new Verdict(Call.AFTER_CUT, engine + ": fuel is off. Work the steps after a cut.", reasons(report.findings()), "", null);
        }
        List<Finding> advice = report.findings();
        return new Verdict(advice.isEmpty() ? Call.ON_TRACK : Call.ADVISE, engine + ": as you tap it", reasons(advice), "every gauge; read them yourself", next);
    }

    /** What is still to be done about what the crew said; ADVISE for nothing. */
    private static Call tappedRank(TappedStart told, Finding finding) {
        return switch (finding.action()) {
            case SECOND_MEANS -> told.has(Tap.FLOW_FALLS) ? Call.ADVISE : Call.SECOND_MEANS;
            case CUT_FUEL, AUTO_STOP -> told.fuel() && !told.has(Tap.IDLE) ? Call.CUT_FUEL : Call.ADVISE;
            case KEEP_TURNING -> told.told(Tap.STARTER_OFF).filter(off -> off.at().compareTo(finding.at()) > 0).isPresent() ? Call.ADVISE : Call.KEEP_TURNING;
            case STOP_STARTER -> !told.starter() ? Call.ADVISE : told.fuel() && finding.id() != FindingId.STARTER_OVERRUN ? Call.CUT_FUEL : Call.STOP_STARTER;
            case ADVISE -> Call.ADVISE;
        };
    }

    private static List<String> reasons(List<Finding> findings) {
        return findings.stream().map(Finding::reason).toList();
    }

    private static String unwatched(Attempt a) {
        List<String> missing = new ArrayList<>();
        for (Parameter parameter : List.of(Parameter.SPOOL, Parameter.FAN, Parameter.TEMPERATURE, Parameter.FLOW, Parameter.OIL, a.profile().supplyParameter())) {
            Signal signal = a.readings().of(parameter);
            if (!signal.isMeasured()) {
                missing.add(a.profile().words(parameter) + " not measured");
            } else if (signal.isLostAt(a.now_us())) {
                missing.add(a.profile().words(parameter) + " lost");
            }
        }
        return String.join(", ", missing);
    }

    private static @Nullable Milestone next(Attempt a) {
        for (Milestone milestone : Milestone.values()) {
            boolean canCome = switch (milestone) {
                case VALVE_OPEN -> a.profile().drive().manner() == StartProfile.Manner.BLEED_AIR && a.readings().of(Parameter.DUCT).isMeasured();
                case OIL_RISING -> a.readings().of(Parameter.OIL).isMeasured();
                case FAN_ROTATION -> a.readings().of(Parameter.FAN).isMeasured();
                case FUEL_ALLOWED -> !a.isReached(Milestone.FUEL_ON);
                case ROTATION, FUEL_ON, LIGHT_OFF, STARTER_OUT, IDLE -> true;
            };
            if (canCome && !a.isReached(milestone)) {
                return milestone;
            }
        }
        return null;
    }
}
