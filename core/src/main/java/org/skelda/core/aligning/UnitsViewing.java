package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Missing;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.PositionSlip;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitTap;

/** What the inertial units' state means for their crew: one sentence, what can be told, what each waits for. */
public final class UnitsViewing {
    private final InertialProfile profile;
    private final Units all;
    private final List<InertialUnit> now;
    private final boolean read;
    private final Instant at;

    private UnitsViewing(InertialProfile profile, Units all, boolean read, Instant at) {
        this.profile = profile;
        this.all = all;
        this.now = all.at(at);
        this.read = read;
        this.at = at;
    }

    /**
     * What is known beside the units.
     *
     * @param offBlock when the aircraft should leave
     * @param day what tells which alignment they need
     * @param engineTurns whether an engine runs or is being started
     * @param gusts_kt of the weather; null when they are not known
     */
    public record Beside(
            Instant offBlock,
            Realignment.Day day,
            boolean engineTurns,
            @Nullable Double gusts_kt) {}

    /** @param read whether a feed reads them; @param at the time asked about */
    public static UnitsView view(InertialProfile profile, Units all, boolean read, Beside beside, Instant at) {
        return new UnitsViewing(profile, all, read, at).view(beside);
    }

    /** How long a full alignment takes at the stand; empty where they do not align. */
    static Optional<Duration> takes(InertialProfile profile, Position stand) {
        AlignmentRule full = profile.rule().full();
        return full.alignsAt(stand.latitude_deg()) ? Optional.of(full.timeAt(stand.latitude_deg())) : Optional.empty();
    }

    private UnitsView view(Beside beside) {
        // What has been begun is not advised once more.
        Realignment.Advice advice = all.isBegun() && !any(Phase.OFF)
                ? new Realignment.Advice(Realignment.Kind.NONE, List.of(), List.of(), profile.source())
                : profile.realignment().advice(day(beside.day()));
        Optional<Duration> takes = takes(profile, all.stand());
        Says says = says(advice, takes.orElse(null), beside);
        return new UnitsView(
                all.numbers().stream().map(this::unit).toList(),
                read,
                says.says(),
                says.why(),
                says.alarm(),
                says.until(),
                read ? null : says.next(),
                says.units(),
                read ? List.of() : offers(),
                all.stand().words(),
                profile.rule().near_NM(),
                advice,
                any(Phase.OFF) || any(Phase.STORING)
                        ? takes.map(beside.offBlock()::minus).orElse(null)
                        : null,
                takes.orElse(null),
                profile.source(),
                profile.codes(),
                all.newest()
                        .filter(one -> !one.isRead())
                        .map(one -> new UnitsView.UnitNewest(words(one.what()), one.by(), one.at()))
                        .orElse(null));
    }

    /** Whether they navigate is known of the units themselves, once anything is. */
    private Realignment.Day day(Realignment.Day day) {
        Boolean navigating = all.told().isEmpty() ? null : (Boolean) every(Phase.NAVIGATING);
        return new Realignment.Day(
                day.nightStop(),
                day.crewChanged(),
                day.withoutAids(),
                day.drift_NMh(),
                day.speed_kt(),
                day.difference_NM(),
                day.standing_min(),
                navigating);
    }

    private UnitsView.UnitView unit(int number) {
        InertialUnit unit = now.get(number - 1);
        Position has = unit.position();
        Position asks = unit.entered();
        Position looked = asks == null ? has : asks;
        return new UnitsView.UnitView(
                number,
                unit.phase(),
                unit.since(),
                unit.quick(),
                unit.counted().orElse(null),
                unit.needs(),
                unit.missing(at),
                has == null ? null : has.words(),
                has == null ? null : (Double) has.distance_NM(all.stand()),
                asks == null ? null : asks.words(),
                asks == null ? null : (Double) asks.distance_NM(all.stand()),
                looked == null ? null : slip(looked),
                unit.code() == null ? null : code(unit.code()),
                unit.restarts());
    }

    private @Nullable String slip(Position typed) {
        return PositionSlip.explaining(typed, all.stand(), profile.rule().near_NM())
                .map(PositionSlip::words)
                .orElse(null);
    }

    private InertialProfile.Code code(String code) {
        return profile.meaning(code)
                .orElse(new InertialProfile.Code(
                        code, "not in this type's document", "Look it up in the approved manual."));
    }

