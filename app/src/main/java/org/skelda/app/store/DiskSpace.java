package org.skelda.app.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Refuses to write before the disk is full, so that the database never meets its end in the middle of a write: reading
 * goes on, and writing does as soon as there is room again.
 */
@Component
public class DiskSpace {
    private static final long LEAST_BYTES = 32L << 20;
    /** On a small disk a part of it is enough. */
    private static final int PART = 20;

    private final FileStore disk;

    @Autowired
    DiskSpace(DataFolder folder) {
        this(diskOf(folder));
    }

    DiskSpace(FileStore disk) {
        this.disk = disk;
    }

    private static FileStore diskOf(DataFolder folder) {
        try {
            return Files.getFileStore(folder.path());
        } catch (IOException e) {
            throw new UncheckedIOException("the disk of " + folder.path() + " cannot be told", e);
        }
    }

    /** @throws ProblemException storage-full, of which nothing was kept, when too little room is left */
    public void check() {
        try {
            if (disk.getUsableSpace() < Math.min(LEAST_BYTES, disk.getTotalSpace() / PART)) {
                throw new ProblemException(Problems.storageFull());
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the room on the disk cannot be told", e);
        }
    }
}
