package org.skelda.formats.feed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;

class FeedReaderTest {
    private static final String GOOD =
            "{\"t\":\"2026-05-04T09:12:33.100Z\",\"subject\":\"engine:2\",\"n2_pct\":22.4,\"egt_c\":61,"
                    + "\"starter\":1,\"fuel\":0,\"hue\":\"x\"}";

    static LongStream seeds() {
        return LongStream.rangeClosed(1, 30);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsWrittenIsReadAgain(long seed) {
        Random random = new Random(seed);
        for (StartProfile.Engine engine : StartProfile.Engine.values()) {
            Sample sample = new Sample(
                    1_777_886_353_100_000L + random.nextInt(1_000_000),
                    maybe(random, 120),
                    maybe(random, 120),
                    maybe(random, 1300),
                    maybe(random, 900),
                    maybe(random, 600),
                    maybe(random, 300),
                    maybe(random, 30),
                    maybe(random, 900),
                    told(random),
                    told(random),
                    told(random));
            String text = FeedWriter.batch(Subject.engine(1 + random.nextInt(4)), List.of(sample), engine);
            assertThat(read(text, engine)).singleElement().satisfies(line -> {
                assertThat(line.sample()).isEqualTo(sample);
                assertThat(line.impossible()).isEmpty();
            });
        }
    }

    private static double maybe(Random random, double most) {
        return random.nextInt(4) == 0 ? Double.NaN : random.nextDouble(most);
    }

    private static Switch told(Random random) {
        return Switch.values()[random.nextInt(3)];
    }

    @Test
    void lightsThatAreWrittenAreReadAgainAndALineWithoutThemTellsNothing() {
        String line = FeedWriter.lights(1_777_886_353_100_000L, List.of("fire-bell", "fire-apu"));
        assertThat(read(line, StartProfile.Engine.JET)).singleElement().satisfies(read -> {
            assertThat(read.subject()).isEqualTo(Subject.AIRCRAFT);
            assertThat(read.lights()).containsExactly("fire-bell", "fire-apu");
            assertThat(read.sample().at_us()).isEqualTo(1_777_886_353_100_000L);
        });
        assertThat(read(FeedWriter.lights(1_777_886_353_100_000L, List.of()), StartProfile.Engine.JET)
                        .getFirst()
                        .lights())
                .isEmpty();
        assertThat(read(GOOD, StartProfile.Engine.JET).getFirst().lights()).isNull();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"fire-bell\"|is no list of at most 400 names",
                "[1]|holds something that is no name of a light",
                "[\"0123456789012345678901234567890123456789012345678901234567890\"]|is no name of a light",
            })
    void lightsThatAreNoneRefuseTheBatchByTheirLine(String lights, String words) {
        String line = "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"aircraft\",\"lights\":" + lights + "}";
        assertThatThrownBy(() -> read(GOOD + "\n" + line, StartProfile.Engine.JET))
                .isInstanceOf(InvalidFeed.class)
                .hasMessageContaining("line 2")
                .hasMessageContaining(words);
    }

    @Test
    void whatTheElectricsShowIsReadAsItWasWrittenAndWhatNoInstrumentShowsIsLeftOut() {
        PowerSample power = new PowerSample(
                1_777_886_353_100_000L,
                Map.of(
                        "battery", new PowerSample.OfSource(Switch.UNTOLD, Switch.ON, 24.2, -31.5),
                        "ground", new PowerSample.OfSource(Switch.ON, Switch.OFF, Double.NaN, Double.NaN)),
                Map.of("tie", Switch.OFF),
                Map.of("main-1", Switch.ON, "main-2", Switch.OFF));
        assertThat(read(FeedWriter.aircraft(power.at_us(), null, null, power), StartProfile.Engine.JET)
                        .getFirst()
                        .power())
                .isEqualTo(power);
        FeedLine wrong = read(
                        electrics("{\"sources\":{\"battery\":{\"on\":1,\"voltage_v\":400}}}"), StartProfile.Engine.JET)
                .getFirst();
        assertThat(wrong.impossible()).containsExactly("voltage_v of 400 is outside 0.0 to 300.0");
        assertThat(wrong.power()).isNotNull();
        assertThat(wrong.power().sources().get("battery").voltage_V()).isNaN();
        assertThat(read(GOOD, StartProfile.Engine.JET).getFirst().power()).isNull();
    }

