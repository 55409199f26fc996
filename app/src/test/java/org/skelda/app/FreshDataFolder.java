package org.skelda.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;

/** Gives every server under test an empty folder below target/. */
class FreshDataFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    @Override
    public void initialize(ConfigurableApplicationContext context) {
        try {
            Path folder = Files.createTempDirectory(Files.createDirectories(Path.of("target/test-data")), "server-");
            TestPropertyValues.of("skelda.data=" + folder.toAbsolutePath()).applyTo(context);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
