package org.skelda.core.start;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoublePredicate;

/**
 * A start drawn with simple curves whose answers are known: straight lines for the spool, an exponential approach for
 * the temperature. Good unless something is changed in it. Times are seconds since starter on. It is no model of an
 * engine.
 */
public final class SimpleStart {
    /** Seconds of the recording before the starter. */
    public static final double LEAD_IN_s = 2;

    private static final double AMBIENT_c = 15;
    private static final double AFTER_IDLE_s = 17;

    private final StartProfile profile;
    private final Map<Parameter, Curve> changes = new EnumMap<>(Parameter.class);
    private final List<DoublePredicate> lostRows = new ArrayList<>();
    private double hz = 10;
    private double noise_c;
    private long seed = 1;
    private double fuelAt_s;
    private double lightAfter_s;
    private double peak_c;
    private double rise_s = 3;
    private double idleAt_s;
    private double lasts_s;
    private DoublePredicate starter = t -> t >= 0 && spool(t) < cutOut();
    private DoublePredicate fuel = t -> t >= fuelAt_s;
    private DoublePredicate ignition = t -> t >= 0;

    /** Another curve in the place of a good one. */
    public interface Curve {
        /** @param t seconds since starter on; @param good what it would be; NaN for no reading */
        double at(double t, double good);
    }

    private SimpleStart(StartProfile profile) {
        this.profile = profile;
        double within = profile.idle().within().toMillis() / 1000.0;
        fuelAt_s = 0.25 * within;
        lightAfter_s = Math.min(3, 0.35 * profile.lightOffWithin().toMillis() / 1000.0);
        idleAt_s = 0.75 * within;
        lasts_s = idleAt_s + AFTER_IDLE_s;
        peak_c = 0.8 * profile.temperatureLimits().getFirst().value();
    }

    public static SimpleStart of(StartProfile profile) {
        return new SimpleStart(profile);
    }

    /** A good start with its figures drawn by lot, and 2 degC of noise on the temperature. */
    public static SimpleStart byLot(StartProfile profile, long seed) {
        Random lot = new Random(seed);
        SimpleStart start = of(profile);
        start.seed = seed;
        start.noise_c = 2;
        start.lightAfter_s *= 0.6 + 0.8 * lot.nextDouble();
        start.peak_c = (0.68 + 0.18 * lot.nextDouble())
                * profile.temperatureLimits().getFirst().value();
        start.rise_s = 2 + 3 * lot.nextDouble();
        start.idleAt_s *= 0.85 + 0.25 * lot.nextDouble();
        start.lasts_s = start.idleAt_s + AFTER_IDLE_s;
        return start;
    }

    public SimpleStart hz(double samplesPerSecond) {
        hz = samplesPerSecond;
        return this;
    }

    public SimpleStart noise(double sigma_c, long withSeed) {
        noise_c = sigma_c;
        seed = withSeed;
        return this;
    }

    public SimpleStart with(Parameter parameter, Curve curve) {
        changes.put(parameter, curve);
        return this;
    }

    public SimpleStart without(Parameter parameter) {
        return with(parameter, (_, _) -> Double.NaN);
    }

    public SimpleStart starter(DoublePredicate on) {
        starter = on;
        return this;
    }

    public SimpleStart fuel(DoublePredicate on) {
        fuel = on;
        return this;
    }

    public SimpleStart ignition(DoublePredicate on) {
        ignition = on;
        return this;
    }

    public SimpleStart fuelAt(double t) {
        fuelAt_s = t;
        return this;
    }

    public SimpleStart peak(double degC) {
        peak_c = degC;
        return this;
    }

    public SimpleStart lasts(double seconds) {
        lasts_s = seconds;
        return this;
    }

    public SimpleStart losing(DoublePredicate rows) {
        lostRows.add(rows);
        return this;
    }

    public double fuelAt() {
        return fuelAt_s;
    }

    public double lightAt() {
        return fuelAt_s + lightAfter_s;
    }

    public double idleAt() {
        return idleAt_s;
    }

    public double cutOutAt() {
        return timeOfSpool(cutOut());
    }

    private double cutOut() {
        return profile.starter().cutOut_pct();
    }

    private double atFuel() {
        return profile.fuel().preferred_pct() + 0.3;
    }

    private double atLight() {
        return atFuel() + 0.5 * lightAfter_s;
    }

