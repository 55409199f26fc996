package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;
import org.skelda.core.watch.Subject;

/** What has to go into the log of an attempt: what its report says and the log does not. */
final class AttemptFacts {
    private static final long US_PER_S = 1_000_000;

    private AttemptFacts() {}

    /**
     * @param of what is started
     * @param number of the attempt on it, from 1
     * @param report as it stands now
     * @param logged what the log holds of it; empty when it does not know the attempt
     * @param watched version of the judgement and hash of the type's document
     */
    static List<AttemptEvent> of(
            Subject of, int number, AttemptReport report, Optional<StartRecord> logged, String watched) {
        List<AttemptEvent> facts = new ArrayList<>();
        if (logged.isEmpty()) {
            facts.add(new AttemptEvent.AttemptBegan(of, number, instant(report.startedAt_us()), watched));
        }
        report.milestones().entrySet().stream()
                .filter(entry -> logged.isEmpty() || !logged.get().milestones().containsKey(entry.getKey()))
                .sorted(Map.Entry.<Milestone, Duration>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .forEach(entry ->
                        facts.add(new AttemptEvent.MilestoneReached(of, number, entry.getKey(), entry.getValue())));
        report.findings().stream()
                .filter(finding ->
                        logged.isEmpty() || logged.get().findings().stream().noneMatch(known -> same(known, finding)))
                .sorted(Comparator.comparing(Finding::at))
                .forEach(finding -> facts.add(new AttemptEvent.FindingRaised(of, number, finding)));
        if (report.ended() && (logged.isEmpty() || logged.get().summary() == null)) {
            facts.add(new AttemptEvent.AttemptEnded(of, number, AttemptSummary.of(report)));
        }
        return facts;
    }

    /** The same finding of the same attempt: an advice may come again as one that cuts. */
    private static boolean same(Finding known, Finding finding) {
        return known.id() == finding.id()
                && known.action().cuts() == finding.action().cuts();
    }

    static Instant instant(long at_us) {
        return Instant.ofEpochSecond(Math.floorDiv(at_us, US_PER_S), Math.floorMod(at_us, US_PER_S) * 1000);
    }

    static long micros(Instant at) {
        return at.getEpochSecond() * US_PER_S + at.getNano() / 1000;
    }
}
