package org.skelda.app.simulator;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.departure.Event;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.simulator.ApuControls;
import org.skelda.core.simulator.LightControls;
import org.skelda.core.simulator.PowerControls;
import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.core.simulator.SoakControl;
import org.skelda.core.simulator.UnitControls;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.sim.ControlMove;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedAircraft;
import org.skelda.sim.alignment.SimulatedUnits;
import org.skelda.sim.apu.SimulatedApu;
import org.skelda.sim.electrics.SimulatedPower;

/**
 * One simulated aircraft: its moves are noted as they come, it is stepped and read ten times a second of life, and
 * sends.
 */
final class Flight {
    private static final long US_PER_S = 1_000_000;
    private static final long EVERY_us = 100_000;
    /** Few enough that a request stays far under what the door takes. */
    private static final int MOST_LINES = 2000;
    /** About half an hour of two engines: more than that is no stall. */
    private static final int MOST_WAITING = 40_000;

    private static final int BEATS_AT_REST = 5;

    private final Standing standing;
    private final StartProfile profile;
    private final FeedSender sender;
    private final ServerClock clock;
    private final Supplier<Optional<List<String>>> lights;
    private final @Nullable SimulatedApu apu;
    private final @Nullable SimulatedUnits units;
    private volatile @Nullable SimulatedPower power;
    private final ConcurrentLinkedQueue<Move> moves = new ConcurrentLinkedQueue<>();
    /** What came of moves before the first hand on an engine; another aircraft takes its place with them. */
    private final List<ControlMove> shared = new ArrayList<>();

    private final AtomicBoolean sending = new AtomicBoolean();
    private final ArrayDeque<String> waiting = new ArrayDeque<>();
    /** The sending before this one failed. */
    private boolean unheard;

    private long read_us;
    private int beats;
    private boolean lightsDue;

    private SimulatedAircraft aircraft;
    private volatile Surroundings weather;
    private boolean touched;

    /** @param weather into which it comes; null for a hand on a control */
    private record Move(
            String control,
            String position,
            long at_us,
            @Nullable Surroundings weather) {}

    /** An aircraft of the departure in some weather, from a moment on. */
    @FunctionalInterface
    interface Standing {
        SimulatedAircraft in(Surroundings weather, long from_us);
    }

    /**
     * @param standing makes its engines; @param weather in which it stands
     * @param from_us its beginning; @param running whether some engine runs from then on
     * @param lights what shows; empty for a type whose lights are not known; @param apu and units null when it has none
     */
    Flight(
            Standing standing,
            Surroundings weather,
            long from_us,
            boolean running,
            StartProfile profile,
            FeedSender sender,
            ServerClock clock,
            Supplier<Optional<List<String>>> lights,
            @Nullable SimulatedApu apu,
            @Nullable SimulatedUnits units) {
        this.standing = standing;
        this.weather = weather;
        this.aircraft = standing.in(weather, from_us);
        this.touched = running;
        this.profile = profile;
        this.sender = sender;
        this.clock = clock;
        this.lights = lights;
        this.apu = apu;
        this.units = units;
        this.read_us = Math.floorDiv(micros(clock.instant()), EVERY_us) * EVERY_us;
    }

    /** Takes note of other weather; what is on record of it is known from the beginning. */
    void noteWeather(Departures.Appended appended) {
        if (appended.events().stream().anyMatch(Flight::tellsWeather)) {
            moves.add(new Move("", "", micros(appended.at()), WeatherOfDeparture.of(appended.after())));
        }
    }

    /**
     * Takes note of what moved. Its electrics begin to tell when a hand first is on one of their switches; they stand
     * then as the crew has told.
     */
    void note(Departures.Appended appended) {
        Network network = appended.after().plan().type().electrics();
        if (power == null && network != null && movesPower(appended.events())) {
            power = SimulatedPower.as(
                    network, micros(appended.at()), appended.after().progress()::toldOfState);
        }
        for (Event event : appended.events()) {
            if (event instanceof Event.OfSimulator(SimulatorEvent.ControlTapped(String control, String position))
                    && !LightControls.has(control)
                    && !SoakControl.has(control)) {
                moves.add(new Move(control, position, micros(appended.at()), null));
            }
        }
    }

    /** Whether it can have changed in what weather it stands. */
    private static boolean tellsWeather(Event event) {
        return event instanceof Event.OfFact
                || event instanceof Event.OfLine
                || event instanceof Event.OfSimulator(SimulatorEvent.ControlTapped(String control, var _))
                        && SoakControl.has(control);
    }

    /** Whether a hand on an engine is among what moved: from then on the weather is what it was. */
    static boolean touchesEngine(Event event) {
        return event instanceof Event.OfSimulator(SimulatorEvent.ControlTapped(String control, var _))
                && control.startsWith("engine-");
    }

    /** Whether a switch of the electrics is among what moved. */
    static boolean movesPower(List<Event> events) {
        return events.stream()
                .anyMatch(
                        event -> event instanceof Event.OfSimulator(SimulatorEvent.ControlTapped(String control, var _))
                                && PowerControls.has(control));
    }

