package org.skelda.app.beside;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which start is meant is read as it was written, and nothing else is. */
class StartRefTest {
    private static final UUID ID = new UUID(3, 4);

    @Test
    void whatIsWrittenIsReadAgain() {
        for (StartRef ref :
                new StartRef[] {new StartRef.OfDeparture(ID, 2, 1), new StartRef.Before(ID), new StartRef.OfTrace(ID, 3)
                }) {
            assertThat(StartRef.parse(ref.toString())).contains(ref);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                ".",
                "departure",
                "before.x",
                "trace.1.2.3",
                "departure.00000000-0000-0003-0000-000000000004.2",
                "trace.00000000-0000-0003-0000-000000000004.one",
                "else.00000000-0000-0003-0000-000000000004"
            })
    void nothingElseIs(String text) {
        assertThat(StartRef.parse(text)).isEmpty();
    }
}
