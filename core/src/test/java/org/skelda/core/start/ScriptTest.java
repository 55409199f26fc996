package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.Script.Act;
import org.skelda.core.start.Script.State;
import org.skelda.core.start.Script.Step;

/**
 * Every finding, on every type, with the starter on or off, the spool above or under the re-engagement speed, lit or
 * not, fuel on or off.
 */
class ScriptTest {
    private static final Set<Act> MOTORING = EnumSet.of(Act.KEEP_TURNING, Act.ENGAGE);
    private static final Set<FindingId> NO_MOTORING =
            EnumSet.of(FindingId.NO_ROTATION, FindingId.NO_OIL_PRESSURE, FindingId.NO_FAN_ROTATION);
    private static final int LONGEST = 4000;

    /** An engine that does what its script asks, second by second. It is no model of an engine. */
    private static final class Obedient {
        final StartProfile profile;
        final Set<FindingId> found;
        final boolean fuelCame;
        final boolean lit;
        final Clearing clearing;
        boolean fuel;
        boolean ignition;
        boolean starter;
        boolean flows;
        boolean starterObeys = true;
        double spool;
        double temperature;
        double coolest = Double.POSITIVE_INFINITY;

        @Nullable
        Double engaged = 2.0;

        long second = 30;
        long starterSince;
        long starterOff = -1;
        long overrunAt = 30;

        Obedient(
                StartProfile profile,
                Set<FindingId> found,
                boolean fuelCame,
                boolean lit,
                boolean fuel,
                boolean starter,
                double spool) {
            this.profile = profile;
            this.found = found;
            this.fuelCame = fuelCame;
            this.lit = lit;
            this.fuel = fuel;
            this.starter = starter;
            this.spool = spool;
            this.ignition =
                    fuelCame && (fuel || profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER);
            this.flows = fuel || found.contains(FindingId.CUT_NOT_EFFECTIVE);
            this.temperature = lit || found.contains(FindingId.INTERNAL_FIRE) ? 500 : 40;
            this.clearing = new Clearing(profile);
            clearing.advanceTo(20_000_000);
            clearing.switched(true, fuelCame, fuelCame);
            if (lit) {
                clearing.lit();
            }
            clearing.advanceTo(29_000_000);
            clearing.switched(starter, fuel, ignition);
            if (!starter) {
                starterOff = 28;
            }
        }

        boolean reachedIdle() {
            return false;
        }

        Duration coolFor() {
            Duration cool = profile.starter().duty().getFirst().cool();
            return starter ? cool : cool.minusSeconds(second - starterOff);
        }

        WentWrong wrong() {
            clearing.advanceTo(second * 1_000_000);
            boolean electric = profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
            Standing now = new Standing(
                    fuel,
                    electric ? (Boolean) ignition : null,
                    starter,
                    Duration.ofSeconds(starter ? second - starterSince : 0),
                    engaged,
                    clearing.left(),
                    Double.isInfinite(coolest) ? null : (Double) coolest,
                    spool,
                    temperature,
                    flows ? 60.0 : 0.0,
                    !flows);
            StarterDuty.NextTry next = new StarterDuty.NextTry(
                    2,
                    3,
                    Instant.EPOCH,
                    profile.starter().allowed(),
                    profile.starter().engageAtOrBelow_pct(),
                    2);
            AttemptReport report = report();
            return new WentWrong(
                    profile,
                    found,
                    fuelCame,
                    lit,
                    reachedIdle(),
                    false,
                    false,
                    null,
                    Duration.ofSeconds(second - overrunAt),
                    now,
                    coolFor(),
                    AnotherAttempt.after(profile, List.of(report), next),
                    MaintenanceNote.of(profile, report));
        }

        private AttemptReport report() {
            List<Finding> findings = found.stream()
                    .map(id -> new Finding(id, Duration.ofSeconds(25), actionOf(id), "It is so."))
                    .toList();
            return new AttemptReport(
                    0,
                    Duration.ofSeconds(30),
                    false,
                    new Outcome(Outcome.Kind.FINDING, findings.getFirst().id()),
                    java.util.Map.of(),
                    findings,
                    List.of(),
                    List.of(),
                    null,
                    new AttemptReport.Remembered(
                            null, null, null, null, null, null, null, Duration.ofSeconds(30), null, false, false),
                    List.of(),
                    java.util.Map.of());
        }

        Script script() {
            return Script.of(wrong());
        }

