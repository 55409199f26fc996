package org.skelda.core.apu;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelda.core.apu.Apu.Phase;

class ApuTest {
    private static final Instant T0 = Instant.parse("2026-05-04T10:00:00Z");
    // source: the fleet's APU table, Havern 2M
    private static final ApuRule RULE = new ApuRule(
            Duration.ZERO,
            Duration.ofSeconds(8),
            9,
            54,
            96,
            Duration.ofSeconds(4),
            Duration.ofSeconds(75),
            Duration.ofSeconds(90),
            Duration.ofSeconds(20),
            3,
            Duration.ofSeconds(70),
            Duration.ofSeconds(1200));

    /** What may follow what, whatever happens; a phase may always stay. What a feed finds may be ahead of it. */
    private static final Map<Phase, Set<Phase>> FOLLOWS = Map.of(
            Phase.OFF, Set.of(Phase.POWERED, Phase.STARTING, Phase.AVAILABLE),
            Phase.POWERED, Set.of(Phase.STARTING, Phase.OFF, Phase.AVAILABLE),
            Phase.STARTING, Set.of(Phase.AVAILABLE, Phase.SPOOLING_DOWN),
            Phase.AVAILABLE, Set.of(Phase.COOLING, Phase.SPOOLING_DOWN),
            Phase.COOLING, Set.of(Phase.SPOOLING_DOWN, Phase.AVAILABLE),
            Phase.SPOOLING_DOWN, Set.of(Phase.STOPPED, Phase.STARTING, Phase.AVAILABLE),
            Phase.STOPPED, Set.of(Phase.OFF, Phase.POWERED, Phase.STARTING, Phase.AVAILABLE));

    private static Instant s(double seconds) {
        return T0.plusMillis(Math.round(seconds * 1000));
    }

    private static Apu after(Apu apu, ApuEvent... events) {
        Apu now = apu;
        for (ApuEvent event : events) {
            assertThat(now.refusal(event)).as("%s in %s", event, now.phase()).isNull();
            now = now.step(event);
        }
        return now;
    }

    private static ApuEvent read(double at_s, Double speed_pct, Double temperature_C) {
        return new ApuEvent.Read(s(at_s), speed_pct, temperature_C);
    }

    private static Apu powered() {
        return after(Apu.off(RULE, T0), new ApuEvent.MasterOn(s(0)));
    }

    private static Apu starting() {
        return after(powered(), new ApuEvent.StartSelected(s(8)));
    }

    private static Apu available() {
        return after(starting(), new ApuEvent.MilestoneSeen(s(40), ApuMilestone.UP_TO_SPEED))
                .at(s(44));
    }

    private static Apu giving() {
        return after(available(), new ApuEvent.Generator(s(50), true), new ApuEvent.Bleed(s(119), true));
    }

    @Test
    void itIsStartedOnceItsDoorIsOpenByItsSecondsOrItsMessage() {
        assertThat(powered().warning(new ApuEvent.StartSelected(s(7.9)))).isEqualTo("Its inlet door is not open yet.");
        assertThat(powered().warning(new ApuEvent.StartSelected(s(8)))).isNull();
        assertThat(powered().startableAt()).contains(s(8));
        assertThat(starting().phase()).isEqualTo(Phase.STARTING);
        Apu seen = after(powered(), new ApuEvent.ReadySeen(s(5)), new ApuEvent.StartSelected(s(5.5)));
        assertThat(seen.phase()).isEqualTo(Phase.STARTING);
    }

    @Test
    void aFeedTellsItsMilestonesAndItIsAvailableOnceItHasSettled() {
        Apu apu = after(
                starting(),
                read(10, 4.0, 20.0),
                read(12, 9.1, 22.0),
                read(13, 12.0, 40.0),
                read(14, 15.0, 90.0),
                read(22, 54.0, 700.0),
                read(30, 96.2, 610.0));
        assertThat(apu.run().seen())
                .containsOnly(
                        Map.entry(ApuMilestone.FUEL, s(12)),
                        Map.entry(ApuMilestone.LIGHT, s(14)),
                        Map.entry(ApuMilestone.STARTER_OUT, s(22)),
                        Map.entry(ApuMilestone.UP_TO_SPEED, s(30)));
        assertThat(apu.at(s(33.9)).phase()).isEqualTo(Phase.STARTING);
        assertThat(apu.at(s(60)).phase()).isEqualTo(Phase.AVAILABLE);
        assertThat(apu.at(s(60)).since()).isEqualTo(s(34));
    }

