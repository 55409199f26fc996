package org.skelda.app.electrics;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.ChargeWatch;
import org.skelda.core.electrics.Gauge;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.Progress;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.formats.feed.FeedLine;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * The electrics that are read. How they stand goes into the log when it changes, a charge current while a line waits
 * for it; every reading is told to whoever looks.
 */
@Service
public class LiveElectrics {
    private static final double MILLIS_PER_SECOND = 1000;
    private static final int MOST_TOLD = 5;

    private final Departures departures;
    /** The newest reading of each departure: what is older tells nothing. */
    private final ConcurrentHashMap<UUID, Long> newest_us = new ConcurrentHashMap<>();

    LiveElectrics(Departures departures) {
        this.departures = departures;
    }

    /** What a source's instruments show. @param voltage_V V; @param current_A A; each null when it is not told */
    public record Reading(
            @Nullable Double voltage_V, @Nullable Double current_A) {}

    /** New readings. @param sources by their ids */
    public record PowerMessage(Map<String, Reading> sources) {}

    /** Names in a line that the type's electrics do not have, the first few, in a sentence each. */
    public static List<String> unknown(FeedLine line, @Nullable Network network) {
        PowerSample power = line.power();
        if (power == null) {
            return List.of();
        }
        return network == null
                ? List.of("nothing is known of this type's electrics")
                : power.unknown(network).stream()
                        .limit(MOST_TOLD)
                        .map(name -> "'" + name + "' is no source, tie or bus of this type")
                        .toList();
    }

    /**
     * Takes readings of a departure's electrics; those of a type of whose electrics nothing is known tell nothing.
     *
     * @param samples in the order of their time
     * @param by the feed, as the log knows it
     */
    public void take(UUID departureId, List<PowerSample> samples, Person by, Instant now) {
        Departure departure = departures.state(departureId);
        Network network = departure.plan().type().electrics();
        List<PowerSample> fresh =
                samples.stream().filter(one -> isNewer(departureId, one)).toList();
        if (network == null || departure.feed() == null || fresh.isEmpty()) {
            return;
        }
        PowerSeen before = departure.feed().power() == null
                ? PowerSeen.NOTHING
                : departure.feed().power();
        PowerSeen after = before;
        for (PowerSample sample : fresh) {
            after = after.with(sample.known(network));
        }
        PowerSample newest = fresh.getLast();
        List<Event> facts = new ArrayList<>();
        if (!after.equals(before)) {
            facts.add(Event.of(new FeedEvent.PowerShown(after)));
        }
        currents(departure, newest, now).map(Event::of).forEach(facts::add);
        if (!facts.isEmpty()) {
            departures.record(departureId, facts, by, now);
        }
        departures.tell(departureId, "power", () -> new PowerMessage(readings(newest.known(network))));
    }

    private boolean isNewer(UUID departureId, PowerSample sample) {
        Long before = newest_us.put(departureId, sample.at_us());
        if (before != null && before >= sample.at_us()) {
            newest_us.put(departureId, before);
            return false;
        }
        return true;
    }

    /** The charge currents that the record needs, of lines that wait for one. */
    private static Stream<FeedEvent.CurrentShown> currents(Departure departure, PowerSample sample, Instant now) {
        return departure.plan().type().measures().values().stream()
                .filter(spec -> spec.charge() != null && spec.gauge() != null)
                .flatMap(spec -> current(departure, spec, sample, now));
    }

    private static Stream<FeedEvent.CurrentShown> current(
            Departure departure, MeasureSpec spec, PowerSample sample, Instant now) {
        ChargeRule rule = spec.charge();
        Gauge gauge = spec.gauge();
        RunningClock clock = rule == null ? null : departure.lines().clocks().get(rule.after());
        PowerSample.OfSource read = gauge == null ? null : sample.sources().get(gauge.source());
        if (rule == null || gauge == null || clock == null || read == null || Double.isNaN(gauge.of(read))) {
            return Stream.empty();
        }
        Progress progress = departure.progress();
        boolean isAwaited = departure.plan().lines().entrySet().stream()
                .anyMatch(line -> line.getValue().kind() instanceof Measure measure
                        && measure.spec().equals(spec)
                        && !progress.settled(line.getKey()));
        double at_s = Duration.between(clock.startedAt(), now).toMillis() / MILLIS_PER_SECOND;
        return isAwaited
                        && at_s >= 0
                        && ChargeWatch.keeps(rule, progress.charge(spec), new ChargeCurve.Point(at_s, gauge.of(read)))
                ? Stream.of(new FeedEvent.CurrentShown(gauge.source(), gauge.of(read)))
                : Stream.empty();
    }

    private static Map<String, Reading> readings(PowerSample sample) {
        Map<String, Reading> all = new TreeMap<>();
        sample.sources().forEach((id, read) -> all.put(id, new Reading(or(read.voltage_V()), or(read.current_A()))));
        return all;
    }

    private static @Nullable Double or(double value) {
        return Double.isNaN(value) ? null : (Double) value;
    }

    /** Its readings are forgotten with the departure's end. */
    @EventListener
    void appended(Departures.Appended appended) {
        if (appended.after().lifecycle().closed()) {
            newest_us.remove(appended.departureId());
        }
    }
}
