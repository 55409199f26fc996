package org.skelda.formats.feed;

import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;

/**
 * What a reading is called in a feed and in a trace, and what an instrument for it can show at all. The bounds are no
 * limits of a type: they tell a reading from a broken sensor.
 *
 * @param name with its unit
 * @param least lowest value a sound sensor tells, inclusive
 * @param most highest, inclusive
 */
record FeedName(String name, double least, double most) {

    static FeedName of(Parameter parameter, StartProfile.Engine engine) {
        boolean jet = engine == StartProfile.Engine.JET;
        return switch (parameter) {
            case SPOOL -> new FeedName(jet ? "n2_pct" : "ng_pct", -2, 130);
            case FAN -> jet ? new FeedName("n1_pct", -20, 130) : new FeedName("np_rpm", -200, 4000);
            case TEMPERATURE -> new FeedName(jet ? "egt_c" : "itt_c", -80, 1400);
            case FLOW -> new FeedName("ff_kgph", -5, 6000);
            case OIL -> new FeedName("oil_kpa", -20, 2000);
            case DUCT -> new FeedName("duct_kpa", -50, 1000);
            case VOLTS -> new FeedName("bus_v", 0, 60);
            case AMPERES -> new FeedName("bus_a", -3000, 3000);
        };
    }
}
