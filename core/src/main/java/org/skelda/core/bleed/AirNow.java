package org.skelda.core.bleed;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork.Duct;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.core.bleed.AirNetwork.Taker;
import org.skelda.core.bleed.AirNetwork.Valve;

/**
 * How the air stands: which source gives, which starter it reaches, and what its pressure should be. What is not known
 * is never taken for a no: a starter whose air hangs on it is not decided.
 */
public final class AirNow {
    private final AirNetwork network;
    private final Function<String, @Nullable Boolean> told;
    private final Map<Integer, Double> fans;
    private final @Nullable Boolean apuGives;
    private final Day day;

    /** @param oat_c outside air, degC; null when nobody told it @param elevation_ft of the stand */
    public record Day(@Nullable Double oat_c, double elevation_ft) {}

    /**
     * @param network of the type
     * @param told what is known of a state of the aircraft, by its id; null when it is not known
     * @param fans fan speed (%) of each engine that runs
     * @param apuGives whether the APU gives air; null when it is not known
     */
    public AirNow(
            AirNetwork network,
            Function<String, @Nullable Boolean> told,
            Map<Integer, Double> fans,
            @Nullable Boolean apuGives,
            Day day) {
        this.network = network;
        this.told = told;
        this.fans = Map.copyOf(fans);
        this.apuGives = apuGives;
        this.day = day;
    }

    AirNetwork network() {
        return network;
    }

    Day day() {
        return day;
    }

    /** Whether a source gives air; null when it is not known. */
    @Nullable
    Boolean gives(Source one) {
        Boolean there = one.there() == null ? isThere(one) : told.apply(one.there());
        Boolean on = one.on() == null ? isOn(one) : told.apply(one.on());
        if (Boolean.FALSE.equals(there) || Boolean.FALSE.equals(on)) {
            return false;
        }
        return there == null || on == null ? null : (Boolean) true;
    }

    private @Nullable Boolean isThere(Source one) {
        return switch (one.kind()) {
            case APU -> apuGives;
            case ENGINE -> fans.containsKey(one.engine());
            // A cart of which nobody tells is not known.
            case GROUND -> null;
        };
    }

    private @Nullable Boolean isOn(Source one) {
        // What gives by its own kind has no switch that could be off.
        return one.kind() == Kind.GROUND ? null : (Boolean) true;
    }

    /** Whether a valve is open; null when it is not known. */
    @Nullable
    Boolean isOpen(Valve valve) {
        return valve.open() == null ? (Boolean) true : told.apply(valve.open());
    }

    /** Whether something takes air from a start; null when it is not known. */
    @Nullable
    Boolean takes(Taker taker) {
        return taker.on() == null ? (Boolean) false : told.apply(taker.on());
    }

    private Predicate<String> open(boolean notKnown) {
        return id -> network.valves().stream()
                .anyMatch(valve -> valve.id().equals(id)
                        && Optional.ofNullable(isOpen(valve)).orElse(notKnown));
    }

    /** Sources that give and reach a duct. @param notKnown what a valve counts as that nobody told */
    List<Source> reaching(Duct duct, boolean notKnown) {
        Set<String> joined = network.joined(duct.id(), open(notKnown));
        return network.sources().stream()
                .filter(one -> joined.contains(one.duct()) && Boolean.TRUE.equals(gives(one)))
                .toList();
    }

    /** Sources of which it is not known whether they give. */
    List<Source> notKnown() {
        return network.sources().stream().filter(one -> gives(one) == null).toList();
    }

    /** Sources that give, wherever they lead. */
    List<Source> giving() {
        return network.sources().stream()
                .filter(one -> Boolean.TRUE.equals(gives(one)))
                .toList();
    }

    /** What takes from a duct or from what is joined with it. @param on as it is told; null: not known */
    List<Taker> takers(Duct duct, @Nullable Boolean on) {
        Set<String> joined = network.joined(duct.id(), open(true));
        return network.takers().stream()
                .filter(taker -> joined.contains(taker.duct()) && Objects.equals(takes(taker), on))
                .toList();
    }

    /**
     * Static pressure that is to be expected in a duct, kPa gauge.
     *
     * @param taking whether a pack or anti-ice, by its id, takes its share
     * @return null when the outside air is not known
     */
    @Nullable
    Double expected(Duct duct, Predicate<String> taking) {
        Double oat_c = day.oat_c();
        if (oat_c == null) {
            return null;
        }
        return network.staticIn(
                duct.id(), one -> Boolean.TRUE.equals(gives(one)) ? delivered(one, oat_c) : 0, open(true), taking);
    }

    private double delivered(Source one, double oat_c) {
        return one.kind() == Kind.ENGINE
                ? one.delivers().at(oat_c, day.elevation_ft(), fans.getOrDefault(one.engine(), 0.0))
                : one.delivers().at(oat_c, day.elevation_ft());
    }

    /** Whether a pack or anti-ice, by its id, is told to be on. */
    boolean takesShare(String id) {
        return network.takers().stream().anyMatch(one -> one.id().equals(id) && Boolean.TRUE.equals(takes(one)));
    }

    /** The closed valves, any of which would have to open for a source to reach a duct. */
    List<Valve> between(Source one, Duct duct) {
        List<Valve> closed = new ArrayList<>();
        Set<String> from = network.joined(one.duct(), open(true));
        Set<String> to = network.joined(duct.id(), open(true));
        for (Valve valve : network.valves()) {
            boolean leads = from.contains(valve.from()) || from.contains(valve.to());
            boolean arrives = to.contains(valve.from()) || to.contains(valve.to());
            if (!Boolean.TRUE.equals(isOpen(valve)) && (leads || arrives)) {
                closed.add(valve);
            }
        }
        return closed;
    }

    /**
     * Other engines that run, whose air could be turned to a starter, with the fan speed for a pressure (kPa gauge).
     */
    List<CrossBleed> crossBleed(int engine, double least_kpa) {
        Double oat_c = day.oat_c();
        if (oat_c == null) {
            return List.of();
        }
        return network.sources().stream()
                .filter(one -> one.kind() == Kind.ENGINE
                        && fans.containsKey(one.engine())
                        && !Objects.equals(one.engine(), engine))
                .map(one -> new CrossBleed(one, one.delivers().fanFor(least_kpa, oat_c, day.elevation_ft())))
                .filter(one -> Double.isFinite(one.fan_pct()))
                .toList();
    }

    /** @param fan_pct N1 from which it gives enough */
    record CrossBleed(Source source, double fan_pct) {}
}
