package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.departure.Rehearsals;
import org.skelda.app.procedure.Packs;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.fact.Facts;
import org.skelda.core.need.Value;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;

/** Where the engines go first in turns, the starts on record tell the crew which it was last time. */
@ServerTest
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class FirstLastTimeTest {
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
        return new Rehearsals(departures, packs)
                .open(TAIL, "LOMVI-T2", Map.of("first-engine", school), clock.instant());
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
