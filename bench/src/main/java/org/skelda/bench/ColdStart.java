package org.skelda.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Time from starting the process to its first page. */
final class ColdStart {
    private static final int RUNS = 3;
    private static final double NANOS_PER_SECOND = 1e9;

    private ColdStart() {}

    /**
     * @param jvm arguments up to the main class or jar; @param application arguments behind it @return the median (s)
     *     of three starts
     */
    static double median_s(List<String> jvm, List<String> application) throws IOException, InterruptedException {
        double[] seconds = new double[RUNS];
        for (int run = 0; run < RUNS; run++) {
            seconds[run] = once_s(jvm, application);
        }
        Arrays.sort(seconds);
        return seconds[RUNS / 2];
    }

    private static double once_s(List<String> jvm, List<String> application) throws IOException, InterruptedException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Path data = Files.createTempDirectory("skelda-start");
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString()));
        command.addAll(jvm);
        command.addAll(application);
        command.addAll(List.of("--server.port=" + port, "--skelda.data=" + data));
        long begin = System.nanoTime();
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(data.resolve("log").toFile())
                .start();
        try (HttpClient http = HttpClient.newHttpClient()) {
            while (!answers(http, port)) {
                if (!process.isAlive()) {
                    throw new IllegalStateException(
                            "the server did not start: " + Files.readString(data.resolve("log")));
                }
                Thread.sleep(10);
            }
            return (System.nanoTime() - begin) / NANOS_PER_SECOND;
        } finally {
            process.destroyForcibly().waitFor();
        }
    }

    private static boolean answers(HttpClient http, int port) throws InterruptedException {
        try {
            return http.send(
                                    HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/"))
                                            .build(),
                                    HttpResponse.BodyHandlers.discarding())
                            .statusCode()
                    == 200;
        } catch (IOException _) {
            return false;
        }
    }
}