    /** When the good start spool passes a speed after light-off. */
    public double timeOfSpool(double pct) {
        double idle = profile.idle().speed_pct();
        return lightAt() + (pct - atLight()) / (idle - atLight()) * (idleAt_s - lightAt());
    }

    /** The good start spool. */
    public double spool(double t) {
        double idle = profile.idle().speed_pct();
        if (t <= 0) return 0;
        if (t < fuelAt_s) return atFuel() * t / fuelAt_s;
        if (t < lightAt()) return atFuel() + 0.5 * (t - fuelAt_s);
        return Math.min(idle, atLight() + (idle - atLight()) * (t - lightAt()) / (idleAt_s - lightAt()));
    }

    private double temperature(double t) {
        double calm = (profile.idle().coolest_c() + profile.idle().hottest_c()) / 2;
        double turns = timeOfSpool(profile.idle().speed_pct() - 8);
        if (t < lightAt()) return AMBIENT_c;
        double hot = AMBIENT_c + (peak_c - AMBIENT_c) * (1 - Math.exp(-(Math.min(t, turns) - lightAt()) / rise_s));
        return t <= turns ? hot : calm + (hot - calm) * Math.exp(-(t - turns) / 2);
    }

    private double good(Parameter parameter, double t) {
        double idle = profile.idle().speed_pct();
        double part = spool(t) / idle;
        return switch (parameter) {
            case SPOOL -> spool(t);
            case FAN ->
                spool(t) < 0.4 * profile.turning().fanBy_pct()
                        ? 0
                        : profile.drive().engine() == StartProfile.Engine.JET ? 20 * part : 900 * part;
            case TEMPERATURE -> temperature(t);
            case FLOW ->
                t < fuelAt_s
                        ? 0
                        : (profile.fuel().normalFrom_kgph() + profile.fuel().normalTo_kgph()) / 2;
            case OIL ->
                t < 2
                        ? 2
                        : Math.min(1, 0.2 + part)
                                * (profile.idle().oilLeast_kpa()
                                        + profile.idle().oilMost_kpa())
                                / 2;
            case DUCT ->
                profile.drive().manner() == StartProfile.Manner.ELECTRIC
                        ? Double.NaN
                        : t < 0.05 || spool(t) >= cutOut()
                                ? profile.supply().beforeStarter() + 20
                                : profile.supply().crankingAt(0, 0) + 8;
            case VOLTS ->
                profile.drive().manner() == StartProfile.Manner.BLEED_AIR
                        ? Double.NaN
                        : t < 0.05 ? 25.4 : Math.min(28, 18.4 + 7 * spool(t) / cutOut());
            case AMPERES -> profile.drive().manner() == StartProfile.Manner.BLEED_AIR ? Double.NaN : t < 0 ? 20 : 700;
        };
    }

    /** All samples, the first one at zero. */
    public List<Sample> samples() {
        Random random = new Random(seed);
        List<Sample> samples = new ArrayList<>();
        int count = (int) Math.round((LEAD_IN_s + lasts_s) * hz);
        for (int i = 0; i <= count; i++) {
            double t = i / hz - LEAD_IN_s;
            double noise = noise_c * random.nextGaussian();
            if (lostRows.stream().anyMatch(lost -> lost.test(t))) {
                continue;
            }
            samples.add(new Sample(
                    Math.round((i / hz) * 1e6),
                    value(Parameter.SPOOL, t),
                    value(Parameter.FAN, t),
                    value(Parameter.TEMPERATURE, t) + noise,
                    value(Parameter.FLOW, t),
                    value(Parameter.OIL, t),
                    value(Parameter.DUCT, t),
                    value(Parameter.VOLTS, t),
                    value(Parameter.AMPERES, t),
                    told(starter, t),
                    told(fuel, t),
                    told(ignition, t)));
        }
        return samples;
    }

    private double value(Parameter parameter, double t) {
        double good = good(parameter, t);
        Curve change = changes.get(parameter);
        return change == null ? good : change.at(t, good);
    }

    private static Switch told(DoublePredicate on, double t) {
        return on.test(t + 1e-9) ? Switch.ON : Switch.OFF;
    }

    /** The monitor after all samples. */
    public StartMonitor watched() {
        return watched(samples());
    }

    public StartMonitor watched(List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        samples.forEach(monitor::accept);
        return monitor;
    }

    /** What is said of it in the end. */
    public AttemptReport judged() {
        return watched().attempts().getFirst();
    }
}
