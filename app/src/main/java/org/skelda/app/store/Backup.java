package org.skelda.app.store;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.skelda.formats.record.LogChain;

/**
 * Makes a backup of a copy of the database: sessions are taken out of it, every log in it is checked by its chain, and
 * it is packed with the installation's key. What is not right is no backup.
 */
final class Backup {
    /** The database as it lies in a data folder, and in a backup. */
    static final String DATABASE = "db/skelda.mv.db";

    private static final String USER = "skelda";

    private Backup() {}

    /** @param departures how many; @param events in all their logs, each checked */
    record Content(long departures, long events) {}

    /** A backup that could not be made, in one sentence. */
    static final class NotMade extends RuntimeException {
        NotMade(String why) {
            super(why);
        }
    }

    /** How the copy of the database comes about. */
    @FunctionalInterface
    interface Copying {
        /** @param database the file that is to be written */
        void to(Path database) throws IOException, SQLException;
    }

    /**
     * @param data the data folder, for its keys
     * @param file that is to be made; must not exist
     * @throws NotMade when the copy is not right, or the file exists; nothing is left behind
     */
    static Content make(Path data, Path file, Copying copying) throws IOException, SQLException {
        if (Files.exists(file)) {
            throw new NotMade(file + " exists; it was left alone.");
        }
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new NotMade("There is no folder " + folder + ".");
        }
        Path work = Files.createTempDirectory(folder, ".skelda-backup");
        try {
            Path database = work.resolve(DATABASE);
            Files.createDirectories(database.getParent());
            copying.to(database);
            Content content = cleaned(database);
            Path keys = data.resolve("keys");
            if (Files.isDirectory(keys)) {
                copy(keys, work.resolve("keys"));
            }
            pack(work, file);
            return content;
        } finally {
            delete(work);
        }
    }

    private static Content cleaned(Path database) throws SQLException {
        String name = database.toString().replaceAll("\\.mv\\.db$", "");
        try (Connection copy = DriverManager.getConnection("jdbc:h2:file:" + name + ";IFEXISTS=TRUE", USER, "");
                Statement statement = copy.createStatement()) {
            // Who holds a session holds what its person may do.
            statement.execute("DELETE FROM SPRING_SESSION_ATTRIBUTES");
            statement.execute("DELETE FROM SPRING_SESSION");
            Content content = checked(copy);
            // What was deleted is in the file no more.
            statement.execute("SHUTDOWN COMPACT");
            return content;
        }
    }

    private static Content checked(Connection copy) throws SQLException {
        long departures = 0;
        long events = 0;
        try (Statement all = copy.createStatement();
                ResultSet ids = all.executeQuery("SELECT id FROM departure");
                PreparedStatement log = copy.prepareStatement(
                        "SELECT envelope FROM departure_event WHERE departure_id = ? ORDER BY seq")) {
            while (ids.next()) {
                log.setObject(1, ids.getObject(1));
                List<String> envelopes = envelopes(log);
                try {
                    LogChain.check(envelopes);
                } catch (LogChain.Broken e) {
                    throw new NotMade("The log of departure " + ids.getObject(1)
                            + " was changed by something else than Skelda: " + e.getMessage() + ".");
                }
                departures++;
                events += envelopes.size();
            }
        }
        return new Content(departures, events);
    }

    private static List<String> envelopes(PreparedStatement log) throws SQLException {
        List<String> envelopes = new ArrayList<>();
        try (ResultSet rows = log.executeQuery()) {
            while (rows.next()) {
                envelopes.add(rows.getString(1));
            }
        }
        return envelopes;
    }

    /** First under another name, so that a file of this name is a whole backup. */
    private static void pack(Path folder, Path file) throws IOException {
        Path half = Files.createTempFile(file.toAbsolutePath().getParent(), ".skelda-backup", ".half");
        try {
            Files.setPosixFilePermissions(half, PosixFilePermissions.fromString("rw-------"));
            try (OutputStream out = Files.newOutputStream(half);
                    ZipOutputStream zip = new ZipOutputStream(out);
                    Stream<Path> files = Files.walk(folder)) {
                for (Path one : files.filter(Files::isRegularFile).sorted().toList()) {
                    zip.putNextEntry(new ZipEntry(folder.relativize(one).toString()));
                    Files.copy(one, zip);
                    zip.closeEntry();
                }
            }
            Files.move(half, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(half);
        }
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path one : files.toList()) {
                Files.copy(one, to.resolve(from.relativize(one).toString()));
            }
        }
    }

    private static void delete(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path one : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(one);
            }
        }
    }
}
