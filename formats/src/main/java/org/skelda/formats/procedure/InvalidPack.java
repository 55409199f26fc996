package org.skelda.formats.procedure;

import java.util.List;
import java.util.stream.Collectors;

/** A pack that cannot be used. Holds everything that is wrong with it; nothing of it was taken over. */
public final class InvalidPack extends RuntimeException {
    private final String file;
    private final List<Finding> findings;

    /**
     * @param path where in the document, as a JSON pointer; empty for the document as a whole
     * @param line line number in the file, from 1; 0 when it is not known
     * @param message what is wrong and what was expected
     */
    public record Finding(String path, int line, String message) {
        String sentence(String file) {
            String place = line > 0 ? file + ":" + line : file;
            return place + (path.isEmpty() ? "" : " " + path) + ": " + message;
        }
    }

    public InvalidPack(String file, List<Finding> findings) {
        super(findings.stream().map(finding -> finding.sentence(file)).collect(Collectors.joining("\n")));
        this.file = file;
        this.findings = List.copyOf(findings);
    }

    static InvalidPack of(String file, String path, int line, String message) {
        return new InvalidPack(file, List.of(new Finding(path, line, message)));
    }

    public String file() {
        return file;
    }

    public List<Finding> findings() {
        return findings;
    }
}
