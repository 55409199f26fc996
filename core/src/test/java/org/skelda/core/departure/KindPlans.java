package org.skelda.core.departure;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Callout;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Communication.Heading;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.LineKind;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Note;
import org.skelda.core.kind.Read;
import org.skelda.core.kind.Walk;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.TestWhen;
import org.skelda.core.need.When;
import org.skelda.core.need.WordIs;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.Control;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.Procedure;

/** Procedures with every kind of line and every mark. */
final class KindPlans {
    static final LineRef FUEL = LineRef.parse("numbers/fuel");
    static final LineRef ALTIMETERS = LineRef.parse("numbers/altimeters");
    static final LineRef FUEL_SAID = LineRef.parse("numbers/fuel-said");
    static final LineRef CLEARANCE = LineRef.parse("numbers/clearance");
    static final LineRef STATION = LineRef.parse("outside/wheels");
    static final LineRef CONTROLS = LineRef.parse("taxi/controls");
    static final LineRef FLAPS = LineRef.parse("taxi/flaps");
    static final LineRef BRAKES = LineRef.parse("taxi/brakes");
    static final LineRef STAND = LineRef.parse("taxi/stand");
    static final LineRef SPEEDS = LineRef.parse("taxi/speeds");
    static final LineRef HANDLE = LineRef.parse("abnormal-fire/handle");
    static final LineRef LIGHT = LineRef.parse("abnormal-fire/light");
    static final LineRef SECOND = LineRef.parse("abnormal-fire/second");
    static final LineRef LAST = LineRef.parse("abnormal-fire/last");
    static final LineRef LEAVE = LineRef.parse("abnormal-leave/doors");

    static final Control FIRE_HANDLE = new Control("handle", "Fire handle 1", true, Hazard.FIRE);
    static final Option SCHOOL = new Option(
            "control-check",
            "Control check",
            List.of(
                    new Option.School(
                            "one", "One axis after the other", "Each is watched to its end.", "It is longer."),
                    new Option.School("all", "All together", "It is quicker.", "A corner is missed.")),
            "one");

    private KindPlans() {}

    static MeasureSpec fuel() {
        return new MeasureSpec("Fuel", "kg", 0, 0, 15_000, 2000.0, null, null, null, "table");
    }

    private static MeasureSpec limits(Double min, Double max) {
        return new MeasureSpec("Fuel", "kg", 0, 0, 15_000, min, max, null, null, "by elevation");
    }

    static List<Procedure> procedures() {
        MeasureSpec altitude = new MeasureSpec("Altimeters", "ft", 0, -1500, 20_000, null, null, null, null, "table");
        String elevation = "elevation_ft";
        return List.of(
                TestPlans.procedure(
                        "numbers",
                        null,
                        1,
                        Procedure.Style.FLOW,
                        marked("note", new Note("Day", "wet", true), Marks.NONE),
                        marked(
                                "fuel",
                                new Measure(
                                        fuel(),
                                        List.of(new Measure.Bound(
                                                TestWhen.below("oat_c", TestPlans.COLD_C), limits(2400.0, null), 100)),
                                        "abnormal-leave"),
                                reopening(Change.FUEL)),
                        marked(
                                "altimeters",
                                new Compare(
                                        altitude,
                                        List.of("left", "right", "standby"),
                                        40.0,
                                        new Compare.Reference(elevation, "the stand", 60)),
                                reopening(Change.WEATHER)),
                        marked(
                                "fuel-said",
                                new Challenge(
                                        "Fuel",
                                        "as read",
                                        Role.FLYING,
                                        new Challenge.Match(Names.reading(FUEL), fuel(), 50)),
                                Marks.NONE),
                        marked("clearance", clearance(), reopening(Change.RUNWAY))),
                TestPlans.procedure(
                        "outside",
                        Seat.RIGHT,
                        2,
                        Procedure.Style.FLOW,
                        marked("wheels", new Walk("Wheels", "tyres, brakes"), Marks.NONE),
                        marked("door", new Action("Door", "shut", Duration.ofSeconds(3)), reopening(Change.LOAD))),
                TestPlans.procedure(
                        "taxi",
                        null,
                        1,
                        Procedure.Style.FLOW,
                        marked("off", new Action("Brake", "released"), motion(Marks.Motion.BEGINS)),
                        marked("brakes", new Callout("Brakes", "Brakes checked", Role.FLYING), Marks.NONE),
                        marked(
                                "second",
                                new Action("Second engine", "watched"),
                                new Marks(null, false, false, true, null, false, false, Set.of(), null, null, null)),
                        marked("stand", new Action("Brake", "set"), motion(Marks.Motion.ENDS)),
                        marked(
                                "flaps",
                                new Action("Flaps", "5"),
                                new Marks(
                                        null,
                                        false,
                                        true,
                                        false,
                                        Role.MONITORING,
                                        false,
                                        false,
                                        Set.of(),
                                        null,
                                        null,
                                        null)),
                        marked(
                                "speeds",
                                new Action("Speeds", "set"),
                                new Marks(
                                        null,
                                        false,
                                        false,
                                        false,
                                        null,
                                        true,
                                        true,
                                        Set.of(Change.CREW),
                                        null,
                                        null,
                                        null)),
                        new Line(
                                needed("controls", new WordIs(Names.option("control-check"), "one", true)),
                                controls(true)),
                        new Line(
                                needed("controls-all", new WordIs(Names.option("control-check"), "all", true)),
                                controls(false))),
                fire(),
                TestPlans.procedure(
                        "abnormal-leave",
                        null,
                        1,
                        Procedure.Style.READ_AND_DO,
                        marked("doors", new Read("Doors", "open"), Marks.NONE)));
    }

