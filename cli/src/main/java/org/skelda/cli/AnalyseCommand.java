package org.skelda.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.MalformedInputException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;
import org.skelda.formats.start.AnalysisJson;
import org.skelda.formats.start.InvalidTrace;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceAnalysis;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/**
 * Judges recorded starts. Exit 0 when every file was analysed, 2 when one was bad; the good ones are told all the same.
 */
@Command(
        name = "analyse",
        mixinStandardHelpOptions = true,
        description = "Judges recorded engine starts. Exit code 0: every file was analysed, 2: one was bad.")
final class AnalyseCommand implements Callable<Integer> {
    private static final int BAD_FILE = 2;
    private static final int MOST_AT_ONCE = 3;
    private static final double COLDEST_c = -70;
    private static final double HOTTEST_c = 60;
    private static final double LOWEST_ft = -2000;
    private static final double HIGHEST_ft = 20_000;

    @Spec
    CommandSpec spec;

    @Option(
            names = "--type",
            paramLabel = "TYPE",
            description = "Aircraft type of all files. Default: what a comment in each file says.")
    @Nullable
    String type;

    @Option(
            names = "--oat",
            paramLabel = "C",
            defaultValue = "15",
            description = "Outside air temperature, °C. Default: ${DEFAULT-VALUE}.")
    double oat_c;

    @Option(
            names = "--elevation",
            paramLabel = "FT",
            defaultValue = "0",
            description = "Elevation of the stand, ft. Default: ${DEFAULT-VALUE}.")
    double elevation_ft;

    @Option(names = "--json", description = "Print a JSON array and nothing else.")
    boolean json;

    @Parameters(paramLabel = "FILE", arity = "1..*", description = "Start traces as CSV.")
    List<String> files = List.of();

    /** What became of one file: an analysis, or the sentence that says what is wrong with it. */
    private record Result(
            @Nullable TraceAnalysis analysis, @Nullable String problem) {}

    @Override
    public Integer call() throws InterruptedException {
        CommandSpec command = Objects.requireNonNull(spec);
        checkOptions(command);
        PrintWriter out = command.commandLine().getOut();
        PrintWriter err = command.commandLine().getErr();
        List<Result> results = analyseAll();
        List<TraceAnalysis> good =
                results.stream().map(Result::analysis).filter(Objects::nonNull).toList();
        if (json) {
            out.println(AnalysisJson.text(good));
        } else {
            good.forEach(analysis -> out.print(AnalysisReport.of(analysis, oat_c)));
        }
        out.flush();
        List<String> problems =
                results.stream().map(Result::problem).filter(Objects::nonNull).toList();
        problems.forEach(err::println);
        err.flush();
        return problems.isEmpty() ? 0 : BAD_FILE;
    }

    private void checkOptions(CommandSpec command) {
        if (type != null && StartProfiles.TYPES.stream().noneMatch(type.strip()::equalsIgnoreCase)) {
            throw new ParameterException(
                    command.commandLine(),
                    "--type " + type + ": it is one of " + String.join(", ", StartProfiles.TYPES));
        }
        if (!(oat_c >= COLDEST_c && oat_c <= HOTTEST_c)) {
            throw new ParameterException(
                    command.commandLine(), "--oat " + oat_c + ": give " + COLDEST_c + " to " + HOTTEST_c + " °C");
        }
        if (!(elevation_ft >= LOWEST_ft && elevation_ft <= HIGHEST_ft)) {
            throw new ParameterException(
                    command.commandLine(),
                    "--elevation " + elevation_ft + ": give " + LOWEST_ft + " to " + HIGHEST_ft + " ft");
        }
    }

    private List<Result> analyseAll() throws InterruptedException {
        int atOnce = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, MOST_AT_ONCE);
        try (ExecutorService workers = Executors.newFixedThreadPool(atOnce);
                Progress progress = Progress.over(files.size())) {
            List<Future<Result>> running = files.stream()
                    .map(file -> workers.submit(() -> {
                        Result result = analyse(file);
                        progress.step();
                        return result;
                    }))
                    .toList();
            List<Result> results = new ArrayList<>();
            for (Future<Result> one : running) {
                results.add(one.get());
            }
            return results;
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        }
    }

    private Result analyse(String file) {
        try (InputStream in = Files.newInputStream(Path.of(file))) {
            return new Result(TraceAnalysis.of(file, in, type, elevation_ft), null);
        } catch (InvalidTrace e) {
            return new Result(null, e.getMessage());
        } catch (NoSuchFileException _) {
            return new Result(null, file + ": there is no such file");
        } catch (AccessDeniedException _) {
            return new Result(null, file + ": may not be read");
        } catch (MalformedInputException _) {
            return new Result(null, file + ": not UTF-8 text; expected CSV");
        } catch (IOException e) {
            return new Result(
                    null,
                    file + ": cannot be read"
                            + (Files.isDirectory(Path.of(file)) ? "; it is a folder" : ": " + e.getMessage()));
        } catch (java.nio.file.InvalidPathException e) {
            return new Result(null, file + ": not a file name: " + e.getReason());
        }
    }
}
