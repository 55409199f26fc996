package org.skelda.app.simulator;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.skelda.app.clock.ServerClock;
import org.skelda.core.departure.Event;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.sim.ControlMove;
import org.skelda.sim.SimulatedAircraft;

/** One simulated aircraft: its moves are noted as they come, it is stepped and read ten times a second of life, and sends. */
final class Flight {
    private static final long US_PER_S = 1_000_000;
    private static final long EVERY_us = 100_000;
    private static final long MOST_CAUGHT_UP_us = 500_000;
    private static final int BEATS_AT_REST = 5;

    private final SimulatedAircraft aircraft;
    private final StartProfile profile;
    private final FeedSender sender;
    private final ServerClock clock;
    private final ConcurrentLinkedQueue<Move> moves = new ConcurrentLinkedQueue<>();
    private final AtomicBoolean sending = new AtomicBoolean();
    private long read_us;
    private int beats;

    private record Move(ControlMove move, long at_us) {}

    Flight(SimulatedAircraft aircraft, StartProfile profile, FeedSender sender, ServerClock clock) {
        this.aircraft = aircraft;
        this.profile = profile;
        this.sender = sender;
        this.clock = clock;
    }

    void note(List<Event> events, Instant at) {
        for (Event event : events) {
            if (event instanceof Event.ControlTapped(String control, String position)) {
                moves.add(new Move(ControlMove.parse(control, position), micros(at)));
            }
        }
    }

    /** Steps up to now and sends, unless the sending before is still under way. */
    void beat(Consumer<String> failed) {
        if (!sending.compareAndSet(false, true)) {
            return;
        }
        Thread.ofVirtual().name("simulated aircraft").start(() -> {
            try {
                send(micros(clock.instant()));
            } catch (IOException e) {
                failed.accept(String.valueOf(e.getMessage()));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            } finally {
                sending.set(false);
            }
        });
    }

    private void send(long now_us) throws IOException, InterruptedException {
        List<String> lines = new ArrayList<>();
        // Its sensors are read on a grid of their own, however late this beat comes; a long sleep is a gap, as it would be.
        read_us = Math.max(read_us, now_us - MOST_CAUGHT_UP_us);
        while (read_us + EVERY_us <= now_us) {
            read_us += EVERY_us;
            moveUntil(read_us);
            aircraft.advanceTo(read_us);
            if (aircraft.busy() || ++beats % BEATS_AT_REST == 0) {
                read(lines);
            }
        }
        if (!lines.isEmpty()) {
            sender.send(String.join("\n", lines) + "\n");
        }
    }

    private void moveUntil(long at_us) {
        for (Move move = moves.peek(); move != null && move.at_us() <= at_us; move = moves.peek()) {
            moves.poll();
            aircraft.move(move.move(), move.at_us());
        }
    }

    private void read(List<String> lines) {
        for (int engine = 1; engine <= aircraft.engines(); engine++) {
            int number = engine;
            aircraft.sample(engine).ifPresent(sample -> lines.add(FeedWriter.line("engine:" + number, sample, profile.drive().engine())));
        }
    }

    static long micros(Instant at) {
        return at.getEpochSecond() * US_PER_S + at.getNano() / 1000;
    }
}
