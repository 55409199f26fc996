package org.skelda.app.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import org.skelda.app.SkeldaProperties;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The folder of everything that is kept, looked at before anything in it is opened: it is its owner's alone, it can be
 * written, and where a database was there is one.
 */
@Component
public class DataFolder implements JdbcConnectionDetails {
    private static final String OWNER_ALONE = "rwx------";
    /**
     * How long the database leaves the room of what nobody needs any more before it takes it for something else, ms.
     */
    static final int RETENTION_MS = 500;
    // What is acknowledged is brought to the disk by GroupCommit. Small and compressed pages make what a commit writes
    // a fourth as
    // much. The cache has a bound, in kB, so that memory does not depend on how long the server has run. The database
    // is closed with
    // its last connection, and not while the server still answers.
    private static final String SETTINGS =
            ";RETENTION_TIME=" + RETENTION_MS + ";PAGE_SIZE=2048;COMPRESS=TRUE;CACHE_SIZE=16384;DB_CLOSE_ON_EXIT=FALSE";

    private final Path folder;

    /** @throws Unusable when nothing can be kept there, in one sentence */
    DataFolder(SkeldaProperties properties) {
        folder = properties.data().toAbsolutePath().normalize();
        try {
            Files.createDirectories(folder);
            if (Files.getFileAttributeView(folder, PosixFileAttributeView.class) != null) {
                Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString(OWNER_ALONE));
            }
            // Permissions say little of a full disk or of a folder that was mounted to be read only.
            Files.delete(Files.createTempFile(folder, "writable", null));
        } catch (IOException e) {
            throw new Unusable(
                    "The data folder " + folder + " cannot be written: " + e.getMessage() + ".",
                    "Give it to the user who starts Skelda, or choose another with --data.");
        }
        checkDatabase();
        PatientFile.register();
    }

    @EventListener(ContextClosedEvent.class)
    void end() {
        PatientFile.giveUp();
    }

    private void checkDatabase() {
        Path file = file();
        try {
            if (Files.exists(file) && Files.size(file) == 0) {
                throw new Unusable(
                        "The database " + file + " is an empty file; what it held is gone from there.",
                        "Put it back from a backup with ./skelda restore. If nothing was ever kept, delete the file.");
            }
        } catch (IOException e) {
            throw new Unusable(
                    "The database " + file + " cannot be read: " + e.getMessage() + ".",
                    "Give it to the user who starts Skelda.");
        }
        if (Files.exists(file) && !Files.isWritable(file)) {
            throw new Unusable(
                    "The database " + file + " may not be written by the user who starts Skelda.",
                    "Give it to that user.");
        }
    }

    /** Nothing can be kept there. */
    static final class Unusable extends RuntimeException {
        private final String todo;

        Unusable(String message, String todo) {
            super(message);
            this.todo = todo;
        }

        String todo() {
            return todo;
        }
    }

    Path path() {
        return folder;
    }

    /** The database's one file. */
    Path file() {
        return folder.resolve("db").resolve("skelda.mv.db");
    }

    @Override
    public String getJdbcUrl() {
        return "jdbc:h2:" + PatientFile.SCHEME + ":" + folder.resolve("db").resolve("skelda") + SETTINGS;
    }

    @Override
    public String getUsername() {
        return "skelda";
    }

    @Override
    public String getPassword() {
        return "";
    }
}