    @Test
    void aSpeedThatSagsBeginsItsSettlingAnewAndAMissingReadingDecidesNothing() {
        Apu sags = after(starting(), read(30, 96.0, null), read(33, 95.0, null), read(34, 96.0, null));
        assertThat(sags.at(s(37.9)).phase()).isEqualTo(Phase.STARTING);
        assertThat(sags.at(s(38)).phase()).isEqualTo(Phase.AVAILABLE);
        Apu blind = after(starting(), read(30, 96.0, null), read(31, null, null));
        assertThat(blind.run().settling()).isEqualTo(s(30));
    }

    @Test
    void airComesOnlyAfterItsWaitAndGoesAtOnce() {
        assertThat(available().bleedAllowedAt()).contains(s(119));
        assertThat(available().warning(new ApuEvent.Bleed(s(118.9), true)))
                .isEqualTo("It is not warm through: no air yet.");
        Apu off = after(giving(), new ApuEvent.MasterOff(s(200)));
        assertThat(off.run().bleed()).isFalse();
        assertThat(off.phase()).isEqualTo(Phase.COOLING);
        assertThat(off.run().generator())
                .as("its generator stays through the cool-down")
                .isTrue();
        assertThat(off.due()).contains(s(290));
        assertThat(off.at(s(290)).phase()).isEqualTo(Phase.SPOOLING_DOWN);
        assertThat(off.at(s(290)).run().generator()).isFalse();
    }

    @Test
    void itsCoolDownCountsFromItsAirOffAndOneThatGaveNoneNeedsNone() {
        Apu early = after(giving(), new ApuEvent.Bleed(s(150), false), new ApuEvent.MasterOff(s(200)));
        assertThat(early.due()).contains(s(240));
        Apu long_ = after(giving(), new ApuEvent.Bleed(s(150), false), new ApuEvent.MasterOff(s(900)));
        assertThat(long_.phase()).isEqualTo(Phase.SPOOLING_DOWN);
        assertThat(after(available(), new ApuEvent.MasterOff(s(200))).phase()).isEqualTo(Phase.SPOOLING_DOWN);
    }

    @Test
    void theBatteriesWaitForItsDoorAndLatchAFaultThatOnlyThePanelOutsideResets() {
        Apu down = after(giving(), new ApuEvent.EmergencyStop(s(200)));
        assertThat(down.phase()).as("no cool-down").isEqualTo(Phase.SPOOLING_DOWN);
        Apu stopped = after(down, read(240, 0.4, 200.0));
        assertThat(stopped.phase()).isEqualTo(Phase.STOPPED);
        assertThat(stopped.batteriesMayGoOff(s(259.9))).isFalse();
        assertThat(stopped.batteriesMayGoOff(s(260))).isTrue();
        assertThat(after(stopped, new ApuEvent.BatteriesOff(s(260))).latched()).isFalse();
        Apu early = after(stopped, new ApuEvent.BatteriesOff(s(250)));
        assertThat(early.latched()).isTrue();
        assertThat(early.refusal(new ApuEvent.MasterOn(s(300)))).contains("Only the panel outside resets it");
        assertThat(after(early, new ApuEvent.ResetOutside(s(400)), new ApuEvent.MasterOn(s(401)))
                        .phase())
                .isEqualTo(Phase.POWERED);
        assertThat(after(giving(), new ApuEvent.BatteriesOff(s(200))).latched()).isTrue();
    }

