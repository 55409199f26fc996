package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.app.need.CelConditions;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.TestLog;
import org.skelda.core.departure.Viewing;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.fact.FactView;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineAsk;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Plan;
import org.skelda.core.seat.SeatAsk;
import org.skelda.formats.procedure.PackReader;

/** Schools of the shipped packs that hang on the day, and what each makes of it. */
class ShippedSchoolsTest {
    private static final Path PACKS = Path.of("../packs");

    private static TestLog departure(String type, Map<String, String> schools) throws IOException {
        Plan plan = PackReader.plan(
                PackReader.check("type.yaml", Files.readAllBytes(PACKS.resolve("types/" + type + ".yaml"))),
                PackReader.check("procedures.yaml", Files.readAllBytes(PACKS.resolve("procedures/" + type + ".yaml"))),
                List.of(),
                new CelConditions());
        TestLog log = new TestLog(plan, 62.41, schools);
        log.accept(TestLog.CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        return log;
    }

    private static void give(TestLog log, DayFact fact, Value value) {
        log.accept(TestLog.CAPTAIN, Ask.of(new FactAsk.GiveFact(fact.id(), value, fact.unit())));
    }

    private static Need need(TestLog log, String ref) {
        return log.state().progress().need(LineRef.parse(ref));
    }

    private static boolean needed(TestLog log, String ref) {
        assertThat(need(log, ref)).isNotInstanceOf(Need.NotDecided.class);
        return need(log, ref) instanceof Need.Needed;
    }

    @ParameterizedTest
    @CsvSource({
        "havern-2m, start-2/start-2-allowed, start-1/start-1-first",
        "havern-2a, start-2/start-2-first, start-1/start-1-allowed",
    })
    void inTurnsTheOtherEngineThanLastTimeIsFirst(String type, String two, String one) throws IOException {
        TestLog log = departure(type, Map.of("first-engine", "alternating"));
        for (String ref : List.of(two, one)) {
            assertThat(need(log, ref)).isEqualTo(new Need.NotDecided(new TreeSet<>(Set.of("engine_1_first_last"))));
        }
        give(log, DayFact.ENGINE_1_FIRST_LAST, new Value.YesNo(true));
        assertThat(needed(log, two)).isTrue();
        assertThat(needed(log, one)).isFalse();
        give(log, DayFact.ENGINE_1_FIRST_LAST, new Value.YesNo(false));
        assertThat(needed(log, two)).isFalse();
        assertThat(needed(log, one)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "havern-2m",
                "havern-2a",
                "havern-4",
                "lomvi-t1",
                "lomvi-t2",
                "teista-b2",
                "rypa-p1",
                "skerja/lomvi-t1",
                "skerja/teista-b2"
            })
    void everySchoolDecidesSomething(String procedures) throws IOException {
        String type = procedures.substring(procedures.indexOf('/') + 1);
        Plan plan = PackReader.plan(
                PackReader.check("type.yaml", Files.readAllBytes(PACKS.resolve("types/" + type + ".yaml"))),
                PackReader.check(
                        "procedures.yaml", Files.readAllBytes(PACKS.resolve("procedures/" + procedures + ".yaml"))),
                List.of(),
                new CelConditions());
        assertThat(plan.options().keySet())
                .as("options whose choice no line hangs on")
                .allSatisfy(
                        option -> assertThat(plan.asking(Names.option(option))).isNotEmpty());
    }

    @Test
    void onCurrentInTurnsTheFirstGeneratorHelpsTheOtherEngine() throws IOException {
        TestLog log = departure("lomvi-t2", Map.of("first-engine", "by-turns"));
        give(log, DayFact.ENGINE_1_FIRST_LAST, new Value.YesNo(false));
        for (String ref : List.of(
                "start-1/ignition-first",
                "between/second-stage-1",
                "between/generator-1",
                "start-2/ignition-second",
                "start-2/danger-second",
                "after-start/generator-2")) {
            assertThat(needed(log, ref)).as(ref).isTrue();
        }
        for (String ref :
                List.of("start-1/ignition", "between/generator-2", "start-2/ignition", "after-start/generator-1")) {
            assertThat(needed(log, ref)).as(ref).isFalse();
        }
        give(log, DayFact.ENGINE_1_FIRST_LAST, new Value.YesNo(true));
        assertThat(needed(log, "start-2/ignition")).isTrue();
        assertThat(needed(log, "between/generator-1")).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "away, start-2/allowed-2, start-1/allowed-1",
        "feeds-brakes, start-1/allowed-1-first, start-2/allowed-2-second"
    })
    void theSchoolOfTheBusinessJetTurnsItsOrderRound(String school, String first, String second) throws IOException {
        TestLog log = departure("teista-b2", Map.of("first-engine", school));
        List<String> gates = List.of(
                "start-2/allowed-2", "start-2/allowed-2-second", "start-1/allowed-1", "start-1/allowed-1-first");
        assertThat(gates.stream().filter(ref -> needed(log, ref))).containsExactlyInAnyOrder(first, second);
        assertThat(log.state().progress().toldOfState("first-engine-1")).isEqualTo(school.equals("feeds-brakes"));
    }

