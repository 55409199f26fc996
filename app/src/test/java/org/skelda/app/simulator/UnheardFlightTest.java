package org.skelda.app.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.net.ConnectException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.skelda.app.clock.ServerClock;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedAircraft;

/** What a simulated aircraft says when nobody takes its readings. */
class UnheardFlightTest {
    private static final Instant BEGIN = Instant.parse("2026-03-01T06:00:00Z");
    private static final int HEARD = 3;
    private static final int ENOUGH = 6;

    private final AtomicInteger seconds = new AtomicInteger();
    private final AtomicInteger sends = new AtomicInteger();

    @Test
    @Timeout(60)
    void saysOnceThatItCannotSendAndAgainOnlyAfterItCould() throws Exception {
        ServerClock clock = mock(ServerClock.class);
        when(clock.instant()).thenAnswer(_ -> BEGIN.plusSeconds(seconds.getAndIncrement()));
        FeedSender sender = mock(FeedSender.class);
        doAnswer(_ -> {
                    if (sends.incrementAndGet() != HEARD) {
                        throw new ConnectException();
                    }
                    return null;
                })
                .when(sender)
                .send(any());
        Flight flight = new Flight(
                (_, _) -> mock(SimulatedAircraft.class),
                mock(Surroundings.class),
                Flight.micros(BEGIN),
                false,
                mock(StartProfile.class),
                sender,
                clock,
                () -> Optional.of(List.of("door")),
                null,
                null);
        List<String> said = new CopyOnWriteArrayList<>();
        while (sends.get() < ENOUGH) {
            flight.beat(said::add);
            Thread.sleep(1);
        }
        assertThat(said).hasSize(2).allSatisfy(why -> assertThat(why).contains("ConnectException"));
    }
}
