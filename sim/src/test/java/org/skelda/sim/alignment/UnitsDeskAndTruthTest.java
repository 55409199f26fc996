package org.skelda.sim.alignment;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.aligning.Units;
import org.skelda.core.aligning.UnitsDeciding;
import org.skelda.core.aligning.UnitsWatch;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.crew.Person;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.start.Switch;
import org.skelda.formats.procedure.PackReader;

/** Random hands on the inertial units: what the desk shows is what they do, by a feed and by what the crew saw. */
class UnitsDeskAndTruthTest {
    private static final int HISTORIES = 500;
    private static final int SECONDS = 950;
    private static final int READINGS_PER_SECOND = 5;
    /** Three readings, as a feed is late. */
    private static final int LATE = 3;

    private static final int MOST_SECONDS_LATE = 2;

    private static final double SAME_COUNT_s = 1.6;
    private static final Instant BEGIN = Instant.parse("2026-05-04T09:00:00Z");
    private static final Person FEED = new Person("feed:1", "Aircraft");
    private static final Person CREW = new Person("p-1", "Runa Halden");
    private static final List<Position> STANDS =
            List.of(new Position(3.20, -24.60), new Position(62.41, -10.82), new Position(71.86, -8.10));

    private static InertialProfile profile(String type) {
        try {
            return PackReader.inertial(type, Files.readAllBytes(Path.of("../packs/types/" + type + ".yaml")))
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long micros(double seconds) {
        return BEGIN.getEpochSecond() * 1_000_000 + Math.round(seconds * 1e6);
    }

    /** Hands that mostly do what comes next, and sometimes anything. */
    private static void hand(SplittableRandom random, SimulatedUnits truth, Position stand, int units, double at_s) {
        boolean storing = truth.phase(1) == Phase.STORING;
        if (random.nextInt(storing ? 20 : 120) > 0) {
            return;
        }
        String unit = random.nextInt(3) > 0 ? "all" : String.valueOf(random.nextInt(1, units + 1));
        int looked = unit.equals("all") ? 1 : Integer.parseInt(unit);
        String control = "inertial/" + unit + "/";
        long at_us = micros(at_s);
        switch (random.nextInt(14)) {
            case 0 -> truth.move("inertial/tow", "on", at_us);
            case 1 -> truth.move(control + "mode", "off", at_us);
            case 2 ->
                truth.move(
                        random.nextBoolean() ? "inertial/gusts" : "inertial/loading",
                        random.nextInt(3) == 0 ? "on" : "off",
                        at_us);
            case 3 -> {
                switch (random.nextInt(8)) {
                    case 0, 1 -> truth.move("inertial/power", "off", at_us);
                    case 2 -> truth.fed(false);
                    default -> {}
                }
            }
            case 4 -> truth.move(control + "kept", "elsewhere", at_us);
            case 5 -> truth.move(control + "position", "61.02 -7.44", at_us);
            default -> {
                truth.fed(true);
                truth.move("inertial/power", "on", at_us);
                truth.move("inertial/tow", "off", at_us);
                switch (truth.phase(looked)) {
                    case OFF, STORING -> truth.move(control + "mode", "align", at_us);
                    case ALIGNING -> {
                        if (truth.position(looked) == null) {
                            truth.move(control + "position", stand.words(), at_us);
                        } else {
                            truth.move(control + "mode", "navigation", at_us);
                        }
                    }
                    case NAVIGATING -> {
                        if (random.nextInt(3) == 0) {
                            truth.move(control + "mode", "off", at_us);
                        }
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void byAFeedTheDeskIsTheTruthAtEverySecond(String type) {
        InertialProfile profile = profile(type);
        Map<Phase, Integer> seconds = new EnumMap<>(Phase.class);
        int counts = 0;
        for (int seed = 0; seed < HISTORIES; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Position stand = STANDS.get(seed % STANDS.size());
            SimulatedUnits truth = new SimulatedUnits(profile, stand, seed, micros(0));
            Units desk = Units.begin(profile, stand, BEGIN);
            List<Deque<Phase>> lately = new ArrayList<>();
            for (int unit = 0; unit < profile.units(); unit++) {
                lately.add(new ArrayDeque<>());
            }
            for (int reading = 1; reading <= SECONDS * READINGS_PER_SECOND; reading++) {
                double at_s = reading / (double) READINGS_PER_SECOND;
                truth.advanceTo(micros(at_s));
                UnitsSample sample = truth.sample();
                for (UnitFact fact : UnitsWatch.tells(desk, sample)) {
                    desk = desk.told(fact, FEED);
                }
                Instant now = BEGIN.plus(Duration.ofNanos((sample.at_us() - micros(0)) * 1000));
                for (int number = 1; number <= profile.units(); number++) {
                    Deque<Phase> shown = lately.get(number - 1);
                    shown.add(truth.phase(number));
                    if (shown.size() > LATE) {
                        shown.remove();
                    }
                    if (reading % READINGS_PER_SECOND == 0) {
                        InertialUnit unit = desk.at(now).get(number - 1);
                        String where = "seed " + seed + ", second " + at_s + ", unit " + number + ", told "
                                + desk.newest().map(Object::toString).orElse("nothing") + "\ndesk " + unit
                                + "\nshown " + sample.units().get(number - 1);
                        assertThat(shown).as(where).contains(unit.phase());
                        seconds.merge(unit.phase(), 1, Integer::sum);
                        if (unit.phase() == Phase.ALIGNING && truth.phase(number) == Phase.ALIGNING) {
                            counts++;
                            assertThat(unit.position() != null)
                                    .as("position, " + where)
                                    .isEqualTo(truth.position(number) != null);
                            assertThat(unit.entered() != null)
                                    .as("asks, " + where)
                                    .isEqualTo(truth.asks(number));
                            double left_s = Math.max(
                                    0,
                                    Duration.between(now, unit.counted().orElseThrow())
                                                    .toMillis()
                                            / 1000.0);
                            boolean moving = sample.units().get(number - 1).moving() == Switch.ON;
                            assertThat(left_s)
                                    .as("count, " + where)
                                    .isBetween(
                                            truth.left_s(number) - (moving ? 11 : SAME_COUNT_s),
                                            truth.left_s(number) + SAME_COUNT_s);
                        }
                    }
                }
                hand(random, truth, stand, profile.units(), at_s);
            }
        }
        assertThat(seconds.keySet()).containsExactlyInAnyOrder(Phase.values());
        assertThat(counts).isGreaterThan(SECONDS * HISTORIES / 10);
    }

    /**
     * The crew tells what it sees, up to two seconds late, unit by unit. What the desk shows then was true not longer
     * ago than that; and it never shows a unit that navigates which does not.
     */
    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void byTapsTheDeskNeverContradictsTheTruth(String type) {
        InertialProfile profile = profile(type);
        int told = 0;
        int navigated = 0;
        for (int seed = 0; seed < HISTORIES; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Position stand = STANDS.get(seed % STANDS.size());
            SimulatedUnits truth = new SimulatedUnits(profile, stand, seed, micros(0));
            Units desk = Units.begin(profile, stand, BEGIN);
            Deque<UnitsSample> seen = new ArrayDeque<>();
            double[] before_s = new double[profile.units()];
            for (int second = 1; second <= SECONDS; second++) {
                truth.advanceTo(micros(second));
                UnitsSample sample = truth.sample();
                seen.add(sample);
                if (seen.size() > MOST_SECONDS_LATE + 2) {
                    seen.remove();
                }
                UnitsSample looked = seen.stream()
                        .skip(Math.max(0, seen.size() - 1 - MOST_SECONDS_LATE))
                        .findFirst()
                        .orElseThrow();
                Instant now = BEGIN.plus(Duration.ofNanos((sample.at_us() - micros(0)) * 1000));
                boolean quiet = true;
                for (int number = 1; number <= profile.units(); number++) {
                    UnitsSample.One shown = looked.units().get(number - 1);
                    boolean jumped = shown.left_s() > before_s[number - 1] + 0.1;
                    before_s[number - 1] = Double.isNaN(shown.left_s()) ? Double.MAX_VALUE : shown.left_s();
                    UnitAsk.TellUnits ask = tap(desk.at(now).get(number - 1), shown, jumped, number, now, stand);
                    if (ask != null) {
                        Units after = tell(desk, ask, now);
                        quiet = false;
                        told += after == desk ? 0 : 1;
                        desk = after;
                    }
                }
                for (int number = 1; quiet && number <= profile.units(); number++) {
                    Phase phase = desk.at(now).get(number - 1).phase();
                    int index = number - 1;
                    assertThat(seen.stream()
                                    .map(one -> one.units().get(index).phase())
                                    .toList())
                            .as("seed %d, second %d, unit %d, told %s", seed, second, number, desk.newest())
                            .contains(phase);
                    navigated += phase == Phase.NAVIGATING ? 1 : 0;
                }
                hand(random, truth, stand, profile.units(), second);
            }
        }
        assertThat(told).isGreaterThan(HISTORIES);
        assertThat(navigated).isGreaterThan(HISTORIES);
    }

    private static Units tell(Units desk, UnitAsk.TellUnits ask, Instant now) {
        Grounds grounds = new Grounds(CREW, true, now, now, 0, Map.of());
        return UnitsDeciding.decide(desk, null, ask, grounds) instanceof Decision.Accepted<UnitFact>(var facts)
                ? desk.told(facts.getFirst(), CREW)
                : desk;
    }

    /** What a crew that looks at a unit tells of it; null when the desk shows what it sees. */
    private static UnitAsk.@Nullable TellUnits tap(
            InertialUnit desk, UnitsSample.One shown, boolean jumped, int number, Instant now, Position stand) {
        boolean on = desk.phase() == Phase.ALIGNING || desk.phase() == Phase.NAVIGATING;
        UnitTap tap = null;
        String typed = null;
        if (shown.power() == Switch.OFF) {
            tap = desk.phase() == Phase.OFF ? null : UnitTap.POWER_GONE;
        } else {
            switch (shown.phase()) {
                case OFF, STORING -> tap = on ? UnitTap.OFF : null;
                case ALIGNING -> {
                    if (!on) {
                        tap = UnitTap.ON;
                    } else if (desk.phase() == Phase.NAVIGATING) {
                        tap = shown.entered() == null ? UnitTap.OFF : UnitTap.ASKS_AGAIN;
                    } else if (jumped) {
                        tap = UnitTap.MOVED;
                    } else if (shown.entered() != null) {
                        boolean same = desk.entered() != null && desk.entered().isSameAs(shown.entered());
                        tap = same ? null : desk.position() == null ? UnitTap.POSITION : UnitTap.ASKS_AGAIN;
                        typed = shown.entered().words();
                    } else if (shown.position() != null && desk.position() == null) {
                        tap = UnitTap.POSITION;
                        typed = shown.position().words();
                    }
                }
                case NAVIGATING -> {
                    if (!on) {
                        tap = UnitTap.ON;
                    } else if (desk.phase() == Phase.ALIGNING) {
                        tap = desk.missing(now).isEmpty() ? UnitTap.NAVIGATION : UnitTap.NAVIGATES;
                    }
                }
            }
        }
        return tap == null ? null : new UnitAsk.TellUnits(List.of(number), tap, typed, null, now);
    }
}
