package org.skelda.core.bleed;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork.Duct;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.core.bleed.AirNetwork.Taker;
import org.skelda.core.bleed.AirNetwork.Taking;
import org.skelda.core.bleed.AirNetwork.Valve;

/** Tells what the air's state means for a starter: enough, or what is set wrong and by how much it falls short. */
public final class AirViewing {
    /** What reads under this is no air at all, kPa. */
    private static final double NOTHING_kpa = 20;
    /** Two causes that would read nearer to each other than this cannot be told apart, kPa. */
    private static final double ALIKE_kpa = 12;

    private final AirNow now;
    private final int engine;
    private final Duct duct;
    private final double least_kpa;

    private AirViewing(AirNow now, int engine, Duct duct, double least_kpa) {
        this.now = now;
        this.engine = engine;
        this.duct = duct;
        this.least_kpa = least_kpa;
    }

    /**
     * Before a starter.
     *
     * @param engine whose starter
     * @param least_kpa that the type asks for, at this elevation
     * @param read_kpa static duct pressure that was read; null when it was not
     * @param motoring highest start spool (%) by static pressure (kPa)
     * @throws IllegalArgumentException when the type has no such starter
     */
    public static AirView view(
            AirNow now, int engine, double least_kpa, @Nullable Double read_kpa, DoubleUnaryOperator motoring) {
        Duct duct = now.network()
                .ductOf(engine)
                .orElseThrow(() -> new IllegalArgumentException("there is no starter " + engine));
        return new AirViewing(now, engine, duct, least_kpa).view(read_kpa, motoring);
    }

    /** What is said. @param wrong whether a hand or a decision is needed */
    private record Said(String sentence, boolean wrong) {}

    private AirView view(@Nullable Double read_kpa, DoubleUnaryOperator motoring) {
        List<Source> from = now.reaching(duct, true);
        boolean decided = !from.isEmpty() && now.reaching(duct, false).equals(from);
        Double expected_kpa = decided ? now.expected(duct, now::takesShare) : null;
        Said said = read_kpa == null ? bySetting(from, decided, expected_kpa) : byReading(read_kpa, from);
        Double static_kpa = read_kpa == null ? expected_kpa : read_kpa;
        return new AirView(
                said.sentence(),
                said.wrong(),
                notes(from, decided),
                from.stream().map(Source::name).toList(),
                expected_kpa,
                least_kpa,
                static_kpa == null || static_kpa < NOTHING_kpa ? null : motoring.applyAsDouble(static_kpa),
                now.network().source());
    }

    // By how all is set.

    private Said bySetting(List<Source> from, boolean decided, @Nullable Double expected_kpa) {
        if (from.isEmpty()) {
            return noAir();
        }
        if (!decided) {
            return new Said(text("Starter %d: whether its air comes through is not known", engine), false);
        }
        if (expected_kpa == null) {
            return new Said(
                    text("Starter %d has air from %s; how much is told by the outside air", engine, names(from)),
                    false);
        }
        if (expected_kpa >= least_kpa) {
            return new Said(
                    text(
                            "%s should give starter %d %.0f kPa, %.0f over the least",
                            names(from), engine, expected_kpa, expected_kpa - least_kpa),
                    false);
        }
        List<Taker> taking = now.takers(duct, true);
        Double without = now.expected(duct, _ -> false);
        if (!taking.isEmpty() && without != null && without >= least_kpa) {
            return new Said(
                    text("Starter %d: %s still ON, %.0f kPa short", engine, named(taking), least_kpa - expected_kpa),
                    true);
        }
        return new Said(
                text(
                        "%s gives starter %d %.0f kPa here, %.0f short: %s",
                        names(from),
                        engine,
                        Objects.requireNonNullElse(without, expected_kpa),
                        least_kpa - Objects.requireNonNullElse(without, expected_kpa),
                        taking.isEmpty() ? "another source of air" : named(taking) + " OFF, and another source of air"),
                true);
    }

    private Said noAir() {
        List<Source> giving = now.giving();
        if (giving.isEmpty()) {
            List<Source> open = now.notKnown();
            return open.isEmpty()
                    ? new Said(
                            text(
                                    "Starter %d has no air: %s",
                                    engine,
                                    String.join(
                                            ", ",
                                            now.network().sources().stream()
                                                    .map(AirViewing::away)
                                                    .toList())),
                            true)
                    : new Said(text("Starter %d: whether %s gives air is not known", engine, names(open)), false);
        }
        Source nearest = giving.stream()
                .min(Comparator.comparingInt(one -> now.between(one, duct).size()))
                .orElseThrow();
        return new Said(
                text(
                        "Starter %d has no air: %s CLOSED",
                        engine,
                        String.join(
                                " or ",
                                now.between(nearest, duct).stream()
                                        .map(Valve::name)
                                        .toList())),
                true);
    }

