package org.skelda.formats.start;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import tools.jackson.core.io.NumberInput;

/**
 * Reads a start trace: CSV by RFC 4180 in UTF-8, at most 20 MB, one header line, one row for each sample, over at most
 * six hours. What it cannot use it refuses with one sentence that names the line.
 */
public final class TraceReader {
    private static final CSVFormat FORMAT =
            CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get();
    private static final double LARGEST = 1e7;
    private static final double US_PER_S = 1e6;
    /** Far beyond any start, and few enough that a trace can be judged and shown again in seconds. */
    private static final int MOST_COLUMNS = 200;

    private static final int MOST_ROWS = 400_000;
    private static final int LONGEST_CELL = 1000;
    private static final long LONGEST_us = 6 * 3600 * 1_000_000L;

    private final String file;
    private final TraceText text;

    private TraceReader(String file, TraceText text) {
        this.file = file;
        this.text = text;
    }

    /**
     * Takes in a file.
     *
     * @param file its name, for messages
     * @param in its bytes, read to the end or to the limit of 20 MB
     * @throws InvalidTrace when there is no text with a header line in it
     * @throws IOException when it cannot be read
     */
    public static TraceReader of(String file, InputStream in) throws IOException {
        return new TraceReader(file, TraceText.of(file, in.readNBytes(TraceText.MAX_BYTES + 1)));
    }

    /** The type that a comment before the header names, as it stands there. */
    public Optional<String> type() {
        return Optional.ofNullable(text.type());
    }

    /** The line of that comment, from 1; 0 when there is none. */
    public int typeLine() {
        return text.typeLine();
    }

    /**
     * Passes on each sample in turn.
     *
     * @param profile of the engine, which says what columns to look for
     * @return which columns the trace has
     * @throws InvalidTrace at the first thing that is wrong; what was passed on before must then not be kept
     */
    TraceColumns read(StartProfile profile, Consumer<Sample> each) {
        try (CSVParser parser = CSVParser.builder()
                .setReader(new StringReader(text.body()))
                .setFormat(FORMAT)
                .get()) {
            Iterator<CSVRecord> rows = parser.iterator();
            CSVRecord header = next(parser, rows);
            if (header.size() > MOST_COLUMNS) {
                throw new InvalidTrace(
                        file,
                        line(parser),
                        "a header of " + header.size() + " columns; a trace has at most " + MOST_COLUMNS);
            }
            TraceColumns columns = TraceColumns.of(file, line(parser), header.toList(), profile);
            Row row = new Row(parser, columns);
            while (hasNext(parser, rows)) {
                each.accept(row.sample(rows.next()));
            }
            if (row.count == 0) {
                throw new InvalidTrace(file, line(parser), "no data row after the header");
            }
            return columns;
        } catch (IOException e) {
            throw new UncheckedIOException(file, e);
        }
    }

    /**
     * All samples of the trace.
     *
     * @throws InvalidTrace at the first thing that is wrong
     */
    public List<Sample> samples(StartProfile profile) {
        List<Sample> samples = new ArrayList<>();
        read(profile, samples::add);
        return List.copyOf(samples);
    }

    private CSVRecord next(CSVParser parser, Iterator<CSVRecord> rows) {
        if (!hasNext(parser, rows)) {
            throw new InvalidTrace(
                    file, line(parser), "no header line; expected one with t_s, starter, fuel and the type's columns");
        }
        return rows.next();
    }

    private boolean hasNext(CSVParser parser, Iterator<CSVRecord> rows) {
        try {
            return rows.hasNext();
        } catch (UncheckedIOException | IllegalStateException _) {
            throw new InvalidTrace(file, line(parser), "a quoted cell is not closed properly");
        }
    }

    private long line(CSVParser parser) {
        return text.linesBefore() + Math.max(1, parser.getCurrentLineNumber());
    }

    /** Turns rows into samples, one after the other. */
    private final class Row {
        private final CSVParser parser;
        private final TraceColumns columns;
        private final int time;
        private final int starter;
        private final int fuel;
        private final int ignition;
        private long before_us = Long.MIN_VALUE;
        private long first_us;
        private long count;

        Row(CSVParser parser, TraceColumns columns) {
            this.parser = parser;
            this.columns = columns;
            time = columns.place("t_s");
            starter = columns.place("starter");
            fuel = columns.place("fuel");
            ignition = columns.place("ignition");
        }

