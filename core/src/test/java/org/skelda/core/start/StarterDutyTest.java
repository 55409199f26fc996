package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.StarterDuty.Engagement;
import org.skelda.core.start.StarterDuty.NextTry;

/** Three tries of 100 s that cool 45, 180 and 1,800 s. */
class StarterDutyTest {
    private static final Instant T = Instant.parse("2026-03-01T06:00:00Z");
    private final StartProfile.Starter starter = TestProfiles.byHand().starter();

    private static Engagement tried(long on, long off) {
        return new Engagement(T.plusSeconds(on), T.plusSeconds(off));
    }

    private NextTry next(long at, Engagement... engagements) {
        return StarterDuty.next(starter, List.of(engagements), T.plusSeconds(at));
    }

    @Test
    void theFirstTryIsAllowedAtOnce() {
        NextTry first = next(0);
        assertThat(first.number()).isEqualTo(1);
        assertThat(first.left()).isEqualTo(3);
        assertThat(first.isAllowed(T, 0)).isTrue();
        assertThat(first.isAllowed(T, 12.5))
                .as("above the speed at which it may engage")
                .isFalse();
        assertThat(first.words(T, 12.5)).isEqualTo("Wait for 12 % or less before the starter engages, then try 1 of 3");
    }

    @Test
    void eachTryCoolsAsItsPlaceInTheSeriesSays() {
        assertThat(next(60, tried(0, 50)).allowedAt()).isEqualTo(T.plusSeconds(95));
        assertThat(next(200, tried(0, 50), tried(100, 160)).allowedAt()).isEqualTo(T.plusSeconds(340));
        NextTry afterAll = next(500, tried(0, 50), tried(100, 160), tried(340, 400));
        assertThat(afterAll.allowedAt()).isEqualTo(T.plusSeconds(2200));
        assertThat(afterAll.number()).as("then the count begins anew").isEqualTo(1);
        assertThat(afterAll.words(T.plusSeconds(2100), 0))
                .isEqualTo("Starter cools for another 100 s, then try 1 of 3");
    }

    @Test
    void aLongRestBeginsANewSeries() {
        assertThat(next(60, tried(0, 50)).number()).isEqualTo(2);
        assertThat(next(50 + 1800, tried(0, 50)).number()).isEqualTo(1);
        assertThat(next(5000, tried(0, 50), tried(4000, 4050)).number()).isEqualTo(2);
    }

    @Test
    void aTryThatRunsIsTheOneTold() {
        NextTry running = StarterDuty.next(
                starter, List.of(tried(0, 50), new Engagement(T.plusSeconds(100), null)), T.plusSeconds(110));
        assertThat(running.number()).isEqualTo(2);
        assertThat(running.allowedAt()).isEqualTo(T.plusSeconds(100));
    }

    @Test
    void triesTooManyAreHeldToTheLastOnesCooling() {
        assertThat(next(300, tried(0, 10), tried(20, 30), tried(40, 50), tried(60, 70))
                        .allowedAt())
                .isEqualTo(T.plusSeconds(1870));
    }
}
