package org.skelda.app.simulator;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.door.OwnDoor;
import org.skelda.app.feed.Feeds;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.app.start.LiveStarts;
import org.skelda.core.aligning.Units;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.feed.Feed;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.kind.Start;
import org.skelda.core.log.LogEntry;
import org.skelda.core.simulator.LightControls;
import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.record.EventCodec;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedAircraft;
import org.skelda.sim.alignment.SimulatedUnits;
import org.skelda.sim.apu.SimulatedApu;
import org.skelda.sim.indications.SimulatedLights;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * The simulated aircraft of departures that have one attached. Each sends its readings through the same door as a real
 * aircraft, with a token of its own. What it is comes from the log alone: its beginning and every move of its controls;
 * so it stands where it should after a restart, as an aircraft would that did not notice.
 */
@Service
public class Simulator {
    private static final Logger LOG = LoggerFactory.getLogger(Simulator.class);
    private static final Duration RESUMED_WITHIN = Duration.ofHours(24);
    private static final long TIDIED_EVERY_MS = 10_000;
    private static final long BEAT_MS = 100;

    private final Departures departures;
    private final Feeds feeds;
    private final Packs packs;
    private final LiveStarts starts;
    private final SkeldaProperties properties;
    private final OwnDoor door;
    private final ServerClock clock;
    private volatile int port;
    private final Map<UUID, Flight> flights = new ConcurrentHashMap<>();
    /** Departures that somebody looks at again. */
    private final Set<UUID> missed = ConcurrentHashMap.newKeySet();

    Simulator(
            Departures departures,
            Feeds feeds,
            Packs packs,
            LiveStarts starts,
            SkeldaProperties properties,
            OwnDoor door,
            ServerClock clock) {
        this.departures = departures;
        this.feeds = feeds;
        this.packs = packs;
        this.starts = starts;
        this.properties = properties;
        this.door = door;
        this.clock = clock;
        // The tokens of the time before went with the server that held them; this must be over before anybody can
        // attach again.
        feeds.revokeSimulated(clock.instant());
    }

    @EventListener
    void opened(WebServerInitializedEvent event) {
        port = door.port(event.getWebServer());
    }