    /** In what it stands. */
    Surroundings weather() {
        return weather;
    }

    /**
     * Steps up to now and sends, unless the sending before is still under way.
     *
     * @param failed told why, once until it can send again
     */
    void beat(Consumer<String> failed) {
        if (!sending.compareAndSet(false, true)) {
            return;
        }
        Thread.ofVirtual().name("simulated aircraft").start(() -> {
            try {
                send(micros(clock.instant()));
                unheard = false;
            } catch (IOException e) {
                if (!unheard) {
                    unheard = true;
                    failed.accept(e.toString());
                }
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            } finally {
                sending.set(false);
            }
        });
    }

    /**
     * Its sensors are read on a grid of their own, however late this beat comes; every reading is sent, in as few
     * requests as it takes.
     */
    private void send(long now_us) throws IOException, InterruptedException {
        while (read_us + EVERY_us <= now_us) {
            read_us += EVERY_us;
            moveUntil(read_us);
            aircraft.apuGives(apu != null && apu.bleeds());
            aircraft.advanceTo(read_us);
            if (apu != null) {
                apu.advanceTo(read_us);
            }
            if (units != null) {
                units.advanceTo(read_us);
            }
            if (power != null) {
                power.advanceTo(read_us);
                power.turnedBy(
                        idling(),
                        apu != null && (apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING),
                        apu != null && apu.generates());
                if (units != null) {
                    units.fed(power.isAlive());
                }
            }
            boolean due = ++beats % BEATS_AT_REST == 0;
            if (apu != null && (apu.busy() || due)) {
                waiting.add(FeedWriter.apu(apu.sample()));
            }
            if (aircraft.busy() || due) {
                read();
            }
            // The lights that are sent are those of now: they are of this moment only at the last reading before it.
            lightsDue |= aircraft.busy() || due;
            boolean lit = lightsDue && read_us + EVERY_us > now_us;
            List<String> showing = lit ? lights.get().orElse(null) : null;
            lightsDue &= !lit;
            UnitsSample shown = units != null && (units.busy() || due) ? units.sample() : null;
            PowerSample carried = power != null && due ? power.sample() : null;
            if (showing != null || shown != null || carried != null) {
                waiting.add(FeedWriter.aircraft(read_us, showing, shown, carried));
            }
        }
        while (!waiting.isEmpty()) {
            List<String> lines = waiting.stream().limit(MOST_LINES).toList();
            sender.send(String.join("\n", lines) + "\n");
            // Only what the door has taken is done with; what is sent twice counts as repeated there.
            lines.forEach(_ -> waiting.remove());
        }
    }

    private void moveUntil(long at_us) {
        for (Move move = moves.peek(); move != null && move.at_us() <= at_us; move = moves.peek()) {
            moves.poll();
            if (move.weather() != null) {
                stand(move.weather(), move.at_us());
            } else if (PowerControls.has(move.control())) {
                if (power != null) {
                    power.move(move.control(), move.position(), move.at_us());
                }
            } else if (UnitControls.has(move.control())) {
                if (units != null) {
                    units.move(move.control(), move.position(), move.at_us());
                }
            } else if (!ApuControls.has(move.control())) {
                moveAircraft(ControlMove.parse(move.control(), move.position()), move.at_us());
            } else if (apu != null) {
                apu.move(move.control(), move.position(), move.at_us());
            }
        }
    }

    /** In other weather it is another aircraft, until somebody has a hand on one of its engines. */
    private void stand(Surroundings now, long at_us) {
        if (!touched && !now.equals(weather)) {
            weather = now;
            aircraft = standing.in(now, at_us);
            shared.forEach(move -> aircraft.move(move, at_us));
        }
    }

    private void moveAircraft(ControlMove move, long at_us) {
        touched |= move.engine() > 0;
        if (!touched) {
            shared.add(move);
        }
        aircraft.move(move, at_us);
    }

    /** Engines that turn fast enough for their generators. */
    private Set<Integer> idling() {
        double least_pct = profile.idle().speed_pct() - profile.idle().tolerance_pct();
        return IntStream.rangeClosed(1, aircraft.engines())
                .filter(engine -> aircraft.sample(engine)
                        .filter(sample -> sample.of(Parameter.SPOOL) >= least_pct)
                        .isPresent())
                .boxed()
                .collect(Collectors.toSet());
    }

    private void read() {
        for (int engine = 1; engine <= aircraft.engines(); engine++) {
            int number = engine;
            aircraft.sample(engine)
                    .ifPresent(sample -> waiting.add(FeedWriter.line(
                            Subject.engine(number), sample, profile.drive().engine())));
        }
        while (waiting.size() > MOST_WAITING) {
            waiting.remove();
        }
    }

    static long micros(Instant at) {
        return at.getEpochSecond() * US_PER_S + at.getNano() / 1000;
    }
}
