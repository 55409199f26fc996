package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * An operator's own packs: one that names what nobody tells is refused with file and line, and nothing is kept of it.
 */
class WrongPackTest {
    private static final String PROCEDURES = "procedures/havern-2a.yaml";

    @TempDir
    private Path packs;

    @Test
    void anUndeclaredVariableIsRefusedWithItsLineAndTheCorrectedPackIsWorked() throws IOException {
        copyShipped();
        Path file = packs.resolve(PROCEDURES);
        String right = Files.readString(file);
        Files.writeString(file, right.replace("when: first_flight_of_day || night}", "when: first_flight || night}"));
        int line = lineOf(file, "when: first_flight ||");
        try (TestServer server = TestServer.start(1);
                Browsers browsers = new Browsers()) {
            server.kill();
            assertThat(server.refuses(packs))
                    .contains("The packs have errors")
                    .contains("havern-2a.yaml:" + line)
                    .contains("first_flight")
                    .contains("Correct the named lines and start again. Nothing was stored.")
                    .doesNotContain("java.lang.", "\tat ");
            Files.writeString(file, right.replace("label: Covers and plugs,", "label: Covers and red flags,"));
            server.accepts(packs);
            CrewMember captain = CrewMember.signIn(browsers, server, "Malin Oddsrud");
            Page page = captain.page();
            page.getByLabel("Aircraft").selectOption("QX-ASK");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Open").setExact(true))
                    .click();
            DeskOfDeparture desk = new DeskOfDeparture(captain);
            desk.takeSeat("Left", "flying");
            desk.text("Covers and red flags").waitFor();
            assertThat(browsers.errors()).isEmpty();
        }
    }

    private void copyShipped() throws IOException {
        Path shipped = Path.of(System.getProperty("skelda.packs", "../packs"));
        try (Stream<Path> all = Files.walk(shipped)) {
            for (Path from : (Iterable<Path>) all.filter(Files::isRegularFile)::iterator) {
                Path to = packs.resolve(shipped.relativize(from).toString());
                Files.createDirectories(to.getParent());
                Files.copy(from, to);
            }
        }
    }

    private static int lineOf(Path file, String words) throws IOException {
        List<String> lines = Files.readAllLines(file);
        return IntStream.range(0, lines.size())
                        .filter(index -> lines.get(index).contains(words))
                        .findFirst()
                        .orElseThrow()
                + 1;
    }
}