    /** Goes on with the aircraft that were attached when the server went down. */
    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.LOWEST_PRECEDENCE)
    public void resume() {
        Instant now = clock.instant();
        departures.fed(now, RESUMED_WITHIN).stream()
                .flatMap(id -> departures.readable(id).stream())
                .filter(this::mayResume)
                .forEach(this::attach);
    }

    /**
     * On a rehearsal always; on a line departure only in the demonstration, where it stands in for the aircraft.
     *
     * @param by somebody who has a seat
     * @throws ProblemException when that is not so, when another departure of the tail is worked first, or its type
     *     cannot be simulated
     */
    public void attach(UUID departureId, Person by) {
        Departure departure = departures.state(departureId);
        if (departure.seatOf(by).isEmpty()) {
            throw new ProblemException(Problems.notSeatedHere());
        }
        if (!departure.opening().isRehearsal()) {
            checkLine(departure, departureId);
        }
        attach(departure);
    }

    private void checkLine(Departure departure, UUID departureId) {
        if (!properties.demo()) {
            throw new ProblemException(Problems.noRehearsal());
        }
        departures
                .worked(departure.opening().operatorId(), departure.opening().tail(), clock.instant())
                .filter(worked -> !worked.opening().departureId().equals(departureId))
                .ifPresent(worked -> {
                    throw new ProblemException(Problems.otherDepartureWorked(
                            worked.opening().tail(), worked.opening().flight()));
                });
    }

    private void attach(Departure departure) {
        StartProfile profile = packs.profileOf(departure.opening())
                .orElseThrow(() -> new ProblemException(
                        Problems.noStartProfile(departure.plan().type().name())));
        UUID id = departure.opening().departureId();
        flights.computeIfAbsent(id, _ -> {
            Feeds.Issued issued = feeds.issue(
                    departure.opening().operatorId(),
                    departure.opening().tail(),
                    "Simulated aircraft",
                    true,
                    "server",
                    clock.instant());
            starts.assign(issued.feed().id(), id);
            List<Departures.Appended> moves = moves(id);
            Instant begin = moves.isEmpty() ? clock.instant() : moves.getFirst().at();
            Set<Integer> running = running(departure, moves);
            Flight flight = new Flight(
                    (weather, from_us) -> aircraft(departure, profile, weather, from_us, running),
                    weather(departure, moves, running.isEmpty()),
                    Flight.micros(begin),
                    !running.isEmpty(),
                    profile,
                    new FeedSender(port, issued),
                    clock,
                    () -> lights(id),
                    apu(departure, begin),
                    units(departure, begin));
            moves.forEach(flight::note);
            return flight;
        });
    }

    private static @Nullable SimulatedApu apu(Departure departure, Instant begin) {
        ApuProfile profile = departure.plan().type().apu();
        ApuHistory history = departure.apu();
        return profile == null || history == null
                ? null
                : SimulatedApu.as(
                        profile,
                        departure.opening().departureId().getMostSignificantBits() & 0xFFFF,
                        Flight.micros(begin),
                        history.before(begin));
    }

    private static @Nullable SimulatedUnits units(Departure departure, Instant begin) {
        InertialProfile profile = departure.plan().type().inertial();
        Units units = departure.units();
        return profile == null || units == null
                ? null
                : SimulatedUnits.as(
                        profile,
                        units.stand(),
                        departure.opening().departureId().getMostSignificantBits() & 0xFFFF,
                        Flight.micros(begin),
                        units.before(begin));
    }

    /** What shows on the aircraft as it stands now. */
    private Optional<List<String>> lights(UUID id) {
        Departure departure = departures.state(id);
        Map<String, IndicationTest> tests = departure.plan().type().tests();
        return tests.isEmpty()
                ? Optional.empty()
                : Optional.of(SimulatedLights.showing(
                        tests, LightControls.of(departure.controls()), departure.progress()::value));
    }

    /**
     * The weather in which it stands now: that of the moment of the first hand on an engine, or of its coming where one
     * ran already; before that, today's.
     */
    private Surroundings weather(Departure departure, List<Departures.Appended> moves, boolean cold) {
        return moves.stream()
                .filter(move -> !cold || move.events().stream().anyMatch(Flight::touchesEngine))
                .findFirst()
                .map(move -> WeatherOfDeparture.of(before(departure, move)))
                .orElseGet(() -> WeatherOfDeparture.of(departure));
    }

    /** A departure as it stood with a move. */
    private Departure before(Departure now, Departures.Appended move) {
        List<LogEntry<Event>> log = departures.envelopes(move.departureId(), 0).stream()
                .map(EventCodec::read)
                .takeWhile(entry -> !entry.at().isAfter(move.at()))
                .toList();
        return Departure.replay(now.plan(), log);
    }

    private static SimulatedAircraft aircraft(
            Departure departure, StartProfile profile, Surroundings weather, long begin_us, Set<Integer> running) {
        int engines = departure.plan().lines().values().stream()
                .mapToInt(line -> line.kind() instanceof Start start ? start.engine() : 1)
                .max()
                .orElse(1);
        SimulatedAircraft aircraft = new SimulatedAircraft(
                profile,
                weather,
                engines,
                departure.opening().departureId().getLeastSignificantBits() & 0xFFFF,
                begin_us);
        running.forEach(aircraft::runs);
        return aircraft;
    }

    /**
     * Engines that came to idle without being started on the simulated aircraft: they run when it comes.
     *
     * @param moves of its controls, that are on record
     */
    private static Set<Integer> running(Departure departure, List<Departures.Appended> moves) {
        Set<String> fuelled = moves.stream()
                .flatMap(move -> move.events().stream())
                .flatMap(event ->
                        event instanceof Event.OfSimulator(SimulatorEvent.ControlTapped(var control, var position))
                                        && position.equals("on")
                                ? Stream.of(control)
                                : Stream.of())
                .collect(Collectors.toSet());
        return departure.attempts().idling().stream()
                .filter(engine -> !fuelled.contains("engine-" + engine + "/fuel"))
                .collect(Collectors.toSet());
    }

    /** What the log holds of the simulated aircraft: when it came, and the moves of its controls. */
    private List<Departures.Appended> moves(UUID id) {
        List<LogEntry<Event>> log =
                departures.envelopes(id, 0).stream().map(EventCodec::read).toList();
        Departure now = departures.state(id);
        List<Departures.Appended> moves = new ArrayList<>();
        boolean powered = false;
        for (int i = 0; i < log.size(); i++) {
            LogEntry<Event> entry = log.get(i);
            boolean came =
                    entry.event() instanceof Event.OfFeed(FeedEvent.FeedAttached(var _, var _, boolean simulated))
                            && simulated;
            if (came || entry.event() instanceof Event.OfSimulator) {
                boolean first = !powered && Flight.movesPower(List.of(entry.event()));
                powered = powered || first;
                Departure after = first ? Departure.replay(now.plan(), log.subList(0, i + 1)) : now;
                moves.add(new Departures.Appended(id, List.of(entry.event()), entry.at(), after));
            }
        }
        return moves;
    }

    /** Takes note of moved controls; ends with its departure, or when a real feed takes over. */
    @EventListener
    void appended(Departures.Appended appended) {
        Flight flight = flights.get(appended.departureId());
        if (flight == null) {
            return;
        }
        Feed feed = appended.after().feed();
        if (appended.after().lifecycle().closed() || feed != null && !feed.simulated()) {
            flights.remove(appended.departureId());
            return;
        }
        flight.noteWeather(appended);
        flight.note(appended);
    }

    /** Takes note of a departure that it had left because nobody worked it: the next beat comes back to it. */
    @EventListener
    void looked(Departures.Looked looked) {
        UUID id = looked.departure().opening().departureId();
        if (mayResume(looked.departure()) && !flights.containsKey(id)) {
            missed.add(id);
        }
    }

    private boolean mayResume(Departure departure) {
        Feed feed = departure.feed();
        return feed != null
                && feed.simulated()
                && !departure.lifecycle().closed()
                && (departure.opening().isRehearsal() || properties.demo());
    }

    @Scheduled(fixedRate = TIDIED_EVERY_MS)
    void tidy() {
        tidy(clock.steady_ns());
    }

    /** A flight ends when its departure is not worked. @param steady_ns now */
    void tidy(long steady_ns) {
        flights.keySet().removeIf(id -> !departures.isWorked(id, steady_ns));
    }

    /** In what weather the aircraft of a departure stands; empty without one. */
    Optional<Surroundings> weather(UUID departureId) {
        return Optional.ofNullable(flights.get(departureId)).map(Flight::weather);
    }

    /** How many are under way. */
    int flights() {
        return flights.size();
    }

    @Scheduled(fixedRate = BEAT_MS)
    void beat() {
        for (UUID id : missed) {
            missed.remove(id);
            attach(departures.state(id));
        }
        flights.forEach((id, flight) -> flight.beat(failure -> LOG.warn(
                "the simulated aircraft of departure {} cannot send, and keeps its last readings until it can: {}",
                id,
                failure)));
    }
}
