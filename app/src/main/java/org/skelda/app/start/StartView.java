package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Ladder;
import org.skelda.core.start.Lane;
import org.skelda.core.start.Margin;
import org.skelda.core.start.Script;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TappedWatch;
import org.skelda.core.start.Verdict;

/**
 * What the desk of a start shows of one engine.
 *
 * @param name how the crew calls the engine
 * @param number how many attempts there were, the running one included
 * @param startedAt when the starter of the newest went on, on the feed's clock; null before there was one
 * @param running whether an attempt runs
 * @param at for which moment this is, on the feed's clock
 * @param verdict what to do now, and why
 * @param ladder what to look for, in order
 * @param lanes what is read
 * @param forecast the temperature drawn on, degC, a quarter of a second apart; empty while nothing is forecast
 * @param script what follows a cut; empty when there was none
 * @param findings of the newest attempt
 * @param margins of the newest attempt
 * @param outcome of the newest attempt; null while it runs or before there was one
 * @param gaps without readings in the newest attempt
 * @param duty of the starter: the next try, or the one that runs
 * @param dutyWords the same in words
 * @param starterOnSince time since starter on at which the starter last went on; null while it is off
 * @param taps what the crew can tell of a start that nothing reads; null for one that is read
 */
public record StartView(
        int engine,
        String name,
        int number,
        @Nullable Instant startedAt,
        boolean running,
        Instant at,
        Verdict verdict,
        List<Ladder.Rung> ladder,
        List<Lane> lanes,
        List<Double> forecast,
        List<Script.Step> script,
        List<Finding> findings,
        List<Margin> margins,
        @Nullable String outcome,
        List<AttemptReport.DataGap> gaps,
        StarterDuty.NextTry duty,
        String dutyWords,
        @Nullable Duration starterOnSince,
        @Nullable Taps taps) {

    /**
     * @param next what is told next: what the script asks for, or what comes next if all goes well; null when nothing
     *     is to be told yet
     * @param starter whether the starter is on, as told
     * @param fuel whether the fuel is on, as told
     * @param last the newest tap, which can be taken back
     * @param lastWords the same in words
     * @param lastBy whose it was, by the person's id
     * @param questions that are asked when their time comes, unless the answer comes before
     * @param wrongs what the crew can say is wrong
     * @param peakNote how far the typed peak is from the limits; null before it was typed
     */
    public record Taps(
            TappedWatch.@Nullable Offer next,
            boolean starter,
            boolean fuel,
            Tap last,
            String lastWords,
            String lastBy,
            List<TappedWatch.Question> questions,
            List<TappedWatch.Offer> wrongs,
            @Nullable String peakNote) {}
}
