package org.skelda.core.departure;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apurun.ApuClocks;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.apurun.ApuViewing;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.ClockView;
import org.skelda.core.line.Progress;
import org.skelda.core.measure.MeasureSpec;
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
                        fuel_kg(profile, progress),
                        at);
    }

    private static boolean isElseCarried(Departure departure, Progress progress) {
        return !departure.attempts().idling().isEmpty()
                || progress.value(Names.state(GROUND_POWER))
                        .filter(new Value.YesNo(true)::equals)
                        .isPresent();
    }

    private static @Nullable Double fuel_kg(ApuProfile profile, Progress progress) {
        MeasureSpec tank = profile.tank() == null
                ? null
                : progress.plan().type().measures().get(profile.tank());
        return tank == null
                ? null
                : progress.plan().lines().entrySet().stream()
                        .filter(entry -> entry.getValue().kind() instanceof Measure measure
                                && measure.spec().equals(tank))
                        .flatMap(entry -> Optional.ofNullable(
                                progress.lines().line(entry.getKey()).reading())
                                .stream())
                        .map(reading -> reading.work().value())
                        .findFirst()
                        .orElse(null);
    }

    /** Its clocks among those of the lines, the one that opens soonest first. */
    static List<ClockView> with(List<ClockView> lines, Departure departure, Instant at) {
        ApuProfile profile = departure.plan().type().apu();
        ApuHistory apu = departure.apu();
        if (profile == null || apu == null) {
            return lines;
        }
        Stream<ClockView> own = ApuClocks.of(profile, apu.at(at), at).stream()
                .map(clock -> new ClockView(
                        clock.id(),
                        clock.label(),
                        clock.releases(),
                        clock.note(),
                        profile.source(),
                        null,
                        clock.from(),
                        clock.duration(),
                        clock.from().plus(clock.duration()),
                        !at.isBefore(clock.from().plus(clock.duration()))));
        return Stream.concat(lines.stream(), own)
                .sorted(Comparator.comparing(ClockView::elapsed)
                        .thenComparing(ClockView::opensAt)
                        .thenComparing(ClockView::id))
                .toList();
    }
}
