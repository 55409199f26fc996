package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What stands beside a start that is tapped: the same ladder, the questions that its windows ask when they pass, and a
 * verdict that calls for an act only on what the crew says. Times count from starter on.
 */
public final class TappedWatch {
    private static final Duration FLOW_FALLS_WITHIN = Duration.ofSeconds(3);

    /** Part of the time to idle after which a lit engine's starter should be out. */
    private static final double STARTER_OUT_BY = 0.8;

    private final StartProfile profile;
    private final TappedStart start;
    private final Clearing.Left left;

    /**
     * @param profile of the type; @param start as told so far; @param left what the engine's last fuel left to be done
     */
    public TappedWatch(StartProfile profile, TappedStart start, Clearing.Left left) {
        this.profile = profile;
        this.start = start;
        this.left = left;
    }

    /** A start as told. @param lasts time since its starter on */
    public record Attempt(TappedStart told, Duration lasts) {}

    /**
     * What is said of it. @param attempts of the engine, this one last unless its starter is still off; @param flowFell
     * whether the crew saw the flow fall after the newest cut
     */
    public StartAdvice advice(
            String engine, List<Attempt> attempts, boolean flowFell, StarterDuty.NextTry next, Duration coolFor) {
        Duration since = start.hasBegun() ? attempts.getLast().lasts() : Duration.ZERO;
        boolean ignited = false;
        for (Attempt one : attempts) {
            ignited = one.told().ignitionAfter(ignited);
        }
        Boolean ignition =
                hasIgnitionSwitch() ? (Boolean) (start.hasBegun() ? ignited : start.ignitionAfter(ignited)) : null;
        Standing now = new Standing(
                start.fuel(),
                ignition,
                start.starter(),
                start.starter() ? since : Duration.ZERO,
                null,
                left,
                null,
                null,
                null,
                null,
                flowFell);
        return StartAdvice.tapped(
                engine,
                profile,
                start,
                attempts.stream().map(one -> one.told().report(one.lasts())).toList(),
                since,
                now,
                next(),
                next,
                coolFor);
    }

    private boolean hasIgnitionSwitch() {
        return profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
    }

    /** Whether this start only turns the engine, to clear it of its last fuel. */
    private boolean motors() {
        return !left.isCleared() && !start.has(Tap.FUEL_ON);
    }

    /**
     * A window has passed, and only the crew can say what happened.
     *
     * @param words the question
     * @param due when it is asked
     * @param yes what a yes tells; @param no what a no tells, null when that was told already
     * @param yesWords the yes in words; @param noWords the no in words
     */
    public record Question(
            String words,
            Duration due,
            Tap yes,
            String yesWords,
            @Nullable Tap no,
            @Nullable String noWords) {}

    /** @param tap what the crew may tell; @param words for it */
    public record Offer(Tap tap, String words) {}

    /** The questions that will be asked unless the answer comes before, the earliest first. */
    public List<Question> questions() {
        List<Question> all = new ArrayList<>();
        if (start.starter()) {
            if (!motors()) {
                turning(all);
            }
            Duration allowed = profile.starter().allowed();
            ask(
                    all,
                    Tap.STARTER_ON,
                    allowed,
                    text("%d s of starter: is it off?", allowed.toSeconds()),
                    Tap.STARTER_OFF,
                    "It is off",
                    Tap.STARTER_LONG,
                    "It is still on");
        }
        if (start.fuel() && !start.has(Tap.IDLE)) {
            burning(all);
        }
        if (start.has(Tap.FUEL_OFF)) {
            String temperature = profile.words(Parameter.TEMPERATURE);
            ask(
                    all,
                    Tap.FUEL_OFF,
                    FLOW_FALLS_WITHIN,
                    text(
                            "%d s since the cut: do flow and %s fall? If not: the %s",
                            FLOW_FALLS_WITHIN.toSeconds(),
                            temperature,
                            profile.remedy().secondMeans()),
                    Tap.FLOW_FALLS,
                    "They fall",
                    Tap.FLOW_STAYS,
                    "Fuel still flows");
            Duration stays = start.at(Tap.FLOW_STAYS);
            if (stays != null && !start.has(Tap.FLOW_FALLS)) {
                all.add(new Question(
                        text(
                                "After the %s: do flow and %s fall?",
                                profile.remedy().secondMeans(), temperature),
                        stays,
                        Tap.FLOW_FALLS,
                        "They fall",
                        null,
                        null));
            }
        }
        return all.stream().sorted(Comparator.comparing(Question::due)).toList();
    }

