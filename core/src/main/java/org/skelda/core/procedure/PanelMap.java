package org.skelda.core.procedure;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An abstract drawing of where a procedure's lines are done: zones in working order.
 *
 * @param id a slug
 * @param title one line of words that tells the order of the scan
 * @param width of the drawing, in its own units
 * @param height of the drawing, in its own units
 * @param zones in any order; a line names one by id
 */
public record PanelMap(String id, String title, int width, int height, List<Zone> zones) {

    public PanelMap {
        zones = List.copyOf(zones);
    }

    /**
     * @param id a slug
     * @param label the place in words, as it is shown and read aloud
     * @param tag the word drawn in the zone; null when nothing is drawn
     * @param outline the zone's outline as SVG path data, in the map's units
     * @param x of the point the scan passes through, in the map's units
     * @param y of that point, in the map's units
     */
    public record Zone(String id, String label, @Nullable String tag, String outline, double x, double y) {}
}
