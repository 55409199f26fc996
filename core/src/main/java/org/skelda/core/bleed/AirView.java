package org.skelda.core.bleed;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The air for one starter, as it is said before it is engaged.
 *
 * @param says whether it has enough, or what is set wrong, in a sentence
 * @param wrong whether something is set wrong, or too little is to be expected
 * @param notes what else counts: what is not known, cautions of a cross-bleed or a cart
 * @param from names of the sources that reach it
 * @param expected_kpa static pressure to expect as all is set, gauge; null when it is not decided
 * @param least_kpa that the type asks for before its starter, here
 * @param motoring_pct highest start spool that the starter alone should reach; null when it is not decided
 * @param source where the network is told
 */
public record AirView(
        String says,
        boolean wrong,
        List<String> notes,
        List<String> from,
        @Nullable Double expected_kpa,
        double least_kpa,
        @Nullable Double motoring_pct,
        String source) {
    public AirView {
        notes = List.copyOf(notes);
        from = List.copyOf(from);
    }
}
