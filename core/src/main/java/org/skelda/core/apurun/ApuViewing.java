package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuGoal;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.limit.Limit;

/** Tells what is known of an APU means at a time: what it does, what is next, until when, and what to beware of. */
public final class ApuViewing {
    private static final double SECONDS_PER_HOUR = 3600;

    private final ApuProfile profile;
    private final ApuHistory history;
    private final boolean read;
    private final Apu apu;
    private final Instant at;
    private final List<ApuFact.ApuTooHot> hot;

    private ApuViewing(ApuProfile profile, ApuHistory history, boolean read, Instant at) {
        this.profile = profile;
        this.history = history;
        this.read = read;
        this.apu = history.at(at);
        this.at = at;
        Instant run = history.runBegan().orElse(Instant.MAX);
        this.hot = Stream.concat(
                        history.hot().stream(), history.peaks().stream().flatMap(peak -> passed(peak, run).stream()))
                .filter(one -> !one.at().isBefore(run))
                .distinct()
                .toList();
    }

    /** A peak above what is never allowed is enough, however it became known. */
    private Optional<ApuFact.ApuTooHot> passed(ApuFact.ApuPeak peak, Instant run) {
        double never_C = peak.starting()
                ? profile.startLimits().stream()
                        .filter(limit -> limit.allowed().isZero())
                        .mapToDouble(Limit::value)
                        .min()
                        .orElse(Double.MAX_VALUE)
                : profile.runningMax_C();
        boolean known = history.hot().stream()
                .anyMatch(one -> one.limit_C() == never_C && !one.at().isBefore(run));
        return peak.peak_C() > never_C && !known
                ? Optional.of(new ApuFact.ApuTooHot(peak.starting(), never_C, Duration.ZERO, peak.at()))
                : Optional.empty();
    }

    /**
     * @param read whether a feed reads it
     * @param sole whether nothing else is known to carry the buses
     * @param fuel_kg what was read of the tank that feeds it, kg; null when nothing was
     * @param at the time asked about
     */
    public static ApuView view(
            ApuProfile profile, ApuHistory history, boolean read, boolean sole, @Nullable Double fuel_kg, Instant at) {
        return new ApuViewing(profile, history, read, at).view(sole, fuel_kg);
    }

    private ApuView view(boolean sole, @Nullable Double fuel_kg) {
        Says says = says();
        double burnt_kg = kilograms(history.burning(at));
        Instant run = history.runBegan().orElse(Instant.MAX);
        return new ApuView(
                apu.phase(),
                apu.since(),
                read,
                says.says(),
                says.why(),
                says.alarm(),
                says.until(),
                read ? null : says.next(),
                offers(),
                rungs(),
                apu.run().generator(),
                apu.run().bleed(),
                apu.run().generator() ? (Boolean) sole : null,
                apu.latched(),
                apu.triesLeft(),
                apu.tries().restedAt(profile.rule()).orElse(null),
                apu.tries().stopped(),
                history.burning(at),
                burnt_kg,
                fuel_kg == null ? null : lasts(fuel_kg),
                history.early().stream()
                        .filter(one -> !one.told().what().at().isBefore(run))
                        .map(one -> new ApuView.ApuEarly(
                                words(one.told().what()), one.told().what().at(), one.warning()))
                        .toList(),
                hot,
                history.peaks().stream().filter(one -> !one.at().isBefore(run)).toList(),
                history.newest()
                        .filter(one -> !one.isRead())
                        .map(one -> new ApuView.ApuNewest(
                                words(one.what()), one.by(), one.what().at()))
                        .orElse(null));
    }

    private double kilograms(Duration burning) {
        return burning.toMillis() / 1000.0 / SECONDS_PER_HOUR * profile.burn_kgph();
    }

    private Duration lasts(double fuel_kg) {
        return Duration.ofSeconds((long) (fuel_kg / profile.burn_kgph() * SECONDS_PER_HOUR));
    }

    /** What is said, and what is next. */
    private record Says(
            String says,
            @Nullable String why,
            boolean alarm,
            @Nullable Instant until,
            @Nullable ApuTap next) {
        static Says now(String says, @Nullable String why, @Nullable ApuTap next) {
            return new Says(says, why, false, null, next);
        }

        static Says alarm(String says, String why, @Nullable ApuTap next) {
            return new Says(says, why, true, null, next);
        }

        static Says until(Instant until, String says, @Nullable String why, @Nullable ApuTap next) {
            return new Says(says, why, false, until, next);
        }
    }