    private void turning(List<Question> all) {
        if (hasIgnitionSwitch()) {
            ask(
                    all,
                    Tap.STARTER_ON,
                    Duration.ZERO,
                    "Is ignition ON? If not: starter OFF, no fuel",
                    Tap.IGNITION_ON,
                    "It is ON",
                    Tap.IGNITION_NOT_ON,
                    "It is not");
        }
        Duration rotation = Duration.ofNanos(TurningRules.NoRotation.WITHIN_us * 1000);
        ask(
                all,
                Tap.STARTER_ON,
                rotation,
                text(
                        "%d s since the starter: does %s turn? If not: starter OFF",
                        rotation.toSeconds(), profile.words(Parameter.SPOOL)),
                Tap.ROTATION,
                "It turns",
                Tap.NO_ROTATION,
                "It does not turn");
        Duration oil = profile.turning().oilWithin();
        ask(
                all,
                Tap.ROTATION,
                oil,
                text(
                        "%d s since it turned: is oil pressure rising? If not: %s",
                        oil.toSeconds(), start.fuel() ? "fuel lever OFF" : "starter OFF"),
                Tap.OIL_RISING,
                "It rises",
                Tap.NO_OIL,
                "It does not rise");
        if (start.has(Tap.LIGHT_OFF)) {
            Duration out = Duration.ofMillis(Math.round(profile.idle().within().toMillis() * STARTER_OUT_BY));
            ask(
                    all,
                    Tap.STARTER_ON,
                    out,
                    text(
                            "%d s since the starter: is it out, at %.0f %%?",
                            out.toSeconds(), profile.starter().cutOut_pct()),
                    Tap.STARTER_OFF,
                    "It is out",
                    Tap.STARTER_STAYS,
                    text("Still on over %.0f %%", profile.starter().overrun_pct()));
        }
    }

    private void burning(List<Question> all) {
        boolean fanFirst = profile.order().indexOf(Milestone.FAN_ROTATION)
                < profile.order().indexOf(Milestone.FUEL_ON);
        ask(
                all,
                fanFirst ? Tap.FUEL_ON : Tap.LIGHT_OFF,
                Duration.ZERO,
                text(
                        "%s: does the %s turn? If not: fuel lever OFF",
                        fanFirst ? "Fuel is on" : "It is lit", profile.words(Parameter.FAN)),
                Tap.FAN_ROTATION,
                "It turns",
                Tap.NO_FAN,
                "It does not turn");
        Duration light = profile.lightOffWithin();
        ask(
                all,
                Tap.FUEL_ON,
                light,
                text("%d s since fuel: lit? No light-off: fuel lever OFF", light.toSeconds()),
                Tap.LIGHT_OFF,
                "It is lit",
                Tap.NOT_LIT,
                "No light-off");
        Duration idle = profile.idle().within();
        ask(
                all,
                Tap.STARTER_ON,
                idle,
                text("%d s since the starter: at idle?", idle.toSeconds()),
                Tap.IDLE,
                "At idle",
                Tap.SLOW,
                "Not yet");
    }

    private void ask(
            List<Question> all,
            Tap from,
            Duration window,
            String words,
            Tap yes,
            String yesWords,
            Tap no,
            String noWords) {
        Duration begun = start.at(from);
        if (begun != null && !start.has(yes) && !start.has(no)) {
            all.add(new Question(words, begun.plus(window), yes, yesWords, no, noWords));
        }
    }