    private static Apu failed(Apu from, double at_s) {
        return after(
                from,
                new ApuEvent.MasterOn(s(at_s)),
                new ApuEvent.StartSelected(s(at_s + 8)),
                new ApuEvent.StoppedItself(s(at_s + 20), AutomaticStop.UNDERSPEED),
                new ApuEvent.ZeroSeen(s(at_s + 25)));
    }

    @Test
    void startsThatFailAreCountedAndRestedAndOneThatSucceedsForgetsThem() {
        Apu once = failed(Apu.off(RULE, T0), 0);
        assertThat(once.triesLeft()).isEqualTo(2);
        Apu again = after(once, new ApuEvent.MasterOn(s(60)));
        assertThat(again.startableAt()).contains(s(90));
        assertThat(again.warning(new ApuEvent.StartSelected(s(89)))).isEqualTo("It rests after a start that failed.");
        Apu thrice = failed(failed(once, 100), 200);
        assertThat(after(thrice, new ApuEvent.MasterOn(s(300))).startableAt()).contains(s(1420));
        Apu good = after(
                thrice,
                new ApuEvent.MasterOn(s(1500)),
                new ApuEvent.StartSelected(s(1508)),
                new ApuEvent.MilestoneSeen(s(1540), ApuMilestone.UP_TO_SPEED));
        assertThat(good.at(s(1544)).triesLeft()).isEqualTo(3);
        assertThat(good.tries().stopped()).isEqualTo(AutomaticStop.UNDERSPEED);
        assertThat(good.at(s(1544)).tries().stopped()).isNull();
    }