    private static Communication clearance() {
        return new Communication(
                "Clearance",
                "tower",
                "Ready to copy",
                List.of(
                        new Heading.Number("altitude", "Altitude", "ft", 0, 45_000),
                        new Heading.Digits("code", "Code", Pattern.compile("[0-7]{4}"), "2145"),
                        new Heading.Pick("runway", "Runway", List.of("07", "25")),
                        new Heading.Words("course", "Course")),
                true);
    }

    private static ControlCheck controls(boolean oneByOne) {
        return new ControlCheck(
                "Controls",
                "full and free",
                oneByOne,
                List.of(
                        new ControlCheck.Axis("roll", "Roll", List.of("left", "right", "neutral")),
                        new ControlCheck.Axis("pitch", "Pitch", List.of("up", "down", "neutral"))));
    }

    private static Procedure fire() {
        String light = Names.choice(LIGHT);
        return TestPlans.procedure(
                "abnormal-fire",
                null,
                1,
                Procedure.Style.READ_AND_DO,
                marked("caution", new Caution("Fire", "People away.", Set.of(Hazard.FIRE)), Marks.NONE),
                marked(
                        "handle",
                        new Memory("Fire handle 1", "pulled"),
                        new Marks(FIRE_HANDLE, true, false, false, null, false, false, Set.of(), null, null, null)),
                marked(
                        "light",
                        new Choice(
                                "Light",
                                "Is it out?",
                                List.of(
                                        new Choice.Branch("out", "Out", "complete", null, null),
                                        new Choice.Branch("lit", "Lit", null, null, null),
                                        new Choice.Branch("smoke", "Smoke", "leave", "abnormal-leave", null))),
                        Marks.NONE),
                new Line(needed("second", new WordIs(light, "lit", true)), new Read("Second bottle", "fired")),
                new Line(
                        needed("last", new WordIs(light, "out", false), new WordIs(light, "smoke", false)),
                        new Read("Tower", "told")));
    }

    private static Marks reopening(Change change) {
        return new Marks(null, false, false, false, null, false, false, Set.of(change), null, null, null);
    }

    private static Marks motion(Marks.Motion motion) {
        return new Marks(null, false, false, false, null, false, false, Set.of(), motion, null, null);
    }

    private static Line marked(String id, LineKind kind, Marks marks) {
        return new Line(LineHead.of(id).with(marks), kind);
    }

    private static LineHead needed(String id, When... when) {
        return new LineHead(id, null, List.of(), null, null, List.of(), false, List.of(when), Marks.NONE);
    }
}
