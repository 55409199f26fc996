package org.skelda.core.departure;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Check;
import org.skelda.core.kind.Gate;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Read;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.TestWhen;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.taxi.OneEngineTaxi;

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
        return Plan.of(type(TypeSheet.Pilots.TWO), procedures());
    }

    /** Every kind of line and every mark. @param pilots with how many it is flown */
    static Plan whole(TypeSheet.Pilots pilots) {
        List<Procedure> all = new ArrayList<>(
                procedures().stream().filter(one -> !one.id().equals("push")).toList());
        all.addAll(KindPlans.procedures());
        all.add(procedures().getLast());
        return Plan.of(type(pilots), List.of(KindPlans.SCHOOL), all);
    }

    /**
     * The type for two pilots, with more than its clocks and measures.
     *
     * @param taxi on one engine, while the state {@code one} holds
     */
    static TypeSheet typeWith(
            @Nullable ApuProfile apu, @Nullable InertialProfile inertial, @Nullable OneEngineTaxi taxi) {
        TypeSheet small = type(TypeSheet.Pilots.TWO);
        return new TypeSheet(
                small.id(),
                small.name(),
                List.of(),
                Map.of(),
                small.clocks(),
                small.measures(),
                Map.of(),
                Map.of(),
                taxi == null ? Map.of() : Map.of("one", "Taxi on one engine"),
                Map.of(),
                apu,
                inertial,
                null,
                null,
                null,
                taxi,
                small.pilots());
    }

    static TypeSheet type(TypeSheet.Pilots pilots) {
        MeasureSpec volts = volts();
        return new TypeSheet(
                "TEST-1",
                "Test",
                List.of(),
                Map.of("modification('dual')", new TypeSheet.Modification("Dual heat", true)),
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
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                null,
                null,
                null,
                null,
                null,
                null,
                pilots);
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
                        new Line(head("radar"), new Caution("Radar", "It hurts people.")),
                        new Line(head("battery"), new Action("Battery", "ON")),
                        new Line(gated("volts", new Condition.LineDone(POWER)), new Measure(volts()))),
                procedure(
                        "apu",
                        Seat.LEFT,
                        1,
                        Procedure.Style.FLOW,
                        new Line(
                                guarded("allowed", "the APU", new Condition.WithinLimits(VOLTS)),
                                new Gate("Start allowed", "go", false)),
                        new Line(starting("master", "door"), new Action("Master", "ON")),
                        new Line(
                                new LineHead(
                                        "start",
                                        null,
                                        List.of(new Condition.ClockElapsed("door")),
                                        null,
                                        null,
                                        List.of("bleed"),
                                        false,
                                        null),
                                new Action("Start", "START")),
                        new Line(starting("align", "alignment"), new Action("Inertial units", "ALIGN")),
                        new Line(
                                guarded("bleed", "the hot section", new Condition.ClockElapsed("bleed")),
                                new Check("Bleed", "ON")),
                        new Line(
                                gated("navigation", new Condition.ClockElapsed("alignment")),
                                new Check("Inertial units", "NAVIGATION"))),
                procedure(
                        "walk",
                        Seat.RIGHT,
                        2,
                        Procedure.Style.FLOW,
                        new Line(head("nose"), new Check("Nose", "clear")),
                        new Line(head("tail"), new Check("Tail", "clear"))),
                procedure(
                        "ice",
                        Seat.LEFT,
                        1,
                        Procedure.Style.FLOW,
                        new Line(needed("covers", TestWhen.below("oat_c", COLD_C)), new Action("Covers", "off")),
                        new Line(
                                needed("fluid", TestWhen.below("oat_c", COLD_C).and(TestWhen.yes("icing"))),
                                new Action("Fluid", "applied")),
                        new Line(needed("dual", TestWhen.yes("modification('dual')")), new Check("Dual", "set")),
                        new Line(
                                needed("charge", TestWhen.below("reading('power/volts')", WEAK_V)),
                                new Check("Charge", "noted"))),
                procedure(
                        "check",
                        null,
                        1,
                        Procedure.Style.CHECKLIST,
                        new Line(gated("ready", new Condition.StrandsJoined()), new Gate("Flows done", "go", false)),
                        new Line(head("batteries"), new Challenge("Batteries", "ON", Role.FLYING)),
                        new Line(
                                gated("line", new Condition.LineDone(CHALLENGE)),
                                new Gate("Clearance", "cleared", true)),
                        new Line(head("beacon"), new Challenge("Beacon", "ON", Role.MONITORING))),
                procedure(
                        "push",
                        null,
                        1,
                        Procedure.Style.READ_AND_DO,
                        new Line(
                                new LineHead(
                                        "brake",
                                        null,
                                        List.of(new Condition.ProceduresDone(List.of("check"))),
                                        "people",
                                        null,
                                        List.of(),
                                        true,
                                        null),
                                new Read("Brake", "released")),
                        new Line(head("done"), new Read("Pushback", "complete"))));
    }

    static Procedure procedure(String id, Seat seat, int strand, Procedure.Style style, Line... lines) {
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
                id.startsWith("abnormal") ? Procedure.Occasion.ABNORMAL : Procedure.Occasion.ALWAYS,
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
