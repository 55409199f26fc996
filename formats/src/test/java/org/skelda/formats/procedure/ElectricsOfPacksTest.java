package org.skelda.formats.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.Network;
import org.skelda.core.procedure.TypeSheet;

/** The page that tells which source carries which bus of each type, made from their documents by the code. */
class ElectricsOfPacksTest {
    private static final Path PACKS = Path.of("../packs");
    private static final Path PAGE = Path.of("../docs/electrics.md");

    private static List<TypeSheet> types() throws IOException {
        try (Stream<Path> files = Files.list(PACKS.resolve("types"))) {
            List<TypeSheet> types = new ArrayList<>();
            for (Path file : files.sorted().toList()) {
                String procedures = Files.readString(PACKS.resolve("procedures").resolve(file.getFileName()));
                types.add(ShippedPacks.plan(Files.readString(file), procedures).type());
            }
            return types;
        }
    }

    @Test
    void whoCarriesWhatIsAsTheDocumentsTell() throws IOException {
        String made = page();
        if (Boolean.getBoolean("skelda.tables.write")) {
            Files.writeString(PAGE, made);
        }
        assertThat(Files.readString(PAGE)).isEqualTo(made);
    }

    @Test
    void everyBusOfEveryTypeIsCarriedWhenAllGivesAndNoneWhenNothingDoes() throws IOException {
        List<TypeSheet> types =
                types().stream().filter(type -> type.electrics() != null).toList();
        assertThat(types).hasSizeGreaterThanOrEqualTo(6);
        for (TypeSheet type : types) {
            Network network = Objects.requireNonNull(type.electrics());
            assertThat(network.fed(_ -> true, _ -> true)).as(type.name()).hasSameSizeAs(network.buses());
            assertThat(network.fed(_ -> false, _ -> true)).as(type.name()).isEmpty();
        }
    }

    private static String page() throws IOException {
        StringBuilder page = new StringBuilder("""
                # Which source carries which bus

                Made by a test from the types' documents. A row is what is on; a cell is who carries the bus then, and \
                a dash a bus without power. Ties that a hand moves are open, and closed in the rows that say so.
                """);
        for (TypeSheet type : types()) {
            if (type.electrics() != null) {
                page.append("\n## ").append(type.name()).append("\n\n").append(table(type.electrics()));
            }
        }
        return page.toString();
    }

    private static String table(Network network) {
        StringBuilder table = new StringBuilder("| on | ")
                .append(network.buses().stream().map(Network.Bus::name).collect(Collectors.joining(" | ")))
                .append(" |\n|---|")
                .append("---|".repeat(network.buses().size()))
                .append("\n");
        boolean tied = network.ties().stream().anyMatch(tie -> tie.closed() != null);
        for (Network.Source one : network.sources()) {
            row(table, network, one.name(), one.id()::equals, false);
            if (tied) {
                row(table, network, one.name() + ", ties closed", one.id()::equals, true);
            }
        }
        row(table, network, "all of them", _ -> true, false);
        return table.toString();
    }

    private static void row(
            StringBuilder table, Network network, String words, Predicate<String> gives, boolean closed) {
        Map<String, Network.Fed> fed = network.fed(gives, tie -> closed || closesByItself(network, tie));
        table.append("| ")
                .append(words)
                .append(" | ")
                .append(network.buses().stream()
                        .map(bus -> fed.containsKey(bus.id())
                                ? name(
                                        network,
                                        Objects.requireNonNull(fed.get(bus.id()))
                                                .source())
                                : "-")
                        .collect(Collectors.joining(" | ")))
                .append(" |\n");
    }

    private static boolean closesByItself(Network network, String tie) {
        return network.ties().stream().anyMatch(one -> one.id().equals(tie) && one.closed() == null);
    }

    private static String name(Network network, String source) {
        return network.sources().stream()
                .filter(one -> one.id().equals(source))
                .map(Network.Source::name)
                .findFirst()
                .orElseThrow();
    }
}
