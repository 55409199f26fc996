package org.skelda.core.start;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Limit;

/** Tells everything in a profile that contradicts itself; a profile with a contradiction is not used. */
public final class ProfileChecks {
    private final StartProfile profile;
    private final List<Contradiction> found = new ArrayList<>();

    /**
     * @param place of the value in the pack, as a JSON pointer from the profile's own key
     * @param words what contradicts what, with both values
     */
    public record Contradiction(String place, String words) {}

    private ProfileChecks(StartProfile profile) {
        this.profile = profile;
    }

    /** All contradictions; empty for a profile that can be used. */
    public static List<Contradiction> of(StartProfile profile) {
        ProfileChecks checks = new ProfileChecks(profile);
        checks.supply();
        checks.fuel();
        checks.limits();
        checks.starter();
        checks.idle();
        checks.remedy();
        return List.copyOf(checks.found);
    }

    private void ask(boolean holds, String place, String words, @Nullable Object... values) {
        if (!holds) {
            found.add(new Contradiction(place, String.format(java.util.Locale.ROOT, words, values)));
        }
    }

    private void supply() {
        StartProfile.Supply supply = profile.supply();
        boolean electric = profile.drive().manner() == StartProfile.Manner.ELECTRIC;
        ask(
                electric == (supply.battery() != null),
                "/battery",
                electric ? "an electric start needs its battery" : "a bleed-air start has no battery to judge");
        ask(
                electric == (supply.dip() != null),
                "/supply",
                electric ? "an electric start needs its dip volts" : "a bleed-air start has no dip volts");
        ask(!electric || supply.fallPer1000ft() == 0, "/supply/fallPer1000ft", "volts do not fall with elevation");
        ask(
                supply.caution() == null || supply.caution() > supply.beforeStarter(),
                "/supply/beforeStarter_caution",
                "the caution of %s is not above the minimum of %s",
                supply.caution(),
                supply.beforeStarter());
        ask(
                supply.cranking().stream().allMatch(point -> point.least() < supply.beforeStarter()),
                "/supply/cranking",
                "a minimum while cranking is not under the %s that is needed before the starter",
                supply.beforeStarter());
        for (int i = 1; i < supply.cranking().size(); i++) {
            ask(
                    supply.cranking().get(i).spool_pct()
                            > supply.cranking().get(i - 1).spool_pct(),
                    "/supply/cranking/" + i,
                    "the start spool of %s %% does not come after %s %%",
                    supply.cranking().get(i).spool_pct(),
                    supply.cranking().get(i - 1).spool_pct());
        }
        if (supply.dip() != null) {
            ask(
                    supply.dip().stop_v() < supply.dip().caution_v(),
                    "/dip",
                    "the stop at %s V is not under the caution at %s V",
                    supply.dip().stop_v(),
                    supply.dip().caution_v());
        }
    }

    private void fuel() {
        StartProfile.Fuel fuel = profile.fuel();
        Double ignitionAt = profile.drive().ignitionAt_pct();
        ask(
                (profile.drive().ignition() == StartProfile.Ignition.AUTOMATIC) == (ignitionAt != null),
                "/ignitionAt_pct",
                "a speed for ignition belongs to automatic ignition, and only to it");
        ask(
                ignitionAt == null || ignitionAt < fuel.minimum_pct(),
                "/ignitionAt_pct",
                "ignition at %s %% does not come before fuel at %s %%",
                ignitionAt,
                fuel.minimum_pct());
        ask(
                fuel.minimum_pct() <= fuel.preferred_pct(),
                "/fuelOn",
                "the preferred %s %% is under the minimum %s %%",
                fuel.preferred_pct(),
                fuel.minimum_pct());
        ask(
                fuel.preferred_pct() < profile.starter().cutOut_pct(),
                "/fuelOn",
                "fuel at %s %% comes after the starter's cut-out at %s %%",
                fuel.preferred_pct(),
                profile.starter().cutOut_pct());
        ask(
                fuel.normalFrom_kgph() < fuel.normalTo_kgph(),
                "/flowAtLightOff/normal_kgph",
                "%s is not under %s",
                fuel.normalFrom_kgph(),
                fuel.normalTo_kgph());
        ask(
                fuel.normalTo_kgph() < fuel.cutAbove_kgph(),
                "/flowAtLightOff/cutAbove_kgph",
                "the cut above %s kg/h is within the usual flow up to %s kg/h",
                fuel.cutAbove_kgph(),
                fuel.normalTo_kgph());
        ask(
                fuel.hottestBefore_c() < profile.lowestLimit_c(),
                "/temperatureBeforeFuel_max_c",
                "%s °C is not under the lowest start limit of %s °C",
                fuel.hottestBefore_c(),
                profile.lowestLimit_c());
    }

