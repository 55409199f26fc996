package org.skelda.formats.start;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;

/**
 * Writes samples as a trace. {@link TraceReader} reads the same samples from it, their times counted from the first.
 */
public final class TraceWriter {
    private static final int MICRO = 6;

    private TraceWriter() {}

    /**
     * The CSV as one text.
     *
     * @param profile of the type, which names it and its columns
     * @param samples in the order of time, at least one
     * @param comments further lines before the header, without their mark
     * @return the CSV text; columns that were never read are left out
     */
    public static String write(StartProfile profile, List<Sample> samples, List<String> comments) {
        StringBuilder text = new StringBuilder();
        try {
            write(profile, samples, comments, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /**
     * Writes it row by row.
     *
     * @param profile of the type, which names it and its columns
     * @param samples in the order of time, at least one
     * @param comments further lines before the header, without their mark
     * @param out takes the CSV; it is neither flushed nor closed
     * @throws IOException as {@code out} does
     */
    public static void write(StartProfile profile, List<Sample> samples, List<String> comments, Appendable out)
            throws IOException {
        boolean jet = profile.drive().engine() == StartProfile.Engine.JET;
        List<Parameter> measured = Stream.of(Parameter.values())
                .filter(parameter -> samples.stream().anyMatch(sample -> !Double.isNaN(sample.of(parameter)))
                        || parameter == Parameter.SPOOL
                        || parameter == Parameter.TEMPERATURE)
                .toList();
        boolean ignition = samples.stream().anyMatch(sample -> sample.ignition() != Switch.UNTOLD);
        List<String> header = new ArrayList<>(List.of("t_s"));
        measured.forEach(parameter -> header.add(TraceColumns.usualName(parameter, jet)));
        header.addAll(ignition ? List.of("starter", "fuel", "ignition") : List.of("starter", "fuel"));
        out.append("# type: ").append(profile.typeId()).append('\n');
        for (String comment : comments) {
            out.append("# ").append(comment.replaceAll("[\\r\\n]+", " ")).append('\n');
        }
        CSVPrinter printer = new CSVPrinter(
                out, CSVFormat.RFC4180.builder().setRecordSeparator('\n').get());
        printer.printRecord(header);
        long first_us = samples.getFirst().at_us();
        for (Sample sample : samples) {
            printer.printRecord(row(sample, first_us, measured, ignition));
        }
    }

    private static List<String> row(Sample sample, long first_us, List<Parameter> measured, boolean ignition) {
        List<String> row = new ArrayList<>();
        row.add(BigDecimal.valueOf(sample.at_us() - first_us, MICRO)
                .stripTrailingZeros()
                .toPlainString());
        for (Parameter parameter : measured) {
            double value = sample.of(parameter);
            row.add(
                    Double.isNaN(value)
                            ? ""
                            : BigDecimal.valueOf(value).stripTrailingZeros().toPlainString());
        }
        row.add(told(sample.starter()));
        row.add(told(sample.fuel()));
        if (ignition) {
            row.add(told(sample.ignition()));
        }
        return row;
    }

    private static String told(Switch position) {
        return switch (position) {
            case ON -> "1";
            case OFF -> "0";
            case UNTOLD -> "";
        };
    }
}
