package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.formats.procedure.InvalidPack;
import org.springframework.beans.factory.BeanCreationException;

class PackFailureAnalyzerTest {
    private final PackFailureAnalyzer analyzer = new PackFailureAnalyzer();

    @Test
    void aBadPackStopsTheStartWithFileLineAndWhatToDo() {
        // As it arrives: wrapped by whatever made the bean.
        var analysis = analyzer.analyze(new BeanCreationException(
                "packs",
                "could not be made",
                new Packs.InvalidPacks(List.of(new InvalidPack(
                        "types/x.yaml", List.of(new InvalidPack.Finding("/clocks/a", 12, "is wrong")))))));
        assertThat(analysis.getDescription()).contains("types/x.yaml:12 /clocks/a: is wrong", "pack-invalid");
        assertThat(analysis.getAction()).contains("Correct the named lines");
    }

    @Test
    void anUnreadableFolderIsNamed() {
        assertThat(analyzer.analyze(new Packs.UnreadablePacks("/nowhere", new IOException("there is no such folder")))
                        .getDescription())
                .contains("/nowhere", "no such folder");
    }

    @Test
    void otherFailuresAreLeftToOthers() {
        assertThat(analyzer.analyze(new IllegalStateException("else"))).isNull();
    }
}
