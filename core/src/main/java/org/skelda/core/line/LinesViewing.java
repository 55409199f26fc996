package org.skelda.core.line;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.crew.Seat;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineView.GateView;
import org.skelda.core.line.LineView.LineState;
import org.skelda.core.line.LineView.ReadingView;
import org.skelda.core.line.LineView.WaitKind;
import org.skelda.core.line.LineView.WaitView;
import org.skelda.core.line.ProcedureView.ProcedureState;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.need.Need;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Procedure;

/**
 * Tells what was worked of a plan means at a time: what is next, what waits and until when, how much time is in hand.
 */
public final class LinesViewing {
    private static final Set<WaitKind> AT_HAND =
            EnumSet.of(WaitKind.IDLE, WaitKind.APU_AT_HAND, WaitKind.UNITS_AT_HAND, WaitKind.ORDER);

    private final Progress progress;
    private final Instant at;
    private final GroundViewing grounds;
    private final BatteryViewing batteries;

    /**
     * @param at the time asked about; the view depends on nothing else
     * @param wording how the crew calls what is known from elsewhere than the lines
     */
    public LinesViewing(Progress progress, Instant at, Function<String, GroundViewing.Called> wording) {
        this.progress = progress;
        this.at = at;
        this.grounds = new GroundViewing(progress, wording);
        this.batteries = new BatteryViewing(progress);
    }

    /** In working order. */
    public List<ProcedureView> procedures() {
        return progress.plan().procedures().stream().map(this::procedure).toList();
    }

    /** The same when only lights have changed since. @param earlier what they were then */
    public List<ProcedureView> proceduresByLights(List<ProcedureView> earlier) {
        List<ProcedureView> views = new ArrayList<>(earlier.size());
        for (int i = 0; i < earlier.size(); i++) {
            Procedure procedure = progress.plan().procedures().get(i);
            // How long it has been put aside is told of one that is.
            boolean stands = earlier.get(i).held() == null && !progress.plan().looksAtLights(procedure);
            views.add(stands ? earlier.get(i) : procedure(procedure));
        }
        return List.copyOf(views);
    }

