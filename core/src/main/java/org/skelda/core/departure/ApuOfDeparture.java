package org.skelda.core.departure;

import java.time.Instant;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apurun.ApuClocks;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.apurun.ApuViewing;
import org.skelda.core.clock.ClockView;
import org.skelda.core.line.Progress;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;

/** The APU among all else of its departure: what else carries the buses, what its tank held, its clocks among all. */
final class ApuOfDeparture {
    private static final String GROUND_POWER = "ground-power";

    private ApuOfDeparture() {}

    /** Null when the type has no APU. */
    static @Nullable ApuView view(Departure departure, Progress progress, Instant at) {
        ApuProfile profile = departure.plan().type().apu();
        ApuHistory apu = departure.apu();
        return profile == null || apu == null
                ? null
                : ApuViewing.view(
                        profile,
                        apu,
                        apu.isRead(departure.feed()),
                        !isElseCarried(departure, progress),
                        profile.tank() == null
                                ? null
                                : progress.reading(profile.tank()).orElse(null),
                        at);
    }

    private static boolean isElseCarried(Departure departure, Progress progress) {
        return !departure.attempts().idling().isEmpty()
                || progress.value(Names.state(GROUND_POWER))
                        .filter(new Value.YesNo(true)::equals)
                        .isPresent();
    }

    /** The clocks that its state starts; none where the type has no APU. */
    static Stream<ClockView> clocks(Departure departure, Instant at) {
        ApuProfile profile = departure.plan().type().apu();
        ApuHistory apu = departure.apu();
        return profile == null || apu == null
                ? Stream.of()
                : ApuClocks.of(profile, apu.at(at), at).stream().map(clock -> clock.view(profile.source(), at));
    }
}