    @ParameterizedTest
    @CsvSource({"alternating, true", "feeds-brakes, false"})
    void theDayIsAskedOnlyWhatCanStillDecide(String school, boolean asked) throws IOException {
        TestLog log = departure("havern-2a", Map.of("first-engine", school));
        List<String> facts = Viewing.view(log.state(), log.now()).facts().stream()
                .map(FactView::id)
                .toList();
        assertThat(facts.contains(DayFact.ENGINE_1_FIRST_LAST.id())).isEqualTo(asked);
        assertThat(facts).contains(DayFact.GROUND_POWER.id());
    }

    @Test
    void aSchoolThatIsNotInTurnsAsksNobodyWhichEngineItWas() throws IOException {
        TestLog log = departure("havern-2m", Map.of("first-engine", "one"));
        assertThat(needed(log, "start-1/start-1-first")).isTrue();
        assertThat(needed(log, "start-2/start-2-second")).isTrue();
        assertThat(needed(log, "start-2/start-2-allowed")).isFalse();
    }

    @Test
    void oneEngineForTheTaxiIsAskedOnlyOnCleanLevelGroundAndWithAMassThatAllowsIt() throws IOException {
        String asked = "start-2/one-or-both";
        assertThat(needed(departure("havern-2m", Map.of()), asked)).isFalse();
        TestLog log = departure("havern-2m", Map.of("single-engine-taxi", "allowed"));
        assertThat(need(log, asked)).isInstanceOf(Need.NotDecided.class);
        give(log, DayFact.CONTAMINATED, new Value.YesNo(true));
        assertThat(needed(log, asked)).isFalse();
        give(log, DayFact.CONTAMINATED, new Value.YesNo(false));
        give(log, DayFact.TAXI_SLOPE_PCT, new Value.Number(1.5));
        assertThat(needed(log, asked)).isFalse();
        give(log, DayFact.TAXI_SLOPE_PCT, new Value.Number(1));
        give(log, DayFact.TAXI_MIN, new Value.Number(9));
        assertThat(needed(log, asked)).as("the way is too short for it").isFalse();
        give(log, DayFact.TAXI_MIN, new Value.Number(10));
        assertThat(need(log, asked))
                .isEqualTo(new Need.NotDecided(new TreeSet<>(Set.of("reading('numbers/take-off-mass')"))));
    }

    @ParameterizedTest
    @CsvSource({"havern-2m", "havern-2a"})
    void theControlsAreCheckedOnceAndWhereTheSchoolSays(String type) throws IOException {
        List<String> all = List.of(
                "after-start/flight-controls",
                "after-start/flight-controls-together",
                "taxi/controls-taxi",
                "taxi/controls-taxi-together");
        int i = 0;
        for (String where : List.of("at-stand", "taxiing")) {
            for (String how : List.of("one-axis", "together")) {
                TestLog log = departure(type, Map.of("controls-where", where, "control-check", how));
                assertThat(all.stream().filter(ref -> needed(log, ref))).containsExactly(all.get(i++));
            }
        }
    }

    @Test
    void theInletDoorIsWaitedForByItsMessageOnlyWhereOneIsShown() throws IOException {
        List<String> bySeconds = List.of("apu/start-switch");
        List<String> byMessage = List.of("apu/door-message", "apu/start-switch-message");
        for (boolean power : new boolean[] {true, false}) {
            for (String school : List.of("seconds", "message")) {
                TestLog log = departure("havern-2m", Map.of("inlet-door", school));
                give(log, DayFact.GROUND_POWER, new Value.YesNo(power));
                boolean message = power && school.equals("message");
                assertThat(bySeconds).allMatch(ref -> needed(log, ref) != message);
                assertThat(byMessage).allMatch(ref -> needed(log, ref) == message);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "havern-2m, 2.3, 3, 0, 10, full",
        "havern-2m, 1, 15, 0, 10, full",
        "havern-2m, 2.2, 14, 0, 10, quick",
        "havern-2m, 1, 6, 0, 10, quick",
        "havern-2m, 1, 5, 4, 10, quick",
        "havern-2a, 1, 5, 0, 50, quick",
        "havern-2a, 1, 5, 3.9, 49, none",
    })
    void theAlignmentThatIsDueIsOfferedFromWhatTheUnitsShowed(
            String type, double drift, double speed, double difference, double standing, String offered)
            throws IOException {
        TestLog log = departure(type, Map.of());
        for (DayFact no : List.of(DayFact.FIRST_FLIGHT_OF_DAY, DayFact.CREW_CHANGED, DayFact.ROUTE_WITHOUT_AIDS)) {
            give(log, no, new Value.YesNo(false));
        }
        give(log, DayFact.MINUTES_STANDING, new Value.Number(standing));
        read(log, "alignment/last-drift", drift, "NM/h");
        read(log, "alignment/last-speed", speed, "kt");
        read(log, "alignment/last-difference", difference, "NM");
        LineRef how = LineRef.parse("alignment/how");
        assertThat(log.state()
                        .plan()
                        .line(how)
                        .orElseThrow()
                        .kind()
                        .view(History.NONE, log.state().progress()::value)
                        .choice()
                        .offered())
                .isEqualTo(offered);
    }

    private static void read(TestLog log, String line, double value, String unit) {
        log.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.WorkLine(LineRef.parse(line), new Measure.Type(value, unit))));
    }
}