    private void limits() {
        List<Limit> limits = profile.temperatureLimits();
        for (int i = 1; i < limits.size(); i++) {
            ask(
                    limits.get(i).value() > limits.get(i - 1).value(),
                    "/temperatureLimits/" + i,
                    "the limits must rise: %s °C after %s °C",
                    limits.get(i).value(),
                    limits.get(i - 1).value());
            ask(
                    limits.get(i).allowed().compareTo(limits.get(i - 1).allowed()) < 0,
                    "/temperatureLimits/" + i,
                    "a higher limit must allow less time than the one below it: %s s after %s s",
                    seconds(limits.get(i).allowed()),
                    seconds(limits.get(i - 1).allowed()));
        }
        ask(
                limits.getLast().allowed().isZero(),
                "/temperatureLimits",
                "the highest limit must allow no time above it, not %s s",
                seconds(limits.getLast().allowed()));
    }

    private void starter() {
        StartProfile.Starter starter = profile.starter();
        ask(
                starter.cutOut_pct() < starter.overrun_pct(),
                "/starter/overrun_pct",
                "the overrun at %s %% is not above the cut-out at %s %%",
                starter.overrun_pct(),
                starter.cutOut_pct());
        ask(
                starter.overrun_pct() < profile.idle().speed_pct(),
                "/starter/overrun_pct",
                "the overrun at %s %% is not under idle at %s %%",
                starter.overrun_pct(),
                profile.idle().speed_pct());
        ask(
                starter.engageAtOrBelow_pct() == null || starter.engageAtOrBelow_pct() < starter.cutOut_pct(),
                "/starter/engageAtOrBelow_pct",
                "engaging at %s %% is not under the cut-out at %s %%",
                starter.engageAtOrBelow_pct(),
                starter.cutOut_pct());
        StartProfile.Starter.Alone alone = starter.alone();
        if (alone != null) {
            ask(
                    alone.motoring_pct() > profile.fuel().preferred_pct(),
                    "/starter/alone/motoring_pct",
                    "the starter alone reaches %s %%, and fuel comes on at %s %%",
                    alone.motoring_pct(),
                    profile.fuel().preferred_pct());
            ask(
                    alone.free_pct() > starter.overrun_pct(),
                    "/starter/alone/free_pct",
                    "the free speed of %s %% is not above the overrun at %s %%",
                    alone.free_pct(),
                    starter.overrun_pct());
        }
        ask(
                profile.turning().fanBy_pct() < profile.idle().speed_pct(),
                "/turning/by_pct",
                "%s %% is not under idle at %s %%",
                profile.turning().fanBy_pct(),
                profile.idle().speed_pct());
        ask(
                profile.lightOffWithin().compareTo(starter.allowed()) < 0,
                "/lightOffWithin_s",
                "the wait for light-off, %s s, is not shorter than the starter's %s s",
                seconds(profile.lightOffWithin()),
                seconds(starter.allowed()));
    }

    private void idle() {
        StartProfile.Idle idle = profile.idle();
        ask(
                idle.coolest_c() < idle.hottest_c(),
                "/idle/temperature_c",
                "%s is not under %s",
                idle.coolest_c(),
                idle.hottest_c());
        ask(
                idle.hottest_c() < profile.lowestLimit_c(),
                "/idle/temperature_c",
                "the usual %s °C at idle is not under the lowest start limit of %s °C",
                idle.hottest_c(),
                profile.lowestLimit_c());
        ask(
                idle.oilLeast_kpa() < idle.oilMost_kpa(),
                "/idle/oil_kpa",
                "%s is not under %s",
                idle.oilLeast_kpa(),
                idle.oilMost_kpa());
        ask(
                idle.high_pct() == null || idle.high_pct() > idle.speed_pct() + idle.tolerance_pct(),
                "/idle/high_pct",
                "high idle at %s %% is not above idle at %s %%",
                idle.high_pct(),
                idle.speed_pct());
    }

    private void remedy() {
        ask(
                profile.drive().automatic() == profile.remedy().tries() > 0,
                "/computer",
                profile.drive().automatic()
                        ? "a start computer makes at least one try"
                        : "tries of a start computer, but the fuel is opened by hand");
        for (StartProfile.Remedy.Step step : profile.remedy().hot()) {
            ask(
                    step.untilCool_c() == null
                            || step.untilCool_c() <= profile.fuel().hottestBefore_c(),
                    "/after/hot",
                    "cooling to %s °C leaves it above the %s °C before fuel",
                    step.untilCool_c(),
                    profile.fuel().hottestBefore_c());
        }
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }
}
