package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;

/**
 * What the log holds of one attempt to start an engine.
 *
 * @param engine 1 to 4
 * @param number of the attempt on this engine, from 1
 * @param startedAt when the starter went on
 * @param milestones those that were reached, since starter on
 * @param findings in the order in which they were raised
 * @param summary how it ended; null while it runs
 * @param traceSha256 hash of its trace, hex; null until that is kept
 */
public record StartRecord(int engine, int number, Instant startedAt, Map<Milestone, Duration> milestones, List<Finding> findings,
        @Nullable AttemptSummary summary, @Nullable String traceSha256) {

    public StartRecord {
        milestones = Map.copyOf(milestones);
        findings = List.copyOf(findings);
    }

    static StartRecord began(Event.AttemptBegan event) {
        return new StartRecord(event.engine(), event.number(), event.startedAt(), Map.of(), List.of(), null, null);
    }

    StartRecord reached(Milestone milestone, Duration at) {
        Map<Milestone, Duration> all = new EnumMap<>(Milestone.class);
        all.putAll(milestones);
        all.put(milestone, at);
        return new StartRecord(engine, number, startedAt, all, findings, summary, traceSha256);
    }

    StartRecord found(Finding finding) {
        List<Finding> all = new ArrayList<>(findings);
        all.add(finding);
        return new StartRecord(engine, number, startedAt, milestones, all, summary, traceSha256);
    }

    StartRecord ended(AttemptSummary how) {
        return new StartRecord(engine, number, startedAt, milestones, findings, how, traceSha256);
    }

    StartRecord traced(String sha256) {
        return new StartRecord(engine, number, startedAt, milestones, findings, summary, sha256);
    }

    /** Whether the engine came to idle and nothing was found that ends a start. */
    public boolean good() {
        return milestones.containsKey(Milestone.IDLE) && findings.stream().noneMatch(finding -> finding.action().cuts());
    }
}
