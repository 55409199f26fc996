package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.app.SkeldaProperties;

@Timeout(30)
class GroupCommitTest {
    private static final Duration A_LONG_TIME = Duration.ofSeconds(20);

    @TempDir
    private Path folder;

    /** A connection whose checkpoints wait for a permit, are counted, and fail while they are told to. */
    private static final class Disk {
        private final Semaphore permits = new Semaphore(0);
        private final AtomicInteger checkpoints = new AtomicInteger();
        private volatile @Nullable Exception broken;
        private final Connection connection = mock();

        Disk() throws SQLException {
            Statement statement = mock();
            when(connection.createStatement()).thenReturn(statement);
            when(statement.execute(anyString())).thenAnswer(_ -> {
                permits.acquire();
                checkpoints.incrementAndGet();
                if (broken != null) {
                    throw broken;
                }
                return false;
            });
        }
    }

    @Test
    void whoWaitsTogetherIsServedTogether() throws Exception {
        Disk disk = new Disk();
        GroupCommit commits = new GroupCommit(disk.connection, A_LONG_TIME);
        int people = 20;
        CountDownLatch served = new CountDownLatch(people);
        List<Thread> waiting = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            waiting.add(Thread.ofVirtual().start(() -> {
                commits.settle();
                served.countDown();
            }));
        }
        // They wait for a checkpoint that begins after they came: the one that is held up now may have begun before.
        while (commits.waiting() < people) {
            Thread.onSpinWait();
        }
        assertThat(served.getCount()).isEqualTo(people);
        disk.permits.release(2);
        served.await();
        assertThat(disk.checkpoints.get()).isLessThanOrEqualTo(2);
        disk.permits.release(1000);
        commits.destroy();
    }

    @Test
    void nothingIsAcknowledgedThatIsNotOnTheDiskAndItGoesOnByItself() throws Exception {
        Disk disk = new Disk();
        disk.permits.release(1_000_000);
        GroupCommit commits = new GroupCommit(disk.connection, A_LONG_TIME);
        commits.settle();
        for (Exception wrong : List.of(new SQLException("no room"), new IllegalStateException("no room"))) {
            disk.broken = wrong;
            assertThatThrownBy(commits::settle)
                    .isInstanceOf(GroupCommit.NotOnDisk.class)
                    .hasRootCauseMessage("no room");
            disk.broken = null;
            commits.settle();
        }
        commits.destroy();
        assertThatThrownBy(commits::settle).as("after the end").isInstanceOf(GroupCommit.NotOnDisk.class);
    }

    @Test
    void whoeverCommitsDoesNotWaitForEverForADiskThatTakesNothing() throws Exception {
        Disk disk = new Disk();
        GroupCommit commits = new GroupCommit(disk.connection, Duration.ofMillis(100));
        assertThatThrownBy(commits::settle).isInstanceOf(GroupCommit.NotOnDisk.class);
        disk.permits.release(1_000_000);
        while (commits.waiting() > 0) {
            Thread.onSpinWait();
        }
        commits.settle();
        commits.destroy();
    }

    /** What is settled is in a copy of the file as it lies on the disk at that moment. */
    @Test
    void whatIsSettledIsInTheFile() throws Exception {
        DataFolder data = new DataFolder(new SkeldaProperties(
                folder.resolve("data"), false, null, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO)));
        try (Connection database =
                        DriverManager.getConnection(data.getJdbcUrl(), data.getUsername(), data.getPassword());
                Statement statement = database.createStatement()) {
            GroupCommit commits = new GroupCommit(data);
            statement.execute("CREATE TABLE kept (number INT PRIMARY KEY)");
            for (int i = 1; i <= 20; i++) {
                statement.execute("INSERT INTO kept VALUES (" + i + ")");
                commits.settle();
                assertThat(numbersIn(data.file(), i)).isEqualTo(i);
            }
            commits.destroy();
        }
    }

    private int numbersIn(Path file, int copy) throws Exception {
        Path copied = folder.resolve("copy-" + copy + ".mv.db");
        Files.copy(file, copied);
        try (Connection database = DriverManager.getConnection(
                        "jdbc:h2:file:" + folder.resolve("copy-" + copy) + ";IFEXISTS=TRUE", "skelda", "");
                Statement statement = database.createStatement();
                var rows = statement.executeQuery("SELECT COUNT(*) FROM kept")) {
            rows.next();
            return rows.getInt(1);
        }
    }
}
