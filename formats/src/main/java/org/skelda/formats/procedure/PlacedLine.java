package org.skelda.formats.procedure;

import java.util.ArrayList;
import java.util.List;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.When;
import org.skelda.core.need.WordIs;
import org.skelda.core.procedure.Names;
import tools.jackson.databind.JsonNode;

/**
 * A line as it is worked: those of a decision's answers follow it, each under its answer, and what stands behind an
 * answer that ends the list is under its not being chosen.
 *
 * @param ref how it is named
 * @param node the line
 * @param path of the node in the document
 * @param under what must have been chosen for it
 */
record PlacedLine(LineRef ref, JsonNode node, String path, List<When> under) {

    PlacedLine {
        under = List.copyOf(under);
    }

    /** The lines of a procedure in working order. @param path of the procedure */
    static List<PlacedLine> of(JsonNode procedure, String path) {
        Placing placing = new Placing(procedure.path("id").asString());
        placing.place(procedure.path("lines"), path + "/lines", List.of());
        return placing.placed;
    }

    private static final class Placing {
        private final String procedure;
        private final List<PlacedLine> placed = new ArrayList<>();
        private final List<When> notEnded = new ArrayList<>();

        Placing(String procedure) {
            this.procedure = procedure;
        }

        void place(JsonNode lines, String path, List<When> branch) {
            for (int i = 0; i < lines.size(); i++) {
                JsonNode node = lines.get(i);
                LineRef ref = new LineRef(procedure, node.path("id").asString());
                List<When> under = new ArrayList<>(branch);
                under.addAll(notEnded);
                placed.add(new PlacedLine(ref, node, path + "/" + i, under));
                branches(ref, node.path("choices"), path + "/" + i + "/choices", branch);
            }
        }

        private void branches(LineRef ref, JsonNode choices, String path, List<When> branch) {
            String name = Names.choice(ref);
            List<When> ends = new ArrayList<>();
            for (int c = 0; c < choices.size(); c++) {
                JsonNode choice = choices.get(c);
                String id = choice.path("id").asString();
                List<When> under = new ArrayList<>(branch);
                under.add(new WordIs(name, id, true));
                place(choice.path("lines"), path + "/" + c + "/lines", under);
                if (choice.has("ends")) {
                    ends.add(new WordIs(name, id, false));
                }
            }
            notEnded.addAll(ends);
        }
    }
}
