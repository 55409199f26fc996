package org.skelda.bench;

import com.github.f4b6a3.uuid.UuidCreator;
import java.lang.management.ManagementFactory;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelda.app.SkeldaApplication;
import org.skelda.app.departure.Departures;
import org.skelda.app.feed.Feeds;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Accounts;
import org.skelda.app.procedure.Packs;
import org.skelda.core.departure.Opening;
import org.skelda.core.departure.Person;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.SimulatedStart;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** From a sample posted at the feed door to its verdict in a stream's client, with 1 and 50 starts live at ten samples a second. */
public final class FeedBench {
    private static final int STARTS = 50;
    private static final int LASTS_s = 75;
    private static final int WARM_UP_s = 15;
    private static final long EVERY_MS = 100;
    private static final Pattern LAST_SAMPLE = Pattern.compile("\\[([0-9.E]+)[^\\[\\]]*\\]\\]\\}$");
    private static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");

    private final ConfigurableApplicationContext server;
    private final String address;
    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final List<Tail> tails = new ArrayList<>();
    private final ConcurrentHashMap<String, Long> sentAt = new ConcurrentHashMap<>();
    private volatile Times toVerdict = new Times();
    private volatile Times toBare = new Times();

    private record Tail(String departure, Feeds.Issued feed) {}

    private FeedBench() throws Exception {
        server = new SpringApplication(SkeldaApplication.class, NoOpController.class, BareStreamController.class)
                .run("--skelda.data=" + Files.createTempDirectory("skelda-bench"), "--skelda.demo=true", "--server.port=0");
        address = "http://127.0.0.1:" + server.getEnvironment().getProperty("local.server.port");
        Person captain = server.getBean(Accounts.class).findByAccountName("halden").orElseThrow().person();
        Packs.Current packs = server.getBean(Packs.class).currentFor("HAVERN-2M");
        BenchClient crew = new BenchClient(address, "halden");
        for (int i = 0; i < STARTS; i++) {
            UUID id = UuidCreator.getTimeOrderedEpoch();
            String tail = "QX-B" + i;
            server.getBean(Fleet.class).add("vardholm", new Fleet.Tail(tail, "HAVERN-2M", List.of()));
            server.getBean(Departures.class).open(new Opening(id, "vardholm", tail, "HAVERN-2M", "B" + i, "QVAR", "QSKR", "4", 62.41, -10.82, 0,
                    Instant.now().plusSeconds(3600), packs.typeHash(), packs.procedureHash(), List.of()), captain, Instant.now());
            crew.post("/api/departures/" + id + "/commands", BenchClient.command(UUID.randomUUID(), "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\""));
            tails.add(new Tail(id.toString(), server.getBean(Feeds.class).issue("vardholm", tail, "Bench", false, "bench", Instant.now())));
        }
    }

    public static void main(String[] arguments) throws Exception {
        FeedBench bench = new FeedBench();
        BenchClient reader = new BenchClient(address(bench), "oddsrud");
        bench.tails.forEach(tail -> reader.stream(tail.departure(), line -> bench.arrived(tail, line)));
        reader.lines("/api/bench/bare/stream", bench::bareArrived);
        System.out.println("\n| what | n | p50 ms | p99 ms |\n|---|---|---|---|");
        bench.live(1);
        bench.live(STARTS);
        bench.server.close();
        System.exit(0);
    }

    private static String address(FeedBench bench) {
        return bench.address;
    }

    private void live(int starts) throws InterruptedException {
        var system = (com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
        long cpu = system.getProcessCpuTime();
        long began = System.nanoTime();
        List<Thread> senders = new ArrayList<>();
        for (Tail tail : tails.subList(0, starts)) {
            senders.add(Thread.ofVirtual().start(() -> send(tail)));
        }
        Thread bare = Thread.ofVirtual().start(this::sendBare);
        Thread.sleep(WARM_UP_s * 1000L);
        toVerdict = new Times();
        toBare = new Times();
        for (Thread sender : senders) {
            sender.join();
        }
        bare.interrupt();
        double share = (system.getProcessCpuTime() - cpu) / (double) (System.nanoTime() - began);
        System.gc();
        long heap = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
        System.out.println(toVerdict.row("sample posted to verdict in a stream's client, " + starts + " starts live"));
        System.out.println(toBare.row("text posted to a bare stream's client meanwhile"));
        System.out.printf(Locale.ROOT, "| ratio of the two | | %.2f | %.2f |%n", toVerdict.quantile_ms(0.5) / toBare.quantile_ms(0.5),
                toVerdict.quantile_ms(0.99) / toBare.quantile_ms(0.99));
        System.out.printf(Locale.ROOT, "| with %d: cores used by server and clients together %.2f, heap after collection %d MB | | | |%n", starts, share, heap / 1_000_000);
    }

    private void send(Tail tail) {
        List<Sample> samples = SimulatedStart.of(PROFILE).samples(LASTS_s);
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.now());
        long began = System.nanoTime();
        try {
            for (int i = 0; i < samples.size(); i++) {
                Thread.sleep(Math.max(0, i * EVERY_MS - (System.nanoTime() - began) / 1_000_000));
                Sample sample = samples.get(i).at(begin_us + samples.get(i).at_us());
                sentAt.put(tail.departure() + sample.at_us() / 1000, System.nanoTime());
                HttpResponse<String> answer = http.send(HttpRequest.newBuilder(URI.create(address + "/api/feeds/" + tail.feed().feed().id() + "/samples"))
                        .header("Content-Type", "application/x-ndjson").header("Authorization", "Bearer " + tail.feed().token())
                        .POST(HttpRequest.BodyPublishers.ofString(FeedWriter.line("engine:2", sample, PROFILE.drive().engine()) + "\n")).build(),
                        HttpResponse.BodyHandlers.ofString());
                if (answer.statusCode() != 200) {
                    throw new IllegalStateException("the feed door answered " + answer.statusCode() + " " + answer.body());
                }
            }
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private void arrived(Tail tail, String line) {
        Matcher last = line.startsWith("data:{\"view\"") ? LAST_SAMPLE.matcher(line) : null;
        if (last != null && last.find()) {
            Long sent = sentAt.remove(tail.departure() + Math.round(Math.floor(Double.parseDouble(last.group(1)))));
            if (sent != null) {
                toVerdict.add(System.nanoTime() - sent);
            }
        }
    }

    private void sendBare() {
        BenchClient client = new BenchClient(address, "halden");
        try {
            while (true) {
                Thread.sleep(EVERY_MS);
                client.post("/api/bench/bare", "{\"sent\":" + System.nanoTime() + "}");
            }
        } catch (InterruptedException | IllegalStateException _) {
            Thread.currentThread().interrupt();
        }
    }

    private void bareArrived(String line) {
        if (line.startsWith("data:{\"sent\":")) {
            toBare.add(System.nanoTime() - Long.parseLong(line.replaceAll("\\D", "")));
        }
    }
}
