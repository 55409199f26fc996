package org.skelda.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.skelda.core.indications.Indication;
import org.skelda.core.start.Sample;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.sim.aircraft.SimulatedStart;
import org.skelda.sim.apu.SimulatedApu;

/**
 * From a sample posted at the feed door to its verdict in a stream's client, with 1 and 50 starts live at ten samples a
 * second; with {@code whole}, 50 aircraft with both engines, their APU and their lights.
 */
public final class FeedBench {
    private static final int STARTS = 50;
    private static final int LASTS_s = 75;
    private static final int WARM_UP_s = 15;
    private static final long EVERY_MS = 100;
    private static final int SAMPLES_A_SECOND = 10;
    private static final long APART_MS = 173;

    private final LiveServer server = new LiveServer(STARTS);
    private final ConcurrentHashMap<String, Long> sentAt = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<String, Long> apuSentAt = new ConcurrentHashMap<>();
    /** Signed in before anybody else tries to. */
    private final BenchClient bareSender = new BenchClient(server.address, "halden");

    private final ConcurrentHashMap<String, Long> beatAt = new ConcurrentHashMap<>();
    private final AtomicLong longestBeat_ns = new AtomicLong();
    private volatile Times toVerdict = new Times();
    private volatile Times toBare = new Times();
    private volatile Times toApu = new Times();

    private FeedBench() throws IOException {}

    public static void main(String[] arguments) throws Exception {
        FeedBench bench = new FeedBench();
        List<BenchClient> readers = LiveServer.READERS.stream()
                .map(account -> new BenchClient(bench.server.address, account))
                .toList();
        for (int i = 0; i < STARTS; i++) {
            LiveServer.Tail tail = bench.server.tails.get(i);
            readers.get(i % readers.size()).stream(tail.departure(), line -> bench.arrived(tail, line));
        }
        readers.getFirst().lines("/api/bench/bare/stream", bench::bareArrived);
        System.out.println("\n| what | n | p50 ms | p99 ms |\n|---|---|---|---|");
        if (List.of(arguments).contains("whole")) {
            for (String round : List.of("on a server that has just begun", "on one that has run for two minutes")) {
                System.out.println("| **" + round + "** | | | |");
                bench.live(STARTS, APART_MS, bench::sendWhole);
                System.out.println(bench.toApu.row("an APU's reading posted to the same stream's client meanwhile"));
            }
            bench.server.close();
            System.exit(0);
        }
        if (!List.of(arguments).contains("strangers")) {
            bench.live(1, 0, bench::send);
            bench.live(STARTS, APART_MS, bench::send);
            bench.live(STARTS, 0, bench::send);
        }
        for (int starts : new int[] {1, STARTS}) {
            try (Strangers strangers = new Strangers(bench.server.address)) {
                System.out.println("| **with 16 strangers' sign-ins a second** | | | |");
                bench.live(starts, APART_MS, bench::send);
                System.out.println("| answers they got: " + strangers + " | | | |");
            }
        }
        bench.server.close();
        System.exit(0);
    }

    /** Sends what one aircraft sends. */
    private interface Sender {
        void send(LiveServer.Tail tail, long after_ms);
    }

