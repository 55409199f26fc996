package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.app.need.CelConditions;
import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.aligning.Units;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apurun.ApuAsk;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Doings;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.TestLog;
import org.skelda.core.departure.Viewing;
import org.skelda.core.electrics.NetworkViewing;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Standing;
import org.skelda.core.kind.Start;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.Progress;
import org.skelda.core.log.LogEntry;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.seat.SeatAsk;
import org.skelda.formats.procedure.PackReader;

/**
 * Random crews with random legal and illegal commands, facts and options work every shipped pack to its end: never
 * stuck, never complete with a needed line open, the same state on every device and after replay; with one pilot where
 * one flies it. Every answer, every school and every abnormal list is reached.
 */
class ShippedPacksAreWorkedTest {
    private static final Path PACKS = Path.of("../packs");
    private static final int CREWS = 14;
    /** What is asked on rare days only takes more crews; one in twenty comes to it. */
    private static final int MOST_TIMES = 20;

    private static final int WILD_STEPS = 150;
    private static final int MOST_ROUNDS = 60;
    private static final int ONE_OF = 24;

    static List<Path> procedures() throws IOException {
        try (Stream<Path> files = Files.walk(PACKS.resolve("procedures"))) {
            return files.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private static Plan plan(Path file, List<String> modifications) throws IOException {
        Path type = PACKS.resolve("types").resolve(file.getFileName());
        return PackReader.plan(
                PackReader.check("type.yaml", Files.readAllBytes(type)),
                PackReader.check("procedures.yaml", Files.readAllBytes(file)),
                modifications,
                new CelConditions());
    }

    @ParameterizedTest
    @MethodSource("procedures")
    void everyCrewComesToTheEndAndEverythingIsReached(Path file) throws IOException {
        Plan plan = plan(file, List.of());
        Set<String> reached = new TreeSet<>();
        Set<String> wanted = wanted(plan);
        int crews = 0;
        for (int seed = 0;
                seed < CREWS || (!reached.containsAll(wanted) && seed < CREWS * MOST_TIMES);
                seed++, crews++) {
            new Crew(plan, seed, true, reached).work();
        }
        System.out.println(file + ": " + plan.lines().size() + " lines, " + crews + " crews; reached "
                + count(reached, "answer ") + " answers, " + count(reached, "school ") + " schools, "
                + count(reached, "list ") + " abnormal lists");
        assertThat(reached).containsAll(wanted);
    }

    static List<Arguments> powered() {
        return List.of(
                Arguments.of(
                        "havern-2m.yaml",
                        List.of(
                                "Nothing is powered",
                                "Battery bus on Batteries",
                                "Main 1, Main 2, Essential AC and Battery bus on Ground power",
                                "Main 1, Main 2, Essential AC and Battery bus on APU generator",
                                "Main 1, Essential AC and Battery bus on Generator 1; Main 2 on Generator 2")),
                Arguments.of(
                        "havern-2a.yaml",
                        List.of(
                                "Nothing is powered",
                                "Battery bus on Battery 1 and Battery 2",
                                "Main 1, Main 2, Essential AC and Battery bus on Ground power",
                                "Main 1, Main 2, Essential AC and Battery bus on APU generator",
                                "Main 2 on APU generator; Main 1, Essential AC and Battery bus on Generator 1",
                                "Main 1, Essential AC and Battery bus on Generator 1; Main 2 on Generator 2")),
                Arguments.of(
                        "havern-4.yaml",
                        List.of(
                                "Nothing is powered",
                                "Battery bus on Main battery; APU start bus on APU battery",
                                "APU start bus on APU battery; " + "Ring left, Main 1 and Main 2 on Ground 1; "
                                        + "Ring right, Main 3, Main 4, Essential and Battery bus on Ground 2",
                                "APU start bus on APU battery; "
                                        + "Ring right, Main 3, Main 4, Essential and Battery bus on Ground 2; "
                                        + "Ring left, Main 1 and Main 2 on APU 1",
                                "APU start bus on APU battery; " + "Ring left, Main 1 and Main 2 on APU 1; "
                                        + "Ring right, Main 3, Main 4, Essential and Battery bus on APU 2",
                                "APU start bus on APU battery; "
                                        + "Ring left and Main 1 on Gen 1; Main 2 on Gen 2; Main 3 on Gen 3; "
                                        + "Ring right, Main 4, Essential and Battery bus on Gen 4")),
                Arguments.of(
                        "lomvi-t1.yaml",
                        List.of(
                                "Nothing is powered",
                                "Essential bus on Battery",
                                "Nothing is powered",
                                "Essential bus on Ground power",
                                "Essential bus on Battery",
                                "Essential bus on Generator",
                                "Essential bus and Avionics bus on Generator")),
                Arguments.of(
                        "lomvi-t2.yaml",
                        List.of(
                                "Nothing is powered",
                                "Centre bus, Left bus and Right bus on Battery",
                                "Nothing is powered",
                                "Centre bus, Left bus and Right bus on Ground power",
                                "Centre bus, Left bus and Right bus on Generator 2",
                                "Left bus on Generator 1; Centre bus and Right bus on Generator 2",
                                "Left bus on Generator 1; Centre bus, Right bus and Avionics bus on Generator 2")),
                Arguments.of(
                        "teista-b2.yaml",
                        List.of(
                                "Nothing is powered",
                                "Emergency bus on Battery 1 and Battery 2",
                                "Main 1, Main 2 and Emergency bus on Ground power",
                                "Main 1, Main 2 and Emergency bus on APU generator",
                                "Main 1 and Emergency bus on APU generator; Main 2 on Generator 2",
                                "Main 1 and Emergency bus on Generator 1; Main 2 on Generator 2")));
    }

    /** With ground power at the stand, worked in order until the runway: who carries the buses, one after the other. */
    @ParameterizedTest
    @MethodSource("powered")
    void powerGoesFromSourceToSourceAsTheLinesTell(String file, List<String> said) throws IOException {
        Plan plan = plan(PACKS.resolve("procedures").resolve(file), List.of());
        assertThat(new Crew(plan, 0, false, new TreeSet<>()).powered()).containsExactlyElementsOf(said);
    }

    private static long count(Set<String> reached, String what) {
        return reached.stream().filter(one -> one.startsWith(what)).count();
    }

    private static Set<String> wanted(Plan plan) {
        Set<String> wanted = new TreeSet<>();
        plan.lines().forEach((ref, line) -> {
            if (line.kind() instanceof Choice choice) {
                choice.ids().forEach(id -> wanted.add("answer " + ref + " " + id));
            }
        });
        plan.options()
                .values()
                .forEach(option -> option.ids().forEach(id -> wanted.add("school " + option.id() + " " + id)));
        plan.procedures().stream().filter(Procedure::abnormal).forEach(list -> wanted.add("list " + list.id()));
        return wanted;
    }

    /** One departure of a crew. */
    private static final class Crew {
        private final Plan plan;
        private final SplittableRandom random;
        private final Set<String> reached;
        private final TestLog log;
        private final boolean alone;

        /** @param drawn whether its schools are drawn, or are those that are set */
        Crew(Plan plan, long seed, boolean drawn, Set<String> reached) {
            this.plan = plan;
            this.random = new SplittableRandom(seed);
            this.reached = reached;
            this.alone = plan.type().pilots().min() == 1 && seed % 3 != 0;
            Map<String, String> options = new HashMap<>();
            for (Option option : plan.options().values()) {
                List<Option.School> schools = option.schools();
                String school =
                        drawn ? schools.get(random.nextInt(schools.size())).id() : option.set();
                options.put(option.id(), school);
                reached.add("school " + option.id() + " " + school);
            }
            log = new TestLog(plan, 62.41, options);
            log.accept(TestLog.CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
            if (!alone) {
                log.accept(TestLog.OFFICER, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.MONITORING, null)));
            }
        }

        /** Works in order, the first answer to every question, every school as it is set. */
        List<String> powered() {
            everyFact();
            log.accept(
                    TestLog.CAPTAIN,
                    Ask.of(new FactAsk.GiveFact(DayFact.GROUND_POWER.id(), new Value.YesNo(true), "")));
            List<String> said = new ArrayList<>();
            for (int round = 0; round < MOST_ROUNDS && !log.state().openLines().isEmpty(); round++) {
                log.pass(Duration.ofMinutes(2));
                for (LineRef ref : log.state().openLines()) {
                    inOrder(ref, plan.lines().get(ref));
                    String now = NetworkViewing.view(Objects.requireNonNull(log.state()
                                    .progress()
                                    .power(
                                            log.state().apu() == null
                                                    ? null
                                                    : log.state().apu().at(log.now()))))
                            .says();
                    if (said.isEmpty() || !said.getLast().equals(now)) {
                        said.add(now);
                    }
                }
            }
            assertThat(log.state().openLines()).isEmpty();
            return said;
        }

        private void inOrder(LineRef ref, Line line) {
            List<GateState.Wait> waits =
                    log.state().progress().gate(ref, log.now()).waits();
            if (line.kind() instanceof Start start
                    && waits.stream().allMatch(GateState.Wait.ForIdle.class::isInstance)) {
                idle(start.engine());
            }
            tellWhatTheApuDoes(ref);
            tellWhatTheUnitsDo(ref);
            for (Person by : alone ? List.of(TestLog.CAPTAIN) : List.of(TestLog.CAPTAIN, TestLog.OFFICER)) {
                if (line.kind() instanceof Choice choice) {
                    choice.ids().forEach(id -> log.ask(by, Ask.of(new LineAsk.WorkLine(ref, new Choice.Choose(id)))));
                } else {
                    log.ask(by, Ask.of(new LineAsk.WorkLine(ref, right(ref, line))));
                }
                log.ask(by, Ask.of(new LineAsk.WorkLine(ref, new Doing.Confirm(line.label()))));
            }
        }

        void work() {
            if (random.nextBoolean()) {
                everyFact();
            }
            for (int i = 0; i < WILD_STEPS; i++) {
                step();
            }
            beginAbnormalLists();
            finish();
            assertThat(log.state().openLines())
                    .as(
                            "the first waits for %s; units %s",
                            log.state().openLines().stream()
                                    .findFirst()
                                    .map(ref -> log.state()
                                            .progress()
                                            .gate(ref, log.now())
                                            .waits()),
                            log.state().units())
                    .isEmpty();
            Progress end = log.state().progress();
            assertThat(plan.procedures().stream()
                            .filter(end::isNeeded)
                            .flatMap(procedure -> plan.refs(procedure).stream()))
                    .allMatch(ref -> end.complete(ref) || end.need(ref) instanceof Need.NotNeeded);
            assertThat(log.replayed()).isEqualTo(log.state());
            assertThat(inPortions()).isEqualTo(log.state());
            aFactChangesWhatASlowLookFinds();
            lightsChangeWhatASlowLookFinds();
        }

        /** What was shown before is taken over where lights change nothing; a look at everything shows the same. */
        private void lightsChangeWhatASlowLookFinds() {
            List<String> lights = plan.lights().stream().sorted().toList();
            List<LogEntry<Event>> entries = log.entries();
            Departure read = Departure.begin(plan, entries.getFirst());
            for (LogEntry<Event> entry : entries.subList(1, entries.size())) {
                read = read.apply(entry);
                if (random.nextInt(ONE_OF) == 0) {
                    Instant at = read.at();
                    Departure before = told(read, at, new FeedEvent.FeedAttached(UUID.randomUUID(), "Test", false));
                    DepartureView shown = Viewing.view(before, at);
                    for (int i = 0; i < 3; i++) {
                        at = at.plusSeconds(random.nextInt(240));
                        int from = random.nextInt(lights.size());
                        Departure after = told(
                                before,
                                at,
                                new FeedEvent.LightsSeen(
                                        lights.subList(from, random.nextInt(from, lights.size() + 1))));
                        DepartureView quick = Viewing.view(after, at, before, shown);
                        assertThat(quick).isEqualTo(Viewing.view(after, at));
                        before = after;
                        shown = quick;
                    }
                }
            }
        }

        private static Departure told(Departure state, Instant at, FeedEvent fact) {
            UUID id = UUID.randomUUID();
            return state.apply(new LogEntry<>(
                    id, state.seq() + 1, at, null, new Person("feed", "Test"), null, id, Event.of(fact)));
        }

        private Departure inPortions() {
            List<LogEntry<Event>> entries = log.entries();
            Departure read = Departure.begin(plan, entries.getFirst());
            while (read.seq() < entries.size()) {
                int until = (int) Math.min(entries.size(), read.seq() + random.nextInt(1, 40));
                for (LogEntry<Event> entry : entries.subList((int) read.seq(), until)) {
                    read = read.apply(entry);
                }
            }
            return read;
        }

        private void aFactChangesWhatASlowLookFinds() {
            List<LogEntry<Event>> entries = log.entries();
            Departure read = Departure.begin(plan, entries.getFirst());
            for (LogEntry<Event> entry : entries.subList(1, entries.size())) {
                Departure before = read;
                read = read.apply(entry);
                if (entry.event() instanceof Event.OfFact(FactEvent.FactGiven given)) {
                    Progress after = read.progress();
                    assertThat(given.changed())
                            .extracting(FactEvent.Change::line)
                            .containsExactlyElementsOf(plan.lines().keySet().stream()
                                    .filter(ref -> after.need(ref).getClass()
                                            != before.progress().need(ref).getClass())
                                    .toList());
                }
            }
        }

        private Person anyone() {
            return alone || random.nextBoolean() ? TestLog.CAPTAIN : TestLog.OFFICER;
        }

        private void everyFact() {
            for (DayFact fact : DayFact.values()) {
                log.ask(TestLog.CAPTAIN, fact(fact));
            }
        }

        private Ask fact(DayFact fact) {
            Value value =
                    fact.kind() == Kind.NUMBER ? new Value.Number(number(fact)) : new Value.YesNo(random.nextBoolean());
            return Ask.of(new FactAsk.GiveFact(fact.id(), value, fact.unit()));
        }

        /** Anything that it can be, or what a condition compares it with. */
        private double number(DayFact fact) {
            List<Double> compared = plan.asking(fact.id()).stream()
                    .flatMap(ref -> plan.conditions(ref).stream())
                    .filter(when -> when.names().contains(fact.id()))
                    .flatMap(when -> when.numbers().stream())
                    .filter(number -> number >= fact.bounds().min()
                            && number <= fact.bounds().max())
                    .distinct()
                    .toList();
            return compared.isEmpty() || random.nextBoolean()
                    ? Math.rint(
                            random.nextDouble(fact.bounds().min(), fact.bounds().max()))
                    : compared.get(random.nextInt(compared.size()));
        }

        private void step() {
            if (random.nextInt(4) == 0) {
                log.pass(Duration.ofSeconds(random.nextInt(1, 200)));
            }
            List<LineRef> all = List.copyOf(plan.lines().keySet());
            List<LineRef> open = log.state().openLines();
            LineRef ref = open.isEmpty() || random.nextInt(6) == 0
                    ? all.get(random.nextInt(all.size()))
                    : open.get(random.nextInt(Math.min(5, open.size())));
            Line line = plan.lines().get(ref);
            Ask ask = switch (random.nextInt(20)) {
                case 0 -> fact(DayFact.values()[random.nextInt(DayFact.values().length)]);
                case 1 -> Ask.of(new LineAsk.Undo(ref, "slip"));
                case 2 -> Ask.of(new LineAsk.Deviate(ref, "not possible", random.nextBoolean() ? ref.line() : null));
                case 3 -> Ask.of(new LineAsk.Hold(ref.procedure(), "fueller", ref));
                case 4 ->
                    Ask.of(new LineAsk.ReportChange(
                            Change.values()[random.nextInt(Change.values().length)], "told late"));
                case 5, 6 -> Ask.of(new LineAsk.WorkLine(ref, Doings.wild(line, random)));
                case 7, 8 -> Ask.of(new LineAsk.WorkLine(ref, new Doing.Confirm(line.label())));
                default -> Ask.of(new LineAsk.WorkLine(ref, right(ref, line)));
            };
            ask(anyone(), ask);
        }

        /** A question is mostly answered as nobody has answered it yet. */
        private Doing right(LineRef ref, Line line) {
            if (line.kind() instanceof Choice choice && random.nextInt(4) != 0) {
                List<String> unheard = choice.ids().stream()
                        .filter(id -> !reached.contains("answer " + ref + " " + id))
                        .sorted()
                        .toList();
                if (!unheard.isEmpty()) {
                    return new Choice.Choose(unheard.get(random.nextInt(unheard.size())));
                }
            }
            return Doings.right(
                    line, log.state().line(ref).history(), log.state().progress()::value, alone, random);
        }

        private void ask(Person by, Ask ask) {
            log.ask(by, ask);
            if (ask instanceof Ask.OfLine(LineAsk.WorkLine(LineRef ref, Choice.Choose(String chosen)))
                    && plan.lines().containsKey(ref)
                    && log.state().line(ref).history().last(Choice.Chosen.class).isPresent()) {
                reached.add("answer " + ref + " "
                        + log.state()
                                .line(ref)
                                .history()
                                .last(Choice.Chosen.class)
                                .orElseThrow()
                                .work()
                                .branch());
            }
        }

        private void beginAbnormalLists() {
            plan.procedures().stream()
                    .filter(list -> list.abnormal() || list.occasion() == Procedure.Occasion.ARRIVAL)
                    .filter(_ -> random.nextInt(3) == 0)
                    .forEach(list -> {
                        LineRef first = plan.refs(list).getFirst();
                        for (Person by : List.of(TestLog.CAPTAIN, TestLog.OFFICER)) {
                            ask(
                                    by,
                                    Ask.of(new LineAsk.WorkLine(
                                            first, right(first, plan.lines().get(first)))));
                        }
                    });
        }

        /** Goes on by legal steps alone until nothing is open; nothing is passed over. */
        private void finish() {
            for (int round = 0; round < MOST_ROUNDS && !log.state().openLines().isEmpty(); round++) {
                log.pass(Duration.ofMinutes(30));
                everyFactThatIsMissing();
                plan.lines().values().stream()
                        .filter(line -> line.kind() instanceof Start)
                        .forEach(line -> idle(((Start) line.kind()).engine()));
                for (LineRef ref : log.state().openLines()) {
                    Line line = plan.lines().get(ref);
                    passOverWhatWaitsForWhatWasPassed(ref);
                    switchOnAnewWhatChargedTooLate(ref, line);
                    tellWhatTheApuDoes(ref);
                    tellWhatTheUnitsDo(ref);
                    for (Person by : alone ? List.of(TestLog.CAPTAIN) : List.of(TestLog.CAPTAIN, TestLog.OFFICER)) {
                        ask(by, Ask.of(new LineAsk.WorkLine(ref, right(ref, line))));
                        ask(by, Ask.of(new LineAsk.WorkLine(ref, new Doing.Confirm(line.label()))));
                    }
                }
            }
            plan.procedures().stream()
                    .filter(Procedure::abnormal)
                    .filter(list -> plan.refs(list).stream()
                            .anyMatch(ref -> log.state().lines().records().containsKey(ref)))
                    .forEach(list -> reached.add("list " + list.id()));
        }

        /**
         * What was passed over reads nothing and starts no clock: what waits for it is passed over by name, and nothing
         * else.
         */
        private void passOverWhatWaitsForWhatWasPassed(LineRef ref) {
            boolean waits = log.state().progress().gate(ref, log.now()).waits().stream()
                    .anyMatch(wait -> switch (wait) {
                        case GateState.Wait.ForReading(LineRef reading) -> isPassed(reading);
                        case GateState.Wait.ForClockStart(String clock) ->
                            plan.starting(clock).stream().anyMatch(this::isPassed);
                        default -> false;
                    });
            if (waits) {
                log.ask(TestLog.CAPTAIN, Ask.of(new LineAsk.Deviate(ref, "no reading today", ref.line())));
            }
        }

        /** As its words advise: OFF and ON once more, and the current begins anew; passed over where that was. */
        private void switchOnAnewWhatChargedTooLate(LineRef ref, Line line) {
            if (!(line.kind() instanceof Measure measure)
                    || measure.spec().charge() == null
                    || log.state().line(ref).standing(line) != Standing.OUTSIDE) {
                return;
            }
            List<LineRef> starting = plan.starting(measure.spec().charge().after());
            starting.forEach(cycle -> {
                for (Person by : List.of(TestLog.CAPTAIN, TestLog.OFFICER)) {
                    ask(
                            by,
                            Ask.of(new LineAsk.WorkLine(
                                    cycle, right(cycle, plan.lines().get(cycle)))));
                }
            });
            if (starting.stream().anyMatch(this::isPassed)) {
                log.ask(TestLog.CAPTAIN, Ask.of(new LineAsk.Deviate(ref, "it came under too late", ref.line())));
            }
        }

        /** What was passed over told nothing of the APU, and a fire stopped it: the crew tells it at its own desk. */
        private void tellWhatTheApuDoes(LineRef ref) {
            boolean waits = log.state().progress().gate(ref, log.now()).waits().stream()
                    .anyMatch(wait -> wait instanceof GateState.Wait.ForApu(String _, Instant opensAt, boolean _)
                            && opensAt == null);
            ApuHistory apu = log.state().apu();
            if (!waits || apu == null) {
                return;
            }
            // First what is to start it, then what is to stop it.
            boolean away = log.state().openLines().stream()
                    .noneMatch(open ->
                            plan.procedure(open.procedure()).orElseThrow().occasion() == Procedure.Occasion.ALWAYS
                                    && plan.lines().get(open).head().marks().apu() != null);
            ApuTap tap = apu.at(log.now()).latched()
                    ? ApuTap.RESET_OUTSIDE
                    : switch (apu.at(log.now()).phase()) {
                        case OFF, STOPPED -> ApuTap.MASTER_ON;
                        case POWERED -> away ? ApuTap.MASTER_OFF : ApuTap.START;
                        case STARTING -> away ? ApuTap.MASTER_OFF : ApuTap.UP_TO_SPEED;
                        case AVAILABLE -> away ? ApuTap.MASTER_OFF : ApuTap.GENERATOR_ON;
                        case COOLING, SPOOLING_DOWN -> ApuTap.ZERO;
                    };
            log.ask(TestLog.CAPTAIN, Ask.of(new ApuAsk.TellApu(tap, null, log.now())));
        }

        /** A position is entered at the units' desk; what was passed over is told there too. */
        private void tellWhatTheUnitsDo(LineRef ref) {
            GateState.Wait wait = log.state().progress().gate(ref, log.now()).waits().stream()
                    .filter(one -> one instanceof GateState.Wait.ForUnits(String _, Instant opensAt, boolean _)
                            && opensAt == null)
                    .findFirst()
                    .orElse(null);
            Units units = log.state().units();
            if (!(wait instanceof GateState.Wait.ForUnits(String _, Instant _, boolean atHand)) || units == null) {
                return;
            }
            UnitTap tells = plan.lines().get(ref).head().marks().inertial();
            // First what aligns them, then what waits for their being off.
            if (tells == null
                    && log.state().openLines().stream()
                            .anyMatch(open ->
                                    plan.lines().get(open).head().marks().inertial() != null)) {
                return;
            }
            boolean others = log.state().progress().gate(ref, log.now()).waits().size() > 1;
            UnitTap tap = atHand && tells != null && !others
                    ? tells
                    : switch (units.at(log.now()).getFirst().phase()) {
                        case OFF, STORING -> UnitTap.ON;
                        case ALIGNING ->
                            units.at(log.now()).getFirst().position() == null ? UnitTap.POSITION : UnitTap.NAVIGATION;
                        case NAVIGATING -> UnitTap.OFF;
                    };
            log.ask(
                    TestLog.CAPTAIN,
                    Ask.of(new UnitAsk.TellUnits(List.of(), tap, units.stand().words(), null, log.now())));
        }

        private boolean isPassed(LineRef ref) {
            return log.state().line(ref).deviation() != null;
        }

        private void everyFactThatIsMissing() {
            for (DayFact fact : DayFact.values()) {
                if (log.state().progress().value(fact.id()).isEmpty()) {
                    log.ask(TestLog.CAPTAIN, fact(fact));
                }
            }
        }

        private void idle(int engine) {
            if (log.state().attempts().idling().contains(engine)) {
                return;
            }
            log.idles(engine);
        }
    }
}
