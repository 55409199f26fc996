package org.skelda.app.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.h2.api.ErrorCode;

/** Makes a backup of the data folder of a server that does not run. Arguments: the data folder, and the file. */
public final class BackupOfStopped {
    private BackupOfStopped() {}

    public static void main(String[] arguments) throws IOException {
        Path data = Path.of(arguments[0]);
        Path file = Path.of(arguments[1]);
        try {
            Backup.Content content = Backup.make(data, file, to -> copy(data, to));
            System.out.println("Backed up " + content.departures() + " departures with " + content.events()
                    + " events, each checked, to " + file + ".");
        } catch (Backup.NotMade e) {
            fail(String.valueOf(e.getMessage()));
        } catch (SQLException e) {
            fail(
                    e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1
                            ? "A server is using " + data + ", and does not answer at its own door."
                            : "The database cannot be read: " + e.getMessage());
        }
    }

    /** The lock is held while it is copied, so that nobody starts a server meanwhile. */
    private static void copy(Path data, Path to) throws IOException, SQLException {
        String name = data.resolve("db").resolve("skelda").toString();
        try (var lock = DriverManager.getConnection("jdbc:h2:file:" + name + ";IFEXISTS=TRUE", "skelda", "")) {
            if (!lock.isValid(0)) {
                throw new IOException("the database in " + data + " cannot be opened");
            }
            Files.copy(data.resolve(Backup.DATABASE), to);
        }
    }

    private static void fail(String why) {
        System.err.println("skelda: " + why);
        System.exit(1);
    }
}
