package org.skelda.core.order;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network;
import org.skelda.core.order.Feeds.Engine;
import org.skelda.core.order.Feeds.Helper;

/** Computes from a type's tables what speaks for an engine as the first, and what stops with one that runs. */
public final class StartOrder {
    private final Feeds feeds;
    private final @Nullable Network network;

    private StartOrder(Feeds feeds, @Nullable Network network) {
        this.feeds = feeds;
        this.network = network;
    }

    /**
     * @param engine that goes first
     * @param means what that means, in sentences
     */
    public record Choice(int engine, List<String> means) {
        public Choice {
            means = List.copyOf(means);
        }
    }

    /**
     * @param today the engine that goes first
     * @param instead each other one that could, and what of it would be otherwise
     * @param source where it is told
     */
    public record View(Choice today, List<Choice> instead, String source) {
        public View {
            instead = List.copyOf(instead);
        }
    }

    /**
     * Which engine goes first, and what that means.
     *
     * @param network its sources and buses; null when the type tells nothing of them
     * @param told whether a state holds; null when that is not known
     * @param planned the engine whose start stands first in the plan
     * @return empty while what decides it is not known
     */
    public static Optional<View> view(
            Feeds feeds, @Nullable Network network, Function<String, @Nullable Boolean> told, int planned) {
        StartOrder order = new StartOrder(feeds, network);
        return order.first(told, planned).map(first -> {
            List<String> means = order.means(first);
            return new View(
                    new Choice(first.engine(), means),
                    feeds.engines().stream()
                            .filter(engine -> !engine.equals(first) && order.couldBeFirst(engine, first))
                            .map(engine -> new Choice(
                                    engine.engine(),
                                    order.means(engine).stream()
                                            .filter(said -> !means.contains(said))
                                            .toList()))
                            .toList(),
                    feeds.source());
        });
    }

    private Optional<Engine> first(Function<String, @Nullable Boolean> told, int planned) {
        if (feeds.states().findAny().isEmpty()) {
            return Optional.of(feeds.of(planned));
        }
        return feeds.engines().stream()
                .filter(engine -> engine.first() != null && Boolean.TRUE.equals(told.apply(engine.first())))
                .findFirst();
    }

    /** One that gives the same on the same side is no other choice. */
    private boolean couldBeFirst(Engine engine, Engine first) {
        boolean isChoice = feeds.states().findAny().isEmpty() || engine.first() != null;
        return isChoice && !(engine.gives().equals(first.gives()) && engine.side() == first.side());
    }

    private List<String> means(Engine first) {
        List<String> means = new ArrayList<>();
        if (!first.gives().isEmpty()) {
            means.add("It gives " + and(first.gives()) + ".");
        }
        if (!feeds.forTaxi().isEmpty()) {
            means.addAll(taxi(first));
        }
        feeds.people().stream()
                .collect(Collectors.groupingBy(
                        Feeds.People::side,
                        LinkedHashMap::new,
                        Collectors.mapping(Feeds.People::who, Collectors.toList())))
                .forEach((side, who) -> means.add(
                        side == first.side()
                                ? "On its side, the " + side.word() + ", are " + and(who)
                                        + ": it waits until nobody is there."
                                : capital(and(who)) + " are on the " + side.word() + ", away from it."));
        means.addAll(current(first));
        return means;
    }

    /** With what a taxi on it alone is stopped and steered. */
    private List<String> taxi(Engine first) {
        List<String> missing = feeds.forTaxi().stream()
                .filter(what -> !first.gives().contains(what))
                .toList();
        if (missing.isEmpty()) {
            return List.of("On it alone the aircraft has " + and(feeds.forTaxi()) + ", without help.");
        }
        return missing.stream()
                .map(what -> {
                    List<Helper> helping = helping(what, true);
                    String notes = helping.stream()
                            .map(Helper::note)
                            .flatMap(note -> note == null ? Stream.<String>of() : Stream.of(" " + note + "."))
                            .collect(Collectors.joining());
                    return helping.isEmpty()
                            ? "On it alone there is nothing for " + what + "."
                            : "On it alone " + what + (isMany(what) ? " hang on " : " hangs on ") + or(helping) + "."
                                    + notes;
                })
                .toList();
    }

