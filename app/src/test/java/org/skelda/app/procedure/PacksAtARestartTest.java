package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.clearInvocations;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.need.CelConditions;
import org.skelda.core.procedure.Plan;
import org.skelda.formats.procedure.PackReader;
import org.skelda.formats.record.Sha256;

/** Shipped packs that are kept already are not read again when a server starts, but when somebody asks for them. */
class PacksAtARestartTest {
    private final StoredPacks stored = mock(StoredPacks.class);
    private final Map<String, StoredPack> kept = new HashMap<>();
    private final Map<String, StoredPacks.Head> heads = new HashMap<>();

    private Packs start() {
        SkeldaProperties properties = new SkeldaProperties(
                Path.of("data"), true, null, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO));
        ServerClock clock = mock(ServerClock.class);
        when(clock.instant()).thenReturn(Instant.EPOCH);
        when(stored.findById(anyString()))
                .thenAnswer(asked -> Optional.ofNullable(kept.get(asked.<String>getArgument(0))));
        when(stored.head(anyString()))
                .thenAnswer(asked -> Optional.ofNullable(heads.get(asked.<String>getArgument(0))));
        doAnswer(saved -> keep(saved.getArgument(0))).when(stored).save(any());
        return new Packs(stored, properties, clock, new CelConditions());
    }

    private StoredPack keep(StoredPack pack) {
        PackReader.Document document = PackReader.check("kept", pack.bytes());
        kept.put(Sha256.hex(pack.bytes()), pack);
        heads.put(
                document.hash(),
                new StoredPacks.Head(
                        document.hash(), document.kind(), document.id(), document.typeId(), document.operator()));
        return pack;
    }

    @Test
    void theSamePlansAreThereAndNothingIsKeptTwice() {
        Packs first = start();
        assertThat(kept).isNotEmpty();
        clearInvocations(stored);
        Packs again = start();
        verify(stored, never()).save(any());
        verify(stored, never()).findById(anyString());
        for (String[] whose : new String[][] {
            {"vardholm", "HAVERN-2M"}, {"vardholm", "HAVERN-4"}, {"skerja", "TEISTA-B2"}, {"vardholm", "RYPA-P1"}
        }) {
            assertThat(again.hasProcedures(whose[0], whose[1]))
                    .isEqualTo(first.hasProcedures(whose[0], whose[1]))
                    .isTrue();
            assertThat(again.currentFor(whose[0], whose[1])).isEqualTo(first.currentFor(whose[0], whose[1]));
            Plan plan = again.planFor(whose[0], whose[1]);
            assertThat(plan.lines().keySet())
                    .containsExactlyElementsOf(
                            first.planFor(whose[0], whose[1]).lines().keySet());
        }
    }

    @Test
    void oneThatIsNotKnownYetIsReadWithItsPair() {
        start();
        StoredPacks.Head forgotten = heads.values().stream()
                .filter(head ->
                        head.kind().equals("procedures") && head.typeId().equals("LOMVI-T1"))
                .findFirst()
                .orElseThrow();
        heads.remove(forgotten.hash());
        clearInvocations(stored);
        Packs again = start();
        assertThat(heads).containsEntry(forgotten.hash(), forgotten);
        assertThat(again.currentFor(forgotten.operatorId(), "LOMVI-T1").procedureHash())
                .isEqualTo(forgotten.hash());
    }

    @Test
    void theyAreReadAheadOneAfterTheOther() {
        start();
        long all = heads.values().stream()
                .filter(head -> head.kind().equals("procedures"))
                .count();
        Packs again = start();
        clearInvocations(stored);
        for (long i = 0; i < all; i++) {
            again.readAhead();
        }
        again.readAhead();
        heads.values().stream()
                .filter(head -> head.kind().equals("procedures"))
                .forEach(head -> verify(stored).findById(head.hash()));
    }
}
