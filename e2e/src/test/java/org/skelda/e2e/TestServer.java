package org.skelda.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * The shipped server in another process, on loopback, with a fresh data folder; it can be killed and started again. One
 * at a time is a guest of a process that is there already.
 */
final class TestServer implements AutoCloseable {
    private static final Duration STARTS_WITHIN = Duration.ofSeconds(90);
    /** A day is simulated and judged, on a machine that may be building beside it. */
    private static final Duration SEEDS_WITHIN = Duration.ofMinutes(5);

    private static final String SEEDED = "seeded";
    private static final HttpClient HTTP =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(1)).build();

    private static final Path LAYOUT = Path.of(System.getProperty("skelda.server", "../build/server"));

    private final Path data;
    private final int port;
    /** How far its clock is behind the machine's: it shows the day at the moment for which that was made. */
    private final Duration behind;

    /** Of all tests of this program. */
    private static ServerHost host;

    private double speed;
    private Process process;
    /** Where it is a guest; null in a process of its own, and while it does not run. */
    private ServerHost inside;

    private TestServer(Path data, Duration behind, double speed) {
        this.data = data;
        this.behind = behind;
        this.speed = speed;
        try {
            try (ServerSocket free = new ServerSocket(0)) {
                port = free.getLocalPort();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * On a copy of the day that was seeded once.
     *
     * @param speed of the server's clock against life, unless {@code -Dskelda.speed} says another: to look at a journey
     *     as a crew sees it
     */
    static TestServer start(double speed) {
        try {
            Path data = Files.createTempDirectory(Files.createDirectories(Path.of("target/servers")), "data-")
                    .toAbsolutePath();
            Instant made = copySeedInto(data);
            TestServer server = new TestServer(
                    data,
                    Duration.between(made, Instant.now()),
                    Double.parseDouble(System.getProperty("skelda.speed", String.valueOf(speed))));
            server.start();
            return server;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @return the moment for which the copied day was made */
    static Instant copySeedInto(Path data) throws IOException {
        Path seed = seeded();
        copy(seed, data);
        return Files.getLastModifiedTime(seed.resolve(SEEDED)).toInstant();
    }

    /** A data folder with the demonstration's day, made once for all tests and forks of a build. */
    private static Path seeded() throws IOException {
        Path folder = Files.createDirectories(Path.of("target/servers"));
        Path seed = folder.resolve("seed").toAbsolutePath();
        try (FileChannel lock = FileChannel.open(
                        folder.resolve("seed.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock _ = lock.lock()) {
            Path done = seed.resolve(SEEDED);
            if (!Files.exists(done)
                    || Files.getLastModifiedTime(done).compareTo(Files.getLastModifiedTime(LAYOUT.resolve(".built")))
                            < 0) {
                delete(seed);
                Files.createDirectories(seed);
                try (TestServer server = new TestServer(seed, Duration.ZERO, 1)) {
                    server.launch();
                    server.waitUntilUp(SEEDS_WITHIN);
                }
                Files.createFile(done);
            }
        }
        return seed;
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> all = Files.walk(from)) {
            for (Path path : (Iterable<Path>) all.filter(Files::isRegularFile)::iterator) {
                Path target = to.resolve(from.relativize(path).toString());
                Files.createDirectories(target.getParent());
                Files.copy(path, target);
            }
        }
    }

    private static void delete(Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (Stream<Path> all = Files.walk(folder)) {
                all.sorted(Comparator.reverseOrder())
                        .forEach(path -> path.toFile().delete());
            }
        }
    }

    /** Starts on a data folder that is already there. */
    static TestServer startOn(Path data, double speed) {
        TestServer server = new TestServer(data, Duration.ZERO, speed);
        server.start();
        return server;
    }

    void start() {
        ServerHost there = host();
        if (there.isFree()) {
            inside = there;
            process = there.process();
            there.start(arguments());
        } else {
            launch();
        }
        waitUntilUp(STARTS_WITHIN);
    }

    private static ServerHost host() {
        ServerHost there = host;
        if (there == null || !there.process().isAlive()) {
            try {
                there = ServerHost.begin(java(), LAYOUT);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            host = there;
        }
        return there;
    }

    /** Starts it on packs of a folder. @return what it says, when it ends by itself instead of coming up */
    String refuses(Path packs) {
        launch("--skelda.packs=" + packs);
        try {
            if (!process.waitFor(STARTS_WITHIN.toSeconds(), TimeUnit.SECONDS)) {
                kill();
                throw new IllegalStateException("the server came up");
            }
            return Files.readString(data.resolve("server.log"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Starts it on packs of a folder that have no errors. */
    void accepts(Path packs) {
        launch("--skelda.packs=" + packs);
        waitUntilUp(STARTS_WITHIN);
    }

    private static List<String> java() {
        // It lives for minutes: the quick compiler alone takes half the work of a start away from the browsers beside
        // it.
        return List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Dspring.aot.enabled=true",
                "-Xmx512m");
    }

    private List<String> arguments() {
        return List.of(
                "--skelda.data=" + data,
                "--skelda.demo=true",
                "--server.port=" + port,
                "--skelda.clock.speed=" + speed,
                "--skelda.clock.behind=" + behind);
    }

    private void launch(String... further) {
        List<String> command = new ArrayList<>(java());
        command.addAll(List.of(
                "-XX:AOTMode=auto",
                "-XX:AOTCache=" + LAYOUT.resolve("app.aot"),
                "-jar",
                LAYOUT.resolve("app.jar").toString()));
        command.addAll(arguments());
        command.addAll(List.of(further));
        try {
            process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(
                            data.resolve("server.log").toFile()))
                    .start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void waitUntilUp(Duration within) {
        long deadline = System.nanoTime() + within.toNanos();
        while (System.nanoTime() < deadline && isAlive()) {
            try {
                HttpResponse<String> health = HTTP.send(
                        HttpRequest.newBuilder(URI.create(address() + "/actuator/health"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
                if (health.statusCode() == 200) {
                    return;
                }
            } catch (IOException _) {
                // Not up yet.
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
            pause(100);
        }
        throw new IllegalStateException(
                "the server did not start; see " + (inside != null ? inside.log() : data.resolve("server.log")));
    }

    /** Ends its process at once, as a power cut would: SIGKILL. */
    void kill() {
        inside = null;
        process.destroyForcibly();
        try {
            if (!process.waitFor(20, TimeUnit.SECONDS)) {
                throw new IllegalStateException("the server did not die");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private boolean isAlive() {
        return inside != null ? inside.isAlive() : process != null && process.isAlive();
    }

    /** Ends it and starts it again on the same data with another speed of its clock. */
    void restart(double otherSpeed) {
        close();
        speed = otherSpeed;
        start();
    }

    /** What its clock shows, while that runs at life's speed. */
    Instant now() {
        return Instant.now().minus(behind);
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    Path data() {
        return data;
    }

    static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        if (inside != null && inside.process().isAlive()) {
            inside.stop();
        } else if (process != null && process.isAlive()) {
            kill();
        }
        inside = null;
        process = null;
    }
}