    /** @param apart_ms how long after the one before each start begins */
    private void live(int starts, long apart_ms, Sender sender) throws InterruptedException {
        var system = (com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
        List<Thread> senders = new ArrayList<>();
        for (LiveServer.Tail tail : server.tails.subList(0, starts)) {
            long after_ms = senders.size() * apart_ms;
            senders.add(Thread.ofVirtual().start(() -> sender.send(tail, after_ms)));
        }
        Thread bare = Thread.ofVirtual().start(this::sendBare);
        Thread.sleep(WARM_UP_s * 1000L);
        toVerdict = new Times();
        toBare = new Times();
        toApu = new Times();
        longestBeat_ns.set(0);
        long cpu = system.getProcessCpuTime();
        long began = System.nanoTime();
        for (Thread one : senders) {
            one.join();
        }
        bare.interrupt();
        double share = (system.getProcessCpuTime() - cpu) / (double) (System.nanoTime() - began);
        System.gc();
        long heap = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
        System.out.println(toVerdict.row("sample posted to verdict in a stream's client, " + starts + " starts live"
                + (starts == 1
                        ? ""
                        : apart_ms == 0 ? ", all begun in the same instant" : ", begun " + apart_ms + " ms apart")));
        System.out.println(toBare.row("text posted to a bare stream's client meanwhile"));
        System.out.printf(
                Locale.ROOT,
                "| ratio of the two | | %.2f | %.2f |%n",
                toVerdict.quantile_ms(0.5) / toBare.quantile_ms(0.5),
                toVerdict.quantile_ms(0.99) / toBare.quantile_ms(0.99));
        System.out.printf(
                Locale.ROOT,
                "| longest time between two heartbeats of a stream: %.2f s | | | |%n",
                longestBeat_ns.get() / 1e9);
        System.out.printf(
                Locale.ROOT,
                "| with %d: cores used by server and clients together %.2f, heap after collection %d MB | | | |%n",
                starts,
                share,
                heap / 1_000_000);
    }

    private void send(LiveServer.Tail tail, long after_ms) {
        List<Sample> samples = SimulatedStart.of(LiveServer.PROFILE).samples(LASTS_s);
        pause(after_ms);
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.now());
        long began = System.nanoTime();
        try {
            for (int i = 0; i < samples.size(); i++) {
                Thread.sleep(Math.max(0, i * EVERY_MS - (System.nanoTime() - began) / 1_000_000));
                Sample sample = samples.get(i).at(begin_us + samples.get(i).at_us());
                sentAt.put(tail.departure() + sample.at_us() / 1000, System.nanoTime());
                server.post(tail, sample);
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    /** Both engines started, the APU started beside them, and lights that change each second, in one request. */
    private void sendWhole(LiveServer.Tail tail, long after_ms) {
        List<Sample> samples = SimulatedStart.of(LiveServer.PROFILE).samples(LASTS_s);
        List<String> lights = server.type.tests().values().stream()
                .flatMap(test -> test.groups().stream())
                .flatMap(group -> group.indications().stream())
                .map(Indication::id)
                .distinct()
                .toList();
        pause(after_ms);
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.now());
        SimulatedApu apu = new SimulatedApu(server.type.apu(), tail.hashCode(), begin_us);
        apu.move("apu/master", "on", begin_us);
        long began = System.nanoTime();
        try {
            for (int i = 0; i < samples.size(); i++) {
                Thread.sleep(Math.max(0, i * EVERY_MS - (System.nanoTime() - began) / 1_000_000));
                Sample sample = samples.get(i).at(begin_us + samples.get(i).at_us());
                apu.advanceTo(sample.at_us());
                if (i % SAMPLES_A_SECOND == 0) {
                    apu.move("apu/start", "on", sample.at_us());
                    apu.move("apu/generator", "on", sample.at_us());
                }
                String lines = LiveServer.line(1, sample)
                        + LiveServer.line(2, sample)
                        + FeedWriter.apu(apu.sample()) + "\n"
                        + FeedWriter.lights(sample.at_us(), lights.subList(0, i / SAMPLES_A_SECOND % lights.size()))
                        + "\n";
                long now = System.nanoTime();
                sentAt.put(tail.departure() + sample.at_us() / 1000, now);
                apuSentAt.put(tail.departure() + apu.sample().at_us() / 1000, now);
                server.post(tail, lines);
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private static void pause(long time_ms) {
        try {
            Thread.sleep(time_ms);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private void arrived(LiveServer.Tail tail, String line) {
        if (line.equals("event:heartbeat")) {
            long now = System.nanoTime();
            Long before = beatAt.put(tail.departure(), now);
            if (before != null) {
                longestBeat_ns.accumulateAndGet(now - before, Math::max);
            }
        }
        took(line, "data:{\"samples\"", tail, apuSentAt, toApu);
        took(line, "data:{\"view\"", tail, sentAt, toVerdict);
    }

    /** Notes how long the newest reading of a message was under way: the first number of its last row. */
    private static void took(String line, String begins, LiveServer.Tail tail, Map<String, Long> sentAt, Times times) {
        int row = line.startsWith(begins) ? line.lastIndexOf('[') + 1 : 0;
        int comma = line.indexOf(',', row);
        if (row > 0 && comma > row) {
            long at_ms = Math.round(Math.floor(Double.parseDouble(line.substring(row, comma))));
            Long sent = sentAt.remove(tail.departure() + at_ms);
            if (sent != null) {
                times.add(System.nanoTime() - sent);
            }
        }
    }

    private void sendBare() {
        try {
            while (true) {
                Thread.sleep(EVERY_MS);
                bareSender.post("/api/bench/bare", "{\"sent\":" + System.nanoTime() + "}");
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
