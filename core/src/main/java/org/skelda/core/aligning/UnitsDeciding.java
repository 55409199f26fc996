package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.NoPosition;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.PositionText;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.feed.Feed;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;

/** Decides what the crew tells of inertial units. What can not be is refused, with its reason; nothing is corrected. */
public final class UnitsDeciding {
    private static final int LONGEST_CODE = 12;

    private final Units all;
    private final Grounds grounds;

    private UnitsDeciding(Units all, Grounds grounds) {
        this.all = all;
        this.grounds = grounds;
    }

    /**
     * @param all of the departure; null when the type has none
     * @param feed that the departure is watched by; null when there is none
     */
    public static Decision<UnitFact> decide(@Nullable Units all, @Nullable Feed feed, UnitAsk ask, Grounds grounds) {
        return grounds.seated(() -> {
            if (all == null) {
                return nothing("This type has no inertial units.");
            }
            UnitsDeciding deciding = new UnitsDeciding(all, grounds);
            return switch (ask) {
                case UnitAsk.TellUnits tell
                when all.isRead(feed) ->
                    nothing("Readings of the inertial units arrive. Taps are for units that nothing reads.");
                case UnitAsk.TellUnits tell -> deciding.tell(tell);
                case UnitAsk.UntellUnits untell -> deciding.untell(untell);
            };
        });
    }

    private Decision<UnitFact> tell(UnitAsk.TellUnits ask) {
        List<Integer> numbers = ask.units().isEmpty()
                ? all.numbers()
                : ask.units().stream().distinct().sorted().toList();
        Optional<Integer> unknown = numbers.stream()
                .filter(number -> !all.numbers().contains(number))
                .findFirst();
        if (unknown.isPresent()) {
            return nothing("There is no inertial unit " + unknown.get() + ": this type has "
                    + all.units().size() + ".");
        }
        return grounds.tapped(ask.tappedAt(), at -> tell(ask, numbers, at));
    }

    private Decision<UnitFact> tell(UnitAsk.TellUnits ask, List<Integer> numbers, Instant at) {
        Position typed = null;
        if (ask.tap().needsPosition()) {
            try {
                typed = PositionText.read(ask.position() == null ? "" : ask.position());
            } catch (NoPosition e) {
                return Decision.refused(new Refusal.NotReadable(Objects.toString(e.getMessage(), ""), e.todo()));
            }
            String differs = differs(numbers, typed);
            if (differs != null) {
                return nothing(differs);
            }
        }
        String code = ask.code() == null ? "" : ask.code().strip();
        if (ask.tap() == UnitTap.CODE && (code.isEmpty() || code.length() > LONGEST_CODE)) {
            return Decision.refused(new Refusal.NotReadable(
                    "A fault code has 1 to " + LONGEST_CODE + " characters.", "Type it as the unit shows it."));
        }
        List<UnitEvent> events = events(ask.tap(), numbers, typed, code, at);
        for (int number : numbers) {
            String refusal = refusal(ask.tap(), all.units().get(number - 1).at(at), events);
            if (refusal != null) {
                return nothing("Inertial unit " + number + ": " + refusal);
            }
        }
        return grounds.accept(new UnitFact.UnitsTold(numbers, events));
    }

    /** Why a unit can not do all of that, in a sentence; null when it can. @param unit as it stands then */
    static @Nullable String refusal(UnitTap tap, InertialUnit unit, List<UnitEvent> events) {
        if (tap == UnitTap.QUICK && unit.phase() == InertialUnit.Phase.ALIGNING) {
            return "A quick alignment begins in navigation.";
        }
        InertialUnit now = unit;
        String refusal = null;
        for (UnitEvent event : events) {
            refusal = refusal == null ? now.refusal(event) : refusal;
            now = now.step(event);
        }
        return refusal;
    }

    /** The same goes into every unit: one that is given another place than the rest would be a slip. */
    private @Nullable String differs(List<Integer> numbers, Position typed) {
        for (int number : all.numbers()) {
            InertialUnit other = all.units().get(number - 1);
            Position has = other.position() == null ? other.entered() : other.position();
            boolean aligns = other.phase() == InertialUnit.Phase.ALIGNING;
            if (aligns && has != null && !numbers.contains(number) && !has.isSameAs(typed)) {
                return "Inertial unit " + number + " was given " + has.words() + ", and this is " + typed.words()
                        + ". The same goes into every unit; enter it in all of them.";
            }
        }
        return null;
    }

    private List<UnitEvent> events(
            UnitTap tap, List<Integer> numbers, @Nullable Position typed, String code, Instant at) {
        return events(tap, all, numbers, typed, code, at);
    }

    /** What a tap tells of these units. */
    static List<UnitEvent> events(
            UnitTap tap, Units all, List<Integer> numbers, @Nullable Position typed, String code, Instant at) {
        double latitude_deg = all.stand().latitude_deg();
        Position own = all.units().get(numbers.getFirst() - 1).position();
        Position where = own == null ? all.stand() : own;
        return switch (tap) {
            case ON -> List.of(new UnitEvent.SwitchedOn(at, latitude_deg));
            case POSITION ->
                List.of(new UnitEvent.PositionEntered(at, Objects.requireNonNull(typed, "no position was typed")));
            case ASKS_AGAIN -> List.of(new UnitEvent.AsksAgain(at));
            case MOVED -> List.of(new UnitEvent.Moved(at));
            case CODE -> List.of(new UnitEvent.CodeShown(at, code));
            case CODE_CLEARED -> List.of(new UnitEvent.CodeCleared(at));
            case NAVIGATION -> List.of(new UnitEvent.NavigationSelected(at));
            case QUICK -> on(all, at, new UnitEvent.SwitchedOff(at, where), new UnitEvent.SwitchedOn(at, latitude_deg));
            case OFF -> on(all, at, new UnitEvent.SwitchedOff(at, where));
            case POWER_GONE -> List.of(new UnitEvent.PowerGone(at));
            case NAVIGATES ->
                List.of(new UnitEvent.Found(at, InertialUnit.Phase.NAVIGATING, all.stand(), Duration.ZERO));
        };
    }

    /** What is switched off navigated before, even where nobody told so. */
    private static List<UnitEvent> on(Units all, Instant at, UnitEvent... events) {
        return all.told().isEmpty()
                ? Stream.concat(
                                Stream.of(new UnitEvent.Found(
                                        at, InertialUnit.Phase.NAVIGATING, all.stand(), Duration.ZERO)),
                                Stream.of(events))
                        .toList()
                : List.of(events);
    }

    private Decision<UnitFact> untell(UnitAsk.UntellUnits ask) {
        Units.Told newest = all.newest().filter(one -> !one.isRead()).orElse(null);
        if (newest == null) {
            return nothing("There is nothing that the crew told of the inertial units last.");
        }
        return grounds.takingBack(
                newest.by(), ask.reason(), reason -> grounds.accept(new UnitFact.UnitsUntold(reason)));
    }

    private static Decision<UnitFact> nothing(String what) {
        return Decision.refused(new Refusal.NothingThere(what));
    }
}
