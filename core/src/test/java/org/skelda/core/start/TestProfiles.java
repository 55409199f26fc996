package org.skelda.core.start;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.bleed.Delivery;
import org.skelda.core.limit.Limit;

/** Three made-up types for the core's own tests: by hand on air, by computer on air, by hand on current. */
public final class TestProfiles {
    private TestProfiles() {}

    public static List<StartProfile> all() {
        return List.of(byHand(), byComputer(), onCurrent());
    }

    public static StartProfile byHand() {
        return new StartProfile(
                "TEST-A",
                "Test A",
                new StartProfile.Drive(
                        StartProfile.Manner.BLEED_AIR,
                        StartProfile.Engine.JET,
                        StartProfile.Ignition.WITH_FUEL_LEVER,
                        null,
                        false,
                        12),
                new StartProfile.Supply(230, null, List.of(new StartProfile.Supply.Point(0, 210)), 3, null, null, null),
                new StartProfile.Fuel(18, 22, 120, 100, 150, 180, null),
                seconds(12),
                List.of(Limit.above(700, seconds(10)), Limit.above(750, seconds(0))),
                new StartProfile.Turning(20, true, seconds(20)),
                new StartProfile.Hung(0.35, seconds(6)),
                new StartProfile.Starter(
                        48, 52, false, 12.0, List.of(duty(100, 45), duty(100, 180), duty(100, 1800)), null, false),
                new StartProfile.Idle(60, 2, null, 400, 500, 170, 340, seconds(75)),
                new StartProfile.Remedy(
                        List.of(keepTurning(30)),
                        List.of(new StartProfile.Remedy.Step(StartProfile.Remedy.Doing.KEEP_TURNING, null, 120.0)),
                        "isolation handle",
                        0));
    }

    /** The one by hand, with its air and what its starter reaches alone. */
    static StartProfile onAir() {
        StartProfile bare = byHand();
        AirNetwork air = new AirNetwork(
                List.of(new AirNetwork.Source(
                        "apu",
                        "APU",
                        AirNetwork.Kind.APU,
                        null,
                        "duct",
                        null,
                        null,
                        new Delivery(270, 0.65, 0.0012, List.of()))),
                List.of(new AirNetwork.Duct("duct", "Duct", Set.of(1, 2))),
                List.of(),
                List.of(),
                0.13,
                "Test");
        StartProfile.Supply supply = bare.supply();
        StartProfile.Starter starter = bare.starter();
        return new StartProfile(
                bare.typeId(),
                bare.name(),
                bare.drive(),
                new StartProfile.Supply(
                        supply.beforeStarter(), null, supply.cranking(), supply.fallPer1000ft(), null, null, air),
                bare.fuel(),
                bare.lightOffWithin(),
                bare.temperatureLimits(),
                bare.turning(),
                bare.hung(),
                new StartProfile.Starter(
                        starter.cutOut_pct(),
                        starter.overrun_pct(),
                        false,
                        starter.engageAtOrBelow_pct(),
                        starter.duty(),
                        new StartProfile.Starter.Alone(29, 74),
                        false),
                bare.idle(),
                bare.remedy());
    }

    public static StartProfile byComputer() {
        return new StartProfile(
                "TEST-B",
                "Test B",
                new StartProfile.Drive(
                        StartProfile.Manner.BLEED_AIR,
                        StartProfile.Engine.JET,
                        StartProfile.Ignition.AUTOMATIC,
                        12.0,
                        true,
                        12),
                new StartProfile.Supply(215, null, List.of(new StartProfile.Supply.Point(0, 195)), 3, null, null, null),
                new StartProfile.Fuel(19, 19, 130, 60, 90, 110, null),
                seconds(12),
                List.of(Limit.above(690, seconds(8)), Limit.above(730, seconds(0))),
                new StartProfile.Turning(25, false, seconds(18)),
                new StartProfile.Hung(0.4, seconds(6)),
                new StartProfile.Starter(50, 54, false, 8.0, List.of(duty(90, 60), duty(90, 600)), null, false),
                new StartProfile.Idle(58, 2, null, 390, 500, 160, 340, seconds(62)),
                new StartProfile.Remedy(List.of(keepTurning(30)), List.of(keepTurning(30)), "isolation handle", 1));
    }

    public static StartProfile onCurrent() {
        return new StartProfile(
                "TEST-C",
                "Test C",
                new StartProfile.Drive(
                        StartProfile.Manner.ELECTRIC,
                        StartProfile.Engine.TURBOPROP,
                        StartProfile.Ignition.SWITCH_BEFORE_STARTER,
                        null,
                        false,
                        8),
                new StartProfile.Supply(
                        23.8,
                        24.4,
                        List.of(
                                new StartProfile.Supply.Point(5, 15.5),
                                new StartProfile.Supply.Point(12, 17.3),
                                new StartProfile.Supply.Point(25, 19.1)),
                        0,
                        new StartProfile.Supply.Dip(16.5, 14.5),
                        new StartProfile.Supply.Battery(8, 0.009, 25.9, 900),
                        null),
                new StartProfile.Fuel(13, 15, 150, 38, 52, 60, null),
                seconds(9),
                List.of(Limit.above(870, seconds(9)), Limit.above(1020, seconds(0))),
                new StartProfile.Turning(40, false, seconds(10)),
                new StartProfile.Hung(0.8, seconds(4)),
                new StartProfile.Starter(
                        52, 56, true, null, List.of(duty(40, 60), duty(40, 60), duty(40, 1800)), null, false),
                new StartProfile.Idle(65, 2, 72.0, 520, 640, 380, 690, seconds(48)),
                new StartProfile.Remedy(
                        List.of(
                                new StartProfile.Remedy.Step(StartProfile.Remedy.Doing.STOP_STARTER, null, null),
                                new StartProfile.Remedy.Step(StartProfile.Remedy.Doing.DRAIN, seconds(40), null),
                                new StartProfile.Remedy.Step(StartProfile.Remedy.Doing.DRY_MOTOR, seconds(20), null)),
                        List.of(keepTurning(15)),
                        "fuel valve",
                        0));
    }

    private static StartProfile.Remedy.Step keepTurning(int time) {
        return new StartProfile.Remedy.Step(StartProfile.Remedy.Doing.KEEP_TURNING, seconds(time), null);
    }

    private static StartProfile.Starter.Try duty(int on, int cool) {
        return new StartProfile.Starter.Try(seconds(on), seconds(cool));
    }

    private static Duration seconds(long seconds) {
        return Duration.ofSeconds(seconds);
    }
}
