package org.skelda.formats.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.order.Feeds;
import org.skelda.core.order.StartOrder;
import org.skelda.core.procedure.TypeSheet;

/** What the shipped types tell of their engines' order, as a crew reads it. */
class OrderOfPacksTest {
    private static final Path PACKS = Path.of("../packs");

    private static TypeSheet type(String name) throws IOException {
        return type(Files.readString(PACKS.resolve("types/" + name + ".yaml")), name);
    }

    private static TypeSheet type(String document, String name) throws IOException {
        return ShippedPacks.plan(document, Files.readString(PACKS.resolve("procedures/" + name + ".yaml")))
                .type();
    }

    private static StartOrder.View order(TypeSheet type, int first) {
        return StartOrder.view(
                        Objects.requireNonNull(type.feeds()),
                        type.electrics(),
                        ("first-engine-" + first)::equals,
                        first)
                .orElseThrow();
    }

    @Test
    void theEngineThatFeedsTheBrakesGoesFirstAndWhatTheOtherWouldChangeIsTold() throws IOException {
        StartOrder.View view = order(type("havern-2m"), 2);
        assertThat(view.today().means())
                .containsExactly(
                        "It gives brakes and gear.",
                        "On it alone steering hangs on the electric pump or the transfer pump. One way at a time.",
                        "People on the steps are on the left, away from it.",
                        "On its side, the right, are loaders at the holds: it waits until nobody is there.",
                        "Its generator alone carries Main 2, Essential AC and Battery bus.",
                        "Main 1 comes once a tie is closed by hand.");
        assertThat(view.instead()).hasSize(1);
        assertThat(view.instead().getFirst().means())
                .contains(
                        "On it alone brakes hang on the transfer pump. One way at a time.",
                        "Its generator alone carries Main 1, Essential AC and Battery bus.");
    }

    @Test
    void oneThatHasBothNeedsNoHelp() throws IOException {
        assertThat(order(type("havern-2a"), 1).today().means())
                .contains("On it alone the aircraft has brakes and steering, without help.");
    }

    @ParameterizedTest
    @CsvSource({"havern-2m, 2", "havern-2a, 2", "havern-4, 4", "lomvi-t2, 2", "teista-b2, 2"})
    void everyTypeOfSeveralEnginesTellsEachOfThem(String name, int engines) throws IOException {
        Feeds feeds = Objects.requireNonNull(type(name).feeds());
        assertThat(feeds.engines()).hasSize(engines);
        for (Feeds.Engine engine : feeds.engines()) {
            assertThat(order(type(name), engine.engine()).today().engine()).isEqualTo(engine.engine());
        }
    }

    @Test
    void aStateThatTheTypeDoesNotHaveIsSaidWithItsPlace() throws IOException {
        String document = Files.readString(PACKS.resolve("types/havern-2m.yaml"));
        assertThatThrownBy(() -> type(document.replace("first: first-engine-1}", "first: engine-9}"), "havern-2m"))
                .isInstanceOf(InvalidPack.class)
                .hasMessageContaining("'engine-9', which the type does not have");
        assertThatThrownBy(() -> type(document.replace("onOne: one-engine-taxi", "onOne: engine-9"), "havern-2m"))
                .isInstanceOf(InvalidPack.class)
                .hasMessageContaining("/taxi");
    }
}
