package org.skelda.core.kind;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.need.Known;

/**
 * The flight controls are moved to every end and back; one calls, one watches. Anything that is not right repeats that
 * axis.
 *
 * @param oneByOne whether an axis is finished before the next begins; otherwise they may be taken in any order
 * @param axes at least one
 */
public record ControlCheck(String label, String shows, boolean oneByOne, List<Axis> axes) implements LineKind {

    public ControlCheck {
        axes = List.copyOf(axes);
    }

    /** @param id a slug; @param label as it is called; @param positions in their order, at least two */
    public record Axis(String id, String label, List<String> positions) {
        public Axis {
            positions = List.copyOf(positions);
        }
    }

    /** Marks a position. @param right whether what was seen is right */
    public record See(String axis, String position, boolean right) implements Doing {}

    /** A position was seen. */
    public record PositionSeen(String axis, String position, boolean right) implements Work {}

    /** How one axis stands. @param seen positions that were right; @param repeats how often it had to begin anew */
    public record AxisView(String axis, List<String> seen, int repeats) {}

    @Override
    public String expects() {
        return shows;
    }

    private Map<String, Set<String>> seen(History history) {
        Map<String, Set<String>> seen = new LinkedHashMap<>();
        axes.forEach(axis -> seen.put(axis.id(), new LinkedHashSet<>()));
        for (History.Of<PositionSeen> one : history.all(PositionSeen.class)) {
            Set<String> positions = seen.getOrDefault(one.work().axis(), new LinkedHashSet<>());
            if (one.work().right()) {
                positions.add(one.work().position());
            } else {
                positions.clear();
            }
        }
        return seen;
    }

    @Override
    public Standing standing(History history) {
        History.Done last = history.newest();
        if (last == null) {
            return Standing.OPEN;
        }
        Map<String, Set<String>> seen = seen(history);
        if (axes.stream().allMatch(axis -> isFull(axis, seen))) {
            return Standing.DONE;
        }
        return last.work() instanceof PositionSeen newest && !newest.right() ? Standing.OUTSIDE : Standing.BEGUN;
    }

    private static boolean isFull(Axis axis, Map<String, Set<String>> seen) {
        return seen.getOrDefault(axis.id(), Set.of()).containsAll(axis.positions());
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (!(doing instanceof See see)) {
            return Taking.not(new Why.WrongAnswer("a position of an axis"));
        }
        Optional<Axis> axis =
                axes.stream().filter(one -> one.id().equals(see.axis())).findFirst();
        if (axis.isEmpty()) {
            return Taking.not(new Why.NoneOfThese(
                    "the axes", see.axis(), axes.stream().map(Axis::id).toList()));
        }
        if (!axis.get().positions().contains(see.position())) {
            return Taking.not(new Why.NoneOfThese(
                    "the positions of " + axis.get().label(),
                    see.position(),
                    axis.get().positions()));
        }
        Map<String, Set<String>> seen = seen(history);
        for (Axis before : axes) {
            if (before.equals(axis.get())) {
                break;
            }
            if (oneByOne && !isFull(before, seen)) {
                return Taking.not(new Why.NotYet(before.label()));
            }
        }
        return Taking.taken(new PositionSeen(see.axis(), see.position(), see.right()));
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        if (history.isEmpty()) {
            return null;
        }
        Map<String, Set<String>> seen = seen(history);
        List<AxisView> views = new ArrayList<>();
        for (Axis axis : axes) {
            int repeats = (int) history.all(PositionSeen.class).stream()
                    .filter(one ->
                            one.work().axis().equals(axis.id()) && !one.work().right())
                    .count();
            views.add(new AxisView(axis.id(), List.copyOf(seen.getOrDefault(axis.id(), Set.of())), repeats));
        }
        return WorkView.axes(views);
    }
}
