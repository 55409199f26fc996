package org.skelda.core.need;

/** What is known under a name. */
public sealed interface Value {

    /** @param value finite, in the unit that its name says */
    record Number(double value) implements Value {}

    record YesNo(boolean value) implements Value {}

    /** @param value one of a few */
    record Word(String value) implements Value {}

    /** Its kind. */
    default Kind kind() {
        return switch (this) {
            case Number _ -> Kind.NUMBER;
            case YesNo _ -> Kind.YES_NO;
            case Word _ -> Kind.WORD;
        };
    }
}
