package org.skelda.formats.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.Action;
import org.skelda.core.start.FindingId;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Recorded starts with their right answers. Tolerances are those told with the recordings. */
class RecordedStartsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double MILESTONE_s = 0.25;
    private static final double FINDING_s = 0.35;
    private static final double DWELL_s = 0.3;
    private static final double PEAK_c = 3;
    private static final double DIP_v = 0.05;
    private static final double WANTED_LEAD_s = 2.0;
    private static final double WANTED_SHARE = 0.95;
    private static final Set<FindingId> LISTED_WHATEVER_THEY_ASK = EnumSet.of(
            FindingId.STARTER_TIME, FindingId.AUTO_STOP_FAILED, FindingId.CUT_NOT_EFFECTIVE, FindingId.INTERNAL_FIRE);

    record Recorded(JsonNode expected) {
        String file() {
            return expected.path("file").asString();
        }

        JsonNode judged() throws IOException {
            try (InputStream in =
                    Objects.requireNonNull(RecordedStartsTest.class.getResourceAsStream("/starts/" + file()), file())) {
                TraceAnalysis analysis = TraceAnalysis.of(
                        file(),
                        in,
                        expected.path("type").asString(),
                        expected.path("elevation_ft").doubleValue());
                return JSON.readTree(AnalysisJson.text(List.of(analysis))).get(0);
            }
        }

        @Override
        public String toString() {
            return file();
        }
    }

    static List<Recorded> labelled() throws IOException {
        return of("labelled/");
    }

    static List<Recorded> normal() throws IOException {
        return of("normal/");
    }

    private static List<Recorded> of(String folder) throws IOException {
        try (InputStream in = RecordedStartsTest.class.getResourceAsStream("/starts/expected.json")) {
            return JSON.readTree(in).values().stream()
                    .map(Recorded::new)
                    .filter(recorded -> recorded.file().startsWith(folder))
                    .toList();
        }
    }

    @ParameterizedTest
    @MethodSource("labelled")
    void isJudgedAsItsAnswerSays(Recorded recorded) throws IOException {
        JsonNode attempts = recorded.judged().path("attempts");
        JsonNode expected = recorded.expected().path("attempts");
        assertThat(attempts.size()).as("attempts").isEqualTo(expected.size());
        SoftAssertions softly = new SoftAssertions();
        for (int i = 0; i < expected.size(); i++) {
            compare(softly, attempts.get(i), expected.get(i));
        }
        softly.assertAll();
    }

    private static void compare(SoftAssertions softly, JsonNode attempt, JsonNode expected) {
        JsonNode ranges = expected.path("ranges");
        near(softly, "startedAt_s", attempt, expected, ranges, MILESTONE_s);
        softly.assertThat(acceptedOutcomes(attempt, expected))
                .as("accepted outcomes")
                .contains(attempt.path("outcome").asString());
        expected.path("milestones")
                .propertyNames()
                .forEach(name -> near(
                        softly, name, attempt.path("milestones"), expected.path("milestones"), ranges, MILESTONE_s));
        findings(softly, attempt, expected);
        softly.assertThat(attempt.path("exceedances").size())
                .as("exceedances")
                .isEqualTo(expected.path("exceedances").size());
        for (int i = 0;
                i < expected.path("exceedances").size()
                        && i < attempt.path("exceedances").size();
                i++) {
            JsonNode wanted = expected.path("exceedances").get(i);
            JsonNode got = attempt.path("exceedances").get(i);
            near(softly, "limit_c", got, wanted, ranges, 0);
            near(softly, "from_s", got, wanted, ranges, FINDING_s);
            near(softly, "exceededAt_s", got, wanted, ranges, FINDING_s);
            near(softly, "dwell_s", got, wanted, ranges, DWELL_s);
            near(softly, "peak_c", got, wanted, ranges, PEAK_c);
        }
        near(softly, "value_c", attempt.path("peakTemperature"), expected.path("peakTemperature"), ranges, PEAK_c);
        near(softly, "dipVoltage_v", attempt, expected, ranges, DIP_v);
        near(softly, "timeToLightOff_s", attempt, expected, ranges, MILESTONE_s);
        near(softly, "timeToIdle_s", attempt, expected, ranges, MILESTONE_s);
        near(softly, "starterOn_s", attempt, expected, ranges, FINDING_s);
    }

    /**
     * The answers were made without a forecast. A start that a crew cut in time was going to be hot: called before the
     * cut, its outcome is the prediction.
     */
    private static List<String> acceptedOutcomes(JsonNode attempt, JsonNode expected) {
        List<String> accepted = new ArrayList<>(expected.path("acceptedOutcomes").values().stream()
                .map(JsonNode::asString)
                .toList());
        boolean called = attempt.path("findings").values().stream()
                .anyMatch(finding -> finding.path("id").asString().equals("HOT_PREDICTED"));
        if (called
                && accepted.contains("CREW_ABORT")
                && attempt.path("milestones").path("IDLE").isNull()) {
            accepted.add("HOT_PREDICTED");
        }
        return accepted;
    }

    private static void findings(SoftAssertions softly, JsonNode attempt, JsonNode expected) {
        Map<String, Double> wanted = new TreeMap<>();
        expected.path("findings")
                .values()
                .forEach(
                        finding -> wanted.put(key(finding), finding.path("at_s").doubleValue()));
        Map<String, Double> got = new TreeMap<>();
        attempt.path("findings").values().stream()
                .filter(RecordedStartsTest::isListed)
                .forEach(finding -> got.put(key(finding), finding.path("at_s").doubleValue()));
        softly.assertThat(got.keySet()).as("findings that cut").isEqualTo(wanted.keySet());
        wanted.forEach((key, at) -> {
            if (got.containsKey(key)) {
                softly.assertThat(got.get(key)).as(key).isCloseTo(at, within(FINDING_s));
            }
        });
    }

    private static String key(JsonNode finding) {
        return finding.path("id").asString() + " " + finding.path("action").asString();
    }

    private static boolean isListed(JsonNode finding) {
        FindingId id = FindingId.valueOf(finding.path("id").asString());
        return id != FindingId.HOT_PREDICTED
                && (Action.valueOf(finding.path("action").asString()).cuts() || LISTED_WHATEVER_THEY_ASK.contains(id));
    }

    private static void near(
            SoftAssertions softly, String name, JsonNode got, JsonNode expected, JsonNode ranges, double tolerance) {
        JsonNode range = ranges.path(name);
        JsonNode value = got.path(name);
        if (!range.isMissingNode()) {
            boolean inside = value.isNull()
                    ? range.get(1).isNull()
                    : value.doubleValue() >= range.get(0).doubleValue() - tolerance
                            && (range.get(1).isNull()
                                    || value.doubleValue() <= range.get(1).doubleValue() + tolerance);
            softly.assertThat(inside)
                    .as(name + " of " + value + " within " + range)
                    .isTrue();
        } else if (expected.path(name).isNull() || value.isNull()) {
            softly.assertThat(value.isNull())
                    .as(name + " is " + value + ", expected " + expected.path(name))
                    .isEqualTo(expected.path(name).isNull());
        } else {
            softly.assertThat(value.doubleValue())
                    .as(name)
                    .isCloseTo(expected.path(name).doubleValue(), within(tolerance));
        }
    }

    @ParameterizedTest
    @MethodSource("normal")
    void anOrdinaryStartDrawsNoFindingThatCuts(Recorded recorded) throws IOException {
        assertThat(recorded.judged().path("attempts").values())
                .isNotEmpty()
                .allSatisfy(attempt -> assertThat(attempt.path("findings").values())
                        .noneMatch(
                                finding -> Action.valueOf(finding.path("action").asString())
                                        .cuts()));
    }

    @Test
    void tooHotIsCalledTwoSecondsAhead() throws IOException {
        List<String> late = new ArrayList<>();
        List<Recorded> hot = of("hot/");
        for (Recorded recorded : hot) {
            JsonNode findings = recorded.judged().path("attempts").get(0).path("findings");
            double called = findings.values().stream()
                    .filter(finding -> finding.path("id").asString().equals("HOT_PREDICTED"))
                    .mapToDouble(finding -> finding.path("at_s").doubleValue())
                    .findFirst()
                    .orElse(Double.POSITIVE_INFINITY);
            if (recorded.expected().path("firstExceeded_s").doubleValue() - called < WANTED_LEAD_s) {
                late.add(recorded.file() + " called at " + called + " before "
                        + recorded.expected().path("firstExceeded_s"));
            }
        }
        assertThat(late).as("called late, of " + hot.size()).hasSizeLessThanOrEqualTo((int)
                Math.floor(hot.size() * (1 - WANTED_SHARE)));
    }

    @Test
    void belowFourSamplesASecondNothingIsForecast() throws IOException {
        for (Recorded recorded : labelled()) {
            if (recorded.expected().path("kind").asString().equals("once a second")) {
                assertThat(recorded.judged()
                                .path("attempts")
                                .get(0)
                                .path("findings")
                                .values())
                        .noneMatch(finding -> finding.path("id").asString().equals("HOT_PREDICTED"));
            }
        }
    }
}
