package org.skelda.formats.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.departure.Event;
import org.skelda.core.log.LogEntry;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class EventCodecTest {

    static Stream<LogEntry<Event>> entries() {
        return SampleLog.entries().stream();
    }

    @ParameterizedTest
    @MethodSource("entries")
    void whatIsWrittenIsReadAgain(LogEntry<Event> entry) {
        assertThat(EventCodec.read(EventCodec.write(entry).toString())).isEqualTo(entry);
    }

    @Test
    void theSampleHoldsEveryTypeOfEvent() {
        assertThat(SampleLog.events().stream().map(EventCodec::type).distinct())
                .containsExactlyInAnyOrderElementsOf(EventCodec.types());
    }

    /** As the first version wrote them: an engine by its bare number, an opening without its kind. */
    @ParameterizedTest
    @MethodSource("entries")
    void eventsOfTheFirstVersionAreReadAsTheyWere(LogEntry<Event> entry) {
        ObjectNode node = EventCodec.write(entry);
        assumeThat(node.path("v").intValue()).isEqualTo(2);
        ObjectNode payload = (ObjectNode) node.path("payload");
        if (payload.has("of")) {
            payload.put("engine", payload.remove("of").asString().charAt(7) - '0');
        }
        payload.remove("kind");
        node.put("v", 1);
        assertThat(EventCodec.read(node.toString())).isEqualTo(entry);
        assertThat(HashChain.seal(node, "0".repeat(64))).isEqualTo(HashChain.hash(node));
    }

    @ParameterizedTest
    @CsvSource({
        "type,\"Launched\",not known",
        "v,3,version 3",
        "v,0,version 0",
        "at,\"noon\",noon",
        "id,\"x\",x",
        "subject,\"line:a/b\",does not fit",
        "actor,7,is missing"
    })
    void anEventThatCannotBeReadSaysWhy(String field, String json, String says) {
        ObjectNode node = EventCodec.write(SampleLog.entries().get(6));
        node.set(field, JsonMapper.builder().build().readTree(json));
        assertThatThrownBy(() -> EventCodec.read(node))
                .isInstanceOf(InvalidEvent.class)
                .hasMessageContaining(says);
    }
}
