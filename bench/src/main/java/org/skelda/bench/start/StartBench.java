package org.skelda.bench.start;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.profile.GCProfiler;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.skelda.core.start.Forecasts;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.formats.start.TraceAnalysis;

/** Speed and garbage of the judgement of a start, over one whole recorded start. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(1)
public class StartBench {
    @Param({"HAVERN-2M", "LOMVI-T1"})
    public String type;

    private RecordedStarts.Recorded start;
    private byte[] bytes;

    @org.openjdk.jmh.annotations.Setup
    public void setUp() {
        start = RecordedStarts.all().stream()
                .filter(recorded ->
                        !recorded.isHot() && recorded.profile().typeId().equals(type))
                .findFirst()
                .orElseThrow();
        bytes = RecordedStarts.bytes(start.file());
    }

    private Object judged(StartMonitor monitor) {
        List<Sample> samples = start.samples();
        for (int i = 0; i < samples.size(); i++) {
            monitor.accept(samples.get(i));
        }
        return monitor;
    }

    @Benchmark
    public Object stepsWithoutForecast() {
        return judged(new StartMonitor(start.profile(), start.elevation_ft(), Forecasts::none));
    }

    @Benchmark
    public Object stepsWithForecast() {
        return judged(new StartMonitor(start.profile(), start.elevation_ft()));
    }

    @Benchmark
    public Object analyseFile() throws IOException {
        return TraceAnalysis.of(start.file(), new ByteArrayInputStream(bytes), type, start.elevation_ft());
    }

    /** What reading the numbers of the file with the CSV library costs by itself. */
    @Benchmark
    public double readNumbers() throws IOException {
        double sum = 0;
        try (CSVParser parser = CSVParser.builder()
                .setReader(new InputStreamReader(new ByteArrayInputStream(bytes), StandardCharsets.UTF_8))
                .setFormat(CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())
                .get()) {
            for (CSVRecord row : parser) {
                for (int i = 0; i < row.size(); i++) {
                    sum += row.get(i).isEmpty() ? 0 : Double.parseDouble(row.get(i));
                }
            }
        }
        return sum;
    }

    public static void main(String[] arguments) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(StartBench.class.getName())
                        .addProfiler(GCProfiler.class)
                        .build())
                .run();
        System.out.println("\n| what | type | samples | us a start | ns a sample | bytes of garbage a sample |\n"
                + "|---|---|---|---|---|---|");
        for (RunResult result : results) {
            String type = result.getParams().getParam("type");
            int samples = RecordedStarts.all().stream()
                    .filter(recorded ->
                            !recorded.isHot() && recorded.profile().typeId().equals(type))
                    .findFirst()
                    .orElseThrow()
                    .samples()
                    .size();
            double ns = result.getPrimaryResult().getScore();
            double garbage = result.getSecondaryResults().entrySet().stream()
                    .filter(entry -> entry.getKey().endsWith("alloc.rate.norm"))
                    .mapToDouble(entry -> entry.getValue().getScore())
                    .findFirst()
                    .orElse(Double.NaN);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %s | %d | %.0f | %.0f | %.0f |%n",
                    result.getParams().getBenchmark().replaceAll(".*\\.", ""),
                    type,
                    samples,
                    ns / 1000,
                    ns / samples,
                    garbage / samples);
        }
    }
}