        void obey(Act act) {
            switch (act) {
                case FUEL_OFF -> {
                    fuel = false;
                    ignition &= profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
                }
                case IGNITION_OFF -> ignition = false;
                case SEE_FLOW_FALL, SECOND_MEANS -> flows = false;
                case STARTER_OFF -> {
                    if (starter && starterObeys) {
                        starter = false;
                        starterOff = second;
                    }
                }
                case ENGAGE -> {
                    starter = true;
                    starterSince = second;
                    engaged = spool;
                }
                default -> {}
            }
            clearing.advanceTo(second * 1_000_000);
            clearing.switched(starter, fuel, ignition);
            second++;
            spool = starter ? Math.max(spool - 1, profile.fuel().preferred_pct()) : Math.max(0, spool - 1);
            temperature = Math.max(30, temperature - (starter ? 4 : 0.2));
            coolest = fuel || !starter ? coolest : Math.min(coolest, temperature);
        }
    }

    private static Action actionOf(FindingId id) {
        return switch (id) {
            case CUT_NOT_EFFECTIVE -> Action.SECOND_MEANS;
            case INTERNAL_FIRE -> Action.KEEP_TURNING;
            case STARTER_OVERRUN, STARTER_REENGAGED, NO_ROTATION, LOW_SUPPLY, DIP_LOW -> Action.STOP_STARTER;
            default -> Action.CUT_FUEL;
        };
    }

    /** @param words for the test's name */
    record Case(
            StartProfile profile,
            FindingId found,
            boolean fuelCame,
            boolean lit,
            boolean fuel,
            boolean starter,
            boolean fast) {
        Obedient engine() {
            double slow = Math.min(Objects.requireNonNullElse(profile.starter().engageAtOrBelow_pct(), 10.0), 10);
            Obedient engine = new Obedient(profile, EnumSet.of(found), fuelCame, lit, fuel, starter, fast ? 40 : slow);
            if (found == FindingId.STARTER_REENGAGED && starter && fast) {
                engine.engaged = 40.0;
            }
            return engine;
        }

        @Override
        public String toString() {
            return "%s %s, fuel %s%s, starter %s, spool %s"
                    .formatted(
                            profile.typeId(),
                            found,
                            fuel ? "on" : fuelCame ? "cut" : "never on",
                            lit ? ", lit" : "",
                            starter ? "on" : "off",
                            fast ? "fast" : "slow");
        }
    }

    static List<Case> every() {
        List<Case> all = new ArrayList<>();
        for (StartProfile profile : TestProfiles.all()) {
            for (FindingId id : FindingId.values()) {
                boolean asks = id != FindingId.SLOW_TO_IDLE && id != FindingId.IDLE_ABNORMAL;
                if (!asks
                        || id != FindingId.FIRE_WARNING
                                && id != FindingId.CREW_CALL
                                && !BadStarts.canHave(profile, id)) {
                    continue;
                }
                for (int bits = 0; bits < 32; bits++) {
                    boolean fuelCame = (bits & 1) != 0;
                    boolean lit = (bits & 2) != 0;
                    boolean fuel = (bits & 4) != 0;
                    if ((lit || fuel) && !fuelCame
                            || id == FindingId.CUT_NOT_EFFECTIVE && (fuel || !fuelCame)
                            || id == FindingId.INTERNAL_FIRE && (fuel || !fuelCame)
                            || id == FindingId.STARTER_OVERRUN && (!lit || (bits & 8) == 0 && fuel)) {
                        continue;
                    }
                    all.add(new Case(profile, id, fuelCame, lit, fuel, (bits & 8) != 0, (bits & 16) != 0));
                }
            }
        }
        return all;
    }

    /** All scripts on the way to the end. */
    private static List<Script> walked(Obedient engine) {
        List<Script> all = new ArrayList<>();
        for (int i = 0; i < LONGEST; i++) {
            Script script = engine.script();
            all.add(script);
            if (script.isOver()) {
                return all;
            }
            engine.obey(script.next().act());
        }
        throw new AssertionError(
                "the script does not end; it asks for " + engine.script().next());
    }

