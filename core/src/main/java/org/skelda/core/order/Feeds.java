package org.skelda.core.order;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What each engine of a type gives beside thrust and current, what helps where it stands still, and where people are.
 *
 * @param engines in the order in which they are shown; at least two, for one alone has no order
 * @param helpers what gives something without its engine
 * @param people who are near the aircraft while it is made ready
 * @param forTaxi what a taxi needs, of all that is given
 * @param source where it is told
 */
public record Feeds(
        List<Engine> engines, List<Helper> helpers, List<People> people, List<String> forTaxi, String source) {

    /** On which side of the aircraft, seen in the direction of flight. */
    public enum Side {
        LEFT,
        RIGHT;

        String word() {
            return this == LEFT ? "left" : "right";
        }
    }

    /**
     * @param gives as the crew calls it ("brakes")
     * @param first the state of the aircraft that tells that it goes first today; null where its place in the plan does
     */
    public record Engine(
            int engine,
            Side side,
            List<String> gives,
            @Nullable String first) {
        public Engine {
            gives = List.copyOf(gives);
        }
    }

    /**
     * @param name with its article ("the transfer pump")
     * @param gives of what engines give
     * @param needsAnEngine whether it works only while another engine runs
     * @param note what to know of it; null when nothing
     */
    public record Helper(
            String name,
            List<String> gives,
            boolean needsAnEngine,
            @Nullable String note) {
        public Helper {
            gives = List.copyOf(gives);
        }
    }

    /** @param who they are ("people on the steps"); @param side on which they are */
    public record People(String who, Side side) {}

    /** @throws IllegalArgumentException when it contradicts itself; it says where */
    public Feeds {
        engines = List.copyOf(engines);
        helpers = List.copyOf(helpers);
        people = List.copyOf(people);
        forTaxi = List.copyOf(forTaxi);
        refuse(engines.size() < 2, "one engine alone has no order");
        Set<Integer> numbers = new HashSet<>();
        Set<String> given = new HashSet<>();
        for (Engine engine : engines) {
            refuse(!numbers.add(engine.engine()), "engine " + engine.engine() + " is told twice");
            given.addAll(engine.gives());
        }
        Stream.concat(forTaxi.stream(), helpers.stream().flatMap(helper -> helper.gives().stream()))
                .filter(what -> !given.contains(what))
                .findFirst()
                .ifPresent(what -> refuse(true, "'" + what + "' is given by no engine"));
        long told = engines.stream().filter(engine -> engine.first() != null).count();
        refuse(told != 0 && told < 2, "where one engine tells when it goes first, another must too");
    }

    private static void refuse(boolean wrong, String why) {
        if (wrong) {
            throw new IllegalArgumentException(why);
        }
    }

    /** Ids of all states of the aircraft that it hangs on. */
    public Stream<String> states() {
        return engines.stream().map(Engine::first).filter(Objects::nonNull);
    }

    Engine of(int number) {
        return engines.stream()
                .filter(engine -> engine.engine() == number)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no engine " + number));
    }
}
