package org.skelda.core.aligning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitRule;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.crew.Person;
import org.skelda.core.start.Switch;

/** What a reading of inertial units tells, and what it does not. */
class UnitsWatchTest {
    private static final Instant T0 = Instant.parse("2026-05-04T10:00:00Z");
    private static final Position STAND = new Position(62.41, -10.82);
    private static final Position FAR = new Position(61.02, -7.44);
    private static final Person FEED = new Person("feed:1", "Aircraft");
    // source: the fleet's alignment table
    private static final InertialProfile PROFILE = new InertialProfile(
            2,
            new UnitRule(
                    new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), 78.5),
                    Duration.ofSeconds(40),
                    Duration.ofSeconds(4),
                    Duration.ofSeconds(20),
                    12,
                    false),
            new Realignment(2.2, 14, 6, 4, 50, "table"),
            35,
            List.of(),
            null,
            null,
            null,
            "table");

    private static UnitsSample.One nothing() {
        return new UnitsSample.One(null, Double.NaN, null, null, Double.NaN, null, Switch.UNTOLD, Switch.UNTOLD);
    }

    private static UnitsSample.One shows(Phase phase, double left_s, @Nullable Position has) {
        return new UnitsSample.One(phase, left_s, has, null, Double.NaN, "", Switch.OFF, Switch.ON);
    }

    private static UnitsSample at(double seconds, UnitsSample.@Nullable One... units) {
        return new UnitsSample(T0.getEpochSecond() * 1_000_000 + Math.round(seconds * 1e6), Arrays.asList(units));
    }

    private static Units after(Units units, UnitsSample sample) {
        Units now = units;
        for (UnitFact fact : UnitsWatch.tells(units, sample)) {
            now = now.told(fact, FEED);
        }
        return now;
    }

    private static Units begun() {
        return Units.begin(PROFILE, STAND, T0);
    }

    @Test
    void whatHappensToBothTogetherIsOneEntry() {
        UnitsSample on = at(10, shows(Phase.ALIGNING, 777.3, null), shows(Phase.ALIGNING, 777.3, null));
        assertThat(UnitsWatch.tells(begun(), on))
                .containsExactly(new UnitFact.UnitsTold(
                        List.of(1, 2), List.of(new UnitEvent.SwitchedOn(T0.plusSeconds(10), 62.41))));
        UnitsSample one = at(10, shows(Phase.ALIGNING, 777.3, null), shows(Phase.OFF, Double.NaN, null));
        assertThat(UnitsWatch.tells(begun(), one))
                .singleElement()
                .satisfies(
                        fact -> assertThat(((UnitFact.UnitsTold) fact).units()).containsExactly(1));
    }

    /** In whatever state they are: a reading that tells nothing, or comes too late, changes nothing. */
    @Test
    void aReadingThatIsMissingOrLateDecidesNothing() {
        SplittableRandom random = new SplittableRandom(12);
        for (int history = 0; history < 300; history++) {
            Units units = begun();
            double seconds = 0;
            for (int i = 0; i < 20; i++) {
                seconds += random.nextDouble(200);
                units = after(units, at(seconds, any(random), any(random)));
                List<UnitsSample.@Nullable One> none = new ArrayList<>(Arrays.asList(nothing(), null));
                assertThat(UnitsWatch.tells(units, at(seconds + 1, none.toArray(UnitsSample.One[]::new))))
                        .isEmpty();
                assertThat(UnitsWatch.tells(units, at(seconds + 1))).isEmpty();
                Instant newest = units.units().getFirst().since();
                if (newest.isAfter(T0)) {
                    double before = Duration.between(T0, newest).toMillis() / 1000.0 - 5;
                    assertThat(UnitsWatch.tells(units, at(before, any(random))))
                            .as("older than what is known")
                            .isEmpty();
                }
            }
        }
    }

    private static UnitsSample.One any(SplittableRandom random) {
        Phase phase = Phase.values()[random.nextInt(4)];
        Position has = random.nextBoolean() ? STAND : random.nextBoolean() ? FAR : null;
        return new UnitsSample.One(
                phase,
                phase == Phase.ALIGNING ? random.nextDouble(800) : Double.NaN,
                has,
                phase == Phase.ALIGNING && has == null && random.nextBoolean() ? FAR : null,
                Double.NaN,
                random.nextInt(5) == 0 ? "08" : "",
                Switch.OFF,
                random.nextInt(10) == 0 ? Switch.OFF : Switch.ON);
    }

    /** Whatever is shown, the same shown once more is nothing new; and what is shown is what is known then. */
    @Test
    void theSameOnceMoreTellsNothingAndWhatIsShownIsKnown() {
        SplittableRandom random = new SplittableRandom(13);
        for (int history = 0; history < 500; history++) {
            Units units = begun();
            double seconds = 0;
            for (int i = 0; i < 20; i++) {
                seconds += random.nextDouble(5, 200);
                UnitsSample.One shown = any(random);
                units = after(units, at(seconds, shown, null));
                Instant now = T0.plusNanos(Math.round(seconds * 1e9));
                InertialUnit unit = units.at(now).getFirst();
                Phase expected = shown.power() == Switch.OFF ? Phase.OFF : shown.phase();
                // What time alone brings may be seen up to a second earlier or later.
                assertThat(unit.phase() == expected
                                || units.at(now.plusSeconds(1)).getFirst().phase() == expected
                                || Duration.between(unit.since(), now).toMillis() < 1000)
                        .as("shown %s, known %s", shown, unit)
                        .isTrue();
                assertThat(UnitsWatch.tells(units, at(seconds, shown, null)))
                        .as("once more %s", shown)
                        .isEmpty();
            }
        }
    }

    @Test
    void whatIsFoundUnderWayGoesOnFromThere() {
        Units units = after(begun(), at(100, shows(Phase.NAVIGATING, Double.NaN, STAND), null));
        assertThat(units.units().getFirst().phase()).isEqualTo(Phase.NAVIGATING);
        units = after(units, at(200, shows(Phase.STORING, Double.NaN, STAND), null));
        assertThat(units.units().getFirst().phase()).isEqualTo(Phase.STORING);
        assertThat(units.at(T0.plusSeconds(220)).getFirst().phase()).isEqualTo(Phase.OFF);
    }
}
