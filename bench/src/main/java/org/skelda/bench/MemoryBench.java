package org.skelda.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.util.Locale;

/**
 * A thousand departures in the database, two hundred of them opened in turn: what the heap holds before, after and when
 * nobody looks.
 */
public final class MemoryBench {
    private static final int DEPARTURES = 1000;
    private static final int OPENED = 200;
    private static final Duration UNUSED = Duration.ofSeconds(150);
    private static final double BYTES_PER_MB = 1e6;

    private MemoryBench() {}

    public static void main(String[] arguments) throws IOException, InterruptedException {
        try (LiveServer server = new LiveServer(DEPARTURES)) {
            BenchClient client = new BenchClient(server.address, "halden");
            // Once before, so that what the first use of anything costs is not counted.
            open(server, client, 0);
            Thread.sleep(UNUSED);
            double before_mb = heap_mb();
            for (int i = 1; i <= OPENED; i++) {
                open(server, client, i);
            }
            double opened_mb = heap_mb();
            Thread.sleep(UNUSED);
            double left_mb = heap_mb();
            System.out.println("\n| heap after collection, 1,000 departures in the database | MB | more than before |\n"
                    + "|---|---|---|");
            System.out.printf(
                    Locale.ROOT,
                    "| before | %.1f | |%n| %d opened in turn | %.1f | %.1f |%n| %d s later | %.1f | %.1f |%n",
                    before_mb,
                    OPENED,
                    opened_mb,
                    opened_mb - before_mb,
                    UNUSED.toSeconds(),
                    left_mb,
                    left_mb - before_mb);
        }
        System.exit(0);
    }

    private static void open(LiveServer server, BenchClient client, int number) {
        String departure = server.tails.get(number).departure();
        client.get("/api/departures/" + departure);
        client.get("/api/departures/" + departure + "/events");
    }

    private static double heap_mb() throws InterruptedException {
        for (int i = 0; i < 3; i++) {
            System.gc();
            Thread.sleep(200);
        }
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() / BYTES_PER_MB;
    }
}
