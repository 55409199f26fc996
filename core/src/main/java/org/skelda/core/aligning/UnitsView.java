package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.crew.Person;

/**
 * The inertial units at a time.
 *
 * @param units by number
 * @param read whether a feed reads them
 * @param says one sentence to go by; @param why beside it; null when nothing is to be added
 * @param alarm whether something is to be done at once
 * @param until when time alone changes what is said; null when it does not
 * @param next what is to be told next; null when the next thing is to wait, or a feed tells
 * @param nextFor the units it is told of
 * @param offers everything that can be told
 * @param stand the position of the stand, as it is typed
 * @param standDecimals the same in degrees and decimals
 * @param near_NM how far from the stand a position may be, NM
 * @param advice which alignment they need before this flight
 * @param latest the latest switching-on for off-block; null when nothing is left to be switched on, or they do not
 *     align here
 * @param takes how long a full alignment takes here; null where they do not align
 * @param source where the numbers come from
 * @param codes that the type's units can show
 * @param newest what the crew told last and can take back; null when there is none
 */
public record UnitsView(
        List<UnitView> units,
        boolean read,
        String says,
        @Nullable String why,
        boolean alarm,
        @Nullable Instant until,
        @Nullable UnitTap next,
        List<Integer> nextFor,
        List<UnitOffer> offers,
        String stand,
        String standDecimals,
        double near_NM,
        Realignment.Advice advice,
        @Nullable Instant latest,
        @Nullable Duration takes,
        String source,
        List<InertialProfile.Code> codes,
        @Nullable UnitNewest newest) {

    /**
     * One of them.
     *
     * @param number from 1
     * @param phase what it does; @param since when that began
     * @param quick whether it aligns quickly
     * @param counted when its count ends; null when it does not count
     * @param needs how long its count is
     * @param missing what it still waits for
     * @param position what it has; null while it has none; @param off_NM how far from the stand
     * @param asks what was typed and waits to be typed again; null when nothing does; @param asksOff_NM from the stand
     * @param slip what would explain a position far from the stand; null when it is near, or nothing would
     * @param code its fault code; null for none
     * @param restarts how often its count began anew
     */
    public record UnitView(
            int number,
            InertialUnit.Phase phase,
            Instant since,
            boolean quick,
            @Nullable Instant counted,
            Duration needs,
            List<InertialUnit.Missing> missing,
            @Nullable String position,
            @Nullable Double off_NM,
            @Nullable String asks,
            @Nullable Double asksOff_NM,
            @Nullable String slip,
            InertialProfile.@Nullable Code code,
            int restarts) {}

    /** Something that can be told. @param units it can be told of */
    public record UnitOffer(UnitTap tap, String words, List<Integer> units) {}

    /** What was told last. */
    public record UnitNewest(String words, Person by, Instant at) {}
}
