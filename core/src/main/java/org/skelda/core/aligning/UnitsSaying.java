package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Missing;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.PositionSlip;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitTap;

/** The one sentence about the inertial units: what matters most of all that is so, why, and what is next for which. */
final class UnitsSaying {
    private final InertialProfile profile;
    private final Units all;
    private final List<InertialUnit> now;
    private final Instant at;

    UnitsSaying(InertialProfile profile, Units all, Instant at) {
        this.profile = profile;
        this.all = all;
        this.now = all.at(at);
        this.at = at;
    }

    /** What is said, and what is next for which units. */
    record Says(
            String says,
            @Nullable String why,
            boolean alarm,
            @Nullable Instant until,
            @Nullable UnitTap next,
            List<Integer> units) {
        static Says now(String says, @Nullable String why, @Nullable UnitTap next, List<Integer> units) {
            return new Says(says, why, false, null, next, units);
        }

        static Says alarm(String says, String why, @Nullable UnitTap next, List<Integer> units) {
            return new Says(says, why, true, null, next, units);
        }
    }

    Says says(Realignment.Advice advice, @Nullable Duration takes, UnitsViewing.Beside beside) {
        List<Integer> coded = those(unit -> unit.code() != null && unit.phase() != Phase.OFF);
        if (!coded.isEmpty()) {
            InertialProfile.Code code = code(String.valueOf(unitOf(coded).code()));
            return Says.alarm(
                    UnitsWords.name(coded.subList(0, 1)) + " shows " + code.code(),
                    UnitsWords.capital(code.meaning()) + ". " + code.todo(),
                    UnitTap.CODE_CLEARED,
                    coded.subList(0, 1));
        }
        List<Integer> wrong = those(unit -> isFar(unit.position()) && unit.phase() != Phase.STORING);
        if (!wrong.isEmpty()) {
            Position has = unitOf(wrong).position();
            boolean aligns = unitOf(wrong).phase() == Phase.ALIGNING;
            return Says.alarm(
                    UnitsWords.name(wrong) + (wrong.size() == 1 ? " holds" : " hold") + " a wrong position",
                    far(has) + (aligns ? " Enter the stand's." : " OFF, and align anew."),
                    aligns ? UnitTap.POSITION : UnitTap.OFF,
                    wrong);
        }
        List<Integer> asking = those(unit -> unit.entered() != null);
        if (!asking.isEmpty()) {
            return Says.alarm(
                    UnitsWords.name(asking) + (asking.size() == 1 ? " asks" : " ask") + " for the position again",
                    refused(unitOf(asking)),
                    UnitTap.POSITION,
                    asking);
        }
        List<Integer> storing = those(unit -> unit.phase() == Phase.STORING);
        if (!storing.isEmpty()) {
            return new Says(
                    UnitsWords.name(storing) + (storing.size() == 1 ? " stores its" : " store their") + " position",
                    "Power stays on meanwhile. Never by breaker.",
                    false,
                    unitOf(storing).since().plus(profile.rule().stores()),
                    null,
                    storing);
        }
        List<Integer> without = those(unit -> unit.missing(at).contains(Missing.POSITION));
        if (!without.isEmpty()) {
            return Says.now(
                    "Enter the position in " + UnitsWords.lower(UnitsWords.name(without)),
                    "Read it from the stand sign, not from memory. " + disturbed(beside),
                    UnitTap.POSITION,
                    without);
        }
        List<Integer> off = those(unit -> unit.phase() == Phase.OFF);
        if (!off.isEmpty()) {
            return off(off, advice, takes, beside);
        }
        List<Integer> counting = those(unit -> unit.missing(at).contains(Missing.TIME));
        if (!counting.isEmpty()) {
            return new Says(
                    UnitsWords.name(counting) + (counting.size() == 1 ? " aligns" : " align"),
                    anew(counting) + disturbed(beside),
                    false,
                    counting.stream()
                            .flatMap(number -> now.get(number - 1).counted().stream())
                            .max(Comparator.naturalOrder())
                            .orElse(null),
                    null,
                    counting);
        }
        List<Integer> ready = those(unit -> unit.phase() == Phase.ALIGNING);
        if (!ready.isEmpty()) {
            return Says.now(
                    UnitsWords.name(ready) + (ready.size() == 1 ? " is" : " are") + " aligned",
                    "Navigation before the aircraft moves.",
                    UnitTap.NAVIGATION,
                    ready);
        }
        return navigating(advice);
    }