    @Test
    void numbersThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new ApuRule(
                        Duration.ZERO,
                        Duration.ZERO,
                        54,
                        9,
                        96,
                        Duration.ofSeconds(4),
                        Duration.ofSeconds(75),
                        Duration.ofSeconds(90),
                        Duration.ofSeconds(20),
                        3,
                        Duration.ofSeconds(70),
                        Duration.ofSeconds(1200)))
                .hasMessageContaining("must follow each other");
    }

    /**
     * Any order of anything: no phase is jumped, time runs forward, ticks between change nothing, replay is the same.
     */
    @Test
    void randomHistoriesKeepTheRules() {
        int ran = 0;
        int latched = 0;
        for (int seed = 0; seed < 500; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Apu begun = Apu.off(RULE, T0);
            Apu apu = begun;
            Apu ticked = begun;
            List<ApuEvent> all = new ArrayList<>();
            double at_s = 0;
            for (int step = 0; step < 60; step++) {
                at_s += random.nextInt(3) == 0 ? random.nextDouble(0, 120) : random.nextDouble(0, 12);
                ApuEvent event = any(random, at_s);
                all.add(event);
                Apu due = apu.at(event.at());
                reaches(apu, due);
                assertThat(due.at(event.at())).isEqualTo(due);
                Apu next = due.step(event);
                if (due.refusal(event) != null) {
                    assertThat(next).isEqualTo(due);
                }
                reaches(due, next);
                check(due, next, event);
                apu = apu.step(event);
                assertThat(apu).isEqualTo(next);
                ticked = ticked.at(event.at().minusMillis(1)).at(event.at()).step(event);
                assertThat(ticked).isEqualTo(apu);
                ran += apu.phase() == Phase.AVAILABLE ? 1 : 0;
                latched += apu.latched() ? 1 : 0;
            }
            Apu replayed = begun;
            for (ApuEvent event : all) {
                replayed = replayed.step(event);
            }
            assertThat(replayed).isEqualTo(apu);
        }
        assertThat(ran).isGreaterThan(500);
        assertThat(latched).isGreaterThan(100);
    }

    /** From one to the other by legal steps, each no earlier than the one before. */
    private static void reaches(Apu before, Apu after) {
        assertThat(after.since()).isAfterOrEqualTo(before.since());
        Set<Phase> reachable = new java.util.HashSet<>(Set.of(before.phase()));
        for (int i = 0; i < 3; i++) {
            reachable.addAll(reachable.stream()
                    .flatMap(phase -> FOLLOWS.get(phase).stream())
                    .collect(Collectors.toSet()));
        }
        assertThat(reachable).contains(after.phase());
    }

    private static void check(Apu before, Apu after, ApuEvent event) {
        if (after.run().bleed() && !before.run().bleed() && !(event instanceof ApuEvent.Found)) {
            assertThat(event.at().isBefore(before.bleedAllowedAt().orElseThrow()))
                    .isEqualTo(before.warning(event) != null);
        }
        assertThat(!after.run().bleed() || after.phase() == Phase.AVAILABLE).isTrue();
        assertThat(!after.run().generator() || after.phase() == Phase.AVAILABLE || after.phase() == Phase.COOLING)
                .isTrue();
        if (after.latched() && !before.latched()) {
            assertThat(event).isInstanceOf(ApuEvent.BatteriesOff.class);
            assertThat(before.batteriesMayGoOff(event.at()) || before.phase() == Phase.POWERED)
                    .isFalse();
        }
        if (event instanceof ApuEvent.Read(var _, Double speed_pct, Double temperature_C)
                && speed_pct == null
                && temperature_C == null) {
            assertThat(after).isEqualTo(before);
        }
    }

    private static ApuEvent any(SplittableRandom random, double at_s) {
        Instant at = s(at_s);
        return switch (random.nextInt(24)) {
            case 0, 1, 2 -> new ApuEvent.MasterOn(at);
            case 3 -> new ApuEvent.ReadySeen(at);
            case 4, 5, 6 -> new ApuEvent.StartSelected(at);
            case 7 -> new ApuEvent.MilestoneSeen(at, ApuMilestone.values()[random.nextInt(4)]);
            case 8, 9, 10 -> new ApuEvent.MilestoneSeen(at, ApuMilestone.UP_TO_SPEED);
            case 11, 12, 13 ->
                new ApuEvent.Read(
                        at,
                        random.nextInt(4) == 0 ? null : (Double) random.nextDouble(0, 102),
                        random.nextInt(4) == 0 ? null : (Double) random.nextDouble(10, 900));
            case 14, 15 -> new ApuEvent.Generator(at, random.nextInt(4) > 0);
            case 16 -> new ApuEvent.Bleed(at, random.nextInt(4) > 0);
            case 17 -> new ApuEvent.MasterOff(at);
            case 18 ->
                random.nextBoolean()
                        ? new ApuEvent.EmergencyStop(at)
                        : new ApuEvent.StoppedItself(at, AutomaticStop.values()[random.nextInt(8)]);
            case 19, 20 -> new ApuEvent.ZeroSeen(at);
            case 21 -> new ApuEvent.SpeedHeld(at, random.nextBoolean());
            case 22 ->
                random.nextInt(4) > 0
                        ? new ApuEvent.ZeroSeen(at)
                        : new ApuEvent.Found(
                                at,
                                List.of(Phase.STARTING, Phase.AVAILABLE, Phase.SPOOLING_DOWN)
                                        .get(random.nextInt(3)),
                                random.nextBoolean(),
                                random.nextBoolean());
            default -> random.nextInt(3) == 0 ? new ApuEvent.BatteriesOff(at) : new ApuEvent.ResetOutside(at);
        };
    }

    @Test
    void theTableOfTransitionsIsTheOneInTheDocuments() throws IOException {
        Path file = Path.of("../docs/apu.md");
        String made = table();
        if (Boolean.getBoolean("skelda.tables.write")) {
            Files.writeString(file, made);
        }
        assertThat(Files.readString(file)).isEqualTo(made);
    }

    private static String table() {
        Map<String, Apu> each = new LinkedHashMap<>();
        each.put("off", Apu.off(RULE, T0));
        each.put(
                "off, its fault latched",
                after(giving(), new ApuEvent.BatteriesOff(s(200)), read(240, 0.0, null))
                        .at(s(300)));
        each.put("powered, its door on the way", powered());
        each.put("powered, its door open", powered());
        each.put("starting", starting());
        each.put("available, not warm through", available());
        each.put("available, warm through", available());
        each.put("available, giving current and air", giving());
        each.put("cooling", after(giving(), new ApuEvent.MasterOff(s(200))));
        each.put("spooling down", after(giving(), new ApuEvent.EmergencyStop(s(200))));
        each.put(
                "stopped, the batteries wait",
                after(giving(), new ApuEvent.EmergencyStop(s(200)), new ApuEvent.ZeroSeen(s(240))));
        Map<String, Double> at_s = Map.of(
                "off", 10.0,
                "off, its fault latched", 400.0,
                "powered, its door on the way", 5.0,
                "powered, its door open", 10.0,
                "starting", 30.0,
                "available, not warm through", 60.0,
                "available, warm through", 130.0,
                "available, giving current and air", 130.0,
                "cooling", 210.0,
                "spooling down", 210.0);
        StringBuilder table = new StringBuilder("# What an APU does\n\n")
                .append("Made by a test from the code, with the numbers of the Havern 2M. A cell is what the APU does ")
                .append("after the event; what it does not take stands in words, and what it takes although it ")
                .append("should not in bold ones. Time alone brings it from starting ")
                .append("to available once it has settled at its speed, from cooling to spooling down, and from ")
                .append("stopped to off, where the batteries may go off.\n\n");
        boolean first = true;
        for (Map.Entry<String, Apu> one : each.entrySet()) {
            Map<String, ApuEvent> events = events(s(at_s.getOrDefault(one.getKey(), 250.0)));
            if (first) {
                table.append("| it is | ")
                        .append(String.join(" | ", events.keySet()))
                        .append(" |\n|");
                table.append("---|".repeat(events.size() + 1)).append('\n');
                first = false;
            }
            table.append("| ").append(one.getKey()).append(" |");
            events.values()
                    .forEach(event -> table.append(' ')
                            .append(cell(one.getValue(), event))
                            .append(" |"));
            table.append('\n');
        }
        return table.toString();
    }

    private static Map<String, ApuEvent> events(Instant at) {
        Map<String, ApuEvent> events = new LinkedHashMap<>();
        events.put("master on", new ApuEvent.MasterOn(at));
        events.put("door message seen", new ApuEvent.ReadySeen(at));
        events.put("start selected", new ApuEvent.StartSelected(at));
        events.put("speed reached", new ApuEvent.MilestoneSeen(at, ApuMilestone.UP_TO_SPEED));
        events.put("generator on", new ApuEvent.Generator(at, true));
        events.put("air on", new ApuEvent.Bleed(at, true));
        events.put("master off", new ApuEvent.MasterOff(at));
        events.put("emergency stop", new ApuEvent.EmergencyStop(at));
        events.put("stopped itself", new ApuEvent.StoppedItself(at, AutomaticStop.OVERSPEED));
        events.put("zero speed", new ApuEvent.ZeroSeen(at));
        events.put("batteries off", new ApuEvent.BatteriesOff(at));
        events.put("found running", new ApuEvent.Found(at, Phase.AVAILABLE, true, false));
        events.put("found running down", new ApuEvent.Found(at, Phase.SPOOLING_DOWN, false, false));
        events.put("reset outside", new ApuEvent.ResetOutside(at));
        return events;
    }

    private static String cell(Apu apu, ApuEvent event) {
        String refusal = apu.refusal(event);
        if (refusal != null) {
            return "*" + refusal + "*";
        }
        Apu after = apu.step(event);
        List<String> words = new ArrayList<>();
        String warning = apu.warning(event);
        if (warning != null) {
            words.add("**" + warning + "**");
        }
        words.add(after.phase().name().toLowerCase(Locale.ROOT).replace('_', ' '));
        if (after.run().generator()) {
            words.add("current");
        }
        if (after.run().bleed()) {
            words.add("air");
        }
        if (after.tries().count() > apu.tries().count()) {
            words.add("a start that failed");
        }
        if (after.latched()) {
            words.add("fault latched");
        }
        return String.join("; ", words);
    }
}
