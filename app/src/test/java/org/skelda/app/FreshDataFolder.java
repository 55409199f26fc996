package org.skelda.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;

/**
 * Gives every server under test a folder of its own below target/, with the demonstration's day: that is simulated and
 * judged once for all tests of a build.
 */
class FreshDataFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    private static final Path BELOW = Path.of("target/test-data").toAbsolutePath();

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        try {
            Path seed = seeded();
            Path folder = Files.createTempDirectory(BELOW, "server-");
            FileSystemUtils.copyRecursively(seed, folder);
            TestPropertyValues.of("skelda.data=" + folder).applyTo(context);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** All test programs of a build have the same parent; what an earlier build left may be of other code. */
    private static Path seeded() throws IOException {
        Files.createDirectories(BELOW);
        String build = ProcessHandle.current()
                .parent()
                .map(parent -> parent.pid() + "-"
                        + parent.info()
                                .startInstant()
                                .map(start -> start.toEpochMilli())
                                .orElse(0L))
                .orElse("alone");
        Path seed = BELOW.resolve("seed-" + build);
        try (FileChannel lock = FileChannel.open(
                        BELOW.resolve("seed.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock _ = lock.lock()) {
            if (!Files.exists(seed)) {
                Path making = Files.createTempDirectory(BELOW, "making-");
                new SpringApplicationBuilder(SkeldaApplication.class)
                        .run("--skelda.data=" + making, "--skelda.demo=true", "--server.port=0")
                        .close();
                Files.move(making, seed);
            }
        }
        return seed;
    }
}
