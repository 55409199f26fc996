package org.skelda.app.store;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.zip.ZipInputStream;
import org.skelda.app.door.DoorKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * Makes a backup while the server runs, for the owner of its data folder alone. It answers in a sentence for the
 * terminal.
 */
@RestController
class BackupController {
    private static final Logger LOG = LoggerFactory.getLogger(BackupController.class);

    private final DataFolder data;
    private final JdbcClient database;
    private final GroupCommit commits;
    private final DoorKey key;

    BackupController(DataFolder data, JdbcClient database, GroupCommit commits, DoorKey key) {
        this.data = data;
        this.database = database;
        this.commits = commits;
        this.key = key;
    }

    @PostMapping(path = "/own/backup", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<String> backup(@RequestParam String file, HttpServletRequest request) {
        if (!key.opens(request)) {
            return ResponseEntity.status(HttpStatus.FORBIDDEN).body("The key of the data folder is needed for that.");
        }
        try {
            Backup.Content content = Backup.make(data.path(), Path.of(file), this::copy);
            return ResponseEntity.ok("Backed up " + content.departures() + " departures with " + content.events()
                    + " events, each checked, to " + file + ".");
        } catch (Backup.NotMade | InvalidPathException e) {
            return ResponseEntity.status(HttpStatus.CONFLICT).body(String.valueOf(e.getMessage()));
        } catch (IOException | SQLException e) {
            LOG.error("a backup to {} failed", file, e);
            return ResponseEntity.status(HttpStatus.INTERNAL_SERVER_ERROR).body("The backup failed: " + e.getMessage());
        }
    }

    /** The database's own way: a copy as of one moment, while it goes on. */
    private void copy(Path to) throws IOException {
        commits.settle();
        Path packed = Files.createTempFile(to.getParent(), "copy", ".zip");
        try {
            database.sql("BACKUP TO ?").param(packed.toString()).update();
            try (InputStream in = Files.newInputStream(packed);
                    ZipInputStream zip = new ZipInputStream(in)) {
                if (zip.getNextEntry() == null) {
                    throw new IOException("the database made an empty copy");
                }
                Files.copy(zip, to);
            }
        } finally {
            Files.delete(packed);
        }
    }
}
