package org.skelda.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import org.hipparchus.stat.regression.SimpleRegression;
import org.skelda.core.start.Sample;
import org.skelda.sim.aircraft.SimulatedStart;

/**
 * Twenty departures for half an hour: each is read ten times a second and starts its engine again and again, two
 * streams read each, and its crew holds and resumes a procedure. Tells each minute what the heap holds after a
 * collection.
 */
public final class SoakBench {
    private static final int DEPARTURES = 20;
    private static final int STREAMS_EACH = 2;
    private static final int START_s = 75;
    private static final long EVERY_MS = 100;
    private static final long CREW_EVERY_MS = 5000;
    private static final long APART_MS = 3700;
    private static final int SETTLED_AFTER_min = 5;
    private static final double BYTES_PER_MB = 1e6;

    private final LiveServer server = new LiveServer(DEPARTURES);
    private final AtomicLong samples = new AtomicLong();
    private final AtomicLong commands = new AtomicLong();
    private final AtomicLong lines = new AtomicLong();
    private volatile boolean over;

    private SoakBench() throws IOException {}

    /** @param arguments minutes, 30 when none is given */
    public static void main(String[] arguments) throws Exception {
        int minutes = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 30;
        SoakBench soak = new SoakBench();
        soak.begin();
        System.out.println(
                "\n| minute | heap after collection MB | samples | commands | stream lines |\n|---|---|---|---|---|");
        SimpleRegression growth = new SimpleRegression();
        for (int minute = 1; minute <= minutes; minute++) {
            Thread.sleep(Duration.ofMinutes(1));
            System.gc();
            double heap_mb =
                    ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() / BYTES_PER_MB;
            if (minute > SETTLED_AFTER_min) {
                growth.addData(minute, heap_mb);
            }
            System.out.printf(
                    Locale.ROOT,
                    "| %d | %.1f | %d | %d | %d |%n",
                    minute,
                    heap_mb,
                    soak.samples.get(),
                    soak.commands.get(),
                    soak.lines.get());
        }
        System.out.printf(
                Locale.ROOT,
                "| from minute %d on: MB a minute %.3f, standard error %.3f | | | | |%n",
                SETTLED_AFTER_min + 1,
                growth.getSlope(),
                growth.getSlopeStdErr());
        soak.over = true;
        System.exit(0);
    }

    private void begin() {
        List<BenchClient> readers = LiveServer.READERS.stream()
                .map(account -> new BenchClient(server.address, account))
                .toList();
        List<Sample> start = SimulatedStart.of(LiveServer.PROFILE).samples(START_s);
        int place = 0;
        for (LiveServer.Tail tail : server.tails) {
            for (int i = 0; i < STREAMS_EACH; i++) {
                readers.get((place + i) % readers.size()).stream(tail.departure(), _ -> lines.incrementAndGet());
            }
            long after_ms = place++ * APART_MS;
            failing(() -> readAgainAndAgain(tail, start, after_ms));
            failing(() -> work(tail));
        }
    }

    /** A soak that fails must not look like one that is quiet. */
    private void failing(Work work) {
        Thread.ofVirtual().start(() -> {
            try {
                work.run();
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            } catch (RuntimeException e) {
                if (!over) {
                    e.printStackTrace();
                    System.exit(1);
                }
            }
        });
    }

    private interface Work {
        void run() throws InterruptedException;
    }

    private void readAgainAndAgain(LiveServer.Tail tail, List<Sample> start, long after_ms)
            throws InterruptedException {
        Thread.sleep(after_ms);
        List<Sample> all = new ArrayList<>(start);
        while (!over) {
            long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.now());
            long began = System.nanoTime();
            for (int i = 0; i < all.size() && !over; i++) {
                Thread.sleep(Math.max(0, i * EVERY_MS - (System.nanoTime() - began) / 1_000_000));
                server.post(tail, all.get(i).at(begin_us + all.get(i).at_us()));
                samples.incrementAndGet();
            }
        }
    }

    private void work(LiveServer.Tail tail) throws InterruptedException {
        BenchClient crew = new BenchClient(server.address, "halden");
        boolean held = false;
        while (!over) {
            Thread.sleep(CREW_EVERY_MS);
            crew.post(
                    "/api/departures/" + tail.departure() + "/commands",
                    BenchClient.command(
                            UUID.randomUUID(),
                            held ? "RESUME" : "HOLD",
                            "\"procedure\":\"safety-power\"" + (held ? "" : ",\"reason\":\"fueller\"")));
            held = !held;
            commands.incrementAndGet();
        }
    }
}
