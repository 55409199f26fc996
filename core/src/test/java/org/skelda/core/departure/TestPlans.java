package org.skelda.core.departure;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.When;
import org.skelda.core.procedure.ClockSpec;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/** A small plan with every kind of line and every kind of gate. */
public final class TestPlans {
    public static final LineRef POWER = ref("power/battery");
    public static final LineRef VOLTS = ref("power/volts");
    public static final LineRef MASTER = ref("apu/master");
    public static final LineRef DOOR_OPEN = ref("apu/start");
    public static final LineRef BLEED = ref("apu/bleed");
    public static final LineRef ALIGN = ref("apu/align");
    public static final LineRef WALK = ref("walk/nose");
    public static final LineRef READY = ref("check/ready");
    public static final LineRef CHALLENGE = ref("check/batteries");
    public static final LineRef SPLIT = ref("check/line");
    public static final LineRef BELOW = ref("check/beacon");
    public static final LineRef LEAVE = ref("push/brake");

    public static final LineRef COVERS = ref("ice/covers");
    public static final LineRef FLUID = ref("ice/fluid");
    public static final LineRef CHARGE = ref("ice/charge");
    static final double COLD_C = 5;
    static final double WEAK_V = 23.6;

    private TestPlans() {}

    public static LineRef ref(String text) {
        return LineRef.parse(text);
    }

    public static Plan small() {
        return Plan.of(type(), procedures());
    }

    static TypeSheet type() {
        MeasureSpec volts = volts();
        return new TypeSheet(
                "TEST-1",
                "Test",
                List.of(),
                Map.of("modification('dual')", true),
                Map.of(
                        "door",
                                new ClockSpec(
                                        "door",
                                        "Inlet door",
                                        "start",
                                        null,
                                        new ClockSpec.Time.Fixed(Duration.ofSeconds(8)),
                                        "table"),
                        "bleed",
                                new ClockSpec(
                                        "bleed",
                                        "Bleed air",
                                        "bleed air allowed",
                                        null,
                                        new ClockSpec.Time.Fixed(Duration.ofSeconds(75)),
                                        "table"),
                        "alignment",
                                new ClockSpec(
                                        "alignment",
                                        "Alignment",
                                        "navigation",
                                        "No towing.",
                                        new ClockSpec.Time.Alignment(
                                                new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), 78.5)),
                                        "table")),
                Map.of("volts", volts),
                Map.of());
    }

    private static MeasureSpec volts() {
        return new MeasureSpec("Battery volts", "V", 1, 0, 40, 23.2, null, null, null, "table");
    }

    static List<Procedure> procedures() {
        return List.of(
                procedure(
                        "power",
                        Seat.LEFT,
                        1,
                        Procedure.Style.FLOW,
                        new Line.Caution(head("radar"), "Radar", "It hurts people."),
                        new Line.Action(head("battery"), "Battery", "ON"),
                        new Line.Measure(gated("volts", new Condition.LineDone(POWER)), volts())),
                procedure(
                        "apu",
                        Seat.LEFT,
                        1,
                        Procedure.Style.FLOW,
                        new Line.Gate(
                                guarded("allowed", "the APU", new Condition.WithinLimits(VOLTS)),
                                "Start allowed",
                                "go",
                                false),
                        new Line.Action(starting("master", "door"), "Master", "ON"),
                        new Line.Action(
                                new LineHead(
                                        "start",
                                        null,
                                        List.of(new Condition.ClockElapsed("door")),
                                        null,
                                        null,
                                        List.of("bleed"),
                                        false,
                                        null),
                                "Start",
                                "START"),
                        new Line.Action(starting("align", "alignment"), "Inertial units", "ALIGN"),
                        new Line.Check(
                                guarded("bleed", "the hot section", new Condition.ClockElapsed("bleed")),
                                "Bleed",
                                "ON"),
                        new Line.Check(
                                gated("navigation", new Condition.ClockElapsed("alignment")),
                                "Inertial units",
                                "NAVIGATION")),
                procedure(
                        "walk",
                        Seat.RIGHT,
                        2,
                        Procedure.Style.FLOW,
                        new Line.Check(head("nose"), "Nose", "clear"),
                        new Line.Check(head("tail"), "Tail", "clear")),
                procedure(
                        "ice",
                        Seat.LEFT,
                        1,
                        Procedure.Style.FLOW,
                        new Line.Action(needed("covers", TestWhen.below("oat_c", COLD_C)), "Covers", "off"),
                        new Line.Action(
                                needed("fluid", TestWhen.below("oat_c", COLD_C).and(TestWhen.yes("icing"))),
                                "Fluid",
                                "applied"),
                        new Line.Check(needed("dual", TestWhen.yes("modification('dual')")), "Dual", "set"),
                        new Line.Check(
                                needed("charge", TestWhen.below("reading('power/volts')", WEAK_V)), "Charge", "noted")),
                procedure(
                        "check",
                        null,
                        1,
                        Procedure.Style.CHECKLIST,
                        new Line.Gate(
                                gated("ready", new Condition.ProceduresDone(List.of("power", "apu", "walk"))),
                                "Flows done",
                                "go",
                                false),
                        new Line.Challenge(head("batteries"), "Batteries", "ON", Role.FLYING),
                        new Line.Gate(gated("line", new Condition.LineDone(CHALLENGE)), "Clearance", "cleared", true),
                        new Line.Challenge(head("beacon"), "Beacon", "ON", Role.MONITORING)),
                procedure(
                        "push",
                        null,
                        1,
                        Procedure.Style.READ_AND_DO,
                        new Line.Read(
                                new LineHead(
                                        "brake",
                                        null,
                                        List.of(new Condition.ProceduresDone(List.of("check"))),
                                        "people",
                                        null,
                                        List.of(),
                                        true,
                                        null),
                                "Brake",
                                "released"),
                        new Line.Read(head("done"), "Pushback", "complete")));
    }

    private static Procedure procedure(String id, Seat seat, int strand, Procedure.Style style, Line... lines) {
        return new Procedure(
                id,
                id,
                style,
                seat,
                strand,
                "silent",
                style != Procedure.Style.FLOW,
                null,
                List.of(lines),
                id.equals("abnormal"),
                null);
    }

    private static LineHead needed(String id, When when) {
        return new LineHead(id, null, List.of(), null, null, List.of(), false, when);
    }

    private static LineHead head(String id) {
        return LineHead.of(id);
    }

    private static LineHead gated(String id, Condition... gate) {
        return new LineHead(id, null, List.of(gate), null, null, List.of(), false, null);
    }

    private static LineHead guarded(String id, String guards, Condition... gate) {
        return new LineHead(id, null, List.of(gate), guards, null, List.of(), false, null);
    }

    private static LineHead starting(String id, String clock) {
        return new LineHead(id, null, List.of(), null, null, List.of(clock), false, null);
    }
}
