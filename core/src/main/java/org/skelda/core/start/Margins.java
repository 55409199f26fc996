package org.skelda.core.start;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;

/** The margins of an attempt to every limit of its type that can be told so far. */
final class Margins {
    private final StartProfile profile;
    private final Map<Milestone, Duration> milestones;
    private final List<Margin> margins = new ArrayList<>();

    private Margins(StartProfile profile, Map<Milestone, Duration> milestones) {
        this.profile = profile;
        this.milestones = milestones;
    }

    static List<Margin> of(
            StartProfile profile,
            Map<Milestone, Duration> milestones,
            AttemptReport.Remembered figures,
            AttemptReport.@Nullable Peak peak,
            List<DwellWatch> watches) {
        Margins all = new Margins(profile, milestones);
        if (peak != null) {
            all.temperature(peak.value_c(), watches);
        }
        all.time("Time to light-off", Milestone.FUEL_ON, Milestone.LIGHT_OFF, profile.lightOffWithin());
        all.time(
                "Time to oil pressure",
                Milestone.ROTATION,
                Milestone.OIL_RISING,
                profile.turning().oilWithin());
        Duration idle = figures.timeToIdle();
        if (idle != null) {
            all.margins.add(Margin.below(
                    "Time to idle", seconds(idle), seconds(profile.idle().within()), "s", all.source("time to idle")));
        }
        all.margins.add(Margin.below(
                "Starter time",
                seconds(figures.starterOn()),
                seconds(profile.starter().allowed()),
                "s",
                all.source("starter duty")));
        Double flow = figures.flowAtLightOff_kgph();
        if (flow != null) {
            all.margins.add(Margin.below(
                    "Fuel flow at light-off", flow, profile.fuel().cutAbove_kgph(), "kg/h", all.source("fuel flow")));
        }
        Double dip = figures.dip_v();
        StartProfile.Supply.Dip limits = profile.supply().dip();
        if (dip != null && limits != null) {
            all.margins.add(Margin.above("Dip, stop", dip, limits.stop_v(), "V", all.source("dip voltage")));
            all.margins.add(Margin.above("Dip, caution", dip, limits.caution_v(), "V", all.source("dip voltage")));
        }
        return all.margins;
    }

    /** A limit that allows a time is judged by the time above it, one that allows none by the peak. */
    private void temperature(double peak_c, List<DwellWatch> watches) {
        for (DwellWatch watch : watches) {
            Limit limit = watch.limit();
            margins.add(
                    limit.allowed().isZero()
                            ? Margin.below(
                                    "Peak " + profile.words(Parameter.TEMPERATURE),
                                    peak_c,
                                    limit.value(),
                                    "°C",
                                    source("start temperature limits"))
                            : Margin.below(
                                    "Time above " + Math.round(limit.value()) + " °C",
                                    watch.longest_us() / 1e6,
                                    seconds(limit.allowed()),
                                    "s",
                                    source("start temperature limits")));
        }
    }

    private void time(String what, Milestone from, Milestone to, Duration within) {
        Duration began = milestones.get(from);
        Duration reached = milestones.get(to);
        if (began != null && reached != null) {
            margins.add(Margin.below(
                    what,
                    seconds(reached.minus(began)),
                    seconds(within),
                    "s",
                    source(what.toLowerCase(java.util.Locale.ROOT))));
        }
    }

    private String source(String table) {
        return profile.name() + ", start, " + table;
    }

    private static double seconds(Duration duration) {
        return duration.toNanos() / 1e9;
    }
}
