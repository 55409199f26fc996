package org.skelda.core.start;

import java.time.Duration;
import java.time.Instant;

/** What is said of an engine that is read, its starter cooled or not. */
final class Advised {
    private Advised() {}

    static StartAdvice of(String engine, StartMonitor monitor) {
        return of(engine, monitor, false, Duration.ZERO);
    }

    static StartAdvice of(String engine, StartMonitor monitor, boolean silent, Duration coolFor) {
        StartProfile.Starter starter = monitor.profile().starter();
        StarterDuty.NextTry next =
                new StarterDuty.NextTry(2, 3, Instant.EPOCH, starter.allowed(), starter.engageAtOrBelow_pct(), 2);
        return StartAdvice.read(engine, monitor, silent, next, coolFor, at_us -> at_us / 1_000_000 + " s");
    }
}
