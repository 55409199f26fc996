package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.DepartureView.ClockView;
import org.skelda.core.departure.DepartureView.GateView;
import org.skelda.core.departure.DepartureView.InHand;
import org.skelda.core.departure.DepartureView.LineState;
import org.skelda.core.departure.DepartureView.LineView;
import org.skelda.core.departure.DepartureView.ProcedureState;
import org.skelda.core.departure.DepartureView.ProcedureView;
import org.skelda.core.departure.DepartureView.ReadingView;
import org.skelda.core.departure.DepartureView.SeatView;
import org.skelda.core.departure.DepartureView.WaitKind;
import org.skelda.core.departure.DepartureView.WaitView;
import org.skelda.core.departure.DepartureView.WaitsFor;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.procedure.ClockSpec;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.Seat;

/** Tells what a state means at a time: what is next, what waits and until when, how much time is in hand. */
public final class Viewing {
    private final Departure departure;
    private final Instant at;

    private Viewing(Departure departure, Instant at) {
        this.departure = departure;
        this.at = at;
    }

    /**
     * @param departure the state
     * @param at the time asked about; the view depends on nothing else
     */
    public static DepartureView view(Departure departure, Instant at) {
        return new Viewing(departure, at).view();
    }

    private DepartureView view() {
        List<ProcedureView> procedures = departure.plan().procedures().stream().map(this::procedure).toList();
        List<ClockView> clocks = clocks();
        LineRef left = next(procedures, Seat.LEFT);
        LineRef right = next(procedures, Seat.RIGHT);
        List<SeatView> seats = departure.seats().entrySet().stream()
                .map(e -> new SeatView(e.getKey(), e.getValue().role(), e.getValue().person(), e.getKey() == Seat.LEFT ? left : right))
                .toList();
        Instant nextOpening = Stream.concat(
                        clocks.stream().filter(clock -> !clock.elapsed()).map(ClockView::opensAt),
                        procedures.stream().map(ProcedureView::opensAt).filter(Objects::nonNull))
                .min(Comparator.naturalOrder()).orElse(null);
        return new DepartureView(departure.seq(), at, departure.lifecycle(), seats, procedures, clocks, left, right,
                waitsFor(procedures, left, right), inHand(), departure.openLines().size(), nextOpening, departure.amendments(), departure.feed(), starts(), departure.controls());
    }

    private List<StartRecord> starts() {
        return departure.starts().entrySet().stream().sorted(Map.Entry.comparingByKey()).flatMap(entry -> entry.getValue().stream()).toList();
    }

    private ProcedureView procedure(Procedure procedure) {
        List<LineView> lines = procedure.lines().stream().map(line -> line(procedure.ref(line), line)).toList();
        int done = (int) lines.stream().filter(Viewing::complete).count();
        LineRef next = lines.stream().filter(line -> !complete(line)).filter(line -> procedure.inOrder() || !closed(line)).findFirst()
                .filter(line -> !closed(line)).map(LineView::ref).orElse(null);
        Instant opensAt = lines.stream().filter(line -> !complete(line) && line.gate() != null).findFirst()
                .map(line -> line.gate().opensAt()).orElse(null);
        Held held = departure.holds().get(procedure.id());
        ProcedureState state = departure.isNeeded(procedure) ? state(done, lines.size(), next, held) : ProcedureState.NOT_NEEDED;
        return new ProcedureView(procedure.id(), state, done, lines.size(), next, opensAt, held,
                held == null ? null : Duration.between(held.since(), at), lines);
    }

    private static ProcedureState state(int done, int total, @Nullable LineRef next, @Nullable Held held) {
        if (done == total) {
            return ProcedureState.DONE;
        }
        if (held != null) {
            return ProcedureState.HELD;
        }
        if (next == null) {
            return ProcedureState.WAITING;
        }
        return done > 0 ? ProcedureState.NOW : ProcedureState.OPEN;
    }

    /** Whether a line must wait. An engine that is to be started does not: starting it is what there is to do. */
    private static boolean closed(LineView line) {
        return line.gate() != null && line.gate().waits().stream().anyMatch(wait -> wait.kind() != WaitKind.IDLE);
    }

    private static boolean complete(LineView line) {
        return line.state() == LineState.DONE || line.state() == LineState.DEVIATED;
    }

    private LineView line(LineRef ref, Line line) {
        LineRecord record = departure.line(ref);
        LineState state = state(line, record);
        boolean complete = state == LineState.DONE || state == LineState.DEVIATED;
        GateState gate = complete ? null : GateState.of(departure, ref, at);
        LineRecord.Reading reading = record.reading();
        return new LineView(ref, state, gate == null || gate.open() ? null : gate(gate), record.answered(),
                reading == null ? null : new ReadingView(reading.mark(), reading.value(), reading.unit(), reading.judgement()),
                record.confirmed(), record.deviation());
    }

    private static LineState state(Line line, LineRecord record) {
        if (record.deviation() != null) {
            return LineState.DEVIATED;
        }
        if (record.completes(line)) {
            return LineState.DONE;
        }
        if (record.reading() != null) {
            return LineState.OUTSIDE;
        }
        return record.answered() != null ? LineState.RESPONDED : LineState.OPEN;
    }

