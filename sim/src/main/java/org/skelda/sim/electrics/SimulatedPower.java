package org.skelda.sim.electrics;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.Network.Fed;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.simulator.PowerControls;
import org.skelda.core.start.Switch;

/**
 * The sources and buses of an aircraft under somebody's hands. A battery gives what its buses draw and sags, and takes
 * a current that falls while something else carries them. Ground power can come weak, too strong or the wrong way
 * round; then the aircraft's own protection keeps it off the buses.
 *
 * <p>Charging: {@code I = I0 exp(-t / T) + 2 A} since the battery came on with another source beside it; {@code I0} and
 * {@code T} grow with what is missing of its charge. Sag: {@code V = E - I R}, Thevenin's source. Times are
 * microseconds since 1970. One thread; no noise, so that the same moves give the same readings.
 */
public final class SimulatedPower {
    private static final double US_PER_S = 1e6;
    private static final double FULL_pct = 100;
    private static final double GOOD_pct = 97;
    private static final double WEAK_pct = 40;
    private static final double FULL_V = 25.8;
    private static final double PER_CHARGE_V = 0.035;
    private static final double BATTERY_OHM = 0.012;
    private static final double PER_BUS_A = 12;
    private static final double FIRST_A = 58;
    private static final double FIRST_PER_CHARGE_A = 1.1;
    private static final double FALLS_s = 24;
    private static final double FALLS_PER_CHARGE_s = 1.2;
    private static final double TRICKLE_A = 2;
    private static final double DC_BUS_V = 28;
    private static final double LOW_V = 24.2;
    private static final double HIGH_V = 31.5;

    private final Network network;
    private final Map<String, Supply> supplies = new LinkedHashMap<>();
    private final Map<String, Boolean> closed = new TreeMap<>();
    private Set<Integer> turning = Set.of();
    private boolean apuGives;
    private boolean apuGenerator;
    private long now_us;

    /** A source. */
    private static final class Supply {
        private final Source source;
        private boolean there;
        private boolean on;
        private String wrong = "nothing";
        private double charge_pct = GOOD_pct;
        /** Since when it has been charged; never, while it is not. */
        private long chargedSince_us = Long.MAX_VALUE;

        Supply(Source source) {
            this.source = source;
            this.there = source.kind() == Kind.BATTERY;
        }
    }

    /** Cold and dark: nothing plugged in, everything off, ties open. */
    public SimulatedPower(Network network, long begin_us) {
        this.network = network;
        this.now_us = begin_us;
        network.sources().forEach(one -> supplies.put(one.id(), new Supply(one)));
        network.ties().forEach(tie -> closed.put(tie.id(), tie.closed() == null));
    }

    /**
     * Switches that stand as somebody has told.
     *
     * @param told a state of the aircraft by its id; null for one that nobody told, which is taken for not so
     */
    public static SimulatedPower as(Network network, long begin_us, Function<String, @Nullable Boolean> told) {
        SimulatedPower power = new SimulatedPower(network, begin_us);
        power.supplies.values().forEach(supply -> {
            Source source = supply.source;
            supply.there = source.isBrought() ? is(told, source.there()) : supply.there;
            supply.on = source.hasSwitch() && is(told, source.on());
        });
        network.ties().stream()
                .filter(tie -> tie.closed() != null)
                .forEach(tie -> power.closed.put(tie.id(), is(told, tie.closed())));
        power.settle();
        return power;
    }

    private static boolean is(Function<String, @Nullable Boolean> told, @Nullable String state) {
        return state != null && Boolean.TRUE.equals(told.apply(state));
    }

    /**
     * A control is moved.
     *
     * @param control one of {@link PowerControls}; @param position one of its positions
     * @param at_us not before the move before it
     * @throws IllegalArgumentException for any other
     */
    public void move(String control, String position, long at_us) {
        advanceTo(at_us);
        PowerControls.Of of = PowerControls.of(control);
        if (of == null) {
            throw new IllegalArgumentException("simulated electrics have no control '" + control + "'");
        }
        boolean on = position.equals("on");
        if (of.what().equals("closed")) {
            closed.put(of.id(), on);
        } else {
            Supply supply = supply(of.id());
            switch (of.what()) {
                case "there" -> supply.there = on;
                case "on" -> supply.on = on;
                default -> {
                    supply.wrong = position;
                    supply.charge_pct = position.equals("weak") ? WEAK_pct : GOOD_pct;
                }
            }
        }
        settle();
    }

    /**
     * What turns a generator.
     *
     * @param engines that do; @param apu whether the APU does; @param generator whether its generator is on
     */
    public void turnedBy(Set<Integer> engines, boolean apu, boolean generator) {
        turning = Set.copyOf(engines);
        apuGives = apu;
        apuGenerator = generator;
        settle();
    }

    /** Lets time pass. @param to_us not before the time before it */
    public void advanceTo(long to_us) {
        now_us = Math.max(now_us, to_us);
    }

