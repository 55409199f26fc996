package org.skelda.core.departure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeSet;
import org.skelda.core.crew.Person;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Hand;
import org.skelda.core.kind.History;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineKind;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Taking;
import org.skelda.core.kind.Tick;
import org.skelda.core.kind.Walk;
import org.skelda.core.kind.WorkView;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;

/** What can be done with a line of any kind: as it should be, or in any other way. */
public final class Doings {
    private Doings() {}

    /** Done as it should be. @param alone whether by a single pilot */
    public static Doing right(Line line, History history, Known known, boolean alone, SplittableRandom random) {
        LineKind kind = line.kind();
        String control = line.head().marks().control() == null
                ? null
                : line.head().marks().control().label();
        return switch (kind) {
            case Tick _ -> new Doing.Answer(true, alone ? control : null);
            case Measure measure
            when measure.spec().charge() != null -> {
                // Under its limit, and less each time.
                double before_A = history.last(Measure.Read.class)
                        .map(read -> read.work().value())
                        .orElse(measure.spec().charge().under_A());
                yield new Measure.Type(before_A * 0.8, measure.spec().unit());
            }
            case Measure measure ->
                new Measure.Type(inside(measure, known), measure.spec().unit());
            case Compare compare -> {
                double middle = compare.reference() == null
                        ? (compare.spec().possibleMin() + compare.spec().possibleMax()) / 2
                        : number(known, compare.reference().name(), 0);
                yield new Compare.TypeAll(
                        compare.of().stream().map(_ -> middle).toList(),
                        compare.spec().unit());
            }
            case Challenge challenge ->
                challenge.match() == null
                        ? Doing.Answer.PLAIN
                        : new Challenge.Say(
                                number(
                                        known,
                                        challenge.match().name(),
                                        challenge.match().spec().possibleMin()),
                                challenge.match().spec().unit());
            case Choice choice ->
                new Choice.Choose(choice.branches()
                        .get(random.nextInt(choice.branches().size()))
                        .id());
            case Communication said ->
                said.values().isEmpty() ? Doing.Answer.PLAIN : new Communication.Hear(heard(said));
            case ControlCheck check -> next(check, history);
            case Walk walk -> walking(walk, history, random);
            case Indications indications -> testing(indications, history, known);
        };
    }

    private static double number(Known known, String name, double otherwise) {
        return known.value(name).orElse(null) instanceof Value.Number(double number) ? number : otherwise;
    }

    private static double inside(Measure measure, Known known) {
        MeasureSpec spec = measure.spec();
        TreeSet<Double> tries = new TreeSet<>(List.of(spec.possibleMin(), spec.possibleMax()));
        for (MeasureSpec one : measure.applying(known)) {
            for (Double limit : new Double[] {one.min(), one.max(), one.cautionBelow(), one.cautionAbove()}) {
                if (limit != null) {
                    tries.add(limit);
                }
            }
        }
        Hand hand = new Hand(new Person("t", "T"), null, null, false, null, known);
        return tries.stream()
                .filter(value -> measure.take(new Measure.Type(value, spec.unit()), History.NONE, hand)
                                instanceof Taking.Taken(Measure.Read read)
                        && read.withinLimits())
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing is inside the limits of " + spec));
    }

    private static Map<String, String> heard(Communication said) {
        Map<String, String> values = new HashMap<>();
        said.values()
                .forEach(heading -> values.put(
                        heading.id(),
                        switch (heading) {
                            case Communication.Heading.Number number -> Double.toString(number.min());
                            case Communication.Heading.Digits digits -> digits.example();
                            case Communication.Heading.Pick pick -> pick.of().getFirst();
                            case Communication.Heading.Words _ -> "as told";
                        }));
        return values;
    }

    private static Doing next(ControlCheck check, History history) {
        WorkView view = check.view(history, Known.NOTHING);
        for (int i = 0; i < check.axes().size(); i++) {
            List<String> seen = view == null || view.axes() == null
                    ? List.of()
                    : view.axes().get(i).seen();
            for (String position : check.axes().get(i).positions()) {
                if (!seen.contains(position)) {
                    return new ControlCheck.See(check.axes().get(i).id(), position, true);
                }
            }
        }
        return new ControlCheck.See(
                check.axes().getFirst().id(),
                check.axes().getFirst().positions().getFirst(),
                true);
    }

