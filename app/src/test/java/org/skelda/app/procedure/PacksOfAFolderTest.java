package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.need.CelConditions;

/** Packs that come from a folder are examined whole before anything of them is kept. */
class PacksOfAFolderTest {
    private static final Path SHIPPED = Path.of("../packs");
    private static final String LINE = "{id: people, kind: check,";

    @TempDir
    private Path folder;

    private final StoredPacks stored = mock(StoredPacks.class);

    @BeforeEach
    void copy() throws IOException {
        for (String file : new String[] {"types/havern-2m.yaml", "procedures/havern-2m.yaml"}) {
            Files.createDirectories(folder.resolve(file).getParent());
            Files.copy(SHIPPED.resolve(file), folder.resolve(file));
        }
    }

    private void write(String condition) throws IOException {
        Path file = folder.resolve("procedures/havern-2m.yaml");
        Files.writeString(
                file,
                Files.readString(SHIPPED.resolve("procedures/havern-2m.yaml"))
                        .replace(LINE, "{id: people, when: \"" + condition + "\", kind: check,"));
    }

    /** Where the spoilt line stands. */
    private static int line() throws IOException {
        String shipped = Files.readString(SHIPPED.resolve("procedures/havern-2m.yaml"));
        return shipped.substring(0, shipped.indexOf(LINE)).split("\n", -1).length;
    }

    private Packs read() {
        SkeldaProperties properties =
                new SkeldaProperties(folder, true, folder, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO));
        ServerClock clock = mock(ServerClock.class);
        when(clock.instant()).thenReturn(Instant.EPOCH);
        return new Packs(stored, properties, clock, new CelConditions());
    }

    @Test
    void aNameThatNobodyDeclaredIsToldWithItsLineAndNothingIsKept() throws IOException {
        write("moon > 3");
        assertThatThrownBy(this::read)
                .isInstanceOf(Packs.InvalidPacks.class)
                .hasMessageContaining("havern-2m.yaml:" + line() + " /procedures/0/lines/1/when")
                .hasMessageContaining("'moon' is nothing that a condition may name");
        verify(stored, never()).save(any());
    }

    @Test
    void oneThatIsKeptAlreadyIsLookedAtAllTheSame() throws IOException {
        write("moon > 3");
        when(stored.head(any()))
                .thenReturn(Optional.of(new StoredPacks.Head("h", "procedures", "p", "HAVERN-2M", "vardholm")));
        assertThatThrownBy(this::read).isInstanceOf(Packs.InvalidPacks.class).hasMessageContaining("'moon'");
    }

    @Test
    void aHugeConditionIsToldWithItsPlace() throws IOException {
        write("icing || ".repeat(5000) + "night");
        assertThatThrownBy(this::read)
                .isInstanceOf(Packs.InvalidPacks.class)
                .hasMessageContaining("/procedures/0/lines/1/when");
        verify(stored, never()).save(any());
    }

    @Test
    void oneThatIsRightIsTaken() throws IOException {
        write("night && oat_c < 24 && option('chocks') == 'brake-set'");
        assertThatCode(this::read).doesNotThrowAnyException();
    }

    @Test
    void aLineThatNobodyCanReachIsTold() throws IOException {
        write("night && reading('safety-power/battery-volts') < 24");
        assertThatThrownBy(this::read)
                .as("the reading stands behind a gate that waits for this very line")
                .isInstanceOf(Packs.InvalidPacks.class)
                .hasMessageContaining(
                        "havern-2m.yaml:" + line() + " /procedures/0/lines/1: first-look/people: it waits for itself");
    }

    @Test
    void whatIsDangerousNeedsItsCautionAndWhatCannotBeUndoneItsAgreement() throws IOException {
        Path file = folder.resolve("procedures/havern-2m.yaml");
        Files.writeString(
                file,
                Files.readString(file)
                        .replace("kind: caution, about: [apu], label: APU exhaust", "kind: caution, label: APU exhaust")
                        .replace(
                                "{id: lever-1, kind: read, control: running-fuel-lever, agree: true,",
                                "{id: lever-1, kind: read, control: running-fuel-lever,"));
        assertThatThrownBy(this::read)
                .isInstanceOf(Packs.InvalidPacks.class)
                .hasMessageContaining("apu/start-switch: it has no caution before it")
                .hasMessageContaining("shutdown/lever-1: 'Fuel lever of a running engine' cannot be undone");
        verify(stored, never()).save(any());
    }

    @Test
    void anAnswerThatCanNeverBeGivenIsTold() throws IOException {
        write("choice('alignment/how') == 'sideways'");
        assertThatThrownBy(this::read).hasMessageContaining("can never hold");
        write("option('moon') == 'full'");
        assertThatThrownBy(this::read).hasMessageContaining("nothing that a condition may name");
    }
}
