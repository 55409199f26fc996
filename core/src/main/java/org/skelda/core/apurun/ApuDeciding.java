package org.skelda.core.apurun;

import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apurun.ApuHistory.Told;
import org.skelda.core.feed.Feed;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.OutOfRange;

/** Decides what the crew tells of an APU. What can not be is refused, with its reason; nothing is corrected. */
public final class ApuDeciding {
    private static final double COLDEST_C = -60;
    private static final double HOTTEST_C = 1400;

    private final ApuHistory history;
    private final boolean read;
    private final Grounds grounds;

    private ApuDeciding(ApuHistory history, boolean read, Grounds grounds) {
        this.history = history;
        this.read = read;
        this.grounds = grounds;
    }

    /**
     * @param history of the departure's APU; null when the type has none
     * @param feed that the departure is watched by; null when there is none
     */
    public static Decision<ApuFact> decide(
            @Nullable ApuHistory history, @Nullable Feed feed, ApuAsk ask, Grounds grounds) {
        return grounds.seated(() -> {
            if (history == null) {
                return nothing("This type has no APU.");
            }
            ApuDeciding deciding = new ApuDeciding(history, history.isRead(feed), grounds);
            return switch (ask) {
                case ApuAsk.TellApu tell -> deciding.tell(tell);
                case ApuAsk.UntellApu untell -> deciding.untell(untell);
                case ApuAsk.TypeApuPeak peak -> deciding.type(peak);
            };
        });
    }

    /** What a feed does not see is told by the crew all the same: the panel outside. */
    private Decision<ApuFact> tell(ApuAsk.TellApu ask) {
        if (read && ask.tap() != ApuTap.RESET_OUTSIDE) {
            return nothing("Readings of the APU arrive. Taps are for one that nothing reads.");
        }
        if (ask.tap() == ApuTap.STOPPED_ITSELF && ask.why() == null) {
            return Decision.refused(new Refusal.ReasonMissing("an APU that stopped itself"));
        }
        return grounds.tapped(ask.tappedAt(), at -> {
            ApuEvent event = ask.tap().event(at, ask.why());
            String impossible = history.apu().refusal(event);
            return impossible != null ? nothing("APU: " + impossible) : grounds.accept(new ApuFact.ApuTold(event));
        });
    }

    private Decision<ApuFact> untell(ApuAsk.UntellApu ask) {
        Told newest = history.newest().filter(one -> !one.isRead()).orElse(null);
        if (newest == null) {
            return nothing("There is nothing that the crew told of the APU last.");
        }
        return grounds.takingBack(newest.by(), ask.reason(), reason -> grounds.accept(new ApuFact.ApuUntold(reason)));
    }

    private Decision<ApuFact> type(ApuAsk.TypeApuPeak ask) {
        if (history.told().isEmpty()) {
            return nothing("The APU has not been started yet.");
        }
        if (!(ask.peak_C() >= COLDEST_C && ask.peak_C() <= HOTTEST_C)) {
            throw new OutOfRange(
                    "A peak temperature", ask.peak_C(), COLDEST_C, HOTTEST_C, "°C", "Type what the gauge showed.");
        }
        return grounds.accept(new ApuFact.ApuPeak(ask.starting(), ask.peak_C(), grounds.doneAt(), null));
    }

    private static Decision<ApuFact> nothing(String what) {
        return Decision.refused(new Refusal.NothingThere(what));
    }
}
