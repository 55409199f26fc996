package org.skelda.core.departure;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsView;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.Clocks;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.DepartureView.WaitsFor;
import org.skelda.core.electrics.NetworkView;
import org.skelda.core.electrics.NetworkViewing;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactView;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.GroundViewing;
import org.skelda.core.line.Held;
import org.skelda.core.line.LineView;
import org.skelda.core.line.LinesViewing;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.line.ProcedureView.ProcedureState;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.seat.SeatView;

/** Tells what a state means at a time, joined from what its rooms tell. */
public final class Viewing {
    private final Departure departure;
    private final Progress progress;
    private final LinesViewing lines;
    private final Instant at;

    private Viewing(Departure departure, Instant at) {
        this.departure = departure;
        this.progress = departure.progress();
        this.lines = new LinesViewing(progress, at, Viewing::called);
        this.at = at;
    }

    /**
     * @param departure the state
     * @param at the time asked about; the view depends on nothing else
     */
    public static DepartureView view(Departure departure, Instant at) {
        Viewing viewing = new Viewing(departure, at);
        return viewing.view(viewing.lines.procedures());
    }

    /**
     * The same as {@link #view(Departure, Instant)}, quicker where no more than lights has changed since it was looked
     * at last: a procedure without a test of warnings then stands as it did.
     *
     * @param before an earlier state of the same departure
     * @param shown what it meant then
     */
    public static DepartureView view(Departure departure, Instant at, Departure before, DepartureView shown) {
        boolean nothingOpened = shown.nextOpening() == null || at.isBefore(shown.nextOpening());
        if (at.isBefore(shown.at()) || !nothingOpened || !departure.hasOnlyLightsSince(before)) {
            return view(departure, at);
        }
        Viewing viewing = new Viewing(departure, at);
        return viewing.view(viewing.lines.proceduresByLights(shown.procedures()));
    }

    private DepartureView view(List<ProcedureView> procedures) {
        ApuView apu = ApuOfDeparture.view(departure, progress, at);
        UnitsView units = UnitsOfDeparture.view(departure, progress, at);
        Clocks clocks = Clocks.of(
                at,
                Stream.of(
                        lines.clocks(),
                        ApuOfDeparture.clocks(departure, at),
                        TaxiOfDeparture.clocks(departure, progress, at),
                        UnitsOfDeparture.clocks(departure, units, at)));
        LineRef left = lines.next(procedures, Seat.LEFT);
        LineRef right = lines.next(procedures, Seat.RIGHT);
        List<SeatView> seats = departure.seats().entrySet().stream()
                .map(e -> new SeatView(
                        e.getKey(),
                        e.getValue().role(),
                        e.getValue().person(),
                        e.getKey() == Seat.LEFT ? left : right,
                        departure.seating().takenFrom().get(e.getKey())))
                .toList();
        Instant nextOpening = Stream.concat(
                        clocks.nextEnd().stream(),
                        Stream.concat(
                                procedures.stream().flatMap(Viewing::openings),
                                Stream.of(apu == null ? null : apu.until(), units == null ? null : units.until())))
                .filter(Objects::nonNull)
                .filter(at::isBefore)
                .min(Comparator.naturalOrder())
                .orElse(null);
        Lifecycle lifecycle = departure.lifecycle();
        return new DepartureView(
                departure.seq(),
                at,
                lifecycle,
                seats,
                procedures,
                clocks.all(),
                left,
                right,
                waitsFor(lifecycle, procedures, left, right),
                inHand(lifecycle),
                open(procedures),
                nextOpening,
                departure.amendments(),
                departure.feed(),
                departure.attempts().all(),
                apu,
                units,
                electrics(),
                FactView.of(departure.facts(), progress),
                FactView.newest(departure.facts()),
                departure.controls().positions(),
                progress.moves());
    }

    /** When anything that a line waits for comes, whatever else it waits for. */
    private static Stream<Instant> openings(ProcedureView procedure) {
        return procedure.lines().stream()
                .map(LineView::gate)
                .filter(Objects::nonNull)
                .flatMap(gate -> gate.waits().stream())
                .map(LineView.WaitView::opensAt)
                .filter(Objects::nonNull);
    }

    private @Nullable NetworkView electrics() {
        PowerNow now =
                progress.power(departure.apu() == null ? null : departure.apu().at(at));
        return now == null ? null : NetworkViewing.view(now);
    }

    private static GroundViewing.Called called(String name) {
        return DayFact.named(name)
                .map(fact -> new GroundViewing.Called(fact.label(), fact.unit()))
                .orElse(new GroundViewing.Called(name, ""));
    }

    private static int open(List<ProcedureView> procedures) {
        return procedures.stream()
                .filter(procedure -> procedure.state() != ProcedureState.NOT_NEEDED)
                .mapToInt(procedure -> procedure.total() - procedure.done())
                .sum();
    }

    private WaitsFor waitsFor(
            Lifecycle lifecycle, List<ProcedureView> procedures, @Nullable LineRef left, @Nullable LineRef right) {
        return switch (lifecycle) {
            case PLANNED -> new WaitsFor("Its crew", null);
            case SIGNED -> new WaitsFor("Nothing, signed", null);
            case ABANDONED -> new WaitsFor("Nothing, given up", null);
            case WORKING, OFF_BLOCK -> working(procedures, left, right);
        };
    }

    private WaitsFor working(List<ProcedureView> procedures, @Nullable LineRef left, @Nullable LineRef right) {
        Optional<LineRef> next = Stream.of(left, right).filter(Objects::nonNull).findFirst();
        Optional<Held> held = procedures.stream()
                .map(ProcedureView::held)
                .filter(Objects::nonNull)
                .findFirst();
        if (held.isPresent()) {
            return new WaitsFor(
                    lines.title(held.get().procedure()) + " on hold: "
                            + held.get().reason(),
                    null);
        }
        if (next.isPresent()) {
            return new WaitsFor(lines.title(next.get().procedure()) + ": " + lines.label(next.get()), null);
        }
        Optional<ProcedureView> waiting = procedures.stream()
                .filter(p -> p.state() == ProcedureState.WAITING)
                .findFirst();
        return waiting.map(p -> new WaitsFor(lines.title(p.id()), p.opensAt()))
                .orElseGet(() -> new WaitsFor("A signature", null));
    }

    private ClockView.@Nullable InHand inHand(Lifecycle lifecycle) {
        return lifecycle.closed() || lifecycle == Lifecycle.OFF_BLOCK
                ? null
                : Stream.concat(
                                lines
                                        .inHand(
                                                departure.opening().offBlock(),
                                                departure.opening().latitude_deg())
                                        .stream(),
                                UnitsOfDeparture.inHand(departure, progress, at).stream())
                        .min(Comparator.comparing(ClockView.InHand::slack))
                        .orElse(null);
    }
}
