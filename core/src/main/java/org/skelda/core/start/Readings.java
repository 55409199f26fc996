package org.skelda.core.start;

import org.skelda.core.limit.Signal;

/**
 * The signals of one engine, kept from one attempt to the next, and how far its supply is above what cranking needs.
 */
final class Readings {
    private static final Parameter[] PARAMETERS = Parameter.values();

    private final StartProfile profile;
    private final double elevation_ft;
    private final Signal[] signals = new Signal[PARAMETERS.length];
    private final Signal margin = new Signal(Listeners.NOBODY);
    private Signal.Listener flow = Listeners.NOBODY;
    private double spoolBefore = Double.NaN;
    private double supplyBefore = Double.NaN;
    private long before_us;

    Readings(StartProfile profile, double elevation_ft) {
        this.profile = profile;
        this.elevation_ft = elevation_ft;
        for (int i = 0; i < signals.length; i++) {
            signals[i] = new Signal(Listeners.NOBODY);
        }
    }

    Signal of(Parameter parameter) {
        return signals[parameter.ordinal()];
    }

    /** Supply above its least while cranking, in the supply's unit; negative under it. */
    Signal margin() {
        return margin;
    }

    void advanceTo(long at_us) {
        for (Signal signal : signals) {
            signal.advanceTo(at_us);
        }
        margin.advanceTo(at_us);
    }

    void absorb(Sample sample) {
        for (Parameter parameter : PARAMETERS) {
            double value = sample.of(parameter);
            if (!Double.isNaN(value)) {
                signals[parameter.ordinal()].read(sample.at_us(), value);
            }
        }
        double supply = sample.of(profile.supplyParameter());
        if (!Double.isNaN(supply)) {
            judgeSupply(sample.at_us(), supply);
        }
    }

    private void judgeSupply(long at_us, double supply) {
        Signal spool = of(Parameter.SPOOL);
        if (spool.isLostAt(at_us)) {
            spoolBefore = Double.NaN;
            return;
        }
        double now = spool.last();
        if (profile.supply().cranking().size() > 1 && now != spoolBefore && at_us - before_us <= Signal.BRIDGED_us) {
            bendAtThePoints(at_us, now, supply);
        }
        margin.read(at_us, supply - profile.supply().crankingAt(now, elevation_ft));
        spoolBefore = now;
        supplyBefore = supply;
        before_us = at_us;
    }

    /** Between two samples the least supply is no straight line where the spool passes a point of its table. */
    private void bendAtThePoints(long at_us, double spool, double supply) {
        boolean up = spool > spoolBefore;
        int points = profile.supply().cranking().size();
        long read_us = before_us;
        for (int i = 0; i < points; i++) {
            StartProfile.Supply.Point point = profile.supply().cranking().get(up ? i : points - 1 - i);
            double part = (point.spool_pct() - spoolBefore) / (spool - spoolBefore);
            long at = before_us + Math.round(part * (at_us - before_us));
            if (part > 0 && part < 1 && at > read_us && at < at_us) {
                double least = profile.supply().crankingAt(point.spool_pct(), elevation_ft);
                margin.read(at, supplyBefore + part * (supply - supplyBefore) - least);
                read_us = at;
            }
        }
    }

    /** Who hears the fuel flow whatever attempt runs. */
    void always(Signal.Listener ofFlow) {
        flow = ofFlow;
        hush();
    }

    /** The attempt's watches listen no more. */
    void hush() {
        for (Signal signal : signals) {
            signal.tell(Listeners.NOBODY);
        }
        of(Parameter.FLOW).tell(flow);
        margin.tell(Listeners.NOBODY);
    }

    /** Goes on where others stand. */
    void resume(Readings other) {
        for (int i = 0; i < signals.length; i++) {
            signals[i].resume(other.signals[i]);
        }
        margin.resume(other.margin);
        spoolBefore = other.spoolBefore;
        supplyBefore = other.supplyBefore;
        before_us = other.before_us;
    }

    /** The last reading while it may still be used; NaN when it is lost or was never there. */
    double value(Parameter parameter, long at_us) {
        Signal signal = signals[parameter.ordinal()];
        return signal.isLostAt(at_us) ? Double.NaN : signal.last();
    }
}
