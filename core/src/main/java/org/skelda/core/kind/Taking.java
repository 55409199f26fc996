package org.skelda.core.kind;

import java.util.List;

/** What comes of working a line. */
public sealed interface Taking {

    /** It happened. */
    record Taken(Work work) implements Taking {}

    /** It cannot be taken. */
    record NotTaken(Why why) implements Taking {}

    static Taking taken(Work work) {
        return new Taken(work);
    }

    static Taking not(Why why) {
        return new NotTaken(why);
    }

    /** Why not. Nothing of it was kept. */
    sealed interface Why {
        /** The line is worked in another way. @param expected how, in words */
        record WrongAnswer(String expected) implements Why {}

        /** A unit other than the line's. */
        record UnknownUnit(String given, String expected) implements Why {}

        /** Another person's part. */
        record AnotherPersonNeeded() implements Why {}

        /** It is the part of the one who flies, or who monitors. @param whose in words */
        record OthersPart(String whose) implements Why {}

        /** There is nothing to confirm or to decide about. @param what in words */
        record NothingThere(String what) implements Why {}

        /** A reason, or words, are missing. @param forWhat in words */
        record WordsMissing(String forWhat) implements Why {}

        /** An irreversible control is moved only once it is agreed. @param alone whether a single pilot must name it */
        record AgreementNeeded(String control, boolean alone) implements Why {}

        /** None of those there are. @param what in words; @param known those there are */
        record NoneOfThese(String what, String given, List<String> known) implements Why {
            public NoneOfThese {
                known = List.copyOf(known);
            }
        }

        /** Something comes before it. @param first in words */
        record NotYet(String first) implements Why {}
    }
}
