package org.skelda.formats.start;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Exceedance;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is said of traces, as the JSON array of the open format. Times are seconds to the millisecond. */
public final class AnalysisJson {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double MILLI = 1000;
    private static final double US_PER_S = 1e6;

    private AnalysisJson() {}

    /** One object for each analysis, in their order. */
    public static String text(List<TraceAnalysis> analyses) {
        ArrayNode array = JSON.createArrayNode();
        analyses.forEach(analysis -> file(array.addObject(), analysis));
        return array.toString();
    }

    private static void file(ObjectNode node, TraceAnalysis analysis) {
        node.put("file", analysis.file());
        node.put("type", analysis.profile().typeId());
        ArrayNode attempts = node.putArray("attempts");
        analysis.attempts().forEach(attempt -> attempt(attempts.addObject(), attempt, analysis));
    }

    private static void attempt(ObjectNode node, AttemptReport attempt, TraceAnalysis analysis) {
        node.put("startedAt_s", rounded(attempt.startedAt_us() / US_PER_S));
        node.put("outcome", attempt.outcome().code());
        ObjectNode milestones = node.putObject("milestones");
        for (Milestone milestone : Milestone.values()) {
            milestones.put(milestone.name(), seconds(attempt.milestones().get(milestone)));
        }
        ArrayNode findings = node.putArray("findings");
        attempt.findings().forEach(finding -> finding(findings.addObject(), finding));
        ArrayNode exceedances = node.putArray("exceedances");
        attempt.exceedances().forEach(exceedance -> exceedance(exceedances.addObject(), exceedance));
        ArrayNode gaps = node.putArray("dataGaps");
        attempt.gaps()
                .forEach(gap -> gaps.addObject()
                        .put("parameter", analysis.columns().get(gap.parameter()))
                        .put("from_s", seconds(gap.from()))
                        .put("to_s", seconds(gap.to())));
        AttemptReport.Peak peak = attempt.peak();
        if (peak == null) {
            node.putNull("peakTemperature");
        } else {
            node.putObject("peakTemperature")
                    .put("value_c", rounded(peak.value_c()))
                    .put("at_s", seconds(peak.at()));
        }
        AttemptReport.Remembered figures = attempt.figures();
        node.put("fuelPreferred_s", seconds(figures.fuelPreferred()));
        node.put("dipVoltage_v", rounded(figures.dip_v()));
        node.put("timeToLightOff_s", seconds(figures.timeToLightOff()));
        node.put("timeToIdle_s", seconds(figures.timeToIdle()));
        node.put("fuelFlowAtLightOff_kgph", rounded(figures.flowAtLightOff_kgph()));
        node.put("starterOn_s", seconds(figures.starterOn()));
    }

    private static void finding(ObjectNode node, Finding finding) {
        node.put("id", finding.id().name())
                .put("at_s", seconds(finding.at()))
                .put("action", finding.action().name())
                .put("reason", finding.reason());
    }

    private static void exceedance(ObjectNode node, Exceedance exceedance) {
        node.put("limit_c", exceedance.limit().value())
                .put("allowed_s", seconds(exceedance.limit().allowed()))
                .put("from_s", seconds(exceedance.from()))
                .put("dwell_s", seconds(exceedance.dwell()))
                .put("exceededAt_s", seconds(exceedance.exceededAt()))
                .put("peak_c", rounded(exceedance.extreme()));
    }

    private static @Nullable Double seconds(@Nullable Duration duration) {
        return duration == null ? null : (Double) (Math.round(duration.toNanos() / US_PER_S) / MILLI);
    }

    private static @Nullable Double rounded(@Nullable Double value) {
        return value == null ? null : (Double) (Math.round(value * MILLI) / MILLI);
    }
}
