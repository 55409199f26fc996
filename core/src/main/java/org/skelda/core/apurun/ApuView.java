package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.crew.Person;

/**
 * The APU at a time.
 *
 * @param phase what it does; @param since when that began
 * @param read whether a feed reads it
 * @param says one sentence to go by; @param why beside it; null when nothing is to be added
 * @param alarm whether something is to be done at once
 * @param until when time alone changes what is said; null when it does not
 * @param next what is to be told next; null when the next thing is to wait, or a feed tells
 * @param offers everything that can be told, with why not
 * @param rungs of its start, in order
 * @param generator whether its generator carries; @param bleed whether it gives air
 * @param sole whether nothing else is known to carry the buses; null when it carries none
 * @param latched whether its fault is latched
 * @param triesLeft starts before the long rest; @param restedAt when the next may follow; null when none failed
 * @param stopped why it stopped itself last; null when it did not
 * @param burning how long it has burnt fuel; @param burnt_kg what that is, kg
 * @param lasts for how long the fuel that was read lasts from now; null when none was read
 * @param early what was done in this run although it should have waited
 * @param hot limits passed in this run; @param peaks the highest temperatures of this run
 * @param newest what the crew told last and can take back; null when there is none
 */
public record ApuView(
        Apu.Phase phase,
        Instant since,
        boolean read,
        String says,
        @Nullable String why,
        boolean alarm,
        @Nullable Instant until,
        @Nullable ApuTap next,
        List<ApuOffer> offers,
        List<ApuRung> rungs,
        boolean generator,
        boolean bleed,
        @Nullable Boolean sole,
        boolean latched,
        int triesLeft,
        @Nullable Instant restedAt,
        @Nullable AutomaticStop stopped,
        Duration burning,
        double burnt_kg,
        @Nullable Duration lasts,
        List<ApuEarly> early,
        List<ApuFact.ApuTooHot> hot,
        List<ApuFact.ApuPeak> peaks,
        @Nullable ApuNewest newest) {

    /** Something that can be told. @param warning why it should wait; null when it may be done now */
    public record ApuOffer(
            ApuTap tap, String words, @Nullable String warning) {}

    /** @param warning why it should have waited */
    public record ApuEarly(String words, Instant at, String warning) {}

    /** A step of its start. @param at when it was reached; null before */
    public record ApuRung(String label, @Nullable Instant at) {}

    /** What was told last. */
    public record ApuNewest(String words, Person by, Instant at) {}
}