    /** What is said, and what is next for which units. */
    private record Says(
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

    private Says says(Realignment.Advice advice, @Nullable Duration takes, Beside beside) {
        List<Integer> coded = those(unit -> unit.code() != null && unit.phase() != Phase.OFF);
        if (!coded.isEmpty()) {
            InertialProfile.Code code = code(String.valueOf(unitOf(coded).code()));
            return Says.alarm(
                    name(coded.subList(0, 1)) + " shows " + code.code(),
                    capital(code.meaning()) + ". " + code.todo(),
                    UnitTap.CODE_CLEARED,
                    coded.subList(0, 1));
        }
        List<Integer> wrong = those(unit -> isFar(unit.position()) && unit.phase() != Phase.STORING);
        if (!wrong.isEmpty()) {
            Position has = unitOf(wrong).position();
            boolean aligns = unitOf(wrong).phase() == Phase.ALIGNING;
            return Says.alarm(
                    name(wrong) + (wrong.size() == 1 ? " holds" : " hold") + " a wrong position",
                    far(has) + (aligns ? " Enter the stand's." : " OFF, and align anew."),
                    aligns ? UnitTap.POSITION : UnitTap.OFF,
                    wrong);
        }
        List<Integer> asking = those(unit -> unit.entered() != null);
        if (!asking.isEmpty()) {
            return Says.alarm(
                    name(asking) + (asking.size() == 1 ? " asks" : " ask") + " for the position again",
                    refused(unitOf(asking)),
                    UnitTap.POSITION,
                    asking);
        }
        List<Integer> storing = those(unit -> unit.phase() == Phase.STORING);
        if (!storing.isEmpty()) {
            return new Says(
                    name(storing) + (storing.size() == 1 ? " stores its" : " store their") + " position",
                    "Power stays on meanwhile. Never by breaker.",
                    false,
                    unitOf(storing).since().plus(profile.rule().stores()),
                    null,
                    storing);
        }
        List<Integer> without = those(unit -> unit.missing(at).contains(Missing.POSITION));
        if (!without.isEmpty()) {
            return Says.now(
                    "Enter the position in " + lower(name(without)),
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
                    name(counting) + (counting.size() == 1 ? " aligns" : " align"),
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
                    name(ready) + (ready.size() == 1 ? " is" : " are") + " aligned",
                    "Navigation before the aircraft moves.",
                    UnitTap.NAVIGATION,
                    ready);
        }
        return navigating(advice);
    }

    private Says off(List<Integer> off, Realignment.Advice advice, @Nullable Duration takes, Beside beside) {
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
                ? "Switched on now, they are aligned " + minutes(Duration.between(beside.offBlock(), at.plus(takes)))
                        + " after off-block. "
                : "";
        return Says.now(
                name(off) + (off.size() == 1 ? " is off" : " are off"),
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
        String because = advice.reasons().stream().map(UnitsViewing::words).collect(Collectors.joining("; "));
        return switch (advice.kind()) {
            case FULL -> "Full alignment: " + lower(because) + ". ";
            case QUICK -> capital(because) + ". ";
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
    private String disturbed(Beside beside) {
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
                slip == null ? "" : " " + capital(slip) + "?");
    }

    private boolean isFar(@Nullable Position position) {
        return position != null
                && position.distance_NM(all.stand()) > profile.rule().near_NM();
    }

    private List<UnitsView.UnitOffer> offers() {
        return Stream.of(UnitTap.values())
                .map(tap -> new UnitsView.UnitOffer(tap, tap.words(), those(unit -> canTell(tap, unit))))
                .filter(offer -> !offer.units().isEmpty())
                .toList();
    }

    private boolean canTell(UnitTap tap, InertialUnit unit) {
        UnitEvent event = UnitsDeciding.events(tap, all, List.of(1), tap.needsPosition() ? all.stand() : null, "", at)
                .getFirst();
        boolean sensible = switch (tap) {
            case QUICK -> false; // It is told as what it is: OFF, and ON in time.
            case MOVED -> unit.phase() == Phase.ALIGNING;
            case CODE -> unit.code() == null;
            case ASKS_AGAIN -> unit.position() != null;
            case POWER_GONE -> unit.phase() != Phase.OFF;
            case NAVIGATES -> unit.phase() == Phase.ALIGNING || all.told().isEmpty();
            case ON, POSITION, CODE_CLEARED, NAVIGATION, OFF -> true;
        };
        return sensible && unit.refusal(event) == null;
    }

    private List<Integer> those(Predicate<InertialUnit> which) {
        return all.numbers().stream()
                .filter(number -> which.test(now.get(number - 1)))
                .toList();
    }

    private InertialUnit unitOf(List<Integer> numbers) {
        return now.get(numbers.getFirst() - 1);
    }

    private boolean any(Phase phase) {
        return now.stream().anyMatch(unit -> unit.phase() == phase);
    }

    private boolean every(Phase phase) {
        return now.stream().allMatch(unit -> unit.phase() == phase);
    }

    /** "Inertial units 1 and 2". */
    static String name(List<Integer> numbers) {
        List<String> words = numbers.stream().map(String::valueOf).toList();
        String last = words.getLast();
        return words.size() == 1
                ? "Inertial unit " + last
                : "Inertial units " + String.join(", ", words.subList(0, words.size() - 1)) + " and " + last;
    }

    static String words(UnitFact.UnitsTold told) {
        List<UnitEvent> events = told.events();
        String what = switch (events.getLast()) {
            case UnitEvent.SwitchedOn _ -> UnitTap.ON.words();
            case UnitEvent.PositionEntered typed ->
                "position " + typed.position().words();
            case UnitEvent.Moved _ -> "moved";
            case UnitEvent.CodeShown shown -> "code " + shown.code();
            case UnitEvent.CodeCleared _ -> "code dealt with";
            case UnitEvent.NavigationSelected _ -> UnitTap.NAVIGATION.words();
            case UnitEvent.SwitchedOff _ -> UnitTap.OFF.words();
            case UnitEvent.PowerGone _ -> "power gone";
            case UnitEvent.AsksAgain _ -> "asks for the position again";
            case UnitEvent.Found found -> found.phase().name().toLowerCase(Locale.ROOT);
        };
        return name(told.units()) + ": " + what;
    }

    private static String minutes(Duration time) {
        long minutes = Math.max(1, Math.round(time.toSeconds() / 60.0));
        return minutes + " min";
    }

    private static String capital(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private static String lower(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }
}
