package org.skelda.formats.start;

/**
 * A trace that cannot be used: one clear sentence that names file, line and what was expected. Nothing of it was kept.
 */
public final class InvalidTrace extends RuntimeException {
    private final String file;
    private final long line;

    /**
     * @param file its name as given
     * @param line from 1; 0 for the file as a whole
     * @param message what is wrong and what was expected
     */
    public InvalidTrace(String file, long line, String message) {
        super(line > 0 ? file + ":" + line + ": " + message : file + ": " + message);
        this.file = file;
        this.line = line;
    }

    public String file() {
        return file;
    }

    public long line() {
        return line;
    }
}
