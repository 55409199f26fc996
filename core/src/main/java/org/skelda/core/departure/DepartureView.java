package org.skelda.core.departure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsView;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.clock.ClockView;
import org.skelda.core.electrics.NetworkView;
import org.skelda.core.fact.FactView;
import org.skelda.core.feed.Feed;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.seat.SeatView;

/**
 * What a departure's state means at a time. Nothing in it is stored.
 *
 * @param seq the newest event it holds
 * @param at the time it was made for
 * @param lifecycle where the departure stands
 * @param seats the held seats
 * @param procedures in working order
 * @param clocks every running clock, the one that opens soonest first; then those that have run out
 * @param nextLeft the next line for the left seat; null when there is none it could answer now
 * @param nextRight the same for the right seat
 * @param waitsFor what the departure as a whole waits for
 * @param inHand the clock that leaves the least time before off-block; null when none is left or it has left
 * @param openLines how many lines are not complete
 * @param nextOpening the soonest moment at which a gate or clock opens by time alone; null when none will
 * @param amendments notes added after signing
 * @param feed that it is watched by, or was last; null when there was none
 * @param starts every attempt to start an engine, by engine and number
 * @param apu its APU; null when the type has none
 * @param units its inertial units; null when the type has none
 * @param electrics its sources and buses; null when the type tells nothing of them
 * @param facts of the day that some line asks for, or that somebody gave
 * @param factChange what the newest fact changed; null when it changed nothing
 * @param controls the last position of every simulated control that was moved
 * @param moves whether the aircraft moves, as far as lines tell
 */
public record DepartureView(
        long seq,
        Instant at,
        Lifecycle lifecycle,
        List<SeatView> seats,
        List<ProcedureView> procedures,
        List<ClockView> clocks,
        @Nullable LineRef nextLeft,
        @Nullable LineRef nextRight,
        WaitsFor waitsFor,
        ClockView.@Nullable InHand inHand,
        int openLines,
        @Nullable Instant nextOpening,
        List<String> amendments,
        @Nullable Feed feed,
        List<StartRecord> starts,
        @Nullable ApuView apu,
        @Nullable UnitsView units,
        @Nullable NetworkView electrics,
        List<FactView> facts,
        FactView.@Nullable ChangeView factChange,
        Map<String, String> controls,
        boolean moves) {

    /**
     * What of it is new to who has an earlier one of the same departure: the same, with those procedures only that are
     * not as they were. The others stand as they did.
     */
    public DepartureView since(DepartureView earlier) {
        List<ProcedureView> news = new ArrayList<>();
        for (int i = 0; i < procedures.size(); i++) {
            ProcedureView before = earlier.procedures().get(i);
            // Most are the same object.
            if (procedures.get(i) != before && !procedures.get(i).equals(before)) {
                news.add(procedures.get(i));
            }
        }
        return new DepartureView(
                seq,
                at,
                lifecycle,
                seats,
                news,
                clocks,
                nextLeft,
                nextRight,
                waitsFor,
                inHand,
                openLines,
                nextOpening,
                amendments,
                feed,
                starts,
                apu,
                units,
                electrics,
                facts,
                factChange,
                controls,
                moves);
    }

    /** @param opensAt set when it waits for a clock */
    public record WaitsFor(String text, @Nullable Instant opensAt) {}
}
