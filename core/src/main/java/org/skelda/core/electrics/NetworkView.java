package org.skelda.core.electrics;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The sources and buses at a time, as they are drawn and said.
 *
 * @param says which source carries what, in a sentence
 * @param why what follows from it for hands inside and outside; null when nothing does
 * @param sources in their order
 * @param ties in their order
 * @param buses in their order
 * @param differs where the instruments show something else than was told, a sentence each
 * @param source where the network is told
 */
public record NetworkView(
        String says,
        @Nullable String why,
        List<SourceView> sources,
        List<TieView> ties,
        List<BusView> buses,
        List<String> differs,
        String source) {

    /**
     * A source.
     *
     * @param stand how it stands
     * @param carries ids of the buses that it carries
     * @param lost what would be without power, were it gone at once: each bus with what it carries
     * @param takenOver what another source would carry then, in words
     * @param hasSwitch whether it has a switch of its own among the electrics
     */
    public record SourceView(
            String id,
            String name,
            Network.Kind kind,
            PowerNow.Stand stand,
            List<String> carries,
            List<String> lost,
            List<String> takenOver,
            boolean hasSwitch) {}

    /** @param closed null when it is not known; @param byItself whether it closes when it is wanted */
    public record TieView(String id, String name, @Nullable Boolean closed, boolean byItself, boolean hasSwitch) {}

    /**
     * A bus.
     *
     * @param carries what it carries
     * @param ways ids of all that can feed it, the first that gives first
     * @param from the way it takes; null when it has no power
     * @param fedBy the source at the end of it
     * @param beside ids of the batteries that carry it together with that source
     * @param powered null when it is not known
     */
    public record BusView(
            String id,
            String name,
            String carries,
            List<WayView> ways,
            @Nullable String from,
            @Nullable String fedBy,
            List<String> beside,
            @Nullable Boolean powered) {}

    /** @param from a source or a bus; @param through a tie between; null when none is */
    public record WayView(String from, @Nullable String through) {}
}
