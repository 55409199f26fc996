package org.skelda.core.fact;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.Progress;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Option;

/**
 * A fact of the day at a time.
 *
 * @param id its name in conditions
 * @param label as the crew reads it
 * @param unit of a number; empty for a yes or no
 * @param min what it can be at least; null for a yes or no
 * @param max what it can be at most; null for a yes or no
 * @param number its value, in {@code unit}; null when it is not known, or a yes or no
 * @param yes its value; null when it is not known, or a number
 * @param by who gave it; null when nobody did
 * @param at when; null when nobody did
 * @param source who knows it; null when nobody gave it
 * @param decides how many lines it can decide, as the operator's schools are
 */
public record FactView(
        String id,
        String label,
        Kind kind,
        String unit,
        @Nullable Double min,
        @Nullable Double max,
        @Nullable Double number,
        @Nullable Boolean yes,
        @Nullable Person by,
        @Nullable Instant at,
        FactEvent.@Nullable Source source,
        int decides) {

    /**
     * What the newest fact changed, in a word to the crew.
     *
     * @param seq number of its event
     * @param label of the fact
     * @param lines those that are something else now, in working order
     */
    public record ChangeView(long seq, String label, List<LineRef> lines) {}

    /** Every fact that can decide some line, or that somebody gave. */
    public static List<FactView> of(Facts facts, Progress progress) {
        List<FactView> views = new ArrayList<>();
        Map<String, Value> schools = new HashMap<>();
        for (Option option : progress.plan().options().values()) {
            String name = Names.option(option.id());
            progress.value(name).ifPresent(school -> schools.put(name, school));
        }
        for (DayFact fact : DayFact.values()) {
            int decides = progress.plan().decides(fact.id(), schools);
            Facts.Given given = facts.given().get(fact);
            if (decides > 0 || given != null) {
                views.add(of(fact, progress.value(fact.id()).orElse(null), given, decides));
            }
        }
        return views;
    }

    private static FactView of(DayFact fact, @Nullable Value value, Facts.@Nullable Given given, int decides) {
        boolean isNumber = fact.kind() == Kind.NUMBER;
        return new FactView(
                fact.id(),
                fact.label(),
                fact.kind(),
                fact.unit(),
                isNumber ? (Double) fact.bounds().min() : null,
                isNumber ? (Double) fact.bounds().max() : null,
                value instanceof Value.Number(double number) ? (Double) number : null,
                value instanceof Value.YesNo(boolean yes) ? (Boolean) yes : null,
                given == null ? null : given.by(),
                given == null ? null : given.at(),
                given == null ? null : given.source(),
                decides);
    }

    /** The newest change; null when none was given that changed a line. */
    public static @Nullable ChangeView newest(Facts facts) {
        Facts.Newest newest = facts.newest();
        return newest == null || newest.event().changed().isEmpty()
                ? null
                : new ChangeView(
                        newest.seq(),
                        newest.event().fact().label(),
                        newest.event().changed().stream()
                                .map(FactEvent.Change::line)
                                .toList());
    }
}