    private static String away(Source one) {
        return switch (one.kind()) {
            case APU -> one.name() + " gives none";
            case GROUND -> one.name() + " is not on";
            case ENGINE -> "engine " + one.engine() + " does not run";
        };
    }

    // By what was read.

    /** Something that would read a pressure. */
    private record Cause(String words, double reads_kpa) {}

    private Said byReading(double read_kpa, List<Source> from) {
        if (read_kpa >= least_kpa) {
            return new Said(
                    text("Starter %d has %.0f kPa, %.0f over the least", engine, read_kpa, read_kpa - least_kpa),
                    false);
        }
        String shortBy = text("%.0f kPa short", least_kpa - read_kpa);
        if (read_kpa < NOTHING_kpa) {
            Said set = from.isEmpty() ? noAir() : new Said("", false);
            return set.wrong()
                    ? set
                    : new Said(text("Starter %d has no air: is its source ON, is every valve open?", engine), true);
        }
        List<Taker> on = now.takers(duct, true);
        if (!on.isEmpty()) {
            return new Said(text("Starter %d: %s still ON, %s", engine, named(on), shortBy), true);
        }
        List<Cause> fitting = causes().stream()
                .filter(cause -> Math.abs(cause.reads_kpa() - read_kpa) <= ALIKE_kpa)
                .sorted(Comparator.comparingDouble(cause -> Math.abs(cause.reads_kpa() - read_kpa)))
                .toList();
        return new Said(
                fitting.isEmpty()
                        ? text("Starter %d: %s: another source of air", engine, shortBy)
                        : text(
                                "Starter %d: %s. %s would read %.0f: look there",
                                engine,
                                shortBy,
                                fitting.getFirst().words(),
                                fitting.getFirst().reads_kpa()),
                true);
    }

    /** What would read less than all set well: one pack and more of them, and each anti-ice. */
    private List<Cause> causes() {
        Double good = now.expected(duct, _ -> false);
        if (good == null || good < NOTHING_kpa) {
            return List.of();
        }
        List<Taker> could = Stream.concat(now.takers(duct, null).stream(), now.takers(duct, false).stream())
                .toList();
        List<Taker> packs =
                could.stream().filter(one -> one.what() == Taking.PACK).toList();
        Stream<Optional<Cause>> byPacks = IntStream.rangeClosed(1, packs.size())
                .mapToObj(left ->
                        cause(left == 1 ? "A pack left ON" : text("%d packs left ON", left), packs.subList(0, left)));
        Stream<Optional<Cause>> byIce = could.stream()
                .filter(one -> one.what() == Taking.ANTI_ICE)
                .map(one -> cause(one.name() + " left ON", List.of(one)));
        return Stream.concat(byPacks, byIce).flatMap(Optional::stream).toList();
    }

    private Optional<Cause> cause(String words, List<Taker> leftOn) {
        Double reads = now.expected(
                duct, id -> leftOn.stream().anyMatch(one -> one.id().equals(id)));
        return Optional.ofNullable(reads).map(read_kpa -> new Cause(words, read_kpa));
    }

    // What else counts.

    private List<String> notes(List<Source> from, boolean decided) {
        List<String> notes = new ArrayList<>();
        if (!decided && !from.isEmpty()) {
            now.network().valves().stream()
                    .filter(valve -> now.isOpen(valve) == null)
                    .forEach(valve -> notes.add(valve.name() + ": open? Nobody told."));
        }
        List<Taker> open = now.takers(duct, null);
        if (!open.isEmpty()) {
            notes.add(named(open) + ": off? Nobody told.");
        }
        boolean cart = from.stream().anyMatch(one -> one.kind() == Kind.GROUND);
        if (cart) {
            notes.add("Ground air: the cart and its people are clear of intake and exhaust, and go when it is off.");
        }
        boolean strong = from.stream().anyMatch(one -> one.kind() != Kind.ENGINE);
        if (!strong) {
            for (AirNow.CrossBleed cross : now.crossBleed(engine, least_kpa)) {
                notes.add(text(
                        "Cross-bleed: engine %d at %.0f %% N1 or more, other air sources OFF,"
                                + " and the area behind it clear.",
                        cross.source().engine(), Math.ceil(cross.fan_pct())));
            }
        }
        return notes;
    }

    private static String named(List<Taker> takers) {
        return takers.size() > 1 && takers.stream().allMatch(one -> one.what() == Taking.PACK)
                ? "packs"
                : takers.stream().map(Taker::name).collect(Collectors.joining(", "));
    }

    private static String names(List<Source> sources) {
        List<String> names = sources.stream().map(Source::name).toList();
        return names.size() == 1
                ? names.getFirst()
                : String.join(", ", names.subList(0, names.size() - 1)) + " or " + names.getLast();
    }

    private static String text(String format, @Nullable Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
