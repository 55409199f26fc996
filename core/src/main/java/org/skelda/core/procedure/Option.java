package org.skelda.core.procedure;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What an operator decides once for all, where schools differ.
 *
 * @param id a slug; conditions name it {@code option('id')}
 * @param label the question ("Which engine first")
 * @param schools at least two
 * @param set the school of the document, where the standards office has not set another
 */
public record Option(String id, String label, List<School> schools, String set) {

    /** @throws IllegalArgumentException when the one that is set is none of them, or two have one id */
    public Option {
        schools = List.copyOf(schools);
        if (schools.stream().map(School::id).distinct().count() != schools.size()) {
            throw new IllegalArgumentException("two of its choices have the same id");
        }
        if (schools.stream().noneMatch(school -> school.id().equals(set))) {
            throw new IllegalArgumentException("'" + set + "' is none of its choices");
        }
    }

    /** One way to do it. @param id a slug; @param label as it is shown; @param because its reasons, in a sentence */
    public record School(String id, String label, String because) {}

    public Set<String> ids() {
        return schools.stream().map(School::id).collect(Collectors.toSet());
    }

    public Optional<School> school(String school) {
        return schools.stream().filter(one -> one.id().equals(school)).findFirst();
    }
}
