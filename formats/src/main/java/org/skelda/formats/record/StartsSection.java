package org.skelda.formats.record;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelda.core.attempt.Attempts;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.departure.Event;
import org.skelda.core.log.LogEntry;
import org.skelda.formats.attempt.AttemptCodec;
import org.skelda.formats.log.Fields;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The engine starts of a record in short: what its events tell of each attempt, with the hash of its trace. It says
 * nothing of its own.
 */
final class StartsSection {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private StartsSection() {}

    /** @param events the envelopes in order @throws InvalidEvent when one cannot be read */
    static ArrayNode of(List<JsonNode> events) {
        Attempts attempts = Attempts.NONE;
        for (JsonNode event : events) {
            LogEntry<Event> entry = EventCodec.read(event);
            if (entry.event() instanceof Event.OfAttempt(var fact)) {
                attempts = attempts.apply(entry.with(fact));
            }
        }
        ArrayNode section = JSON.createArrayNode();
        attempts.all().forEach(start -> section.add(written(start)));
        return section;
    }

    private static ObjectNode written(StartRecord start) {
        ObjectNode node = JSON.createObjectNode()
                .put("engine", start.engine())
                .put("number", start.number())
                .put("startedAt", start.startedAt().toString())
                .put("tapped", start.tapped() != null);
        ObjectNode milestones = node.putObject("milestones");
        start.milestones().entrySet().stream()
                .sorted(Map.Entry.comparingByKey(Comparator.naturalOrder()))
                .forEach(entry -> milestones.put(entry.getKey().name(), Fields.seconds(entry.getValue())));
        ArrayNode findings = node.putArray("findings");
        start.findings()
                .forEach(finding -> findings.addObject()
                        .put("id", finding.id().name())
                        .put("at_s", Fields.seconds(finding.at()))
                        .put("action", finding.action().name())
                        .put("reason", finding.reason()));
        if (start.summary() != null) {
            AttemptCodec.summary(node, start.summary());
        }
        return start.traceSha256() == null ? node : node.put("traceSha256", start.traceSha256());
    }
}