    private Says off(
            List<Integer> off, Realignment.Advice advice, @Nullable Duration takes, UnitsViewing.Beside beside) {
        if (takes == null) {
            return Says.alarm(
                    "No alignment at " + all.stand().words().split(" W| E")[0],
                    String.format(
                            Locale.ROOT,
                            "The units align up to %.1f degrees. Use the operator's polar procedure.",
                            profile.rule().full().highestLatitude_deg()),
                    null,
                    off);
        }
        Instant latest = beside.offBlock().minus(takes);
        String late = at.isAfter(latest)
                ? "Switched on now, they are aligned "
                        + UnitsWords.minutes(Duration.between(beside.offBlock(), at.plus(takes))) + " after off-block. "
                : "";
        return Says.now(
                UnitsWords.name(off) + (off.size() == 1 ? " is off" : " are off"),
                late + reasons(advice) + disturbed(beside),
                UnitTap.ON,
                off);
    }

    private Says navigating(Realignment.Advice advice) {
        return switch (advice.kind()) {
            case QUICK -> Says.now("A quick alignment is wanted", reasons(advice), UnitTap.OFF, all.numbers());
            case FULL -> Says.now("A full alignment is wanted", reasons(advice), UnitTap.OFF, all.numbers());
            case NONE, NOT_DECIDED -> Says.now("Inertial units navigate", null, null, List.of());
        };
    }

    private static String reasons(Realignment.Advice advice) {
        String because = advice.reasons().stream().map(UnitsSaying::words).collect(Collectors.joining("; "));
        return switch (advice.kind()) {
            case FULL -> "Full alignment: " + UnitsWords.lower(because) + ". ";
            case QUICK -> UnitsWords.capital(because) + ". ";
            case NONE -> "";
            case NOT_DECIDED ->
                "Full, quick or none is not decided: " + advice.unknown().size()
                        + (advice.unknown().size() == 1 ? " thing is" : " things are") + " not known. ";
        };
    }

    private static String words(Realignment.Reason reason) {
        return reason.value() == null || reason.limit() == null
                ? reason.words()
                : String.format(
                        Locale.ROOT,
                        "%s %.1f %s, limit %.1f",
                        reason.words(),
                        reason.value(),
                        reason.unit(),
                        reason.limit());
    }

    /** What should not be while they align. */
    private String disturbed(UnitsViewing.Beside beside) {
        String engine = beside.engineTurns() ? "An engine turns: no unit is aligned meanwhile. " : "";
        Double gusts_kt = beside.gusts_kt();
        String gusts = gusts_kt != null && gusts_kt > profile.gusts_kt()
                ? String.format(
                        Locale.ROOT,
                        "Gusts of %.0f kt, over %.0f: a count may begin anew. ",
                        gusts_kt,
                        profile.gusts_kt())
                : "";
        return engine + gusts;
    }

    private String anew(List<Integer> counting) {
        int restarts = counting.stream()
                .mapToInt(number -> now.get(number - 1).restarts())
                .max()
                .orElse(0);
        return restarts == 0 ? "Nobody tows meanwhile. " : "It was moved, and the count began anew. ";
    }

    private String refused(InertialUnit unit) {
        Position typed = unit.entered();
        if (typed == null) {
            return "";
        }
        if (isFar(typed)) {
            return far(typed) + " The same typed twice would be taken.";
        }
        return "What was typed is the stand's; what the unit had stored is not. Its power was taken away before it had "
                + "stored, or it was off elsewhere. Type the same again.";
    }

    private String far(@Nullable Position typed) {
        if (typed == null) {
            return "";
        }
        String slip = slip(typed);
        return String.format(
                Locale.ROOT,
                "%s is %.0f NM from the stand, at most %.0f.%s",
                typed.words(),
                typed.distance_NM(all.stand()),
                profile.rule().near_NM(),
                slip == null ? "" : " " + UnitsWords.capital(slip) + "?");
    }

    private boolean isFar(@Nullable Position position) {
        return position != null
                && position.distance_NM(all.stand()) > profile.rule().near_NM();
    }

    @Nullable
    String slip(Position typed) {
        return PositionSlip.explaining(typed, all.stand(), profile.rule().near_NM())
                .map(PositionSlip::words)
                .orElse(null);
    }

    InertialProfile.Code code(String code) {
        return profile.meaning(code)
                .orElse(new InertialProfile.Code(
                        code, "not in this type's document", "Look it up in the approved manual."));
    }

    List<Integer> those(Predicate<InertialUnit> which) {
        return all.numbers().stream()
                .filter(number -> which.test(now.get(number - 1)))
                .toList();
    }

    private InertialUnit unitOf(List<Integer> numbers) {
        return now.get(numbers.getFirst() - 1);
    }
}
