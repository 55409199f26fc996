package org.skelda.core.procedure;

import org.skelda.core.kind.LineKind;

/** One line of a procedure. @param head what every line has; @param kind what it expects and how it is worked */
public record Line(LineHead head, LineKind kind) {

    /** What the line is about, as it is read. */
    public String label() {
        return kind.label();
    }

    public String id() {
        return head.id();
    }
}
