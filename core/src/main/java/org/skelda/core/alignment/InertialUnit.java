package org.skelda.core.alignment;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One inertial unit, from OFF over its alignment to navigation and back. Time is passed in; what falls due by time
 * alone is found when it is asked for, at the moment at which it fell due.
 *
 * @param rule of the type
 * @param phase what it does
 * @param since when that began; in an alignment, when its count began
 * @param needs how long the count is; zero outside an alignment
 * @param full how long a full one is where it was switched on; zero before
 * @param quick whether the alignment is a quick one, or the last one was
 * @param stored the position of its last orderly shutdown; null when it has none
 * @param entered what was typed last and not taken; null when nothing waits
 * @param position what it was given or has found; null while it has none
 * @param given when the last thing was done that it waited for besides time
 * @param code the fault code that it shows; null for none
 * @param restarts how often its count began anew because it was moved
 */
public record InertialUnit(
        UnitRule rule,
        Phase phase,
        Instant since,
        Duration needs,
        Duration full,
        boolean quick,
        @Nullable Position stored,
        @Nullable Position entered,
        @Nullable Position position,
        Instant given,
        @Nullable String code,
        int restarts) {
    /** What a unit does. */
    public enum Phase {
        OFF,
        ALIGNING,
        NAVIGATING,
        /** Switched off, and not yet done with keeping its position. */
        STORING
    }

    /** What an alignment still waits for. */
    public enum Missing {
        TIME,
        POSITION,
        /** The position is far from the stored one: the same is typed again, or the right one. */
        POSITION_AGAIN,
        CODE
    }

    /** A unit that is off. @param stored the position of its last orderly shutdown; null when it has none */
    public static InertialUnit off(UnitRule rule, @Nullable Position stored, Instant at) {
        return new InertialUnit(
                rule, Phase.OFF, at, Duration.ZERO, Duration.ZERO, false, stored, null, null, at, null, 0);
    }

    /** As it stands then: what time alone has brought is there. @param at not before anything that has happened */
    public InertialUnit at(Instant at) {
        Instant stores = since.plus(rule.stores());
        if (phase == Phase.STORING && !at.isBefore(stores)) {
            return off(rule, position, stores);
        }
        // The selector of a quick one stands at navigation already.
        if (phase == Phase.ALIGNING
                && (quick || rule.navigatesByItself())
                && missing(at).isEmpty()) {
            return navigating(later(since.plus(needs), given));
        }
        return this;
    }

    /** What still keeps it from being aligned; empty when it is, or is not aligning. */
    public List<Missing> missing(Instant at) {
        List<Missing> missing = new ArrayList<>();
        if (phase != Phase.ALIGNING) {
            return missing;
        }
        if (code != null) {
            missing.add(Missing.CODE);
        }
        if (position == null) {
            missing.add(entered == null ? Missing.POSITION : Missing.POSITION_AGAIN);
        }
        if (at.isBefore(since.plus(needs))) {
            missing.add(Missing.TIME);
        }
        return missing;
    }

    /** When its count ends, if it is not moved; empty when it does not align. */
    public Optional<Instant> counted() {
        return phase == Phase.ALIGNING ? Optional.of(since.plus(needs)) : Optional.empty();
    }

    /** What would explain that it asks again for its position. */
    public Optional<PositionSlip> slip() {
        return entered == null || stored == null
                ? Optional.empty()
                : PositionSlip.explaining(entered, stored, rule.near_NM());
    }

    /** Why something can not happen to it now, in a sentence; null when it can. */
    public @Nullable String refusal(UnitEvent event) {
        if (event.at().isBefore(later(since, given))) {
            return "Time does not run back.";
        }
        InertialUnit unit = at(event.at());
        return switch (event) {
            case UnitEvent.SwitchedOn on -> {
                if (unit.isOn()) {
                    yield "It is on already.";
                }
                yield rule.full().alignsAt(on.latitude_deg())
                        ? null
                        : "It does not align at this latitude; use the operator's polar procedure.";
            }
            case UnitEvent.PositionEntered _ ->
                unit.phase == Phase.ALIGNING ? null : "It takes a position only while it aligns.";
            case UnitEvent.CodeCleared _ -> unit.code != null ? null : "It shows no code.";
            case UnitEvent.CodeShown _ -> unit.isOn() ? null : "A unit that is off shows nothing.";
            case UnitEvent.AsksAgain _ -> unit.isOn() ? null : "A unit that is off asks for nothing.";
            case UnitEvent.Moved _, UnitEvent.PowerGone _, UnitEvent.Found _ -> null;
            case UnitEvent.NavigationSelected _ -> unit.notReady(event.at());
            case UnitEvent.SwitchedOff _ -> unit.isOn() ? null : "It is off already.";
        };
    }

    private @Nullable String notReady(Instant at) {
        if (phase != Phase.ALIGNING) {
            return phase == Phase.NAVIGATING ? "It navigates already." : "It is off.";
        }
        List<Missing> missing = missing(at);
        return missing.isEmpty() ? null : "It is not aligned.";
    }

    private boolean isOn() {
        return phase == Phase.ALIGNING || phase == Phase.NAVIGATING;
    }

    /** As it is after that; the same as before, but for time, when it can not happen. */
    public InertialUnit step(UnitEvent event) {
        if (refusal(event) != null) {
            return this;
        }
        InertialUnit unit = at(event.at());
        return switch (event) {
            case UnitEvent.SwitchedOn on -> unit.switchedOn(on);
            case UnitEvent.PositionEntered typed -> unit.typed(typed);
            case UnitEvent.Moved moved -> unit.moved(moved.at());
            case UnitEvent.CodeShown shown -> unit.showing(shown.code(), shown.at());
            case UnitEvent.CodeCleared cleared -> unit.showing(null, cleared.at());
            case UnitEvent.NavigationSelected selected -> unit.navigating(selected.at());
            case UnitEvent.SwitchedOff off -> unit.switchedOff(off);
            case UnitEvent.PowerGone gone -> unit.withoutPower(gone.at());
            case UnitEvent.AsksAgain asks -> unit.askingAgain(asks.at());
            case UnitEvent.Found found -> unit.found(found);
        };
    }

    /** What it was given waits to be given once more, for it is not near what the unit had stored. */
    private InertialUnit askingAgain(Instant at) {
        Position waits = position == null ? entered : position;
        // One that was taken to navigate by itself does not: its count is over, and its position is what it lacks.
        boolean counts = phase == Phase.ALIGNING;
        return new InertialUnit(
                rule,
                Phase.ALIGNING,
                counts ? since : at,
                counts ? needs : Duration.ZERO,
                full,
                quick,
                null,
                waits,
                null,
                at,
                code,
                restarts);
    }

    private InertialUnit found(UnitEvent.Found found) {
        boolean counts = found.phase() == Phase.ALIGNING;
        return new InertialUnit(
                rule,
                found.phase(),
                found.at(),
                counts ? found.left() : Duration.ZERO,
                full,
                false,
                stored,
                null,
                found.phase() == Phase.OFF ? null : found.position(),
                found.at(),
                code,
                0);
    }

    private InertialUnit switchedOn(UnitEvent.SwitchedOn on) {
        Duration full = rule.full().timeAt(on.latitude_deg());
        boolean stillKnows = phase == Phase.STORING
                && position != null
                && Duration.between(since, on.at()).compareTo(rule.quickWithin()) <= 0;
        return new InertialUnit(
                rule,
                Phase.ALIGNING,
                on.at(),
                stillKnows ? rule.quick() : full,
                full,
                stillKnows,
                phase == Phase.STORING && position != null ? position : stored,
                null,
                null,
                on.at(),
                code,
                0);
    }

    private InertialUnit typed(UnitEvent.PositionEntered typed) {
        boolean near = stored != null && typed.position().distance_NM(stored) <= rule.near_NM();
        boolean again = entered != null && typed.position().isSameAs(entered);
        return near || again
                ? with(null, typed.position(), typed.at(), code)
                : with(typed.position(), null, typed.at(), code);
    }

    /** A count that is disturbed begins anew, and a quick one is one no longer. */
    private InertialUnit moved(Instant at) {
        if (phase != Phase.ALIGNING) {
            return this;
        }
        Duration count = full.isZero() ? needs : full;
        return new InertialUnit(
                rule, phase, at, count, full, false, stored, entered, position, given, code, restarts + 1);
    }

    private InertialUnit showing(@Nullable String shown, Instant at) {
        return with(entered, position, at, shown);
    }

    private InertialUnit with(@Nullable Position waits, @Nullable Position taken, Instant at, @Nullable String shown) {
        return new InertialUnit(rule, phase, since, needs, full, quick, stored, waits, taken, at, shown, restarts);
    }

    private InertialUnit navigating(Instant at) {
        return new InertialUnit(
                rule, Phase.NAVIGATING, at, Duration.ZERO, full, quick, stored, null, position, at, code, restarts);
    }

    /** What never was aligned has nothing to keep: its last orderly position stays. */
    private InertialUnit switchedOff(UnitEvent.SwitchedOff off) {
        return phase == Phase.NAVIGATING
                ? new InertialUnit(
                        rule,
                        Phase.STORING,
                        off.at(),
                        Duration.ZERO,
                        full,
                        false,
                        stored,
                        null,
                        off.where(),
                        off.at(),
                        code,
                        0)
                : off(rule, stored, off.at());
    }

    /** Power that goes before the position is kept takes the position with it. */
    private InertialUnit withoutPower(Instant at) {
        return switch (phase) {
            case OFF -> this;
            case ALIGNING -> off(rule, stored, at);
            case NAVIGATING, STORING -> off(rule, null, at);
        };
    }

    private static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}
