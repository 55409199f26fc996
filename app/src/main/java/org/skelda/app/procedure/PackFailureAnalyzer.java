package org.skelda.app.procedure;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says what is wrong with the packs when they stop the start. */
class PackFailureAnalyzer extends AbstractFailureAnalyzer<RuntimeException> {
    @Override
    protected FailureAnalysis analyze(Throwable rootFailure, RuntimeException cause) {
        return switch (cause) {
            case Packs.InvalidPacks e -> new FailureAnalysis("The packs have errors (problem pack-invalid):\n\n" + e.getMessage(),
                    "Correct the named lines and start again. Nothing was stored.", e);
            case Packs.UnreadablePacks e -> new FailureAnalysis("The packs cannot be read: " + e.getMessage(),
                    "Check the folder given as skelda.packs and start again.", e);
            default -> null;
        };
    }
}
