package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.procedure.Packs;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Event;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.fact.Facts;
import org.skelda.core.need.Value;
import org.skelda.core.record.Opening;
import org.skelda.core.seat.SeatEvent;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;

/** Where the engines go first in turns, the starts on record tell the crew which it was last time. */
@ServerTest
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class FirstLastTimeTest {
    private static final Person CAPTAIN = new Person("trial", "Trial");
    private static final Duration TOLD_WITHIN = Duration.ofSeconds(10);
    private static final String TAIL = "QX-RYE";

    @Autowired
    private Departures departures;

    @Autowired
    private Packs packs;

    @Autowired
    private StartHistory history;

    @Autowired
    private ServerClock clock;

    private UUID opened(String school) {
        UUID id = UUID.randomUUID();
        Packs.Current pair = packs.currentFor("vardholm", "LOMVI-T2");
        departures.open(
                new Opening(
                        id,
                        Opening.Kind.REHEARSAL,
                        "vardholm",
                        TAIL,
                        "LOMVI-T2",
                        "799",
                        "QVAR",
                        "QSKR",
                        "12",
                        62.4,
                        5.7,
                        100,
                        clock.instant().plusSeconds(3600),
                        pair.typeHash(),
                        pair.procedureHash(),
                        List.of(),
                        Map.of("first-engine", school)),
                CAPTAIN,
                clock.instant());
        departures.record(
                id,
                _ -> List.of(Event.of(new SeatEvent.SeatTaken(Seat.LEFT, Role.FLYING, CAPTAIN, null, null))),
                CAPTAIN,
                clock.instant());
        return id;
    }

    private Facts.Given told(UUID id) throws InterruptedException {
        Instant until = Instant.now().plus(TOLD_WITHIN);
        while (Instant.now().isBefore(until)) {
            Facts.Given given = departures.state(id).facts().given().get(DayFact.ENGINE_1_FIRST_LAST);
            if (given != null) {
                return given;
            }
            Thread.sleep(20);
        }
        throw new AssertionError("nothing was told within " + TOLD_WITHIN);
    }

    @Test
    void theFirstOfTheNewestStartsIsToldWithItsSource() throws InterruptedException {
        assertThat(history.firstLastTime("vardholm", TAIL, new UUID(0, 0)))
                .as("the past of the demonstration begins with engine 2")
                .contains(2);
        Facts.Given given = told(opened("by-turns"));
        assertThat(given.value()).isEqualTo(new Value.YesNo(false));
        assertThat(given.source()).isEqualTo(FactEvent.Source.ENGINE_LOG);
        assertThat(given.by().name()).isEqualTo("Starts on record");
    }

    @Test
    void whereItDecidesNothingNobodyIsTold() throws InterruptedException {
        UUID asked = opened("right");
        told(opened("by-turns"));
        assertThat(departures.state(asked).facts().given()).doesNotContainKey(DayFact.ENGINE_1_FIRST_LAST);
    }

    @Test
    void aTailWithoutStartsTellsNothing() {
        assertThat(history.firstLastTime("vardholm", "QX-NONE", new UUID(0, 0))).isEmpty();
    }
}
