package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.FileStore;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.app.problem.ProblemException;

class DiskSpaceTest {
    private static final long MB = 1L << 20;

    @ParameterizedTest
    @CsvSource({"500000, 40, true", "500000, 31, false", "500000, 0, false", "100, 6, true", "100, 4, false"})
    void writingIsRefusedBeforeTheDiskIsFullAndGoesOnWhenThereIsRoom(long total_mb, long left_mb, boolean may)
            throws IOException {
        FileStore disk = mock(FileStore.class);
        when(disk.getTotalSpace()).thenReturn(total_mb * MB);
        when(disk.getUsableSpace()).thenReturn(left_mb * MB);
        DiskSpace space = new DiskSpace(disk);
        if (may) {
            assertThatCode(space::check).doesNotThrowAnyException();
        } else {
            assertThatThrownBy(space::check).isInstanceOfSatisfying(ProblemException.class, e -> {
                org.assertj.core.api.Assertions.assertThat(e.problem().slug()).isEqualTo("storage-full");
                org.assertj.core.api.Assertions.assertThat(e.problem().kept()).startsWith("Nothing");
            });
        }
        when(disk.getUsableSpace()).thenReturn(total_mb * MB);
        assertThatCode(space::check).as("it goes on by itself").doesNotThrowAnyException();
    }
}
