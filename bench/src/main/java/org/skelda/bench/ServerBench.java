package org.skelda.bench;

import com.github.f4b6a3.uuid.UuidCreator;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.skelda.app.SkeldaApplication;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.Accounts;
import org.skelda.app.procedure.Packs;
import org.skelda.core.crew.Person;
import org.skelda.core.record.Opening;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Measures the server as its users load it and prints tables for docs/performance.md. */
public final class ServerBench {
    private static final int DEPARTURES = 50;
    private static final int WARM_UP = 10_000;
    private static final int ROUNDS = 2000;
    private static final Duration WARM_FOR = Duration.ofSeconds(15);
    private static final Duration LIVE_FOR = Duration.ofSeconds(20);
    private static final long PACE_MS = 500;
    private static final String LINE = "\"line\":\"safety-power/radar\"";

    private final ConfigurableApplicationContext server;
    private final String address;
    private final List<String> departures = new ArrayList<>();
    private final ConcurrentHashMap<String, Long> sentAt = new ConcurrentHashMap<>();
    private final Times toStream = new Times();

    private ServerBench() throws Exception {
        Path data = Files.createTempDirectory("skelda-bench");
        server = new SpringApplication(SkeldaApplication.class, NoOpController.class)
                .run("--skelda.data=" + data, "--skelda.demo=true", "--server.port=0");
        address = "http://127.0.0.1:" + server.getEnvironment().getProperty("local.server.port");
        Person captain = server.getBean(Accounts.class)
                .findByAccountName("halden")
                .orElseThrow()
                .person();
        Packs.Current packs = server.getBean(Packs.class).currentFor("vardholm", "HAVERN-2M");
        for (int i = 0; i < DEPARTURES; i++) {
            UUID id = UuidCreator.getTimeOrderedEpoch();
            server.getBean(Departures.class)
                    .open(
                            new Opening(
                                    id,
                                    Opening.Kind.LINE,
                                    "vardholm",
                                    "QX-LOM",
                                    "HAVERN-2M",
                                    "B" + i,
                                    "QVAR",
                                    "QSKR",
                                    "4",
                                    62.41,
                                    -10.82,
                                    112,
                                    Instant.now().plusSeconds(3600),
                                    packs.typeHash(),
                                    packs.procedureHash(),
                                    List.of(),
                                    Map.of()),
                            captain,
                            Instant.now());
            departures.add(id.toString());
        }
    }

    public static void main(String[] arguments) throws Exception {
        // A server that is up would keep a bench alive that has failed.
        Thread.currentThread().setUncaughtExceptionHandler((_, failure) -> {
            failure.printStackTrace();
            System.exit(1);
        });
        if (List.of(arguments).contains("first-page")) {
            coldStarts();
            System.exit(0);
        }
        ServerBench bench = new ServerBench();
        if (List.of(arguments).contains("long")) {
            new LongLogBench(bench.server, bench.address).run();
            System.exit(0);
        }
        System.out.println("\n| what | n | p50 ms | p99 ms |\n|---|---|---|---|");
        bench.oneDeparture();
        if (List.of(arguments).contains("one")) {
            System.exit(0);
        }
        bench.fiftyDepartures();
        new LongLogBench(bench.server, bench.address).run();
        bench.server.close();
        coldStarts();
        System.exit(0);
    }

    private void oneDeparture() {
        BenchClient client = seated(departures.getFirst());
        // The page that asks reads the departure's stream, as every page does.
        client.stream(departures.getFirst(), _ -> {});
        Times noOp = new Times();
        Times answer = new Times();
        for (int i = 0; i < WARM_UP + ROUNDS; i++) {
            long noOpTime = timed(
                    () -> client.post("/api/bench/no-op", BenchClient.command(UUID.randomUUID(), "ANSWER", LINE)));
            String ask = i % 2 == 0 ? "ANSWER" : "UNDO";
            long answerTime = timed(() -> command(client, departures.getFirst(), ask));
            if (i >= WARM_UP) {
                noOp.add(noOpTime);
                answer.add(answerTime);
            }
        }
        System.out.println(noOp.row("no-op POST, 1 live departure"));
        System.out.println(answer.row("answering a line, 1 live departure"));
        ratio(answer, noOp);
    }

