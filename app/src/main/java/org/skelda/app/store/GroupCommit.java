package org.skelda.app.store;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;

/**
 * Brings what was committed to the disk: one checkpoint for all commits that wait, before any of them is acknowledged.
 * The database itself writes at its leisure, and so has time to tidy its file.
 */
@Component
public class GroupCommit implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(GroupCommit.class);
    /**
     * The database's own tidying writes too, and takes the room of what nobody needs any more after
     * {@link DataFolder#RETENTION_MS}: by then what took its place must be on the disk, whether anybody commits or not.
     */
    private static final long AT_REST_MS = DataFolder.RETENTION_MS / 3;

    /** Who commits holds what others want to read. */
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final Connection connection;
    private final Duration patience;
    private final Thread thread;
    private final ReentrantLock lock = new ReentrantLock();
    private final Condition wanted = lock.newCondition();
    private final Condition reached = lock.newCondition();
    private long asked;
    private long done;
    private long doneWell;
    private @Nullable Exception failure;
    private boolean closed;

    @Autowired
    GroupCommit(JdbcConnectionDetails database) throws SQLException {
        this(
                DriverManager.getConnection(database.getJdbcUrl(), database.getUsername(), database.getPassword()),
                PATIENCE);
    }

    GroupCommit(Connection connection, Duration patience) {
        this.patience = patience;
        this.connection = connection;
        thread = Thread.ofPlatform().name("group commit").daemon().start(this::run);
    }

    /**
     * Returns when everything that was committed before the call is on the disk.
     *
     * @throws NotOnDisk when it is not known to be, also when the disk took nothing for a while
     */
    public void settle() {
        lock.lock();
        try {
            long mine = ++asked;
            wanted.signal();
            long left_ns = patience.toNanos();
            while (done < mine && !closed && left_ns > 0) {
                left_ns = reached.awaitNanos(left_ns);
            }
            if (doneWell < mine) {
                throw new NotOnDisk(failure);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new NotOnDisk(e);
        } finally {
            lock.unlock();
        }
    }

    /** How many wait. */
    long waiting() {
        lock.lock();
        try {
            return asked - done;
        } finally {
            lock.unlock();
        }
    }

    /** What was committed may not be on the disk. */
    public static final class NotOnDisk extends ProblemException {
        NotOnDisk(@Nullable Exception cause) {
            super(Problems.notOnDisk(), cause);
        }
    }

    private void run() {
        try (Statement checkpoint = connection.createStatement()) {
            for (long upTo = next(); upTo >= 0; upTo = next()) {
                Exception wrong = null;
                try {
                    checkpoint.execute("CHECKPOINT SYNC");
                } catch (SQLException | RuntimeException e) {
                    // Whatever it was: those who wait must not wait for ever, and the next may go well.
                    wrong = e;
                }
                tell(upTo, wrong);
            }
        } catch (SQLException e) {
            tell(Long.MAX_VALUE, e);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    /** The number of the newest commit that waits; negative at the end. */
    private long next() throws InterruptedException {
        lock.lock();
        try {
            if (asked == done && !closed) {
                wanted.await(AT_REST_MS, TimeUnit.MILLISECONDS);
            }
            return closed ? -1 : asked;
        } finally {
            lock.unlock();
        }
    }

    private void tell(long upTo, @Nullable Exception wrong) {
        lock.lock();
        try {
            if (wrong != null && failure == null) {
                LOG.error("what is committed does not get to the disk", wrong);
            }
            done = upTo;
            doneWell = wrong == null ? upTo : doneWell;
            failure = wrong;
            reached.signalAll();
        } finally {
            lock.unlock();
        }
    }

    @Override
    public void destroy() throws SQLException, InterruptedException {
        lock.lock();
        try {
            closed = true;
            wanted.signalAll();
            reached.signalAll();
        } finally {
            lock.unlock();
        }
        thread.join();
        connection.close();
    }
}