    private static String electrics(String value) {
        return "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"aircraft\",\"electrics\":" + value + "}";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[1]|is no object of sources, ties and buses",
                "{\"sources\":[1]}|is no object of at most 40 names",
                "{\"sources\":{\"battery\":1}}|holds something that is no source",
                "{\"sources\":{\"battery\":{\"on\":2}}}|is 2; expected 0 or 1",
                "{\"sources\":{\"battery\":{\"voltage_v\":\"much\"}}}|is not a number",
                "{\"buses\":{\"0123456789012345678901234567890123456789012345678901234567890\":1}}|of more than 60",
            })
    void electricsThatAreNoneRefuseTheBatchByTheirLine(String value, String words) {
        assertThatThrownBy(() -> read(GOOD + "\n" + electrics(value), StartProfile.Engine.JET))
                .isInstanceOf(InvalidFeed.class)
                .hasMessageContaining("line 2")
                .hasMessageContaining(words);
    }

    @Test
    void whatInertialUnitsShowIsReadAsItWasWritten() {
        Position stand = new Position(62.41, -10.82);
        UnitsSample whole = new UnitsSample(
                1_777_886_353_100_000L,
                Arrays.asList(
                        new UnitsSample.One(
                                InertialUnit.Phase.ALIGNING,
                                312.25,
                                null,
                                stand,
                                Double.NaN,
                                "A1",
                                Switch.ON,
                                Switch.ON),
                        null,
                        new UnitsSample.One(null, Double.NaN, stand, null, 3.5, null, Switch.UNTOLD, Switch.UNTOLD)));
        FeedLine read = read(FeedWriter.aircraft(1_777_886_353_100_000L, null, whole, null), StartProfile.Engine.JET)
                .getFirst();
        assertThat(read.units()).isEqualTo(whole);
        assertThat(read.lights()).isNull();
        assertThat(read(GOOD, StartProfile.Engine.JET).getFirst().units()).isNull();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "5|is no list of at most 4 units",
                "[1]|holds something that is no unit",
                "[{\"state\":\"asleep\"}]|expected one of off, aligning, navigating, storing",
                "[{\"code\":\"0123456789012\"}]|is no text of at most 12 characters",
                "[{\"left_s\":\"long\"}]|is not a number",
                "[{\"moving\":2}]|moving",
                "[{},{},{},{},{}]|is no list of at most 4 units",
            })
    void inertialUnitsThatAreNoneRefuseTheBatchByTheirLine(String units, String words) {
        String line = "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"aircraft\",\"inertial\":" + units + "}";
        assertThatThrownBy(() -> read(GOOD + "\n" + line, StartProfile.Engine.JET))
                .isInstanceOf(InvalidFeed.class)
                .hasMessageContaining("line 2")
                .hasMessageContaining(words);
    }

    @Test
    void anInertialUnitNorthOfThePoleIsLeftOutAndSaid() {
        String line = "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"aircraft\",\"inertial\":"
                + "[{\"state\":\"aligning\",\"lat_deg\":91,\"lon_deg\":5}]}";
        FeedLine read = read(line, StartProfile.Engine.JET).getFirst();
        assertThat(read.units().units().getFirst().position()).isNull();
        assertThat(read.impossible()).singleElement().asString().contains("lat_deg of 91");
    }

    @Test
    void anApusReadingsAreReadAsTheyWereWritten() {
        ApuSample whole = new ApuSample(
                1_777_886_353_100_000L,
                96.4,
                612,
                Switch.ON,
                Switch.OFF,
                Switch.UNTOLD,
                Switch.ON,
                Switch.OFF,
                Switch.ON,
                Switch.OFF,
                Switch.OFF,
                AutomaticStop.GEARBOX_OIL_HOT);
        assertThat(read(FeedWriter.apu(whole), StartProfile.Engine.JET))
                .singleElement()
                .satisfies(line -> {
                    assertThat(line.subject()).isEqualTo(Subject.APU);
                    assertThat(line.apu()).isEqualTo(whole);
                });
        assertThat(read(GOOD, StartProfile.Engine.JET).getFirst().apu()).isNull();
    }

    @Test
    void aSpeedThatNoApuHasIsLeftOutAndTold() {
        String line = "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"apu\",\"speed_pct\":400,\"egt_c\":20}";
        assertThat(read(line, StartProfile.Engine.JET)).singleElement().satisfies(read -> {
            assertThat(read.apu().speed_pct()).isNaN();
            assertThat(read.apu().temperature_c()).isEqualTo(20);
            assertThat(read.impossible()).singleElement().asString().contains("speed_pct of 400");
        });
    }

    @Test
    void anUnknownNameIsIgnoredAndBlankLinesAreSkipped() {
        List<FeedLine> lines = read("\n" + GOOD + "\r\n\n" + GOOD.replace("33.100", "33.200"), StartProfile.Engine.JET);
        assertThat(lines).extracting(FeedLine::subject).containsExactly(Subject.engine(2), Subject.engine(2));
        assertThat(lines.getFirst().sample().spool_pct()).isEqualTo(22.4);
        assertThat(lines.getFirst().sample().ignition()).isEqualTo(Switch.UNTOLD);
    }

    @ParameterizedTest
    @CsvSource({"n2_pct, 900", "egt_c, 5000", "ff_kgph, -50", "oil_kpa, 1e9", "n1_pct, -21"})
    void aReadingThatNoInstrumentShowsIsLeftOutAndTold(String name, String value) {
        FeedLine line = read(
                        "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:1\",\"" + name + "\":" + value + "}",
                        StartProfile.Engine.JET)
                .getFirst();
        assertThat(line.impossible()).singleElement().asString().contains(name, "is outside");
        for (var parameter : org.skelda.core.start.Parameter.values()) {
            assertThat(line.sample().of(parameter)).isNaN();
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\u0001',
            value = {
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:2\",\"n2_pct\":\"fast\"}|not a number",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:5\"}|subject",
                "{\"t\":\"2026-05-04T09:12:33Z\"}|subject",
                "{\"t\":\"yesterday\",\"subject\":\"apu\"}|no time",
                "{\"t\":\"0026-05-04T09:12:33Z\",\"subject\":\"apu\"}|no clock shows",
                "{\"subject\":\"apu\"}|no time",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:2\",\"starter\":2}|expected 0 or 1",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:2\",\"fuel\":\"on\"}|expected 0 or 1",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"engine:2\",\"n2_pct\":NaN}|not JSON",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"t\":\"2026-05-04T09:12:34Z\",\"subject\":\"apu\"}|not JSON",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"apu\",\"stopped\":\"tired\"}|expected one of fire",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"apu\",\"master\":2}|expected 0 or 1",
                "{\"t\":\"2026-05-04T09:12:33Z\",\"subject\":\"apu\",\"speed_pct\":\"fast\"}|is not a number",
                "[1,2]|not a JSON object",
                "{\"t\":|not JSON",
                "hello|not JSON"
            })
    void aMalformedLineRefusesTheBatchByItsNumber(String bad, String says) {
        assertThatThrownBy(() -> read(GOOD + "\n" + bad + "\n" + GOOD, StartProfile.Engine.JET))
                .isInstanceOf(InvalidFeed.class)
                .hasMessageStartingWith("line 2: ")
                .hasMessageContaining(says);
    }

    @Test
    void tooManyLinesAndBytesThatAreNoTextAreRefused() {
        assertThatThrownBy(() -> read((GOOD + "\n").repeat(FeedReader.MOST_LINES + 1), StartProfile.Engine.JET))
                .hasMessageContaining("fewer at a time");
        assertThatThrownBy(() -> FeedReader.read(new byte[] {(byte) 0xff, (byte) 0xfe}, StartProfile.Engine.JET))
                .hasMessageContaining("UTF-8");
    }

    private static List<FeedLine> read(String text, StartProfile.Engine engine) {
        return FeedReader.read(text.getBytes(StandardCharsets.UTF_8), engine);
    }
}
