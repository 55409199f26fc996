package org.skelda.core.departure;

import java.time.Instant;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apurun.ApuClocks;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.apurun.ApuViewing;
import org.skelda.core.clock.ClockView;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.line.Progress;

/** The APU among all else of its departure: what else carries the buses, what its tank held, its clocks among all. */
final class ApuOfDeparture {
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
                        isSole(departure, progress, apu.at(at)),
                        profile.tank() == null
                                ? null
                                : progress.reading(profile.tank()).orElse(null),
                        at);
    }

    /** Whether its generator is all there is: nothing but a battery would take over. */
    private static boolean isSole(Departure departure, Progress progress, Apu apu) {
        PowerNow now = progress.power(apu);
        return now == null
                ? departure.attempts().idling().isEmpty()
                : now.network().sources().stream()
                        .filter(one -> one.kind() == Network.Kind.GROUND || one.kind() == Network.Kind.ENGINE)
                        .noneMatch(
                                one -> now.stand(one) == PowerNow.Stand.FEEDING || now.stand(one) == PowerNow.Stand.ON);
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
