package org.skelda.formats.record;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.crosscheck.Slip;
import org.skelda.core.departure.Event;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Walk;
import org.skelda.core.kind.Work;
import org.skelda.core.line.LineEvent;
import org.skelda.core.log.LogEntry;
import org.skelda.core.measure.Judgement;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Change;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatEvent;
import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.core.start.Action;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Tap;
import org.skelda.core.watch.Subject;
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
        Opening opening = new Opening(
                DEPARTURE,
                Opening.Kind.LINE,
                "vardholm",
                "QX-LOM",
                "HAVERN-2M",
                "214",
                "QVAR",
                "QSKR",
                "4",
                62.41,
                -10.82,
                112,
                BEGIN.plusSeconds(2400),
                "a".repeat(64),
                "b".repeat(64),
                List.of("late-apu-door"),
                Map.of("first-engine", "side-away"));
        return List.of(
                Event.of(new RecordEvent.Opened(opening)),
                Event.of(new SeatEvent.SeatTaken(Seat.LEFT, Role.FLYING, CAPTAIN, null, null)),
                Event.of(new SeatEvent.SeatTaken(Seat.RIGHT, Role.MONITORING, OFFICER, CAPTAIN, "crew change")),
                Event.of(new SeatEvent.SeatHandedOver(Seat.RIGHT, OFFICER, CAPTAIN)),
                Event.of(new SeatEvent.HandOverConfirmed(Seat.RIGHT)),
                Event.of(new SeatEvent.SeatReleased(Seat.RIGHT)),
                Event.of(new SeatEvent.RolesSwapped()),
                worked(Work.Answered.PLAIN),
                worked(new Work.Answered(true, new Work.Agreement(null, "Fire handle 1"))),
                worked(new Work.Answered(false, new Work.Agreement(OFFICER, null))),
                worked(new Work.Confirmed()),
                worked(new Work.Agreed(null)),
                worked(new Work.Agreed("Flaps")),
                worked(new Measure.Read(24.6, "V", judgement(Judgement.Verdict.WITHIN, 23.2, 1.4), List.of())),
                worked(new Measure.Read(
                        1e-7,
                        "V",
                        judgement(Judgement.Verdict.CAUTION, null, null),
                        List.of(judgement(Judgement.Verdict.WITHIN, 30.0, 5.4)))),
                worked(new Compare.Compared(
                        List.of(112.0, 1120.0),
                        "ft",
                        false,
                        1008,
                        112.0,
                        1,
                        new Slip(Slip.Kind.OTHER_MAGNITUDE, "10"))),
                worked(new Compare.Compared(List.of(112.0, 113.0), "ft", true, 1, null, null, null)),
                worked(new Challenge.Said(4210, "kg", 4120.0, false, new Slip(Slip.Kind.EXCHANGED_DIGITS, ""), false)),
                worked(new Challenge.Said(4120, "kg", null, true, null, true)),
                worked(new Choice.Chosen("out", null)),
                worked(new Choice.Chosen("out", "lit")),
                worked(new Communication.Heard(Map.of("altitude", "5000"), false)),
                worked(new Communication.Heard(Map.of(), true)),
                worked(new ControlCheck.PositionSeen("roll", "left", false)),
                worked(new Walk.Found(Walk.Sort.LEAK, "one drop a minute", Walk.Severity.DOUBTFUL)),
                worked(new Walk.Settled(0, Walk.Verdict.GO, "within limits")),
                worked(new Walk.Settled(0, Walk.Verdict.MAINTENANCE, null)),
                worked(new Indications.GroupSeen("held", "lamps", List.of("fire-1", "fire-2"), List.of(), List.of())),
                worked(new Indications.GroupSeen("held", "lamps", List.of("a", "b"), List.of("a"), List.of("c"))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.MasterOn(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.ReadySeen(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.StartSelected(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.MilestoneSeen(BEGIN, ApuMilestone.LIGHT))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.SpeedHeld(BEGIN, false))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.Generator(BEGIN, true))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.Bleed(BEGIN, true))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.MasterOff(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.EmergencyStop(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.StoppedItself(BEGIN, AutomaticStop.OVERSPEED))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.ZeroSeen(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.Found(BEGIN, Apu.Phase.AVAILABLE, true, false))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.BatteriesOff(BEGIN))),
                Event.of(new ApuFact.ApuTold(new ApuEvent.ResetOutside(BEGIN))),
                Event.of(new ApuFact.ApuUntold("A slip")),
                Event.of(new ApuFact.ApuUntold(null)),
                Event.of(new ApuFact.ApuRead(BEGIN)),
                Event.of(new ApuFact.ApuTooHot(true, 930, Duration.ZERO, BEGIN)),
                Event.of(new ApuFact.ApuPeak(false, 612.5, BEGIN, null)),
                Event.of(new ApuFact.ApuPeak(true, 804, BEGIN, BEGIN.minusSeconds(20))),
                Event.of(new UnitFact.UnitsRead(BEGIN)),
                Event.of(new UnitFact.UnitsUntold(null)),
                Event.of(new UnitFact.UnitsUntold("the other one")),
                units(new UnitEvent.SwitchedOn(BEGIN, 62.41)),
                units(new UnitEvent.PositionEntered(BEGIN, STAND)),
                units(new UnitEvent.AsksAgain(BEGIN)),
                units(new UnitEvent.Moved(BEGIN)),
                units(new UnitEvent.CodeShown(BEGIN, "A1"), new UnitEvent.CodeCleared(BEGIN)),
                units(new UnitEvent.NavigationSelected(BEGIN)),
                units(new UnitEvent.SwitchedOff(BEGIN, STAND)),
                units(new UnitEvent.PowerGone(BEGIN)),
                units(new UnitEvent.Found(BEGIN, InertialUnit.Phase.ALIGNING, STAND, Duration.ofMillis(312_250))),
                units(new UnitEvent.Found(BEGIN, InertialUnit.Phase.NAVIGATING, null, Duration.ZERO)),
                Event.of(new FeedEvent.LightsSeen(List.of("bell", "fire-1"))),
                Event.of(new FeedEvent.PowerShown(new PowerSeen(
                        Map.of("ground", true),
                        Map.of("ground", false, "battery", true),
                        Map.of("tie", false),
                        Map.of()))),
                Event.of(new FeedEvent.CurrentShown("battery", 61.5)),
                worked(new Measure.Read(
                        41,
                        "A",
                        judgement(Judgement.Verdict.WITHIN, 45.0, 4.0),
                        List.of(),
                        Duration.ofMillis(38_500),
                        List.of(new ChargeCurve.Point(1, 61.5), new ChargeCurve.Point(11, 50)))),
                worked(new Indications.OneSeen("held", "fire-2", false, List.of("fire-1", "fire-2"))),
                worked(new Indications.Decided("held", "fire-2", Indications.Verdict.GO, "the other loop works")),
                worked(new Indications.Decided("held", "fire-1", Indications.Verdict.MAINTENANCE, null)),
                worked(new Indications.BegunAnew()),
                Event.of(new LineEvent.ChangeReported(Change.RUNWAY, "now 25", List.of(LINE))),
                Event.of(new LineEvent.DeviationRecorded(LINE, "sticks; \"ü\" \u2028", "battery-volts")),
                Event.of(new LineEvent.DeviationRecorded(LINE, "not fitted", null)),
                Event.of(new LineEvent.ProcedureHeld("apu", "fueller", LINE)),
                Event.of(new LineEvent.ProcedureHeld("apu", "fueller", null)),
                Event.of(new LineEvent.ProcedureResumed("apu")),
                Event.of(new LineEvent.LinesTaken("apu", Seat.RIGHT)),
                Event.of(new LineEvent.LinesTaken("apu", null)),
                Event.of(new LineEvent.ClockStarted("alignment", LINE, BEGIN, Duration.ofMillis(777_873))),
                Event.of(new LineEvent.ClockCancelled("alignment", LINE)),
                Event.of(new LineEvent.Undone(LINE, "slip", List.of(LINE))),
                Event.of(new LineEvent.Undone(LINE, null, List.of())),
                Event.of(new RecordEvent.Signed()),
                Event.of(new RecordEvent.Amended("note")),
                Event.of(new RecordEvent.Abandoned("aircraft change")),
                Event.of(new FeedEvent.FeedAttached(new UUID(3, 3), "Simulated aircraft", true)),
                Event.of(new FeedEvent.FeedLost(new UUID(3, 3), BEGIN)),
                Event.of(new FactEvent.FactGiven(
                        DayFact.OAT_C,
                        new Value.Number(-3.5),
                        FactEvent.Source.CREW,
                        List.of(new FactEvent.Change(LINE, FactEvent.Becomes.NOT_DECIDED)))),
                Event.of(new FactEvent.FactGiven(
                        DayFact.ICING, new Value.YesNo(true), FactEvent.Source.CREW, List.of())),
                Event.of(new SimulatorEvent.ControlTapped("engine-2/fuel", "on")),
                Event.of(new AttemptEvent.AttemptBegan(Subject.engine(2), 1, BEGIN, "1 " + "a".repeat(64))),
                Event.of(new AttemptEvent.MilestoneReached(
                        Subject.engine(2), 1, Milestone.LIGHT_OFF, Duration.ofMillis(24_200))),
                Event.of(new AttemptEvent.FindingRaised(
                        Subject.engine(2),
                        1,
                        new Finding(
                                FindingId.HOT_PREDICTED,
                                Duration.ofMillis(26_100),
                                Action.CUT_FUEL,
                                "EGT at 640 degC"))),
                Event.of(new AttemptEvent.AttemptEnded(
                        Subject.engine(2),
                        1,
                        new AttemptSummary(
                                "HOT_PREDICTED",
                                Duration.ofMillis(61_000),
                                688.5,
                                Duration.ofMillis(3200),
                                null,
                                128.5,
                                null,
                                null,
                                23.4,
                                Duration.ofMillis(58_000)))),
                Event.of(new AttemptEvent.AttemptEnded(
                        Subject.engine(1),
                        2,
                        new AttemptSummary(
                                "NORMAL",
                                Duration.ofMillis(61_000),
                                null,
                                null,
                                Duration.ofMillis(44_000),
                                null,
                                18.25,
                                8.875,
                                null,
                                Duration.ofMillis(30_000)))),
                Event.of(new AttemptEvent.TraceStored(Subject.engine(2), 1, "c".repeat(64), 612)),
                Event.of(new AttemptEvent.SightLost(Subject.engine(2), 1, BEGIN, BEGIN.plusMillis(4200))),
                Event.of(new AttemptEvent.StartTapped(1, 3, Tap.STARTER_ON, BEGIN, true)),
                Event.of(new AttemptEvent.StartTapped(1, 3, Tap.NOT_LIT, BEGIN.plusMillis(31_250), false)),
                Event.of(new AttemptEvent.StartTapUndone(1, 3, Tap.NOT_LIT, "slip")),
                Event.of(new AttemptEvent.StartTapUndone(1, 3, Tap.STARTER_ON, null)),
                Event.of(new AttemptEvent.StartFiguresTyped(1, 3, 612.0, null)),
                Event.of(new AttemptEvent.StartFiguresTyped(1, 3, null, 18.5)));
    }

    private static final Position STAND = new Position(62.41, -10.82);

    private static Event units(UnitEvent... events) {
        return Event.of(new UnitFact.UnitsTold(List.of(1, 2), List.of(events)));
    }

    private static Event worked(Work work) {
        return Event.of(new LineEvent.LineWorked(LINE, work));
    }

    private static Judgement judgement(Judgement.Verdict verdict, @Nullable Double limit, @Nullable Double margin) {
        return new Judgement(verdict, limit, margin, "table");
    }

    static List<LogEntry<Event>> entries() {
        List<LogEntry<Event>> entries = new ArrayList<>();
        for (Event event : events()) {
            int seq = entries.size() + 1;
            entries.add(new LogEntry<>(
                    new UUID(7, seq),
                    seq,
                    BEGIN.plusMillis(seq * 137L),
                    seq % 3 == 0 ? BEGIN : null,
                    seq % 2 == 0 ? CAPTAIN : OFFICER,
                    seq % 4 == 0 ? Seat.LEFT : null,
                    new UUID(9, seq),
                    event));
        }
        return entries;
    }

    /** The sealed envelopes, as the server stores them. */
    public static List<String> sealed() {
        JsonMapper json = JsonMapper.builder().build();
        List<String> sealed = new ArrayList<>();
        String hash = HashChain.seed(DEPARTURE, "a".repeat(64), "b".repeat(64));
        for (LogEntry<Event> entry : entries()) {
            ObjectNode node = EventCodec.write(entry);
            hash = HashChain.seal(node, hash);
            sealed.add(json.writeValueAsString(node));
        }
        return sealed;
    }
}