    private List<Helper> helping(String what, boolean engineRuns) {
        return feeds.helpers().stream()
                .filter(helper -> helper.gives().contains(what) && (engineRuns || !helper.needsAnEngine()))
                .toList();
    }

    /** What its generator carries by itself, all others away. */
    private List<String> current(Engine first) {
        if (network == null) {
            return List.of();
        }
        Set<String> own = network.sources().stream()
                .filter(source -> source.engine() != null && source.engine() == first.engine())
                .map(Network.Source::id)
                .collect(Collectors.toSet());
        if (own.isEmpty()) {
            return List.of();
        }
        Predicate<String> byItself =
                tie -> network.ties().stream().anyMatch(one -> one.id().equals(tie) && one.closed() == null);
        Set<String> alone = network.fed(own::contains, byItself).keySet();
        Set<String> joined = network.fed(own::contains, _ -> true).keySet();
        List<String> carried = named(alone::contains);
        List<String> byTie = named(bus -> joined.contains(bus) && !alone.contains(bus));
        List<String> never = named(bus -> !joined.contains(bus));
        List<String> means = new ArrayList<>();
        means.add(
                carried.isEmpty()
                        ? "Its generator alone carries nothing."
                        : "Its generator alone carries " + and(carried) + ".");
        if (!byTie.isEmpty()) {
            means.add(
                    capital(and(byTie)) + (byTie.size() == 1 ? " comes" : " come") + " once a tie is closed by hand.");
        }
        if (!never.isEmpty()) {
            means.add(capital(and(never)) + (never.size() == 1 ? " waits" : " wait") + " for another source.");
        }
        return means;
    }

    private List<String> named(Predicate<String> which) {
        return network == null
                ? List.of()
                : network.buses().stream()
                        .filter(bus -> which.test(bus.id()))
                        .map(Network.Bus::name)
                        .toList();
    }

    /**
     * What stops with an engine that runs while another one is started.
     *
     * @param engine that would stop
     * @param running all engines that run, it among them
     * @param buses names of the buses that nobody would take over
     * @return a sentence; empty when nothing hangs on it alone
     */
    public static Optional<String> lostWith(Feeds feeds, int engine, Set<Integer> running, List<String> buses) {
        StartOrder order = new StartOrder(feeds, null);
        boolean another = running.stream().anyMatch(other -> other != engine);
        Set<String> still = feeds.engines().stream()
                .filter(other -> other.engine() != engine && running.contains(other.engine()))
                .flatMap(other -> other.gives().stream())
                .collect(Collectors.toSet());
        List<String> gone = feeds.of(engine).gives().stream()
                .filter(what -> !still.contains(what))
                .toList();
        List<String> lost = Stream.concat(
                        gone.stream()
                                .filter(what -> order.helping(what, another).isEmpty()),
                        buses.stream())
                .toList();
        List<String> helped = gone.stream()
                .filter(what -> !order.helping(what, another).isEmpty())
                .sorted(Comparator.naturalOrder())
                .map(what -> what + " by " + or(order.helping(what, another)))
                .toList();
        if (lost.isEmpty() && helped.isEmpty()) {
            return Optional.empty();
        }
        String words = lost.isEmpty()
                ? "nothing is lost"
                : and(lost) + (lost.size() == 1 && !isMany(lost.getFirst()) ? " is" : " are") + " lost";
        return Optional.of("If engine " + engine + " stops now, " + words
                + (helped.isEmpty() ? "." : "; " + String.join(", ", helped) + "."));
    }

    private static boolean isMany(String what) {
        return what.endsWith("s");
    }

    private static String and(List<String> words) {
        return words.size() == 1
                ? words.getFirst()
                : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.getLast();
    }

    private static String or(List<Helper> helpers) {
        return helpers.stream().map(Helper::name).collect(Collectors.joining(" or "));
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
