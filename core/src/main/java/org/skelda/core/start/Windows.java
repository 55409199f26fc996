package org.skelda.core.start;

import org.skelda.core.limit.SlopeWindow;

/** The slopes that milestones and findings ask for, over the samples of an attempt. */
final class Windows {
    private static final long TWO_S = 2_000_000;
    private static final long THREE_S = 3_000_000;
    private static final long FIVE_S = 5_000_000;

    private final SlopeWindow spool2;
    private final SlopeWindow spool3;
    private final SlopeWindow spool5;

    Windows(long zero_us) {
        spool2 = new SlopeWindow(TWO_S, zero_us);
        spool3 = new SlopeWindow(THREE_S, zero_us);
        spool5 = new SlopeWindow(FIVE_S, zero_us);
    }

    void absorb(Sample sample) {
        if (!Double.isNaN(sample.spool_pct())) {
            spool2.read(sample.at_us(), sample.spool_pct());
            spool3.read(sample.at_us(), sample.spool_pct());
            spool5.read(sample.at_us(), sample.spool_pct());
        }
    }

    /** Acceleration of the start spool over the last 2.0 s (% a second); NaN with too few readings. */
    double spoolOver2s() {
        return spool2.perSecond();
    }

    /** Acceleration of the start spool over the last 3.0 s (% a second). */
    double spoolOver3s() {
        return spool3.perSecond();
    }

    /** Acceleration of the start spool over the last 5.0 s (% a second). */
    double spoolOver5s() {
        return spool5.perSecond();
    }
}
