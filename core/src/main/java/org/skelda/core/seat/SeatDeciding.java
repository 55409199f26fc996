package org.skelda.core.seat;

import java.util.Optional;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;

/** Decides who sits where. A held seat is taken over only with a reason; nobody sits in two. */
public final class SeatDeciding {
    private final Seats seats;
    private final Grounds grounds;

    private SeatDeciding(Seats seats, Grounds grounds) {
        this.seats = seats;
        this.grounds = grounds;
    }

    public static Decision<SeatEvent> decide(Seats seats, SeatAsk ask, Grounds grounds) {
        SeatDeciding deciding = new SeatDeciding(seats, grounds);
        return switch (ask) {
            case SeatAsk.TakeSeat take -> deciding.take(take);
            case SeatAsk.ReleaseSeat(Seat seat) ->
                deciding.notOwn(seat)
                        .<Decision<SeatEvent>>map(Decision::refused)
                        .orElseGet(() -> grounds.accept(new SeatEvent.SeatReleased(seat)));
            case SeatAsk.HandOverSeat(Seat seat, Person to) -> deciding.handOver(seat, to);
            case SeatAsk.ConfirmHandOver(Seat seat) ->
                deciding.notOwn(seat)
                        .<Decision<SeatEvent>>map(Decision::refused)
                        .orElseGet(() -> seats.takenFrom().containsKey(seat)
                                ? grounds.accept(new SeatEvent.HandOverConfirmed(seat))
                                : Decision.refused(new Refusal.NothingThere("No hand-over waits for you.")));
            case SeatAsk.SwapRoles() -> grounds.seated(() -> grounds.accept(new SeatEvent.RolesSwapped()));
        };
    }

    private Decision<SeatEvent> take(SeatAsk.TakeSeat ask) {
        Optional<Seat> own = seats.of(grounds.actor());
        if (own.isPresent()) {
            return Decision.refused(new Refusal.AlreadySeated(own.get(), grounds.actor()));
        }
        Seated other = seats.held().get(ask.seat().other());
        if (other != null && other.role() == ask.role()) {
            return Decision.refused(new Refusal.SeatHeld(ask.seat().other(), other.person()));
        }
        Seated holder = seats.held().get(ask.seat());
        if (holder == null) {
            return grounds.accept(new SeatEvent.SeatTaken(ask.seat(), ask.role(), grounds.actor(), null, null));
        }
        if (ask.reason() == null || ask.reason().isBlank()) {
            return Decision.refused(new Refusal.SeatHeld(ask.seat(), holder.person()));
        }
        return grounds.accept(new SeatEvent.SeatTaken(
                ask.seat(),
                ask.role(),
                grounds.actor(),
                holder.person(),
                ask.reason().strip()));
    }

    private Optional<Refusal> notOwn(Seat seat) {
        Seated holder = seats.held().get(seat);
        return holder != null && grounds.isOwn(holder.person())
                ? Optional.empty()
                : Optional.of(new Refusal.NotYourSeat(seat, holder == null ? null : holder.person()));
    }

    private Decision<SeatEvent> handOver(Seat seat, Person to) {
        Optional<Refusal> notOwn = notOwn(seat);
        if (notOwn.isPresent()) {
            return Decision.refused(notOwn.get());
        }
        Optional<Seat> held = seats.of(to);
        return held.isPresent()
                ? Decision.refused(new Refusal.AlreadySeated(held.get(), to))
                : grounds.accept(new SeatEvent.SeatHandedOver(seat, grounds.actor(), to));
    }
}
