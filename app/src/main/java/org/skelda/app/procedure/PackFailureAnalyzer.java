package org.skelda.app.procedure;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says what is wrong with the packs when they stop the start. */
class PackFailureAnalyzer extends AbstractFailureAnalyzer<RuntimeException> {
    @Override
    protected @Nullable FailureAnalysis analyze(Throwable rootFailure, RuntimeException outermost) {
        Packs.InvalidPacks invalid = findCause(rootFailure, Packs.InvalidPacks.class);
        if (invalid != null) {
            return new FailureAnalysis(
                    "The packs have errors (problem pack-invalid):\n\n" + invalid.getMessage(),
                    "Correct the named lines and start again. Nothing was stored.",
                    invalid);
        }
        Packs.UnreadablePacks unreadable = findCause(rootFailure, Packs.UnreadablePacks.class);
        return unreadable == null
                ? null
                : new FailureAnalysis(
                        "The packs cannot be read: " + unreadable.getMessage(),
                        "Check the folder given as skelda.packs and start again.",
                        unreadable);
    }
}
