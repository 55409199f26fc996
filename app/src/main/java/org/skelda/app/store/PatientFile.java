package org.skelda.app.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicBoolean;
import org.h2.store.fs.FileBase;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The database's file, on a disk that may fill up under it: a write for which there is no room waits until there is.
 * Without it the database closes itself for good at the first such write, and its own tidying writes at any time.
 */
public final class PatientFile extends FilePathWrapper {
    /** How the database is told of it, in its address. */
    static final String SCHEME = "patient";

    private static final Logger LOG = LoggerFactory.getLogger(PatientFile.class);
    private static final AtomicBoolean ENDING = new AtomicBoolean();
    private static final long AGAIN_AFTER_MS = 200;
    /** With less than this a write that failed is one for which there was no room. */
    private static final long NEXT_TO_NOTHING_BYTES = 1 << 20;

    static {
        FilePath.register(new PatientFile());
    }

    /** Makes the database know the scheme. */
    static void register() {
        ENDING.set(false);
    }

    /**
     * The server ends: what has no room now will not be written any more. Nothing that was acknowledged is among it.
     */
    static void giveUp() {
        ENDING.set(true);
    }

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return new Channel(
                getBase().open(mode),
                () -> Files.getFileStore(Path.of(getBase().toString())).getUsableSpace());
    }

    /** Tells how many bytes are left. */
    @FunctionalInterface
    interface Room {
        long bytes() throws IOException;
    }

    static final class Channel extends FileBase {
        private final FileChannel file;
        private final Room room;

        Channel(FileChannel file, Room room) {
            this.file = file;
            this.room = room;
        }

        @FunctionalInterface
        private interface Write {
            int bytes() throws IOException;
        }

        private int patiently(Write write) throws IOException {
            boolean hadRoom = false;
            for (int tries = 1; ; tries++) {
                try {
                    return write.bytes();
                } catch (IOException e) {
                    boolean hasRoom = room.bytes() >= NEXT_TO_NOTHING_BYTES;
                    // Room may have come between the write and the look at it: only what fails again with room is
                    // another failure.
                    if (hadRoom && hasRoom || ENDING.get()) {
                        throw e;
                    }
                    hadRoom = hasRoom;
                    if (tries == 1 && !hasRoom) {
                        LOG.error("the disk is full: what is to be written waits for room ({})", e.getMessage());
                    }
                    waitAWhile(e);
                }
            }
        }

        private static void waitAWhile(IOException failed) throws IOException {
            try {
                Thread.sleep(AGAIN_AFTER_MS);
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                throw failed;
            }
        }

        // Not synchronized, unlike what it overrides: reading goes on while a write waits.
        @Override
        public int read(ByteBuffer into, long from) throws IOException {
            return file.read(into, from);
        }

        @Override
        public int write(ByteBuffer bytes, long to) throws IOException {
            return patiently(() -> file.write(bytes, to));
        }

        @Override
        public int read(ByteBuffer into) throws IOException {
            return file.read(into);
        }

        @Override
        public int write(ByteBuffer bytes) throws IOException {
            return patiently(() -> file.write(bytes));
        }

        @Override
        public long position() throws IOException {
            return file.position();
        }

        @Override
        public FileChannel position(long to) throws IOException {
            file.position(to);
            return this;
        }

        @Override
        public long size() throws IOException {
            return file.size();
        }

        @Override
        public FileChannel truncate(long to) throws IOException {
            file.truncate(to);
            return this;
        }

        @Override
        public void force(boolean metadata) throws IOException {
            file.force(metadata);
        }

        @Override
        public FileLock tryLock(long from, long length, boolean shared) throws IOException {
            return file.tryLock(from, length, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            file.close();
        }
    }
}