    private GateView gate(GateState gate) {
        return new GateView(gate.waits().stream().map(this::wait).toList(), gate.opensAt().orElse(null), gate.guards());
    }

    private WaitView wait(GateState.Wait wait) {
        return switch (wait) {
            case GateState.Wait.ForClock(String clock, Instant opensAt) -> new WaitView(WaitKind.CLOCK, clockSpec(clock).label(), opensAt);
            case GateState.Wait.ForClockStart(String clock) -> new WaitView(WaitKind.CLOCK_START, clockSpec(clock).label(), null);
            case GateState.Wait.ForProcedure(String id) ->
                new WaitView(WaitKind.PROCEDURE, departure.plan().procedure(id).map(Procedure::title).orElse(id), null);
            case GateState.Wait.ForReading(LineRef ref) -> new WaitView(WaitKind.READING, label(ref), null);
            case GateState.Wait.ForLine(LineRef ref) -> new WaitView(WaitKind.LINE, label(ref), null);
            case GateState.Wait.ForIdle(int engine) -> new WaitView(WaitKind.IDLE, departure.plan().engine(engine), null);
        };
    }

    private ClockSpec clockSpec(String id) {
        return Objects.requireNonNull(departure.plan().type().clocks().get(id), () -> "no clock " + id);
    }

    private String label(LineRef ref) {
        return departure.plan().line(ref).map(Line::label).orElse(ref.toString());
    }

    private List<ClockView> clocks() {
        return departure.clocks().values().stream()
                .map(clock -> {
                    ClockSpec spec = clockSpec(clock.clock());
                    return new ClockView(spec.id(), spec.label(), spec.releases(), spec.note(), spec.source(), clock.by(),
                            clock.startedAt(), clock.duration(), clock.opensAt(), clock.elapsedAt(at));
                })
                .sorted(Comparator.comparing(ClockView::elapsed).thenComparing(ClockView::opensAt).thenComparing(ClockView::id))
                .toList();
    }

    /** The first line in working order that this seat could answer now; lines of the other seat's procedures are passed over. */
    private @Nullable LineRef next(List<ProcedureView> views, Seat seat) {
        for (ProcedureView view : views) {
            Seat whose = departure.plan().procedure(view.id()).map(Procedure::seat).orElse(null);
            boolean mine = whose == null || whose == seat;
            if (mine && view.state() != ProcedureState.NOT_NEEDED && view.held() == null && view.next() != null) {
                return view.next();
            }
        }
        return null;
    }

    private WaitsFor waitsFor(List<ProcedureView> procedures, @Nullable LineRef left, @Nullable LineRef right) {
        return switch (departure.lifecycle()) {
            case PLANNED -> new WaitsFor("Its crew", null);
            case SIGNED -> new WaitsFor("Nothing, signed", null);
            case ABANDONED -> new WaitsFor("Nothing, given up", null);
            case WORKING, OFF_BLOCK -> working(procedures, left, right);
        };
    }

    private WaitsFor working(List<ProcedureView> procedures, @Nullable LineRef left, @Nullable LineRef right) {
        Optional<LineRef> next = Stream.of(left, right).filter(Objects::nonNull).findFirst();
        Optional<Held> held = procedures.stream().map(ProcedureView::held).filter(Objects::nonNull).findFirst();
        if (held.isPresent()) {
            return new WaitsFor(title(held.get().procedure()) + " on hold: " + held.get().reason(), null);
        }
        if (next.isPresent()) {
            return new WaitsFor(title(next.get().procedure()) + ": " + label(next.get()), null);
        }
        Optional<ProcedureView> waiting = procedures.stream().filter(p -> p.state() == ProcedureState.WAITING).findFirst();
        return waiting.map(p -> new WaitsFor(title(p.id()), p.opensAt())).orElseGet(() -> new WaitsFor("A signature", null));
    }

    private String title(String procedure) {
        return departure.plan().procedure(procedure).map(Procedure::title).orElse(procedure);
    }

    private @Nullable InHand inHand() {
        if (departure.lifecycle().closed() || departure.lifecycle() == Lifecycle.OFF_BLOCK) {
            return null;
        }
        return departure.plan().type().clocks().values().stream()
                .flatMap(spec -> inHand(spec).stream())
                .min(Comparator.comparing(InHand::slack).thenComparing(InHand::clock)).orElse(null);
    }

    private Optional<InHand> inHand(ClockSpec spec) {
        Instant offBlock = departure.opening().offBlock();
        RunningClock running = departure.clocks().get(spec.id());
        if (running != null) {
            return running.elapsedAt(at) ? Optional.empty()
                    : Optional.of(new InHand(spec.label(), Duration.between(running.opensAt(), offBlock), true));
        }
        boolean wanted = departure.plan().lines().entrySet().stream()
                .anyMatch(e -> e.getValue().head().starts().contains(spec.id()) && departure.line(e.getKey()).deviation() == null);
        try {
            Instant end = at.plus(spec.durationAt(departure.opening().latitude_deg()));
            return wanted ? Optional.of(new InHand(spec.label(), Duration.between(end, offBlock), false)) : Optional.empty();
        } catch (OutOfRange _) {
            return Optional.empty(); // The units do not align at this latitude: the line that starts them says so when answered.
        }
    }
}
