package org.skelda.app.apu;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.core.apu.ApuLoad;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.departure.Departure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What an APU's page needs beside the departure's view: what does not change, and the newest readings. */
@RestController
class ApuController {
    private static final double US_PER_MS = 1000;

    private final Departures departures;
    private final LiveApus apus;

    ApuController(Departures departures, LiveApus apus) {
        this.departures = departures;
        this.apus = apus;
    }

    /** @param samples milliseconds since 1970, speed in %, temperature in degC */
    record ApuPage(ApuSheet sheet, List<List<@Nullable Double>> samples) {}

    /**
     * What the type's document says.
     *
     * @param tail of the departure; @param flight its number
     * @param modifications of the tail, in words
     * @param startLimits of its temperature while it is started; @param runningMax_c while it runs
     * @param battery_min_v loaded volts of its battery for a start
     * @param ceilings how high it may be asked for what; @param stand_ft elevation of the stand
     * @param stops every reason for which it stops itself
     */
    record ApuSheet(
            String tail,
            String flight,
            String source,
            List<String> modifications,
            double fuelAt_pct,
            double starterOutAt_pct,
            double availableAt_pct,
            List<LimitText> startLimits,
            double runningMax_c,
            double battery_min_v,
            double burn_kgph,
            int tries,
            List<Ceiling> ceilings,
            double stand_ft,
            List<StopText> stops) {}

    /** @param limit_c never above it for longer than {@code allowed_s} */
    record LimitText(double limit_c, double allowed_s) {}

    /** @param allowed whether the stand lies at it or under it; @param margin_ft of the stand under it */
    record Ceiling(ApuLoad load, String label, double ceiling_ft, boolean allowed, double margin_ft) {}

    /** @param next what comes next; @param inFlight whether it stops for that in flight too */
    record StopText(AutomaticStop why, String label, AutomaticStop.Next next, boolean inFlight) {}

    /** @param after only readings after this time, milliseconds since 1970 on the feed's clock */
    @GetMapping("/api/departures/{id}/apu")
    ApuPage apu(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") double after,
            @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departure departure = departures.state(id);
        ApuProfile profile = departure.plan().type().apu();
        if (profile == null) {
            throw new ProblemException(Problem.of(
                    "no-apu",
                    HttpStatus.NOT_FOUND.value(),
                    "No APU",
                    departure.plan().type().name() + " has no APU.",
                    "Go back to the departure."));
        }
        return new ApuPage(sheet(departure, profile), apus.rows(id, Math.round(after * US_PER_MS)));
    }

    private static ApuSheet sheet(Departure departure, ApuProfile profile) {
        double stand_ft = departure.opening().elevation_ft();
        return new ApuSheet(
                departure.opening().tail(),
                departure.opening().flight(),
                profile.source(),
                departure.plan().type().modifications(),
                profile.rule().fuelAt_pct(),
                profile.rule().starterOutAt_pct(),
                profile.rule().availableAt_pct(),
                profile.startLimits().stream()
                        .map(limit -> new LimitText(limit.value(), seconds(limit.allowed())))
                        .toList(),
                profile.runningMax_C(),
                profile.batteryMin_v(),
                profile.burn_kgph(),
                profile.rule().tries(),
                Arrays.stream(ApuLoad.values())
                        .map(load -> ceiling(load, profile, stand_ft))
                        .toList(),
                stand_ft,
                Arrays.stream(AutomaticStop.values())
                        .map(why -> new StopText(why, why.words(), why.next(), why.inFlight()))
                        .toList());
    }

    private static Ceiling ceiling(ApuLoad load, ApuProfile profile, double stand_ft) {
        double ceiling_ft = Objects.requireNonNull(profile.ceilings_ft().get(load), load.words());
        return new Ceiling(
                load, load.words(), ceiling_ft, profile.allowedAt(stand_ft).contains(load), ceiling_ft - stand_ft);
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }
}
