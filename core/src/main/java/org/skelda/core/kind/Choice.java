package org.skelda.core.kind;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.When;

/**
 * A question whose answer decides what comes next. What the record can tell is offered, never taken.
 *
 * @param branches at least two
 */
public record Choice(String label, String asks, List<Branch> branches) implements LineKind {

    public Choice {
        branches = List.copyOf(branches);
    }

    /**
     * One answer.
     *
     * @param id a slug, as conditions name it
     * @param label as it is chosen
     * @param ends with which words the list ends when it is chosen; null when it goes on
     * @param list the list that is gone on with; null when none is
     * @param offered when the record speaks for it; null when it does not know
     */
    public record Branch(
            String id,
            String label,
            @Nullable String ends,
            @Nullable String list,
            @Nullable When offered) {}

    /** Chooses. @param branch its id */
    public record Choose(String branch) implements Doing {}

    /** One was chosen. @param branch its id; @param offered the one that the record spoke for, null when none */
    public record Chosen(String branch, @Nullable String offered) implements Work {}

    /** What is chosen, and what is offered. Each an id, or null. */
    public record ChoiceView(
            @Nullable String chosen, @Nullable String offered) {}

    @Override
    public String expects() {
        return asks;
    }

    @Override
    public Standing standing(History history) {
        return history.isEmpty() ? Standing.OPEN : Standing.DONE;
    }

    /** The one that was chosen. */
    public Optional<Branch> chosen(History history) {
        return history.last(Chosen.class).flatMap(chosen -> branch(chosen.work().branch()));
    }

    private Optional<Branch> branch(String id) {
        return branches.stream().filter(branch -> branch.id().equals(id)).findFirst();
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (!(doing instanceof Choose(String id))) {
            return Taking.not(new Why.WrongAnswer("one of its answers"));
        }
        if (branch(id).isEmpty()) {
            return Taking.not(new Why.NoneOfThese(
                    "the answers", id, branches.stream().map(Branch::id).toList()));
        }
        return Taking.taken(new Chosen(id, offered(hand.known())));
    }

    private @Nullable String offered(Known known) {
        return branches.stream()
                .filter(branch -> branch.offered() != null && known.holds(branch.offered()) instanceof Need.Needed)
                .map(Branch::id)
                .findFirst()
                .orElse(null);
    }

    /** Its answers' ids. */
    public Set<String> ids() {
        Set<String> ids = new TreeSet<>();
        branches.forEach(branch -> ids.add(branch.id()));
        return ids;
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        return history.last(Chosen.class)
                .map(one -> WorkView.choice(
                        new ChoiceView(one.work().branch(), one.work().offered())))
                .orElseGet(() -> {
                    String offered = offered(known);
                    return offered == null ? null : WorkView.choice(new ChoiceView(null, offered));
                });
    }
}