    private void fiftyDepartures() throws InterruptedException {
        Times noOp = new Times();
        Times answer = new Times();
        // What was sent before is in the logs, which each stream reads first.
        sentAt.clear();
        List<BenchClient> readers = LiveServer.READERS.stream()
                .map(account -> new BenchClient(address, account))
                .toList();
        for (int i = 0; i < departures.size(); i++) {
            readers.get(i % readers.size()).stream(departures.get(i), this::arrived);
        }
        // Signing in costs the processor more than all that is measured here: everybody is there before it begins.
        List<BenchClient> clients = departures.stream()
                .map(id -> id.equals(departures.getFirst()) ? new BenchClient(address, "halden") : seated(id))
                .toList();
        together(clients, WARM_FOR, new Times(), new Times());
        toStream.clear();
        together(clients, LIVE_FOR, noOp, answer);
        System.out.println(noOp.row("no-op POST, 50 live departures"));
        System.out.println(answer.row("answering a line, 50 live departures"));
        ratio(answer, noOp);
        System.out.println(toStream.row("command sent to event at the other device's stream, 50 live departures"));
    }

    private void together(List<BenchClient> clients, Duration time, Times noOp, Times answer)
            throws InterruptedException {
        List<Thread> crews = new ArrayList<>();
        long until = System.nanoTime() + time.toNanos();
        for (int i = 0; i < clients.size(); i++) {
            BenchClient client = clients.get(i);
            String id = departures.get(i);
            long late_ms = PACE_MS * i / clients.size();
            crews.add(Thread.ofVirtual().start(() -> {
                sleep(late_ms);
                work(client, id, until, noOp, answer);
            }));
        }
        for (Thread crew : crews) {
            crew.join();
        }
    }

    private static void sleep(long time_ms) {
        try {
            Thread.sleep(time_ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void work(BenchClient client, String id, long until, Times noOp, Times answer) {
        // What was answered is taken back before the end: who comes next begins with an answer.
        for (int i = 0; System.nanoTime() < until || i % 2 == 1; i++) {
            String ask = i % 2 == 0 ? "ANSWER" : "UNDO";
            noOp.add(timed(
                    () -> client.post("/api/bench/no-op", BenchClient.command(UUID.randomUUID(), "ANSWER", LINE))));
            answer.add(timed(() -> command(client, id, ask)));
            sleep(PACE_MS);
        }
    }

    private void arrived(String line) {
        int at = line.indexOf("\"commandId\":\"");
        if (line.startsWith("data:") && at > 0) {
            Long sent = sentAt.remove(line.substring(at + 13, at + 49));
            if (sent != null) {
                toStream.add(System.nanoTime() - sent);
            }
        }
    }

    private static void coldStarts() throws Exception {
        Path layout = Path.of(System.getProperty("skelda.server"));
        String classPath = System.getProperty("java.class.path");
        double bare = ColdStart.median_s(List.of("-cp", classPath, "org.skelda.bench.BareApplication"), List.of());
        double plain = ColdStart.median_s(
                List.of("-cp", classPath, "org.skelda.app.SkeldaApplication"), List.of("--skelda.demo=true"));
        double shipped = ColdStart.median_s(
                List.of(
                        "-XX:AOTMode=auto",
                        "-XX:AOTCache=" + layout.resolve("app.aot"),
                        "-Dspring.aot.enabled=true",
                        "-jar",
                        layout.resolve("app.jar").toString()),
                List.of("--skelda.demo=true"));
        System.out.printf(Locale.ROOT, "%n| start to first page | s | against the bare framework |%n|---|---|---|%n");
        System.out.printf(Locale.ROOT, "| bare framework, one page | %.1f | 1.0 |%n", bare);
        System.out.printf(
                Locale.ROOT, "| Skelda with an empty demo folder, same manner | %.1f | %.1f |%n", plain, plain / bare);
        System.out.printf(
                Locale.ROOT,
                "| Skelda as shipped (archive of loaded classes, planned context) | %.1f | %.1f |%n",
                shipped,
                shipped / bare);
    }

    private BenchClient seated(String id) {
        BenchClient client = new BenchClient(address, "halden");
        client.post(
                "/api/departures/" + id + "/commands",
                BenchClient.command(UUID.randomUUID(), "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\""));
        return client;
    }

    private void command(BenchClient client, String id, String ask) {
        UUID command = UUID.randomUUID();
        sentAt.put(command.toString(), System.nanoTime());
        client.post("/api/departures/" + id + "/commands", BenchClient.command(command, ask, LINE));
    }

    private static long timed(Runnable work) {
        long begin = System.nanoTime();
        work.run();
        return System.nanoTime() - begin;
    }

    private static void ratio(Times answer, Times noOp) {
        System.out.printf(
                Locale.ROOT,
                "| ratio of the two | | %.2f | %.2f |%n",
                answer.quantile_ms(0.5) / noOp.quantile_ms(0.5),
                answer.quantile_ms(0.99) / noOp.quantile_ms(0.99));
    }
}