    private ProcedureView procedure(Procedure procedure) {
        // Made with every command for every line: one pass, and nothing is made that is not shown.
        List<LineRef> refs = progress.plan().refs(procedure);
        List<LineView> lines = new ArrayList<>(refs.size());
        int done = 0;
        int spared = 0;
        LineRef next = null;
        boolean blocked = false;
        Instant opensAt = null;
        boolean gated = false;
        LineRef first = null;
        LineRef parked = null;
        for (int i = 0; i < refs.size(); i++) {
            LineView line = line(refs.get(i), procedure.lines().get(i), procedure.inOrder() ? first : null);
            lines.add(line);
            done += line.complete() ? 1 : 0;
            spared += line.state() == LineState.NOT_NEEDED ? 1 : 0;
            if (line.settled()) {
                continue;
            }
            first = first == null ? line.ref() : first;
            boolean closed = closed(line);
            if (!blocked && !closed && procedure.lines().get(i).kind().holdsUp(line.state() == LineState.OUTSIDE)) {
                next = next == null ? line.ref() : next;
            } else if (!closed) {
                parked = parked == null ? line.ref() : parked;
            }
            blocked = blocked || procedure.inOrder() && closed;
            if (!gated && closed(line)) {
                gated = true;
                opensAt = Objects.requireNonNull(line.gate()).opensAt();
            }
        }
        next = next == null && !blocked ? parked : next;
        Held held = progress.lines().holds().get(procedure.id());
        ProcedureState state = progress.isNeeded(procedure) && spared < lines.size()
                ? state(done, lines.size() - spared, next, held)
                : ProcedureState.NOT_NEEDED;
        return new ProcedureView(
                procedure.id(),
                state,
                done,
                lines.size() - spared,
                next,
                opensAt,
                held,
                held == null ? null : Duration.between(held.since(), at),
                progress.lines().taken().get(procedure.id()),
                Collections.unmodifiableList(lines));
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

    /** Whether a line must wait. What is to be done with an engine or the APU does not: it is what there is to do. */
    private static boolean closed(LineView line) {
        if (line.gate() == null) {
            return false;
        }
        for (WaitView wait : line.gate().waits()) {
            if (!AT_HAND.contains(wait.kind())) {
                return true;
            }
        }
        return false;
    }

    private LineView line(LineRef ref, Line line, @Nullable LineRef first) {
        LineRecord record = progress.lines().line(ref);
        LineState state = state(ref, line, record);
        boolean settled = state == LineState.DONE || state == LineState.DEVIATED || state == LineState.NOT_NEEDED;
        GateState gate = settled ? null : progress.gate(ref, first, at);
        History.Of<Measure.Read> reading = record.reading();
        return new LineView(
                ref,
                state,
                gate == null || gate.open() ? null : gate(gate),
                record.answered(),
                reading == null
                        ? null
                        : new ReadingView(
                                reading.mark(),
                                reading.work().value(),
                                reading.work().unit(),
                                reading.work().judgement(),
                                reading.work().others(),
                                batteries.advice(ref, line, reading.work().value())),
                record.confirmed(),
                record.deviation(),
                grounds.because(ref),
                earlier(line, record),
                line.kind().view(record.history(), progress),
                line.kind() instanceof Measure measure && !settled
                        ? measure.charge(record.history(), progress.charge(measure.spec()))
                        : charge(line, record));
    }

    /** What was shown after it was done with is no matter of the line's. */
    private static @Nullable ChargeCurve charge(Line line, LineRecord record) {
        return line.kind() instanceof Measure measure ? measure.charge(record.history(), List.of()) : null;
    }

    private static @Nullable List<Mark> earlier(Line line, LineRecord record) {
        List<Mark> earlier = line.head().marks().repeatable() ? record.history().earlier() : List.of();
        return earlier.isEmpty() ? null : earlier;
    }

    private LineState state(LineRef ref, Line line, LineRecord record) {
        if (record.deviation() != null) {
            return LineState.DEVIATED;
        }
        return switch (record.standing(line)) {
            case DONE -> LineState.DONE;
            case OUTSIDE -> LineState.OUTSIDE;
            case RESPONDED -> LineState.RESPONDED;
            case BEGUN -> LineState.BEGUN;
            case OPEN -> progress.need(ref) instanceof Need.NotNeeded ? LineState.NOT_NEEDED : LineState.OPEN;
        };
    }

    private GateView gate(GateState gate) {
        return new GateView(
                gate.waits().stream().map(this::wait).toList(), gate.opensAt().orElse(null), gate.guards());
    }

    private WaitView wait(GateState.Wait wait) {
        return switch (wait) {
            case GateState.Wait.ForClock(String clock, Instant opensAt) ->
                new WaitView(WaitKind.CLOCK, spec(clock).label(), opensAt, null);
            case GateState.Wait.ForClockStart(String clock) ->
                new WaitView(WaitKind.CLOCK_START, spec(clock).label(), null, null);
            case GateState.Wait.ForProcedure(String id) -> new WaitView(WaitKind.PROCEDURE, title(id), null, null);
            case GateState.Wait.ForStrands(List<String> ids) ->
                new WaitView(
                        WaitKind.STRANDS, ids.stream().map(this::title).collect(Collectors.joining(", ")), null, null);
            case GateState.Wait.ForReading(LineRef ref) ->
                new WaitView(isRead(ref) ? WaitKind.READING : WaitKind.UNREAD, label(ref), null, null);
            case GateState.Wait.ForLine(LineRef ref) -> new WaitView(WaitKind.LINE, label(ref), null, null);
            case GateState.Wait.ForFact(String name) ->
                new WaitView(WaitKind.FACT, grounds.called(name).words(), null, name);
            case GateState.Wait.InOrder(LineRef ref) -> new WaitView(WaitKind.ORDER, label(ref), null, null);
            case GateState.Wait.ForStandstill() -> new WaitView(WaitKind.STANDSTILL, "The aircraft", null, null);
            case GateState.Wait.ForApu(String what, Instant opensAt, boolean atHand) ->
                new WaitView(atHand ? WaitKind.APU_AT_HAND : WaitKind.APU, what, opensAt, null);
            case GateState.Wait.ForUnits(String what, Instant opensAt, boolean atHand) ->
                new WaitView(atHand ? WaitKind.UNITS_AT_HAND : WaitKind.UNITS, what, opensAt, null);
            case GateState.Wait.ForIdle(int engine) ->
                new WaitView(WaitKind.IDLE, progress.plan().engine(engine), null, null);
        };
    }

    private boolean isRead(LineRef ref) {
        return progress.lines().line(ref).reading() != null;
    }

    private ClockSpec spec(String id) {
        return Objects.requireNonNull(progress.plan().type().clocks().get(id), () -> "no clock " + id);
    }

    /** How the crew calls a line. */
    public String label(LineRef ref) {
        return progress.plan().line(ref).map(Line::label).orElse(ref.toString());
    }

    /** How the crew calls a procedure. */
    public String title(String procedure) {
        return progress.plan().procedure(procedure).map(Procedure::title).orElse(procedure);
    }

    /** The clocks that lines have started. */
    public Stream<ClockView> clocks() {
        return progress.lines().clocks().values().stream().map(clock -> {
            ClockSpec spec = spec(clock.clock());
            return new ClockView(
                    spec.id(),
                    spec.label(),
                    spec.releases(),
                    spec.note(),
                    spec.source(),
                    clock.by(),
                    clock.startedAt(),
                    clock.duration(),
                    clock.opensAt(),
                    clock.elapsedAt(at),
                    ClockView.Counts.DOWN);
        });
    }

    /**
     * The first line in working order that this seat could answer now; lines of the other seat's procedures are passed
     * over.
     */
    public @Nullable LineRef next(List<ProcedureView> views, Seat seat) {
        for (ProcedureView view : views) {
            Seat whose =
                    progress.plan().procedure(view.id()).map(Procedure::seat).orElse(null);
            Seat works = view.takenBy() == null ? whose : view.takenBy();
            boolean mine = works == null || works == seat;
            if (mine && view.state() != ProcedureState.NOT_NEEDED && view.held() == null && view.next() != null) {
                return view.next();
            }
        }
        return null;
    }

    /**
     * The clock that leaves the least time before off-block; empty when none is left. @param latitude_deg of the stand
     */
    public Optional<ClockView.InHand> inHand(Instant offBlock, double latitude_deg) {
        return progress.plan().type().clocks().values().stream()
                .flatMap(spec -> inHand(spec, offBlock, latitude_deg).stream())
                .min(Comparator.comparing(ClockView.InHand::slack).thenComparing(ClockView.InHand::clock));
    }

    /** Whether a line is still to come before the aircraft leaves. */
    private boolean isAhead(LineRef ref) {
        return progress.plan()
                        .procedure(ref.procedure())
                        .filter(procedure -> procedure.occasion() == Procedure.Occasion.ALWAYS)
                        .isPresent()
                && !(progress.need(ref) instanceof Need.NotNeeded)
                && progress.lines().line(ref).deviation() == null;
    }

    private Optional<ClockView.InHand> inHand(ClockSpec spec, Instant offBlock, double latitude_deg) {
        RunningClock running = progress.lines().clocks().get(spec.id());
        if (running != null) {
            return running.elapsedAt(at)
                    ? Optional.empty()
                    : Optional.of(
                            new ClockView.InHand(spec.label(), Duration.between(running.opensAt(), offBlock), true));
        }
        boolean wanted = progress.plan().starting(spec.id()).stream().anyMatch(this::isAhead);
        try {
            Instant end = at.plus(spec.durationAt(latitude_deg));
            return wanted
                    ? Optional.of(new ClockView.InHand(spec.label(), Duration.between(end, offBlock), false))
                    : Optional.empty();
        } catch (OutOfRange _) {
            return Optional.empty(); // The units do not align at this latitude: the line that starts them says so when
            // answered.
        }
    }
}
