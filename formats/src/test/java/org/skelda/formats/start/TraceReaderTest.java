package org.skelda.formats.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.start.Sample;
import org.skelda.core.start.Switch;

/** Traces are read as their format says, and what cannot be used is refused with file, line and what was expected. */
class TraceReaderTest {
    private static final String HEADER = "t_s,n2_pct,egt_c,starter,fuel";
    private static final String ROW = "0,0,15,0,0";

    private static List<Sample> samples(String text) {
        return read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static List<Sample> read(byte[] bytes) {
        try {
            return TraceReader.of("a.csv", new ByteArrayInputStream(bytes)).samples(StartProfiles.of("HAVERN-2M"));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @ParameterizedTest(name = "{2}")
    @CsvSource(delimiter = '|', quoteCharacter = '\'', textBlock = """
            # text with \\n for line ends | line | what is said
            '' | 0 | the file is empty; expected a header line with t_s and one row for each sample
            '\\n \\n\\n' | 0 | the file is empty; expected a header line with t_s and one row for each sample
            '# a comment\\n# another' | 2 | no header line; expected one with t_s, starter, fuel and the type's columns
            'HEADER' | 1 | no data row after the header
            'HEADER\\n\\n\\n' | 3 | no data row after the header
            '0,1,2,3,4\\n0,0,0,0,0' | 1 | the columns t_s, starter, fuel, n2_pct, egt_c are missing; expected a \
            header line with t_s, starter, fuel and the type's columns
            't_s,egt_c,starter,fuel\\n0,15,0,0' | 1 | the column n2_pct is missing for a Havern 2M
            't_s,n2_pct,starter,fuel\\n0,15,0,0' | 1 | the column egt_c is missing for a Havern 2M
            't_s,t_s,n2_pct,egt_c,starter,fuel\\n0,0,0,15,0,0' | 1 | the column t_s is there twice
            'HEADER\\nROW\\n0.1,abc,15,0,0' | 3 | n2_pct is 'abc'; expected a number
            'HEADER\\nROW\\n0.1,NaN,15,0,0' | 3 | n2_pct is 'NaN'; expected a number
            'HEADER\\nROW\\n0.1,Infinity,15,0,0' | 3 | n2_pct is 'Infinity'; expected a number
            'HEADER\\nROW\\n0.1,1.5d,15,0,0' | 3 | n2_pct is '1.5d'; expected a number
            'HEADER\\nROW\\n0.1,1e400,15,0,0' | 3 | n2_pct is 1e400, which no such reading can be
            'HEADER\\nROW\\n0.1,1,15,2,0' | 3 | starter is '2'; expected 0 or 1
            'HEADER\\nROW\\n0.1,1,15,0,on' | 3 | fuel is 'on'; expected 0 or 1
            'HEADER\\n1,0,15,0,0\\n0.9,0,15,0,0' | 3 | t_s goes from 1.0 to 0.9; times must rise from row to row
            'HEADER\\n1,0,15,0,0\\n\\n1,0,15,0,0' | 4 | t_s goes from 1.0 to 1; times must rise from row to row
            'HEADER\\n,0,15,0,0' | 2 | a row without t_s; expected seconds from the start of the trace
            'HEADER\\nROW\\n0.1,0,15,0' | 3 | a row of 4 cells; the header has 5
            'HEADER\\nROW\\n0.1,0,15,0,0,7' | 3 | a row of 6 cells; the header has 5
            'HEADER\\n0,,15,0,0' | 2 | the first row has no reading of n2_pct, which is required
            'HEADER\\n0,0,,0,0' | 2 | the first row has no reading of egt_c, which is required
            'HEADER\\n0,0,15,,0' | 2 | the first row does not tell starter, which is required
            'HEADER\\nROW\\n# late comment' | 3 | a row of 1 cells; the header has 5
            'HEADER\\n0,0,15,0,0\\n9936000,0,15,0,0' | 3 | t_s is 9936000, more than 6 h after the first row; cut \
            it into one file for each start
            'HEADER\\n100,0,15,0,0\\n21700.1,0,15,0,0' | 3 | t_s is 21700.1, more than 6 h after the first row; \
            cut it into one file for each start
            'HEADER\\nROW\\n"0.1,0,15,0,0' | 3 | a quoted cell is not closed properly
            """)
    void whatCannotBeUsedIsRefusedWithItsLine(String text, int line, String said) {
        String real = text.replace("HEADER", HEADER).replace("ROW", ROW).replace("\\n", "\n");
        assertThatThrownBy(() -> samples(real))
                .isInstanceOf(InvalidTrace.class)
                .hasMessage((line == 0 ? "a.csv: " : "a.csv:" + line + ": ") + said);
    }

    @Test
    void bytesThatAreNoTextAreRefused() {
        assertThatThrownBy(() -> read(new byte[] {'t', '\n', (byte) 0xff, (byte) 0xfe, 0}))
                .hasMessage("a.csv:2: not UTF-8 text; expected CSV");
    }

    @Test
    void overTwentyMegabytesIsRefused() {
        assertThatThrownBy(() -> read(new byte[20_000_001])).hasMessageStartingWith("a.csv: over 20 MB");
    }

    @Test
    void columnsRowsAndCellsAreBounded() {
        assertThatThrownBy(() -> samples(HEADER + ",x".repeat(196) + "\n"))
                .hasMessage("a.csv:1: a header of 201 columns; a trace has at most 200");
        assertThatThrownBy(() -> samples(HEADER + ",note\n" + ROW + "," + "n".repeat(1001) + "\n"))
                .hasMessageStartingWith("a.csv:2: a cell of 1001 characters, 'nnn");
        StringBuilder rows = new StringBuilder(HEADER).append('\n');
        for (int i = 0; i <= 400_000; i++) {
            rows.append(i / 50.0).append(",0,15,0,0\n");
        }
        assertThatThrownBy(() -> samples(rows.toString()))
                .hasMessage("a.csv:400002: more than 400000 rows; cut it into one file for each start");
        assertThat(samples(rows.substring(0, rows.lastIndexOf("\n", rows.length() - 2) + 1)))
                .hasSize(400_000);
    }

    @Test
    void aByteOrderMarkOtherLineEndsBlankLinesAndUnknownColumnsAreFine() {
        List<Sample> samples = samples(
                "\uFEFF# type: HAVERN-2M\r\n#\r\n\r\nT_S, note ,n2_pct,egt_c,starter,fuel\r\n0,\"a, b\",0,15,0,0\r\n"
                        + "\r\n0.1,,1.5,15.5,1,0\r\n");
        assertThat(samples).hasSize(2);
        assertThat(samples.get(1)).satisfies(sample -> {
            assertThat(sample.at_us()).isEqualTo(100_000);
            assertThat(sample.spool_pct()).isEqualTo(1.5);
            assertThat(sample.starter()).isEqualTo(Switch.ON);
            assertThat(sample.ignition()).as("no such column").isEqualTo(Switch.UNTOLD);
            assertThat(sample.oil_kpa()).as("no such column").isNaN();
        });
    }

    @Test
    void emptyCellsAreNoReading() {
        Sample sample = samples(HEADER + "\n" + ROW + "\n0.1,,,,\n").get(1);
        assertThat(sample.spool_pct()).isNaN();
        assertThat(sample.temperature_c()).isNaN();
        assertThat(sample.starter()).isEqualTo(Switch.UNTOLD);
    }

    @Test
    void theTypeComesFromAComment() throws IOException {
        TraceReader reader = TraceReader.of(
                "a.csv",
                new ByteArrayInputStream(
                        ("# made up\n# Type:  lomvi-t1 \n" + HEADER).getBytes(StandardCharsets.UTF_8)));
        assertThat(reader.type()).contains("lomvi-t1");
        assertThat(reader.typeLine()).isEqualTo(2);
    }

    @Test
    void withoutATypeOrWithAnUnknownOneNothingIsJudged() {
        assertThatThrownBy(() -> TraceAnalysis.of(
                        "a.csv",
                        new ByteArrayInputStream((HEADER + "\n" + ROW).getBytes(StandardCharsets.UTF_8)),
                        null,
                        0))
                .hasMessageStartingWith(
                        "a.csv: no type; give --type or a comment line '# type: ...' before the header, one of "
                                + "HAVERN-2M");
        assertThatThrownBy(() -> TraceAnalysis.of(
                        "a.csv",
                        new ByteArrayInputStream(("#\n# type: X9\n" + HEADER).getBytes(StandardCharsets.UTF_8)),
                        null,
                        0))
                .hasMessage("a.csv:2: there is no type 'X9'; it is one of HAVERN-2M, HAVERN-2A, HAVERN-4, LOMVI-T1, "
                        + "LOMVI-T2, TEISTA-B2");
    }

    @Test
    void aStarterThatIsOnInTheFirstRowIsToldAndNotJudged() throws IOException {
        TraceAnalysis analysis = TraceAnalysis.of(
                "a.csv",
                new ByteArrayInputStream((HEADER + "\n0,9,15,1,0\n0.1,9,15,1,0").getBytes(StandardCharsets.UTF_8)),
                "HAVERN-2M",
                0);
        assertThat(analysis.starterOnAtFirst()).isTrue();
        assertThat(analysis.attempts()).isEmpty();
    }
}
