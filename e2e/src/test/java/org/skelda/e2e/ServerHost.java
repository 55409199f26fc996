package org.skelda.e2e;

import java.io.BufferedReader;
import java.io.Closeable;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;

/**
 * A process in which the shipped server starts and stops again and again, one at a time: from the second on its code is
 * warm. It ends with the tests that began it, or by being killed with what runs in it.
 */
final class ServerHost {
    private static final String STARTED = "host: started";
    private static final String FAILED = "host: failed";
    private static final String STOPPED = "host: stopped";
    private static final String STOP = "stop";
    private static final String CLASSES = "classes";
    private static final long STOPS_WITHIN_s = 60;

    private final Process process;
    private final Path log;
    private final PrintStream asks;
    private final BlockingQueue<String> answers = new LinkedBlockingQueue<>();
    private boolean busy;

    private ServerHost(Process process, Path log) {
        this.process = process;
        this.log = log;
        this.asks = new PrintStream(process.getOutputStream(), true, StandardCharsets.UTF_8);
        Thread.ofPlatform().daemon().name("server host").start(this::listen);
    }

    /**
     * @param java the command that runs a class
     * @param server where the shipped server is laid out
     */
    static ServerHost begin(List<String> java, Path server) throws IOException {
        Path folder =
                Files.createTempDirectory(Path.of("target/servers"), "host-").toAbsolutePath();
        layOut(server, folder);
        List<String> command = new ArrayList<>(java);
        command.addAll(List.of(
                "-XX:AOTMode=auto",
                "-XX:AOTCache=" + folder.resolve("app.aot"),
                "-cp",
                folder.resolve("app.jar") + File.pathSeparator + folder.resolve(CLASSES),
                ServerHost.class.getName()));
        Path log = folder.resolve("server.log");
        return new ServerHost(
                new ProcessBuilder(command)
                        .redirectOutput(log.toFile())
                        .redirectError(ProcessBuilder.Redirect.PIPE)
                        .start(),
                log);
    }

    /** The archive of the server's classes is used only where all that is run lies in one folder with them. */
    private static void layOut(Path server, Path folder) throws IOException {
        try (DirectoryStream<Path> all = Files.newDirectoryStream(server.toRealPath())) {
            for (Path one : all) {
                Files.createSymbolicLink(folder.resolve(one.getFileName()), one);
            }
        }
        String own = ServerHost.class.getName().replace('.', '/') + ".class";
        Path here = folder.resolve(CLASSES).resolve(own);
        Files.createDirectories(here.getParent());
        try (InputStream code = ServerHost.class.getClassLoader().getResourceAsStream(own)) {
            Files.copy(code, here);
        }
    }

    private void listen() {
        try (BufferedReader lines = process.errorReader(StandardCharsets.UTF_8)) {
            for (String line; (line = lines.readLine()) != null; ) {
                if (line.startsWith("host: ")) {
                    answers.add(line);
                }
            }
        } catch (IOException _) {
            // The host has gone: whoever waits for it sees that.
        }
    }

    boolean isFree() {
        return process.isAlive() && !busy;
    }

    /** Begins to start a server in it; whether it is up, the server itself tells. */
    void start(List<String> arguments) {
        busy = true;
        answers.clear();
        asks.println(String.join("\t", arguments));
    }

    /** Whether the server in it has not failed to start, and was not stopped. */
    boolean isAlive() {
        return process.isAlive() && busy && !FAILED.equals(answers.peek());
    }

    /** Ends the server in it as an operator would. */
    void stop() {
        asks.println(STOP);
        try {
            for (String answer = ""; !STOPPED.equals(answer); ) {
                answer = answers.poll(STOPS_WITHIN_s, TimeUnit.SECONDS);
                if (answer == null) {
                    throw new IllegalStateException("the server did not stop");
                }
            }
            busy = false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** What its servers say. */
    Path log() {
        return log;
    }

    /** The process of the server, with all that runs in it. */
    Process process() {
        return process;
    }

    /** In the process itself: one line on standard input starts a server or stops it. */
    public static void main(String[] none) throws Exception {
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        Closeable running = null;
        for (String line; (line = in.readLine()) != null; ) {
            try {
                if (!line.equals(STOP)) {
                    running = run(line.split("\t"));
                    System.err.println(STARTED);
                } else {
                    if (running != null) {
                        running.close();
                    }
                    running = null;
                    System.err.println(STOPPED);
                }
            } catch (ReflectiveOperationException e) {
                e.printStackTrace(System.out);
                System.err.println(FAILED);
            }
        }
        System.exit(0);
    }

    private static Closeable run(String[] arguments) throws ReflectiveOperationException {
        Class<?> server = Class.forName("org.skelda.app.SkeldaApplication");
        Class<?> spring = Class.forName("org.springframework.boot.SpringApplication");
        Object application = spring.getConstructor(Class[].class).newInstance((Object) new Class<?>[] {server});
        spring.getMethod("setMainApplicationClass", Class.class).invoke(application, server);
        return (Closeable) spring.getMethod("run", String[].class).invoke(application, (Object) arguments);
    }
}
