package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.app.SkeldaProperties;

@Timeout(30)
class PatientFileTest {
    private static final long PLENTY = 1L << 30;

    @TempDir
    private Path folder;

    private final AtomicLong room = new AtomicLong();
    private final AtomicInteger refused = new AtomicInteger();

    /** A file on a disk that refuses to write while there is no room. */
    private FileChannel disk(FileChannel file) throws IOException {
        FileChannel disk = mock();
        when(disk.write(any(ByteBuffer.class), anyLong())).thenAnswer(asked -> {
            if (room.get() == 0) {
                refused.incrementAndGet();
                throw new IOException("No space left on device");
            }
            return file.write(asked.getArgument(0, ByteBuffer.class), asked.getArgument(1, Long.class));
        });
        when(disk.read(any(ByteBuffer.class), anyLong()))
                .thenAnswer(
                        asked -> file.read(asked.getArgument(0, ByteBuffer.class), asked.getArgument(1, Long.class)));
        return disk;
    }

    private FileChannel file() throws IOException {
        return FileChannel.open(
                folder.resolve("file"), StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
    }

    private static ByteBuffer text(String text) {
        return ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void aWriteWithoutRoomWaitsForItAndReadingGoesOn() throws Exception {
        PatientFile.register();
        try (FileChannel file = file()) {
            file.write(text("before"), 0);
            PatientFile.Channel patient = new PatientFile.Channel(disk(file), room::get);
            Thread writing = Thread.ofVirtual().start(() -> {
                try {
                    patient.write(text("behind"), 6);
                } catch (IOException e) {
                    throw new AssertionError(e);
                }
            });
            while (refused.get() < 2) {
                Thread.onSpinWait();
            }
            ByteBuffer read = ByteBuffer.allocate(6);
            patient.read(read, 0);
            assertThat(new String(read.array(), StandardCharsets.UTF_8)).isEqualTo("before");
            assertThat(writing.isAlive()).as("the write waits").isTrue();
            room.set(PLENTY);
            writing.join();
            assertThat(file.size()).isEqualTo(12);
        }
    }

    @Test
    void anyOtherFailureIsOne() throws Exception {
        PatientFile.register();
        FileChannel broken = mock();
        when(broken.write(any(ByteBuffer.class), anyLong())).thenThrow(new IOException("Input/output error"));
        assertThatThrownBy(() -> new PatientFile.Channel(broken, () -> PLENTY).write(text("x"), 0))
                .isInstanceOf(IOException.class)
                .hasMessage("Input/output error");
    }

    /** The disk was full at the write, and no longer when it was looked at. */
    @Test
    void roomThatComesAtThatMomentIsUsed() throws Exception {
        PatientFile.register();
        FileChannel disk = mock();
        when(disk.write(any(ByteBuffer.class), anyLong()))
                .thenThrow(new IOException("No space left on device"))
                .thenReturn(1);
        assertThat(new PatientFile.Channel(disk, () -> PLENTY).write(text("x"), 0))
                .isEqualTo(1);
    }

    @Test
    void aServerThatEndsWaitsForNoRoom() throws Exception {
        PatientFile.register();
        PatientFile.giveUp();
        try (FileChannel file = file()) {
            assertThatThrownBy(() -> new PatientFile.Channel(disk(file), room::get).write(text("x"), 0))
                    .hasMessage("No space left on device");
        }
    }

    @Test
    void theDatabaseIsKeptInSuchAFile() throws Exception {
        DataFolder data = new DataFolder(new SkeldaProperties(
                folder.resolve("data"), false, null, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO)));
        for (String ask : List.of(
                "CREATE TABLE kept (number INT); INSERT INTO kept VALUES (7)", "UPDATE kept SET number = number + 1")) {
            try (Connection database =
                            DriverManager.getConnection(data.getJdbcUrl(), data.getUsername(), data.getPassword());
                    Statement statement = database.createStatement()) {
                statement.execute(ask);
            }
        }
        // It is an ordinary file of the database: whoever opens it without this class finds the same in it.
        try (Connection plain =
                        DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("data/db/skelda"), "skelda", "");
                ResultSet row = plain.createStatement().executeQuery("SELECT number FROM kept")) {
            assertThat(row.next()).isTrue();
            assertThat(row.getInt(1)).isEqualTo(8);
        }
    }
}