    private Says says() {
        if (apu.latched()) {
            return Says.alarm(
                    "APU: its fault is latched",
                    "The batteries went off too early. Only the panel outside resets it.",
                    stillTurns() ? null : ApuTap.RESET_OUTSIDE);
        }
        if (!hot.isEmpty() && (apu.phase() == Phase.STARTING || apu.phase() == Phase.AVAILABLE)) {
            return Says.alarm("APU: master OFF", tooHot(hot.getLast()), ApuTap.MASTER_OFF);
        }
        return switch (apu.phase()) {
            case OFF -> off();
            case POWERED -> powered();
            case STARTING -> starting();
            case AVAILABLE -> available();
            case COOLING ->
                Says.until(
                        apu.due().orElse(at),
                        "APU: cooling",
                        "It stops by itself. Its generator stays until then; its air is off.",
                        null);
            case SPOOLING_DOWN -> Says.now("APU: running down", stopWords(), ApuTap.ZERO);
            case STOPPED ->
                Says.until(
                        apu.due().orElse(at),
                        "APU: batteries stay ON",
                        "Its door closes. Batteries off now would latch a fault that only the panel outside resets.",
                        null);
        };
    }

    private boolean stillTurns() {
        return apu.turns() || apu.phase() == Phase.SPOOLING_DOWN;
    }

    private static String tooHot(ApuFact.ApuTooHot one) {
        String longer = one.allowed().isZero()
                ? ""
                : " for longer than " + Math.round(one.allowed().toMillis() / 1000.0) + " s";
        return String.format(Locale.ROOT, "Above %.0f °C%s. Maintenance before another start.", one.limit_C(), longer);
    }

    private Says off() {
        AutomaticStop stopped = apu.tries().stopped();
        if (stopped != null) {
            return after(stopped);
        }
        if (!hot.isEmpty()) {
            return Says.now("APU: maintenance before another start", tooHot(hot.getLast()), null);
        }
        return Says.now(
                "APU: off",
                history.told().isEmpty() ? null : "Batteries may go off as far as the APU is concerned.",
                ApuTap.MASTER_ON);
    }

    private Says after(AutomaticStop stopped) {
        return switch (stopped.next()) {
            case FIRE_LIST -> Says.alarm("APU: work its fire list", "It stopped itself: " + lower(stopped) + ".", null);
            case TRY_AGAIN ->
                Says.now(
                        "APU: off",
                        "It stopped itself: " + lower(stopped) + ". Another start may follow " + "once it has rested, "
                                + apu.triesLeft() + " left.",
                        ApuTap.MASTER_ON);
            case COOL ->
                Says.now("APU: let its oil cool", "It stopped itself: " + lower(stopped) + ".", ApuTap.MASTER_ON);
            case MAINTENANCE ->
                Says.now("APU: maintenance before another start", "It stopped itself: " + lower(stopped) + ".", null);
        };
    }

    private static String lower(AutomaticStop stopped) {
        String words = stopped.words();
        return words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }

    private String stopWords() {
        AutomaticStop stopped = apu.tries().stopped();
        String still = "Batteries stay ON until it stands still and its door has closed.";
        if (stopped == null) {
            return still;
        }
        String then = switch (stopped.next()) {
            case FIRE_LIST -> "Work its fire list. ";
            case TRY_AGAIN -> "Another start may follow once it has rested. ";
            case COOL -> "Let its oil cool before another start. ";
            case MAINTENANCE -> "Maintenance before another start. ";
        };
        return "It stopped itself: " + lower(stopped) + ". " + then + still;
    }

    private Says powered() {
        Instant opens = ApuGoal.READY.opensAt(apu).orElse(at);
        if (at.isBefore(opens)) {
            Instant rested = apu.tries().restedAt(profile.rule()).orElse(Instant.MIN);
            return at.isBefore(rested)
                    ? Says.until(opens, "APU: it rests", "A start has failed; " + apu.triesLeft() + " left.", null)
                    : Says.until(
                            opens,
                            "APU: self-test and door",
                            "Or until its message says that it is ready.",
                            ApuTap.READY);
        }
        Duration held = profile.startHeld();
        return Says.now(
                "APU: start it",
                held == null ? null : "Hold the switch for " + Math.round(held.toMillis() / 1000.0) + " s.",
                ApuTap.START);
    }