    /** The next group, or what is to be done about one that is not as it should be. */
    private static Doing testing(Indications indications, History history, Known known) {
        Indications.TestView view = indications.view(history, known).test();
        for (Indications.GroupView group : view.groups()) {
            if (!group.complete()) {
                return new Indications.SeeGroup(group.phase(), group.group());
            }
        }
        for (Indications.WrongView wrong : view.wrong()) {
            if (wrong.verdict() != Indications.Verdict.GO) {
                return wrong.go() == null
                        ? new Indications.TestAgain()
                        : new Indications.Decide(wrong.phase(), wrong.indication(), Indications.Verdict.GO);
            }
        }
        return new Indications.TestAgain();
    }

    private static List<Doing> wildly(Indications indications, SplittableRandom random) {
        List<Doing> all = new ArrayList<>(List.of(new Indications.TestAgain(), new Indications.SeeGroup("no", "no")));
        indications
                .test()
                .phases()
                .forEach(phase -> indications.test().groups().forEach(group -> {
                    all.add(new Indications.SeeGroup(phase.id(), group.id()));
                    group.indications().forEach(one -> {
                        all.add(new Indications.SeeOne(phase.id(), one.id(), random.nextBoolean()));
                        all.add(new Indications.Decide(
                                phase.id(),
                                one.id(),
                                random.nextBoolean() ? Indications.Verdict.GO : Indications.Verdict.MAINTENANCE));
                    });
                }));
        return all;
    }

    private static Doing walking(Walk walk, History history, SplittableRandom random) {
        WorkView view = walk.view(history, Known.NOTHING);
        if (view != null && view.findings() != null) {
            for (int i = 0; i < view.findings().size(); i++) {
                if (view.findings().get(i).open()) {
                    return new Walk.Settle(
                            i, random.nextBoolean() ? Walk.Verdict.MENDED : Walk.Verdict.GO, "within limits");
                }
            }
        }
        return random.nextInt(4) == 0
                ? new Walk.Find(Walk.Sort.LEAK, "a drop", Walk.Severity.MINOR)
                : Doing.Answer.PLAIN;
    }

    /** Anything at all, most of it wrong for the line. */
    public static Doing wild(Line line, SplittableRandom random) {
        List<Doing> all = new ArrayList<>(List.of(
                Doing.Answer.PLAIN,
                new Doing.Answer(random.nextBoolean(), random.nextBoolean() ? "Handle" : null),
                Doing.Confirm.PLAIN,
                new Doing.Confirm(line.label()),
                new Compare.TypeAll(List.of(random.nextDouble(0, 2000), 112.0), random.nextBoolean() ? "ft" : "m"),
                new Choice.Choose(random.nextBoolean() ? "nothing" : "out"),
                new Communication.Hear(Map.of("altitude", "x")),
                new Communication.Hear(Map.of()),
                new ControlCheck.See("roll", "left", random.nextBoolean()),
                new ControlCheck.See("nowhere", "left", true),
                new Walk.Find(Walk.Sort.DAMAGE, random.nextBoolean() ? " " : "dent", Walk.Severity.GROUNDING),
                new Walk.Settle(random.nextInt(-1, 3), Walk.Verdict.MAINTENANCE, null),
                new Walk.Settle(random.nextInt(-1, 3), Walk.Verdict.GO, random.nextBoolean() ? null : "dry")));
        if (line.kind() instanceof Measure measure) {
            for (int i = 0; i < 6; i++) {
                all.add(new Measure.Type(
                        random.nextInt(8) == 0
                                ? measure.spec().possibleMax() + 1
                                : random.nextDouble(
                                        measure.spec().possibleMin(),
                                        measure.spec().possibleMax()),
                        random.nextInt(12) == 0 ? "furlong" : measure.spec().unit()));
            }
        }
        if (line.kind() instanceof Challenge challenge && challenge.match() != null) {
            all.add(new Challenge.Say(
                    random.nextDouble(0, 100), challenge.match().spec().unit()));
        }
        if (line.kind() instanceof ControlCheck check) {
            check.axes()
                    .forEach(axis -> axis.positions()
                            .forEach(position ->
                                    all.add(new ControlCheck.See(axis.id(), position, random.nextInt(3) > 0))));
        }
        if (line.kind() instanceof Indications indications) {
            all.addAll(wildly(indications, random));
        }
        return all.get(random.nextInt(all.size()));
    }
}
