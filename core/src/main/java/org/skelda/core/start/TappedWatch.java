package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What stands beside a start that is tapped: the same ladder, the questions that its windows ask when they pass, and a verdict that
 * calls for an act only on what the crew says. Times count from starter on.
 */
public final class TappedWatch {
    private static final Duration FLOW_FALLS_WITHIN = Duration.ofSeconds(3);

    private final StartProfile profile;
    private final TappedStart start;

    /** @param profile of the type; @param start as told so far */
    public TappedWatch(StartProfile profile, TappedStart start) {
        this.profile = profile;
        this.start = start;
    }

    /**
     * A window has passed, and only the crew can say what happened.
     *
     * @param words the question
     * @param due when it is asked
     * @param yes what a yes tells; @param no what a no tells, null when that was told already
     * @param yesWords the yes in words; @param noWords the no in words
     */
    public record Question(String words, Duration due, Tap yes, String yesWords, @Nullable Tap no, @Nullable String noWords) {}

    /** @param tap what the crew may tell; @param words for it */
    public record Offer(Tap tap, String words) {}

    /** The questions that will be asked unless the answer comes before, the earliest first. */
    public List<Question> questions() {
        List<Question> all = new ArrayList<>();
        if (start.starter()) {
            turning(all);
            Duration allowed = profile.starter().allowed();
            ask(all, Tap.STARTER_ON, allowed, text("%d s of starter: is it off?", allowed.toSeconds()), Tap.STARTER_OFF, "It is off", Tap.STARTER_LONG, "It is still on");
        }
        if (start.fuel() && !start.has(Tap.IDLE)) {
            burning(all);
        }
        if (start.has(Tap.FUEL_OFF)) {
            String temperature = profile.words(Parameter.TEMPERATURE);
            ask(all, Tap.FUEL_OFF, FLOW_FALLS_WITHIN, text("%d s since the cut: do flow and %s fall?", FLOW_FALLS_WITHIN.toSeconds(), temperature),
                    Tap.FLOW_FALLS, "They fall", Tap.FLOW_STAYS, "Fuel still flows");
            Duration stays = start.at(Tap.FLOW_STAYS);
            if (stays != null && !start.has(Tap.FLOW_FALLS)) {
                all.add(new Question(text("After the %s: do flow and %s fall?", profile.remedy().secondMeans(), temperature), stays, Tap.FLOW_FALLS, "They fall", null, null));
            }
        }
        return all.stream().sorted(Comparator.comparing(Question::due)).toList();
    }

    private void turning(List<Question> all) {
        Duration rotation = Duration.ofNanos(TurningRules.NoRotation.WITHIN_us * 1000);
        ask(all, Tap.STARTER_ON, rotation, text("%d s since the starter: does %s turn?", rotation.toSeconds(), profile.words(Parameter.SPOOL)),
                Tap.ROTATION, "It turns", Tap.NO_ROTATION, "It does not turn");
        Duration oil = profile.turning().oilWithin();
        ask(all, Tap.ROTATION, oil, text("%d s since it turned: is oil pressure rising?", oil.toSeconds()), Tap.OIL_RISING, "It rises", Tap.NO_OIL, "It does not rise");
    }

    private void burning(List<Question> all) {
        if (profile.turning().orAtFuelOn()) {
            ask(all, Tap.FUEL_ON, Duration.ZERO, text("Fuel is on: does the %s turn?", profile.words(Parameter.FAN)), Tap.FAN_ROTATION, "It turns", Tap.NO_FAN, "It does not turn");
        }
        Duration light = profile.lightOffWithin();
        ask(all, Tap.FUEL_ON, light, text("%d s since fuel: lit?", light.toSeconds()), Tap.LIGHT_OFF, "It is lit", Tap.NOT_LIT, "Not lit");
        Duration idle = profile.idle().within();
        ask(all, Tap.STARTER_ON, idle, text("%d s since the starter: at idle?", idle.toSeconds()), Tap.IDLE, "At idle", Tap.SLOW, "Not yet");
    }

    private void ask(List<Question> all, Tap from, Duration window, String words, Tap yes, String yesWords, Tap no, String noWords) {
        Duration begun = start.at(from);
        if (begun != null && !start.has(yes) && !start.has(no)) {
            all.add(new Question(words, begun.plus(window), yes, yesWords, no, noWords));
        }
    }

    /** What the crew can say is wrong as things stand. */
    public List<Offer> wrongs() {
        boolean burns = start.fuel() && !start.has(Tap.IDLE);
        boolean dry = start.starter() && !start.has(Tap.FUEL_ON);
        boolean cut = start.has(Tap.FUEL_OFF);
        String temperature = profile.words(Parameter.TEMPERATURE);
        return Stream.of(
                offer(burns, Tap.TOO_HOT, temperature + " too high or racing up"),
                offer(burns && start.has(Tap.LIGHT_OFF), Tap.HANGS, "It hangs below idle"),
                offer(burns && !start.has(Tap.LIGHT_OFF), Tap.NOT_LIT, "Not lit"),
                offer((dry || burns) && !start.has(Tap.FAN_ROTATION), Tap.NO_FAN, "The " + profile.words(Parameter.FAN) + " does not turn"),
                offer((dry || burns) && !start.has(Tap.OIL_RISING), Tap.NO_OIL, "No oil pressure"),
                offer(dry && !start.has(Tap.ROTATION), Tap.NO_ROTATION, "Nothing turns"),
                offer(start.starter() && start.has(Tap.LIGHT_OFF), Tap.STARTER_STAYS, text("Starter still on at %.0f %%", profile.starter().overrun_pct())),
                offer(cut && !start.has(Tap.FLOW_FALLS), Tap.FLOW_STAYS, "Fuel still flows"),
                offer(cut, Tap.FIRE, temperature + " rises after the cut")).flatMap(List::stream).toList();
    }

    private List<Offer> offer(boolean possible, Tap tap, String words) {
        return possible && !start.has(tap) ? List.of(new Offer(tap, words)) : List.of();
    }

    /** What comes next, if all goes well; null once idle is reached or the fuel was cut. Passing a milestone over passes those before it. */
    public @Nullable Milestone next() {
        if (start.ended() || start.has(Tap.FUEL_OFF)) {
            return null;
        }
        Milestone next = null;
        for (Milestone milestone : Milestone.values()) {
            Tap tap = Tap.of(milestone);
            boolean comes = tap != null && (milestone != Milestone.VALVE_OPEN || profile.drive().manner() == StartProfile.Manner.BLEED_AIR);
            if (comes && start.has(tap)) {
                next = null;
            } else if (comes && next == null) {
                next = milestone;
            }
        }
        return next;
    }

    /** @param engine how the crew calls it; @param now since starter on */
    public Verdict verdict(String engine, Duration now) {
        return Verdict.tapped(engine, profile, start, start.report(now), next());
    }

    /** The ladder of a start that is read. @param now since starter on */
    public List<Ladder.Rung> ladder(Duration now) {
        return Ladder.of(profile, start.report(now), now, next());
    }
}
