package org.skelda.core.apurun;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;

/** What the crew can tell of an APU that nothing reads. */
public sealed interface ApuAsk {

    /** Tells something of it. @param why it stopped itself, for that alone; @param tappedAt by the person's device */
    record TellApu(ApuTap tap, @Nullable AutomaticStop why, Instant tappedAt) implements ApuAsk {}

    /** Takes the newest of what the crew told back. @param reason needed when another person told it */
    record UntellApu(@Nullable String reason) implements ApuAsk {}

    /** The highest temperature that was seen. @param starting in its start, or while it ran; @param peak_C degC */
    record TypeApuPeak(boolean starting, double peak_C) implements ApuAsk {}
}
