package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.app.SkeldaProperties;

/** What is wrong with the folder is said in one sentence, before anything in it is opened. */
class DataFolderTest {
    @TempDir
    private Path folder;

    private DataFolder of(Path path) {
        return new DataFolder(
                new SkeldaProperties(path, false, null, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO)));
    }

    @Test
    void itIsMadeAndItsOwnersAlone() throws IOException {
        Path fresh = folder.resolve("data");
        assertThat(of(fresh).getJdbcUrl()).startsWith("jdbc:h2:patient:" + fresh);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(fresh)))
                .isEqualTo("rwx------");
        assertThat(fresh).isEmptyDirectory();
    }

    @Test
    void anEmptyFileWhereADatabaseWasIsNotTakenForANewOne() throws IOException {
        Files.createFile(Files.createDirectories(folder.resolve("db")).resolve("skelda.mv.db"));
        assertThatThrownBy(() -> of(folder))
                .isInstanceOf(DataFolder.Unusable.class)
                .hasMessageContaining("is an empty file");
    }

    @Test
    void aFileInThePlaceOfTheFolderIsTold() throws IOException {
        Path file = Files.createFile(folder.resolve("data"));
        assertThatThrownBy(() -> of(file))
                .isInstanceOf(DataFolder.Unusable.class)
                .hasMessageContaining("cannot be written");
    }

    @Test
    void aSecondServerAndADamagedFileAreToldInOneSentence() throws IOException, SQLException {
        String url = of(folder).getJdbcUrl();
        DriverManager.getConnection(url, "skelda", "").close();
        try (var file = FileChannel.open(folder.resolve("db/skelda.mv.db"), StandardOpenOption.WRITE);
                var _ = file.lock()) {
            assertThatThrownBy(() -> DriverManager.getConnection(url, "skelda", ""))
                    .isInstanceOfSatisfying(
                            SQLException.class,
                            e -> assertThat(said(e)).isEqualTo("The data folder is in use by another Skelda server."));
        }
        Files.writeString(folder.resolve("db/skelda.mv.db"), "no database ".repeat(2000));
        assertThatThrownBy(() -> DriverManager.getConnection(url, "skelda", ""))
                .isInstanceOfSatisfying(
                        SQLException.class,
                        e -> assertThat(said(e))
                                .isEqualTo("The database in the data folder is damaged and was left as it is."));
    }

    private static String said(SQLException e) {
        return String.valueOf(new DatabaseFailureAnalyzer()
                .analyze(new IllegalStateException("start", e))
                .getDescription());
    }
}
