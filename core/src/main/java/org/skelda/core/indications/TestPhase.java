package org.skelda.core.indications;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;

/**
 * A moment of a test: held, released, or one position of a switch.
 *
 * @param id a slug; @param label what is done, as it is read
 * @param expected what shows; everything else stays dark
 */
public record TestPhase(String id, String label, List<Expected> expected) {
    public TestPhase {
        expected = List.copyOf(expected);
    }

    /** What of a group is expected now, in the group's order. */
    public List<String> expected(IndicationGroup group, Known known) {
        Set<String> shows = new HashSet<>();
        for (Expected one : expected) {
            if (one.now(known) instanceof Need.Needed) {
                shows.add(one.indication());
            }
        }
        return group.indications().stream()
                .map(Indication::id)
                .filter(shows::contains)
                .toList();
    }

    /** What of a group stays dark for a known reason now, with that reason. */
    public Map<String, String> dark(IndicationGroup group, Known known) {
        Map<String, String> dark = new LinkedHashMap<>();
        for (Expected one : expected) {
            if (group.has(one.indication()) && one.otherwise() != null && one.now(known) instanceof Need.NotNeeded) {
                dark.put(one.indication(), one.otherwise());
            }
        }
        return dark;
    }

    /** Names without which it cannot be told what is expected. */
    public Set<String> unknown(Known known) {
        Set<String> names = new TreeSet<>();
        for (Expected one : expected) {
            if (one.now(known) instanceof Need.NotDecided(var missing)) {
                names.addAll(missing);
            }
        }
        return names;
    }
}
