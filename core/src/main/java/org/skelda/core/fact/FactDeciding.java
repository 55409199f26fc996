package org.skelda.core.fact;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Need;
import org.skelda.core.need.Reach;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;

/** Decides what is asked about the facts of the day. */
public final class FactDeciding {
    private FactDeciding() {}

    public static Decision<FactEvent> decide(Progress progress, FactAsk ask, Grounds grounds) {
        return switch (ask) {
            case FactAsk.GiveFact give -> grounds.seated(() -> give(progress, give, grounds));
        };
    }

    private static Decision<FactEvent> give(Progress progress, FactAsk.GiveFact ask, Grounds grounds) {
        Optional<DayFact> known = DayFact.named(ask.fact());
        if (known.isEmpty()) {
            return Decision.refused(new Refusal.UnknownFact(ask.fact()));
        }
        DayFact fact = known.get();
        if (fact.kind() != ask.value().kind() || !fact.unit().equals(ask.unit())) {
            return Decision.refused(new Refusal.UnknownUnit(ask.unit(), fact.unit()));
        }
        if (ask.value() instanceof Value.Number(double value) && !within(fact.bounds(), value)) {
            return Decision.refused(new Refusal.ImpossibleValue(
                    fact.label(),
                    value,
                    fact.bounds().min(),
                    fact.bounds().max(),
                    fact.unit(),
                    "Look again; it is kept as it was."));
        }
        return grounds.accept(new FactEvent.FactGiven(
                fact, ask.value(), FactEvent.Source.CREW, changes(progress, fact, ask.value())));
    }

    /**
     * A fact as somebody other than the crew tells it: the schedule, the weather line, the load.
     *
     * @throws IllegalArgumentException when it is no value of that fact
     */
    public static FactEvent.FactGiven told(Progress progress, DayFact fact, Value value, FactEvent.Source source) {
        check(fact, value);
        return new FactEvent.FactGiven(fact, value, source, changes(progress, fact, value));
    }

    /** @throws IllegalArgumentException when it is no value of that fact */
    public static void check(DayFact fact, Value value) {
        switch (value) {
            case Value.Number(double number) -> {
                if (fact.kind() == Kind.NUMBER && within(fact.bounds(), number)) {
                    return;
                }
            }
            case Value.YesNo _ -> {
                if (fact.kind() == Kind.YES_NO) {
                    return;
                }
            }
            case Value.Word _ -> {}
        }
        throw new IllegalArgumentException(
                fact.kind() == Kind.NUMBER
                        ? "'" + fact.id() + "' is a number from "
                                + fact.bounds().min() + " to " + fact.bounds().max() + " " + fact.unit()
                        : "'" + fact.id() + "' is yes or no");
    }

    private static boolean within(Reach.Bounds bounds, double value) {
        return value >= bounds.min() && value <= bounds.max();
    }

    /**
     * The lines that a fact changes, in working order. Only those are looked at that ask for it, or for an answer or a
     * reading that is no longer to come, or is again.
     */
    static List<FactEvent.Change> changes(Progress before, DayFact fact, Value value) {
        Progress after = before.knowing(name ->
                name.equals(fact.id()) ? Optional.of(value) : before.known().value(name));
        Map<LineRef, FactEvent.Becomes> changed = new HashMap<>();
        Deque<String> names = new ArrayDeque<>(List.of(fact.id()));
        while (!names.isEmpty()) {
            for (LineRef ref : before.plan().asking(names.poll())) {
                FactEvent.Becomes now = becomes(after.need(ref));
                if (now != becomes(before.need(ref)) && changed.put(ref, now) == null) {
                    names.add(Names.choice(ref));
                    names.add(Names.reading(ref));
                }
            }
        }
        return before.plan().conditions().keySet().stream()
                .filter(changed::containsKey)
                .map(ref -> new FactEvent.Change(ref, becomes(after.need(ref))))
                .toList();
    }

    private static FactEvent.Becomes becomes(Need need) {
        return switch (need) {
            case Need.Needed _ -> FactEvent.Becomes.NEEDED;
            case Need.NotNeeded _ -> FactEvent.Becomes.NOT_NEEDED;
            case Need.NotDecided _ -> FactEvent.Becomes.NOT_DECIDED;
        };
    }
}
