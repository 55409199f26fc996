package org.skelda.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StartOrderTest {
    private static final Feeds.Helper PUMP = new Feeds.Helper("the pump", List.of("steering"), false, null);
    private static final Feeds.Helper TRANSFER =
            new Feeds.Helper("the transfer", List.of("brakes", "steering"), true, "One way at a time");
    private static final Feeds TWIN = new Feeds(
            List.of(
                    new Feeds.Engine(1, Feeds.Side.LEFT, List.of("steering"), "one"),
                    new Feeds.Engine(2, Feeds.Side.RIGHT, List.of("brakes"), "two")),
            List.of(PUMP, TRANSFER),
            List.of(new Feeds.People("people on the steps", Feeds.Side.LEFT)),
            List.of("brakes", "steering"),
            "table");

    @Test
    void whatSpeaksForTheFirstAndWhatTheOtherWouldBringIsTold() {
        StartOrder.View view = StartOrder.view(TWIN, null, "two"::equals, 1).orElseThrow();
        assertThat(view.today().engine()).isEqualTo(2);
        assertThat(view.today().means())
                .containsExactly(
                        "It gives brakes.",
                        "On it alone steering hangs on the pump or the transfer. One way at a time.",
                        "People on the steps are on the left, away from it.");
        assertThat(view.instead()).hasSize(1);
        assertThat(view.instead().getFirst().means())
                .containsExactly(
                        "It gives steering.",
                        "On it alone brakes hang on the transfer. One way at a time.",
                        "On its side, the left, are people on the steps: it waits until nobody is there.");
        assertThat(view.source()).isEqualTo("table");
    }

    @Test
    void whileNobodyKnowsWhichGoesFirstNothingIsSaid() {
        assertThat(StartOrder.view(TWIN, null, _ -> null, 1)).isEmpty();
        assertThat(StartOrder.view(TWIN, null, _ -> false, 1)).isEmpty();
    }

    @Test
    void withoutAStateThePlansFirstStartGoesFirst() {
        Feeds four = new Feeds(
                IntStream.rangeClosed(1, 4)
                        .mapToObj(engine -> new Feeds.Engine(
                                engine,
                                engine < 3 ? Feeds.Side.LEFT : Feeds.Side.RIGHT,
                                List.of(engine == 1 || engine == 4 ? "brakes" : "steering"),
                                null))
                        .toList(),
                List.of(),
                List.of(),
                List.of("brakes", "steering"),
                "table");
        StartOrder.View view = StartOrder.view(four, null, _ -> null, 4).orElseThrow();
        assertThat(view.today().engine()).isEqualTo(4);
        assertThat(view.today().means()).contains("On it alone there is nothing for steering.");
        assertThat(view.instead()).extracting(StartOrder.Choice::engine).containsExactly(1, 2, 3);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            2 | 2   | If engine 2 stops now, brakes are lost.
            2 | 1,2 | If engine 2 stops now, nothing is lost; brakes by the transfer.
            1 | 1   | If engine 1 stops now, nothing is lost; steering by the pump.
            """)
    void whatStopsWithAnEngineHangsOnWhatElseRuns(int engine, String running, String says) {
        Set<Integer> all = Set.copyOf(
                List.of(running.split(",")).stream().map(Integer::valueOf).toList());
        assertThat(StartOrder.lostWith(TWIN, engine, all, List.of())).contains(says);
    }

    @Test
    void busesThatNobodyTakesOverAreLostWithIt() {
        assertThat(StartOrder.lostWith(TWIN, 2, Set.of(2), List.of("Main 2")))
                .contains("If engine 2 stops now, brakes and Main 2 are lost.");
    }

    @Test
    void aTableThatContradictsItselfIsRefusedWithItsPlace() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Feeds(TWIN.engines(), List.of(), List.of(), List.of("wings"), "table"))
                .withMessage("'wings' is given by no engine");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Feeds(TWIN.engines().subList(0, 1), List.of(), List.of(), List.of(), "table"))
                .withMessage("one engine alone has no order");
    }

    /** Whatever the table: nothing that the first gives is said to be missing, everything else for the taxi is told. */
    @Test
    void ofEveryTableEachThingForTheTaxiIsGivenOrTold() {
        SplittableRandom random = new SplittableRandom(7);
        List<String> things = List.of("brakes", "steering", "flaps");
        for (int draw = 0; draw < 500; draw++) {
            List<Feeds.Engine> engines = new ArrayList<>();
            int many = random.nextInt(2, 5);
            for (int engine = 1; engine <= many; engine++) {
                int number = engine;
                engines.add(new Feeds.Engine(
                        number,
                        random.nextBoolean() ? Feeds.Side.LEFT : Feeds.Side.RIGHT,
                        things.stream()
                                .filter(_ -> number == 1 || random.nextBoolean())
                                .toList(),
                        null));
            }
            Feeds feeds = new Feeds(
                    engines,
                    random.nextBoolean() ? List.of(PUMP) : List.of(TRANSFER),
                    List.of(),
                    things.subList(0, random.nextInt(4)),
                    "table");
            int first = random.nextInt(1, many + 1);
            StartOrder.Choice today =
                    StartOrder.view(feeds, null, _ -> null, first).orElseThrow().today();
            List<String> gives = engines.get(first - 1).gives();
            for (String thing : feeds.forTaxi()) {
                boolean missing = today.means().stream()
                        .anyMatch(said -> said.startsWith("On it alone " + thing + " hang")
                                || said.equals("On it alone there is nothing for " + thing + "."));
                assertThat(missing).as(feeds + " first " + first).isEqualTo(!gives.contains(thing));
            }
        }
    }
}
