package org.skelda.core.attempt;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TappedStart;

/**
 * What the log holds of one attempt to start an engine.
 *
 * @param engine 1 to 4
 * @param number of the attempt on this engine, from 1
 * @param startedAt when the starter went on
 * @param milestones those that were reached, since starter on
 * @param findings in the order in which they were raised
 * @param summary how it ended; null while it runs
 * @param traceSha256 hash of its trace, hex; null until that is kept, and for one that nothing read
 * @param tapped as the crew told it, where nothing read it; null for one that a feed told
 */
public record StartRecord(
        int engine,
        int number,
        Instant startedAt,
        Map<Milestone, Duration> milestones,
        List<Finding> findings,
        @Nullable AttemptSummary summary,
        @Nullable String traceSha256,
        @Nullable TappedStart tapped) {

    public StartRecord {
        milestones = Map.copyOf(milestones);
        findings = List.copyOf(findings);
    }

    static StartRecord began(AttemptEvent.AttemptBegan event) {
        return new StartRecord(
                event.of().number(), event.number(), event.startedAt(), Map.of(), List.of(), null, null, null);
    }

    StartRecord reached(Milestone milestone, Duration at) {
        Map<Milestone, Duration> all = new EnumMap<>(Milestone.class);
        all.putAll(milestones);
        all.put(milestone, at);
        return new StartRecord(engine, number, startedAt, all, findings, summary, traceSha256, tapped);
    }

    StartRecord found(Finding finding) {
        List<Finding> all = new ArrayList<>(findings);
        all.add(finding);
        return new StartRecord(engine, number, startedAt, milestones, all, summary, traceSha256, tapped);
    }

    StartRecord ended(AttemptSummary how) {
        return new StartRecord(engine, number, startedAt, milestones, findings, how, traceSha256, tapped);
    }

    StartRecord traced(String sha256) {
        return new StartRecord(engine, number, startedAt, milestones, findings, summary, sha256, tapped);
    }

    static StartRecord tapped(AttemptEvent.StartTapped event, String by) {
        return new StartRecord(
                event.engine(),
                event.number(),
                event.tappedAt(),
                Map.of(),
                List.of(),
                null,
                null,
                event.tap() == Tap.IGNITION_ON ? TappedStart.prepared(by) : TappedStart.begun(by));
    }

    /** The starter goes on after its ignition was tapped on. */
    StartRecord begins(AttemptEvent.StartTapped event, String by) {
        return tapped == null
                ? this
                : new StartRecord(
                        engine, number, event.tappedAt(), milestones, findings, summary, null, tapped.begins(by));
    }

    /** Whether its ignition was tapped on and its starter not yet. */
    boolean isPrepared() {
        return tapped != null && !tapped.hasBegun();
    }

    /** A tap more; what is typed of it stays. */
    StartRecord told(AttemptEvent.StartTapped event, String by) {
        return tapped == null
                ? this
                : retold(tapped.with(new TappedStart.Told(
                        event.tap(), Duration.between(startedAt, event.tappedAt()), event.timed(), by)));
    }

    StartRecord untold(AttemptEvent.StartTapUndone event) {
        return tapped == null ? this : retold(tapped.without(event.tap()));
    }

    private StartRecord retold(TappedStart told) {
        Duration ended = told.endedAt();
        AttemptSummary typed = summary;
        AttemptSummary now = ended == null ? null : AttemptSummary.of(told.report(ended));
        return new StartRecord(
                engine,
                number,
                startedAt,
                told.milestones(),
                told.findings(),
                now == null || typed == null ? now : now.typed(typed.peak_c(), typed.dip_v()),
                null,
                told);
    }

    StartRecord typed(AttemptEvent.StartFiguresTyped event) {
        return tapped == null || summary == null
                ? this
                : new StartRecord(
                        engine,
                        number,
                        startedAt,
                        milestones,
                        findings,
                        summary.typed(event.peak_c(), event.dip_v()),
                        null,
                        tapped);
    }

    /** When the starter was on; empty while that of one that a feed told is not known. */
    Optional<StarterDuty.Engagement> engagement() {
        if (tapped != null) {
            return !tapped.hasBegun()
                    ? Optional.empty()
                    : Optional.of(new StarterDuty.Engagement(
                            startedAt, tapped.starter() ? null : startedAt.plus(tapped.starterOn(Duration.ZERO))));
        }
        return Optional.ofNullable(summary)
                .map(ended -> new StarterDuty.Engagement(startedAt, startedAt.plus(ended.starterOn())));
    }

    /**
     * Whether the engine came to idle; once it has ended, whether that is its outcome: what was found too early is not
     * taken back.
     */
    public boolean good() {
        return summary != null
                ? summary.outcome().equals("NORMAL")
                : milestones.containsKey(Milestone.IDLE)
                        && findings.stream()
                                .noneMatch(finding -> finding.action().cuts());
    }
}
