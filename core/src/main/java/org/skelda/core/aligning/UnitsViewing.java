package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitTap;

/** What the inertial units' state means for their crew: one sentence, what can be told, what each waits for. */
public final class UnitsViewing {
    private final InertialProfile profile;
    private final Units all;
    private final List<InertialUnit> now;
    private final UnitsSaying saying;
    private final boolean read;
    private final Instant at;

    private UnitsViewing(InertialProfile profile, Units all, boolean read, Instant at) {
        this.profile = profile;
        this.all = all;
        this.now = all.at(at);
        this.saying = new UnitsSaying(profile, all, at);
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
        UnitsSaying.Says says = saying.says(advice, takes.orElse(null), beside);
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
                all.stand().decimals(),
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
                        .map(one -> new UnitsView.UnitNewest(UnitsWords.words(one.what()), one.by(), one.at()))
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
                looked == null ? null : saying.slip(looked),
                unit.code() == null ? null : saying.code(unit.code()),
                unit.restarts());
    }

    private List<UnitsView.UnitOffer> offers() {
        return Stream.of(UnitTap.values())
                .map(tap -> new UnitsView.UnitOffer(tap, tap.words(), saying.those(unit -> canTell(tap, unit))))
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

    private boolean any(Phase phase) {
        return now.stream().anyMatch(unit -> unit.phase() == phase);
    }

    private boolean every(Phase phase) {
        return now.stream().allMatch(unit -> unit.phase() == phase);
    }
}
