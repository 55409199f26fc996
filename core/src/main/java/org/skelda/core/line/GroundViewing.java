package org.skelda.core.line;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineView.Ground;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.TypeSheet;

/** Tells in the crew's words what a condition names, and what it is today. */
public final class GroundViewing {
    private final Progress progress;
    private final Function<String, Called> wording;
    private final Map<String, Ground> told = new HashMap<>();

    GroundViewing(Progress progress, Function<String, Called> wording) {
        this.progress = progress;
        this.wording = wording;
    }

    /** @param words what the crew calls it; @param unit of a number, empty when it has none */
    public record Called(String words, String unit) {}

    /** What a line's being needed rests on; null when it is always needed. */
    @Nullable
    List<Ground> because(LineRef ref) {
        List<String> names = progress.plan().hangsOn(ref);
        return names.isEmpty() ? null : names.stream().map(this::ground).toList();
    }

    private Ground ground(String name) {
        Ground before = told.get(name);
        if (before == null) {
            before = tell(name);
            told.put(name, before);
        }
        return before;
    }

    private Ground tell(String name) {
        Value value = progress.value(name).orElse(null);
        Option option = progress.plan().option(name);
        Option.School school =
                option != null && value != null ? option.saying(value).orElse(null) : null;
        if (option != null && school != null) {
            return new Ground(option.label(), school.label(), null, school.because(), school.against());
        }
        Called called = called(name);
        return new Ground(called.words(), value == null ? null : words(name, value), unit(called, value), null, null);
    }

    Called called(String name) {
        LineRef reading = progress.plan().reading(name);
        if (reading != null) {
            Line line = progress.plan().line(reading).orElseThrow();
            return new Called(
                    line.label(),
                    line.kind() instanceof Measure measure ? measure.spec().unit() : "");
        }
        LineRef choice = progress.plan().choice(name);
        if (choice != null) {
            return new Called(progress.plan().line(choice).orElseThrow().label(), "");
        }
        TypeSheet.Modification modification = progress.plan().type().fitted().get(name);
        return modification != null ? new Called(modification.label(), "") : wording.apply(name);
    }

    private static @Nullable String unit(Called called, @Nullable Value value) {
        return value instanceof Value.Number && !called.unit().isEmpty() ? called.unit() : null;
    }

    private String words(String name, Value value) {
        return switch (value) {
            case Value.Number(double number) ->
                BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
            case Value.YesNo(boolean yes) -> yes ? "yes" : "no";
            case Value.Word(String word) -> answer(name, word);
        };
    }

    /** How an answer of a decision reads. */
    private String answer(String name, String id) {
        LineRef decision = progress.plan().choice(name);
        Line line = decision == null ? null : progress.plan().line(decision).orElse(null);
        if (line == null || !(line.kind() instanceof Choice choice)) {
            return id;
        }
        return choice.branches().stream()
                .filter(branch -> branch.id().equals(id))
                .map(Choice.Branch::label)
                .findFirst()
                .orElse("not asked");
    }
}