        Sample sample(CSVRecord row) {
            if (row.size() != columns.width()) {
                throw wrong("a row of " + row.size() + " cells; the header has " + columns.width());
            }
            if (count >= MOST_ROWS) {
                throw wrong("more than " + MOST_ROWS + " rows; cut it into one file for each start");
            }
            for (String cell : row) {
                if (cell.length() > LONGEST_CELL) {
                    throw wrong("a cell of " + cell.length() + " characters, '" + shortened(cell)
                            + "'; a cell has at most " + LONGEST_CELL);
                }
            }
            boolean first = count++ == 0;
            Sample sample = new Sample(
                    time_us(row),
                    number(row, Parameter.SPOOL),
                    number(row, Parameter.FAN),
                    number(row, Parameter.TEMPERATURE),
                    number(row, Parameter.FLOW),
                    number(row, Parameter.OIL),
                    number(row, Parameter.DUCT),
                    number(row, Parameter.VOLTS),
                    number(row, Parameter.AMPERES),
                    told(row, starter, "starter"),
                    told(row, fuel, "fuel"),
                    told(row, ignition, "ignition"));
            if (first) {
                checkFirst(sample);
            }
            return sample;
        }

        private void checkFirst(Sample sample) {
            for (Parameter required : new Parameter[] {Parameter.SPOOL, Parameter.TEMPERATURE}) {
                if (Double.isNaN(sample.of(required))) {
                    throw wrong("the first row has no reading of " + columns.name(required) + ", which is required");
                }
            }
            if (sample.starter() == Switch.UNTOLD || sample.fuel() == Switch.UNTOLD) {
                throw wrong("the first row does not tell " + (sample.starter() == Switch.UNTOLD ? "starter" : "fuel")
                        + ", which is required");
            }
        }

        private long time_us(CSVRecord row) {
            String cell = row.get(time).strip();
            if (cell.isEmpty()) {
                throw wrong("a row without t_s; expected seconds from the start of the trace");
            }
            long at_us = Math.round(parsed(cell, null) * US_PER_S);
            if (count > 1 && at_us <= before_us) {
                throw wrong(
                        "t_s goes from " + before_us / US_PER_S + " to " + cell + "; times must rise from row to row");
            }
            first_us = count == 1 ? at_us : first_us;
            if (at_us - first_us > LONGEST_us) {
                throw wrong("t_s is " + cell + ", more than " + LONGEST_us / 3_600_000_000L
                        + " h after the first row; cut it into one file for each start");
            }
            before_us = at_us;
            return at_us;
        }

        private double number(CSVRecord row, Parameter parameter) {
            int place = columns.place(parameter);
            if (place < 0) {
                return Double.NaN;
            }
            String cell = row.get(place).strip();
            return cell.isEmpty() ? Double.NaN : parsed(cell, parameter);
        }

        private double parsed(String cell, @Nullable Parameter parameter) {
            if (!isPlain(cell)) {
                throw wrong(name(parameter) + " is '" + shortened(cell) + "'; expected a number");
            }
            try {
                double value = NumberInput.parseDouble(cell, true);
                if (Math.abs(value) > LARGEST) {
                    throw wrong(name(parameter) + " is " + shortened(cell) + ", which no such reading can be");
                }
                return value;
            } catch (NumberFormatException _) {
                throw wrong(name(parameter) + " is '" + shortened(cell) + "'; expected a number");
            }
        }

        private String name(@Nullable Parameter parameter) {
            return parameter == null ? "t_s" : columns.name(parameter);
        }

        /** What Java reads as a number beyond a plain one: NaN, Infinity, a letter for its type, hexadecimal. */
        private static boolean isPlain(String cell) {
            char head = cell.charAt(0);
            char tail = cell.charAt(cell.length() - 1);
            return (head >= '0' && head <= '9' || head == '-' || head == '+' || head == '.')
                    && (tail >= '0' && tail <= '9' || tail == '.')
                    && !(cell.length() > 2 && (isX(cell.charAt(1)) || isX(cell.charAt(2))));
        }

        private static boolean isX(char c) {
            return c == 'x' || c == 'X';
        }

        private Switch told(CSVRecord row, int place, String column) {
            if (place < 0) {
                return Switch.UNTOLD;
            }
            String cell = row.get(place).strip();
            if (cell.isEmpty()) {
                return Switch.UNTOLD;
            }
            char digit = cell.charAt(0);
            if (cell.length() > 1 || digit != '0' && digit != '1') {
                throw wrong(column + " is '" + shortened(cell) + "'; expected 0 or 1");
            }
            return digit == '1' ? Switch.ON : Switch.OFF;
        }

        private InvalidTrace wrong(String message) {
            return new InvalidTrace(file, line(parser), message);
        }
    }

    private static String shortened(String cell) {
        String printable = cell.replaceAll("\\p{Cntrl}", "?");
        return printable.length() <= 40 ? printable : printable.substring(0, 40) + "...";
    }
}
