package org.skelda.core.kind;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;

/** What was seen of a test of warnings since it was begun the newest time. */
final class TestRound {
    private final IndicationTest test;
    private final Map<String, String> go;
    private final Map<String, Looked> looked = new LinkedHashMap<>();
    private final Map<String, Map.Entry<Indications.Decided, Mark>> decided = new LinkedHashMap<>();
    private int rounds;

    TestRound(IndicationTest test, Map<String, String> go, History history) {
        this.test = test;
        this.go = go;
        history.done().forEach(this::apply);
    }

    private void apply(History.Done done) {
        switch (done.work()) {
            case Indications.GroupSeen seen -> {
                Looked of = of(seen.phase(), seen.group());
                of.whole = true;
                of.expected = seen.expected();
                seen.expected()
                        .forEach(id ->
                                of.seen.putIfAbsent(id, new Seen(!seen.dark().contains(id), true, done.mark())));
                seen.extra().forEach(id -> of.seen.putIfAbsent(id, new Seen(true, false, done.mark())));
            }
            case Indications.OneSeen seen -> {
                Looked of = of(seen.phase(), group(seen.indication()).id());
                of.expected = seen.expected();
                of.seen.put(
                        seen.indication(),
                        new Seen(seen.lit(), seen.expected().contains(seen.indication()), done.mark()));
                decided.remove(seen.phase() + '/' + seen.indication());
            }
            case Indications.Decided one ->
                decided.put(one.phase() + '/' + one.indication(), Map.entry(one, done.mark()));
            case Indications.BegunAnew _ -> {
                looked.clear();
                decided.clear();
                rounds++;
            }
            default -> {}
        }
    }

    Looked of(String phase, String group) {
        return looked.computeIfAbsent(phase + '/' + group, _ -> new Looked());
    }

    /** The first group that was not looked at, with its phase; empty when all were. */
    Optional<Place> next() {
        return places().filter(
                        place -> !of(place.phase().id(), place.group().id()).isComplete())
                .findFirst();
    }

    List<Indications.WrongView> wrong() {
        List<Indications.WrongView> wrong = new ArrayList<>();
        places().forEach(place -> of(place.phase().id(), place.group().id())
                .seen
                .forEach((id, seen) -> {
                    if (seen.lit() != seen.expected()) {
                        Map.Entry<Indications.Decided, Mark> one =
                                decided.get(place.phase().id() + '/' + id);
                        wrong.add(new Indications.WrongView(
                                place.phase().id(),
                                id,
                                indication(id).label(),
                                seen.expected(),
                                seen.mark(),
                                go.get(id),
                                one == null ? null : one.getKey().verdict(),
                                one == null ? null : one.getValue()));
                    }
                }));
        return wrong;
    }

    /** How often the test was begun anew. */
    int rounds() {
        return rounds;
    }

    /** Whether nothing was seen. */
    boolean isUntouched() {
        return looked.values().stream().allMatch(Looked::isUntouched);
    }

    /** How one indication was seen. */
    private record Seen(boolean lit, boolean expected, Mark mark) {}

    /** What was seen of one group in one phase. */
    static final class Looked {
        private final Map<String, Seen> seen = new LinkedHashMap<>();
        private @Nullable List<String> expected;
        private boolean whole;

        boolean isComplete() {
            return whole
                    || expected != null && !expected.isEmpty() && seen.keySet().containsAll(expected);
        }

        /** Whether nothing of it was seen. */
        boolean isUntouched() {
            return seen.isEmpty() && !whole;
        }

        /** What had to show when it was looked at; null before. */
        @Nullable
        List<String> expected() {
            return expected;
        }

        /** What was marked, whatever it was. */
        Set<String> marked() {
            return seen.keySet();
        }

        /** What was seen to show. */
        List<String> lit() {
            return seen.entrySet().stream()
                    .filter(one -> one.getValue().lit())
                    .map(Map.Entry::getKey)
                    .toList();
        }
    }

    /** A group in a phase. */
    record Place(TestPhase phase, IndicationGroup group) {}

    Stream<Place> places() {
        return test.phases().stream().flatMap(phase -> test.groups().stream().map(group -> new Place(phase, group)));
    }

    private IndicationGroup group(String indication) {
        return test.groupOf(indication).orElseThrow();
    }

    private Indication indication(String id) {
        return group(id).indications().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