    @ParameterizedTest
    @MethodSource("every")
    void endsAndNeverAsksForWhatHarms(Case one) {
        Obedient engine = one.engine();
        for (Script script : walked(engine)) {
            List<Step> ahead = script.steps().stream()
                    .filter(step -> step.state() == State.NOW || step.state() == State.NEXT)
                    .toList();
            assertThat(script.steps())
                    .filteredOn(step -> step.state() == State.NOW)
                    .hasSize(1);
            if (NO_MOTORING.contains(one.found())) {
                assertThat(ahead)
                        .as("motoring without rotation, oil or fan")
                        .noneMatch(step -> MOTORING.contains(step.act()));
            }
            if (script.row() == Script.Row.FUEL_NEVER_ON) {
                assertThat(ahead)
                        .as("motoring an engine that had no fuel")
                        .noneMatch(step -> MOTORING.contains(step.act()));
            }
            assertThat(script.steps())
                    .extracting(Step::words)
                    .as("ignition")
                    .noneMatch(words -> words.toLowerCase().contains("ignition on"));
            assertThat(script.steps()).extracting(Step::words).as("codes").noneMatch(words -> words.contains("_"));
        }
    }

    @ParameterizedTest
    @MethodSource("every")
    void neverEngagesAboveTheTypesSpeedNorBeforeTheDrain(Case one) {
        Obedient engine = one.engine();
        Double atMost = one.profile().starter().engageAtOrBelow_pct();
        for (int i = 0; i < LONGEST; i++) {
            Script script = engine.script();
            if (script.isOver()) {
                return;
            }
            if (script.next().act() == Act.ENGAGE) {
                assertThat(atMost == null || engine.spool <= atMost)
                        .as("engaged at %.0f %%", engine.spool)
                        .isTrue();
                assertThat(engine.fuel).as("fuel").isFalse();
                assertThat(engine.ignition).as("ignition").isFalse();
                // A fire inside does not wait for a drain or a cool starter.
                assertThat(script.row() == Script.Row.INTERNAL_FIRE
                                || engine.clearing.left().drain().isZero()
                                        && !engine.coolFor().isPositive())
                        .as("drained and cooled")
                        .isTrue();
            }
            engine.obey(script.next().act());
        }
    }

    @ParameterizedTest
    @MethodSource("every")
    void theFuelStaysOnExactlyForTheOverrun(Case one) {
        if (!one.fuel()) {
            return;
        }
        Script script = one.engine().script();
        if (one.found() == FindingId.STARTER_OVERRUN) {
            assertThat(script.next().words()).isEqualTo("Starter OFF; the fuel stays ON");
        } else {
            assertThat(script.next().act()).isEqualTo(Act.FUEL_OFF);
        }
    }

    @ParameterizedTest
    @MethodSource("every")
    void afterItsEndTheEngineIsClearedOrLeftToMaintenance(Case one) {
        Obedient engine = one.engine();
        Script last = walked(engine).getLast();
        if (last.next().act() == Act.START_AGAIN) {
            assertThat(engine.clearing.left().isCleared()).isTrue();
            assertThat(engine.temperature)
                    .isLessThanOrEqualTo(
                            Objects.requireNonNullElse(one.profile().remedy().turnUntil_c(), 1000.0));
            assertThat(one.profile().drive().automatic()).isFalse();
            assertThat(engine.starter).isFalse();
        }
    }

    @ParameterizedTest
    @MethodSource("every")
    void whatStillBurnsOrFlowsComesBeforeEverythingButTheLever(Case one) {
        Script script = one.engine().script();
        if (one.found() == FindingId.CUT_NOT_EFFECTIVE) {
            assertThat(walked(one.engine()))
                    .extracting(walked -> walked.next().act())
                    .contains(Act.SECOND_MEANS);
        }
        if (one.found() == FindingId.INTERNAL_FIRE) {
            assertThat(script.row()).isEqualTo(Script.Row.INTERNAL_FIRE);
            assertThat(script.steps()).anyMatch(step -> step.words().contains("No fire bottle"));
        }
    }

    @ParameterizedTest
    @MethodSource("every")
    void aStarterThatDoesNotObeyLosesItsSupplyThenTheFuelGoes(Case one) {
        if (one.found() != FindingId.STARTER_OVERRUN || !one.fuel()) {
            return;
        }
        Obedient engine = one.engine();
        engine.starterObeys = false;
        List<Act> acts = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            Act act = engine.script().next().act();
            acts.add(act);
            engine.obey(act == Act.FUEL_OFF ? Act.COOL : act);
        }
        assertThat(acts).containsSubsequence(Act.STARTER_OFF, Act.TAKE_ITS_SUPPLY, Act.FUEL_OFF);
        assertThat(acts.indexOf(Act.TAKE_ITS_SUPPLY)).isEqualTo(3);
        assertThat(acts.indexOf(Act.FUEL_OFF)).isEqualTo(6);
    }
}
