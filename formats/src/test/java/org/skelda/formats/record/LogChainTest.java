package org.skelda.formats.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LogChainTest {
    private final List<String> sealed = SampleLog.sealed();

    static IntStream places() {
        return IntStream.range(0, SampleLog.events().size());
    }

    @Test
    void aWholeLogGivesItsHead() {
        assertThat(sealed.getLast()).contains("\"hash\":\"" + LogChain.check(sealed) + "\"");
    }

    @ParameterizedTest
    @MethodSource("places")
    void aChangedTextIsFoundWhereItIs(int place) {
        List<String> changed = new ArrayList<>(sealed);
        changed.set(place, sealed.get(place).replaceFirst("(Runa Halden|Joar Stenvik)", "Somebody Else"));
        assertThatThrownBy(() -> LogChain.check(changed))
                .isInstanceOfSatisfying(
                        LogChain.Broken.class, e -> assertThat(e.seq()).isEqualTo(place + 1));
    }

    @ParameterizedTest
    @MethodSource("places")
    void oneThatIsMissingIsFound(int place) {
        List<String> shorter = new ArrayList<>(sealed);
        shorter.remove(place);
        if (place < sealed.size() - 1) {
            assertThatThrownBy(() -> LogChain.check(shorter))
                    .isInstanceOf(LogChain.Broken.class)
                    .hasMessageContaining("event " + (place == 0 ? 1 : place + 1) + " ");
        } else {
            assertThat(LogChain.check(shorter))
                    .as("a shorter log is whole in itself")
                    .isNotEqualTo(LogChain.check(sealed));
        }
    }

    @Test
    void whatIsNoEventIsSaid() {
        assertThatThrownBy(() -> LogChain.check(List.of("{")))
                .isInstanceOf(LogChain.Broken.class)
                .hasMessage("event 1 is not readable as JSON");
        assertThatThrownBy(() -> LogChain.check(List.of("7")))
                .isInstanceOf(LogChain.Broken.class)
                .hasMessage("event 1 is not readable as JSON");
        assertThatThrownBy(() -> LogChain.check(List.of("{\"seq\":1}")))
                .isInstanceOf(LogChain.Broken.class)
                .hasMessage("event 1 is not the opening of a departure");
    }
}