    /** Charging begins when a battery that is on has something beside it that carries, and ends with either. */
    private void settle() {
        Map<String, Fed> fed = fed();
        boolean other = fed.values().stream()
                .anyMatch(one -> supply(one.source()).source.kind() != Kind.BATTERY);
        supplies.values().stream()
                .filter(supply -> supply.source.kind() == Kind.BATTERY)
                .forEach(battery -> {
                    boolean charged = battery.on && other;
                    if (!charged) {
                        battery.chargedSince_us = Long.MAX_VALUE;
                    } else if (battery.chargedSince_us == Long.MAX_VALUE) {
                        battery.chargedSince_us = now_us;
                    }
                });
    }

    private Supply supply(String id) {
        Supply supply = supplies.get(id);
        if (supply == null) {
            throw new IllegalArgumentException("no source '" + id + "'");
        }
        return supply;
    }

    private boolean isThere(Supply supply) {
        return switch (supply.source.kind()) {
            case APU -> apuGives;
            case ENGINE -> turning.contains(supply.source.engine());
            case BATTERY, GROUND -> supply.there;
        };
    }

    private boolean isOn(Supply supply) {
        if (supply.source.kind() == Kind.APU) {
            return apuGenerator;
        }
        return supply.source.hasSwitch() ? supply.on : isThere(supply);
    }

    /** Whether a source is on a bus, were one to ask it; the aircraft keeps off what would harm it. */
    private boolean gives(String id) {
        Supply supply = supply(id);
        return isThere(supply) && isOn(supply) && !supply.wrong.equals("high") && !supply.wrong.equals("reversed");
    }

    private Map<String, Fed> fed() {
        return network.fed(this::gives, tie -> closed.getOrDefault(tie, false));
    }

    /** Whether a bus really has power. */
    public boolean isPowered(String bus) {
        return fed().containsKey(bus);
    }

    /** Whether any bus has power. */
    public boolean isAlive() {
        return !fed().isEmpty();
    }

    /** The source that really carries a bus; null when it is dead. */
    public @Nullable String carrier(String bus) {
        Fed by = fed().get(bus);
        return by == null ? null : by.source();
    }

    /** What its instruments show now. */
    public PowerSample sample() {
        Map<String, Fed> fed = fed();
        Map<String, Set<String>> beside = network.beside(fed, this::gives, tie -> closed.getOrDefault(tie, false));
        Map<String, PowerSample.OfSource> read = new TreeMap<>();
        supplies.forEach((id, supply) -> {
            double current_A = current_A(supply, share(id, fed, beside));
            read.put(
                    id,
                    new PowerSample.OfSource(
                            told(isThere(supply)), told(isOn(supply)), voltage_V(supply, current_A), current_A));
        });
        Map<String, Switch> ties = new TreeMap<>();
        // One that closes by itself has no light of its own.
        network.ties().stream()
                .filter(tie -> tie.closed() != null)
                .forEach(tie -> ties.put(tie.id(), told(closed.getOrDefault(tie.id(), false))));
        Map<String, Switch> buses = new TreeMap<>();
        network.buses().forEach(bus -> buses.put(bus.id(), told(fed.containsKey(bus.id()))));
        return new PowerSample(now_us, read, ties, buses);
    }

    /** How many buses a source carries; batteries that carry together have equal parts of each. */
    private static double share(String id, Map<String, Fed> fed, Map<String, Set<String>> beside) {
        return fed.values().stream()
                .mapToDouble(by -> {
                    Set<String> others = beside.getOrDefault(by.source(), Set.of());
                    return by.source().equals(id) || others.contains(id) ? 1.0 / (1 + others.size()) : 0;
                })
                .sum();
    }

    /** Into a battery, out of every other source, A. @param buses that it carries */
    private double current_A(Supply supply, double buses) {
        if (supply.source.kind() == Kind.BATTERY && supply.chargedSince_us != Long.MAX_VALUE) {
            double missing_pct = FULL_pct - supply.charge_pct;
            double since_s = (now_us - supply.chargedSince_us) / US_PER_S;
            double first_A = FIRST_A + FIRST_PER_CHARGE_A * missing_pct;
            return rounded(first_A * Math.exp(-since_s / (FALLS_s + FALLS_PER_CHARGE_s * missing_pct)) + TRICKLE_A);
        }
        double drawn_A = rounded(buses * PER_BUS_A);
        return supply.source.kind() == Kind.BATTERY ? 0.0 - drawn_A : drawn_A;
    }

    /** A battery sags under what it gives; one that is charged stands at the bus. V; a source that is away shows 0. */
    private double voltage_V(Supply supply, double current_A) {
        if (!isThere(supply)) {
            return 0;
        }
        if (supply.source.kind() == Kind.BATTERY) {
            double open_V = FULL_V - PER_CHARGE_V * (FULL_pct - supply.charge_pct);
            return rounded(Math.min(DC_BUS_V, open_V + current_A * BATTERY_OHM));
        }
        return switch (supply.wrong) {
            case "low" -> LOW_V;
            case "high" -> HIGH_V;
            case "reversed" -> 0;
            default -> DC_BUS_V;
        };
    }

    private static double rounded(double value) {
        return Math.rint(value * 10) / 10;
    }

    private static Switch told(boolean on) {
        return on ? Switch.ON : Switch.OFF;
    }
}