    private Says starting() {
        Map<ApuMilestone, Instant> seen = apu.run().seen();
        if (apu.run().settling() != null) {
            return Says.until(apu.due().orElse(at), "APU: settling", "It is at its speed.", null);
        }
        if (seen.containsKey(ApuMilestone.STARTER_OUT)) {
            return Says.now(
                    "APU: speeding up", "To " + percent(profile.rule().availableAt_pct()) + ".", ApuTap.UP_TO_SPEED);
        }
        if (seen.containsKey(ApuMilestone.LIGHT)) {
            return Says.now(
                    "APU: lit",
                    "Its starter drops out at " + percent(profile.rule().starterOutAt_pct()) + ".",
                    ApuTap.STARTER_OUT);
        }
        return Says.now(
                "APU: turning",
                "Fuel and ignition come at " + percent(profile.rule().fuelAt_pct()) + ". Watch its temperature.",
                ApuTap.LIGHT);
    }

    private static String percent(double pct) {
        return String.format(Locale.ROOT, "%.0f %%", pct);
    }

    private Says available() {
        ApuTap next = apu.run().generator() ? null : ApuTap.GENERATOR_ON;
        Instant air = apu.bleedAllowedAt().orElse(at);
        if (at.isBefore(air)) {
            return Says.until(air, "APU: available", "No air before it is warm through.", next);
        }
        return Says.now(
                apu.run().bleed() ? "APU: it gives air" : "APU: available, air allowed",
                null,
                next != null ? next : apu.run().bleed() ? null : ApuTap.AIR_ON);
    }

    private List<ApuView.ApuOffer> offers() {
        return read ? offers(ApuTap.RESET_OUTSIDE) : offers(ApuTap.values());
    }

    private List<ApuView.ApuOffer> offers(ApuTap... taps) {
        List<ApuView.ApuOffer> offers = new ArrayList<>();
        for (ApuTap tap : taps) {
            ApuEvent event = tap.event(at, AutomaticStop.UNDERSPEED);
            boolean told =
                    tap.seenIn(apu) && !(tap == ApuTap.AIR_OFF && apu.run().bleed());
            boolean known = tap == ApuTap.RUNS && apu.phase() != Phase.OFF;
            if (!told && !known && history.apu().refusal(event) == null) {
                offers.add(new ApuView.ApuOffer(tap, tap.words(), history.apu().warning(event)));
            }
        }
        return List.copyOf(offers);
    }

    private List<ApuView.ApuRung> rungs() {
        List<ApuView.ApuRung> rungs = new ArrayList<>();
        Map<ApuMilestone, Instant> seen = apu.run().seen();
        rungs.add(new ApuView.ApuRung(
                "Master on",
                history.runBegan().filter(_ -> apu.phase() != Phase.OFF).orElse(null)));
        rungs.add(new ApuView.ApuRung("Fuel at " + percent(profile.rule().fuelAt_pct()), seen.get(ApuMilestone.FUEL)));
        rungs.add(new ApuView.ApuRung("Light", seen.get(ApuMilestone.LIGHT)));
        rungs.add(new ApuView.ApuRung(
                "Starter out at " + percent(profile.rule().starterOutAt_pct()), seen.get(ApuMilestone.STARTER_OUT)));
        rungs.add(new ApuView.ApuRung(
                "At its speed, " + percent(profile.rule().availableAt_pct()), seen.get(ApuMilestone.UP_TO_SPEED)));
        rungs.add(new ApuView.ApuRung("Available", apu.run().availableAt()));
        Instant air = apu.bleedAllowedAt().filter(open -> !at.isBefore(open)).orElse(null);
        rungs.add(new ApuView.ApuRung("Warm through, air allowed", air));
        return List.copyOf(rungs);
    }

    /** How the crew calls what happened. */
    static String words(ApuEvent what) {
        return switch (what) {
            case ApuEvent.StoppedItself(var _, var why) -> "It stopped itself: " + lower(why);
            case ApuEvent.Found(var _, var phase, var _, var _) ->
                "Found " + phase.name().toLowerCase(Locale.ROOT).replace('_', ' ');
            case ApuEvent.SpeedHeld(var _, var held) -> held ? "At its speed again" : "Under its speed";
            case ApuEvent.Read _ -> "Read";
            case ApuEvent.MilestoneSeen(var _, ApuMilestone milestone)
            when milestone == ApuMilestone.FUEL -> "Fuel and ignition";
            default ->
                Arrays.stream(ApuTap.values())
                        .filter(tap -> tap != ApuTap.STOPPED_ITSELF
                                && tap.event(what.at(), null).equals(what))
                        .map(ApuTap::words)
                        .findFirst()
                        .orElse("APU");
        };
    }
}
