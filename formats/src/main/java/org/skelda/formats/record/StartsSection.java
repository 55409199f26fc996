package org.skelda.formats.record;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelda.core.departure.LogEntry;
import org.skelda.core.departure.StartRecord;
import org.skelda.core.departure.Starts;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The engine starts of a record in short: what its events tell of each attempt, with the hash of its trace. It says nothing of its own. */
final class StartsSection {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private StartsSection() {}

    /** @param events the envelopes in order @throws InvalidEvent when one cannot be read */
    static ArrayNode of(List<JsonNode> events) {
        List<LogEntry> log = events.stream().map(EventCodec::read).toList();
        ArrayNode section = JSON.createArrayNode();
        Starts.of(log).values().forEach(starts -> starts.forEach(start -> section.add(written(start))));
        return section;
    }

    private static ObjectNode written(StartRecord start) {
        ObjectNode node = JSON.createObjectNode().put("engine", start.engine()).put("number", start.number())
                .put("startedAt", start.startedAt().toString()).put("tapped", start.tapped() != null);
        ObjectNode milestones = node.putObject("milestones");
        start.milestones().entrySet().stream().sorted(Map.Entry.comparingByKey(Comparator.naturalOrder()))
                .forEach(entry -> milestones.put(entry.getKey().name(), StartPayloads.seconds(entry.getValue())));
        ArrayNode findings = node.putArray("findings");
        start.findings().forEach(finding -> findings.addObject().put("id", finding.id().name()).put("at_s", StartPayloads.seconds(finding.at()))
                .put("action", finding.action().name()).put("reason", finding.reason()));
        if (start.summary() != null) {
            StartPayloads.summary(node, start.summary());
        }
        return start.traceSha256() == null ? node : node.put("traceSha256", start.traceSha256());
    }
}
