package org.skelda.core.start;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How an attempt ended.
 *
 * @param kind the manner
 * @param finding the finding that decided it, for {@link Kind#FINDING}
 */
public record Outcome(Kind kind, @Nullable FindingId finding) {

    /** The manners of ending, in the order in which they are asked. */
    public enum Kind {
        FINDING,
        UNKNOWN,
        NORMAL,
        CREW_ABORT,
        DRY_MOTOR,
        INCOMPLETE
    }

    public Outcome {
        if ((kind == Kind.FINDING) != (finding != null)) {
            throw new IllegalArgumentException("an outcome names a finding exactly when one decided it");
        }
    }

    static Outcome of(Kind kind) {
        return new Outcome(kind, null);
    }

    /**
     * The outcome that the findings decide, if any cuts: the first by time and table order; a predicted hot start whose
     * limit was then exceeded counts as a hot start.
     *
     * @param findings in order
     * @param exceeded whether a start limit was exceeded in the attempt
     */
    static Optional<Outcome> decidedBy(List<Finding> findings, boolean exceeded) {
        return findings.stream()
                .filter(finding -> finding.action().cuts())
                .findFirst()
                .map(finding -> new Outcome(
                        Kind.FINDING,
                        finding.id() == FindingId.HOT_PREDICTED && exceeded ? FindingId.HOT_START : finding.id()));
    }

    /** Its name in files: the finding's, or the manner's. */
    public String code() {
        return kind == Kind.FINDING ? Objects.requireNonNull(finding).name() : kind.name();
    }
}