    /** What the crew can say is wrong as things stand: every kind that the type can have. */
    public List<Offer> wrongs() {
        boolean burns = start.fuel() && !start.has(Tap.IDLE);
        boolean dry = start.starter() && !start.has(Tap.FUEL_ON);
        boolean cut = start.has(Tap.FUEL_OFF);
        boolean lit = start.has(Tap.LIGHT_OFF);
        String temperature = profile.words(Parameter.TEMPERATURE);
        return Stream.of(
                        offer(burns, Tap.TOO_HOT, temperature + " too high or racing up"),
                        offer(burns && !lit, Tap.NOT_LIT, "No light-off"),
                        offer(burns && lit, Tap.HANGS, "Not accelerating"),
                        offer(
                                burns,
                                Tap.FLOW_TOO_HIGH,
                                text("Fuel flow over %.0f kg/h", profile.fuel().cutAbove_kgph())),
                        offer(dry && !start.has(Tap.ROTATION), Tap.NO_ROTATION, "Nothing turns"),
                        offer(
                                (dry || burns) && !start.has(Tap.FAN_ROTATION),
                                Tap.NO_FAN,
                                Words.sentence(profile.words(Parameter.FAN)) + " does not turn"),
                        offer((dry || burns) && !start.has(Tap.OIL_RISING), Tap.NO_OIL, "No oil pressure"),
                        offer(
                                start.starter(),
                                Tap.SUPPLY_LOW,
                                Words.sentence(profile.words(profile.supplyParameter())) + " too low"),
                        offer(
                                (dry || burns && !lit) && hasIgnitionSwitch() && !motors(),
                                Tap.IGNITION_NOT_ON,
                                "Ignition is not on"),
                        offer(
                                start.starter() && lit && !cut,
                                Tap.STARTER_STAYS,
                                text(
                                        "Starter still on at %.0f %%",
                                        profile.starter().overrun_pct())),
                        offer(cut && !start.has(Tap.FLOW_FALLS), Tap.FLOW_STAYS, "Fuel still flows"),
                        offer(cut, Tap.FIRE, temperature + " rises after the cut"),
                        offer(dry || burns, Tap.FIRE_WARNING, "Fire warning"),
                        offer(dry || burns, Tap.NOISE_OR_SIGN, "Noise, or ground crew's sign"))
                .flatMap(List::stream)
                .toList();
    }

    private List<Offer> offer(boolean possible, Tap tap, String words) {
        return possible && !start.has(tap) ? List.of(new Offer(tap, words)) : List.of();
    }

    /**
     * What is told next: what the script asks for now, or else what comes next if all goes well.
     *
     * @param advice what is said of it now
     * @return null when nothing is to be told yet
     */
    public @Nullable Offer nextTap(StartAdvice advice) {
        Script.Act act = advice.script().stream()
                .filter(step -> step.state() == Script.State.NOW)
                .map(Script.Step::act)
                .findFirst()
                .orElse(null);
        if (act != null) {
            return start.hasBegun() ? ofScript(act) : new Offer(Tap.STARTER_ON, "Starter ON");
        }
        if (!start.hasBegun()) {
            return new Offer(Tap.STARTER_ON, "Starter ON");
        }
        Milestone next = next();
        Tap tap = next == null ? null : Tap.of(next);
        return tap == null
                ? null
                : new Offer(
                        tap,
                        advice.ladder().stream()
                                .filter(rung -> rung.milestone() == next)
                                .map(Ladder.Rung::words)
                                .findFirst()
                                .orElse(tap.words()));
    }

    private @Nullable Offer ofScript(Script.Act act) {
        return switch (act) {
            case FUEL_OFF -> new Offer(Tap.FUEL_OFF, "Fuel is OFF");
            case IGNITION_OFF -> new Offer(Tap.IGNITION_OFF, "Ignition is OFF");
            case SEE_FLOW_FALL, SECOND_MEANS ->
                new Offer(Tap.FLOW_FALLS, text("Flow and %s fall", profile.words(Parameter.TEMPERATURE)));
            case STARTER_OFF, TAKE_ITS_SUPPLY, KEEP_TURNING -> new Offer(Tap.STARTER_OFF, "Starter is OFF");
            case DRAIN_AND_COOL -> start.starter() ? new Offer(Tap.STARTER_OFF, "Starter is OFF") : null;
            case ENGAGE -> new Offer(Tap.STARTER_ON, "Starter ON, dry");
            case START_AGAIN ->
                hasIgnitionSwitch()
                        ? new Offer(Tap.IGNITION_ON, "Ignition ON")
                        : new Offer(Tap.STARTER_ON, "Starter ON again");
            case COOL, WAIT_FOR_SPEED, RUN_DOWN, TELL, WRITE, MAINTENANCE -> null;
        };
    }

    /**
     * What comes next, if all goes well; null once idle is reached or the fuel was cut. Passing a milestone over passes
     * those before it.
     */
    public @Nullable Milestone next() {
        if (!start.hasBegun() || start.ended() || start.has(Tap.FUEL_OFF) || motors()) {
            return null;
        }
        Milestone next = null;
        for (Milestone milestone : profile.order()) {
            Tap tap = Tap.of(milestone);
            if (tap == null) {
                continue;
            }
            if (start.has(tap)) {
                next = null;
            } else if (next == null) {
                next = milestone;
            }
        }
        return next;
    }
}
