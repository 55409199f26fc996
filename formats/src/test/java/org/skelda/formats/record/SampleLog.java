package org.skelda.formats.record;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.skelda.core.departure.AttemptSummary;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.LogEntry;
import org.skelda.core.departure.Opening;
import org.skelda.core.departure.Person;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;
import org.skelda.core.start.Action;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.watch.Subject;
import org.skelda.core.start.Tap;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A log with one event of every type. */
public final class SampleLog {
    private static final Instant BEGIN = Instant.parse("2026-05-04T09:30:00.125Z");
    private static final Person CAPTAIN = new Person("p-1", "Runa Halden");
    private static final Person OFFICER = new Person("p-2", "Joar Stenvik");
    private static final LineRef LINE = LineRef.parse("safety-power/battery-volts");
    static final UUID DEPARTURE = new UUID(0x0190000000007000L, 0x8000000000000001L);

    private SampleLog() {}

    static List<Event> events() {
        Opening opening = new Opening(DEPARTURE, Opening.Kind.LINE, "vardholm", "QX-LOM", "HAVERN-2M", "214", "QVAR", "QSKR", "4", 62.41, -10.82, 112,
                BEGIN.plusSeconds(2400), "a".repeat(64), "b".repeat(64), List.of("late-apu-door"));
        return List.of(new Event.Opened(opening),
                new Event.SeatTaken(Seat.LEFT, Role.FLYING, CAPTAIN, null, null),
                new Event.SeatTaken(Seat.RIGHT, Role.MONITORING, OFFICER, CAPTAIN, "crew change"),
                new Event.SeatHandedOver(Seat.RIGHT, OFFICER, CAPTAIN), new Event.SeatReleased(Seat.RIGHT), new Event.RolesSwapped(),
                new Event.LineAnswered(LINE),
                new Event.LineMeasured(LINE, 24.6, "V", new Judgement(Judgement.Verdict.WITHIN, 23.2, 1.4, "table")),
                new Event.LineMeasured(LINE, 1e-7, "V", new Judgement(Judgement.Verdict.CAUTION, null, null, "table")),
                new Event.LineConfirmed(LINE), new Event.DeviationRecorded(LINE, "sticks; \"ü\" \u2028", "battery-volts"),
                new Event.DeviationRecorded(LINE, "not fitted", null), new Event.ProcedureHeld("apu", "fueller", LINE),
                new Event.ProcedureHeld("apu", "fueller", null), new Event.ProcedureResumed("apu"),
                new Event.ClockStarted("alignment", LINE, BEGIN, Duration.ofMillis(777_873)), new Event.ClockCancelled("alignment", LINE),
                new Event.Undone(LINE, "slip", List.of(LINE)), new Event.Undone(LINE, null, List.of()),
                new Event.Signed(), new Event.Amended("note"), new Event.Abandoned("aircraft change"),
                new Event.FeedAttached(new UUID(3, 3), "Simulated aircraft", true), new Event.FeedLost(new UUID(3, 3), BEGIN),
                new Event.ControlTapped("engine-2/fuel", "on"), new Event.AttemptBegan(Subject.engine(2), 1, BEGIN, "1 " + "a".repeat(64)),
                new Event.MilestoneReached(Subject.engine(2), 1, Milestone.LIGHT_OFF, Duration.ofMillis(24_200)),
                new Event.FindingRaised(Subject.engine(2), 1, new Finding(FindingId.HOT_PREDICTED, Duration.ofMillis(26_100), Action.CUT_FUEL, "EGT at 640 degC")),
                new Event.AttemptEnded(Subject.engine(2), 1, new AttemptSummary("HOT_PREDICTED", Duration.ofMillis(61_000), 688.5, Duration.ofMillis(3200), null, 128.5, null,
                        23.4, Duration.ofMillis(58_000))),
                new Event.AttemptEnded(Subject.engine(1), 2, new AttemptSummary("NORMAL", Duration.ofMillis(61_000), null, null, Duration.ofMillis(44_000), null, 18.25,
                        null, Duration.ofMillis(30_000))),
                new Event.TraceStored(Subject.engine(2), 1, "c".repeat(64), 612), new Event.SightLost(Subject.engine(2), 1, BEGIN, BEGIN.plusMillis(4200)),
                new Event.StartTapped(1, 3, Tap.STARTER_ON, BEGIN, true), new Event.StartTapped(1, 3, Tap.NOT_LIT, BEGIN.plusMillis(31_250), false),
                new Event.StartTapUndone(1, 3, Tap.NOT_LIT, "slip"), new Event.StartTapUndone(1, 3, Tap.STARTER_ON, null),
                new Event.StartFiguresTyped(1, 3, 612.0, null), new Event.StartFiguresTyped(1, 3, null, 18.5));
    }

    static List<LogEntry> entries() {
        List<LogEntry> entries = new ArrayList<>();
        for (Event event : events()) {
            int seq = entries.size() + 1;
            entries.add(new LogEntry(new UUID(7, seq), seq, BEGIN.plusMillis(seq * 137L), seq % 3 == 0 ? BEGIN : null,
                    seq % 2 == 0 ? CAPTAIN : OFFICER, seq % 4 == 0 ? Seat.LEFT : null, new UUID(9, seq), event));
        }
        return entries;
    }

    /** The sealed envelopes, as the server stores them. */
    public static List<String> sealed() {
        JsonMapper json = JsonMapper.builder().build();
        List<String> sealed = new ArrayList<>();
        String hash = HashChain.seed(DEPARTURE, "a".repeat(64), "b".repeat(64));
        for (LogEntry entry : entries()) {
            ObjectNode node = EventCodec.write(entry);
            hash = HashChain.seal(node, hash);
            sealed.add(json.writeValueAsString(node));
        }
        return sealed;
    }
}
