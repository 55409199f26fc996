package org.skelda.core.indications;

import java.util.List;

/**
 * Indications that are looked at together.
 *
 * @param id a slug; @param label as it is called; @param indications at least one
 */
public record IndicationGroup(String id, String label, List<Indication> indications) {
    public IndicationGroup {
        indications = List.copyOf(indications);
    }

    public boolean has(String indication) {
        return indications.stream().anyMatch(one -> one.id().equals(indication));
    }
}
