package org.skelda.core.procedure;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.skelda.core.need.Value;

/**
 * What an operator decides once for all, where schools differ.
 *
 * @param id a slug; conditions name it {@code option('id')}
 * @param label the question ("Which engine first")
 * @param schools at least two, which all say the same kind of value
 * @param set the school of the document, where the standards office has not set another
 */
public record Option(String id, String label, List<School> schools, String set) {

    /**
     * @throws IllegalArgumentException when the one that is set is none of them, two have one id or say the same, or
     *     one says a number and another a word
     */
    public Option {
        schools = List.copyOf(schools);
        if (schools.stream().map(School::id).distinct().count() != schools.size()) {
            throw new IllegalArgumentException("two of its choices have the same id");
        }
        if (schools.stream().map(school -> school.value().kind()).distinct().count() > 1) {
            throw new IllegalArgumentException("its choices say values of different kinds");
        }
        if (schools.stream().map(School::value).distinct().count() != schools.size()) {
            throw new IllegalArgumentException("two of its choices say the same");
        }
        if (schools.stream().noneMatch(school -> school.id().equals(set))) {
            throw new IllegalArgumentException("'" + set + "' is none of its choices");
        }
    }

    /**
     * One way to do it.
     *
     * @param id a slug; @param label as it is shown; @param because what speaks for it, in a sentence
     * @param against what speaks against it, in a sentence
     * @param value what it says to conditions: a number, yes or no, or its id as a word
     */
    public record School(String id, String label, String because, String against, Value value) {

        /** One that says its id. */
        public School(String id, String label, String because, String against) {
            this(id, label, because, against, new Value.Word(id));
        }
    }

    public Set<String> ids() {
        return schools.stream().map(School::id).collect(Collectors.toSet());
    }

    /** What its schools say, in their order. */
    public List<Value> values() {
        return schools.stream().map(School::value).toList();
    }

    public Optional<School> school(String school) {
        return schools.stream().filter(one -> one.id().equals(school)).findFirst();
    }

    /** The school of the document. */
    public School ofDocument() {
        return school(set).orElseThrow();
    }

    /** The school that says this. */
    public Optional<School> saying(Value value) {
        return schools.stream().filter(one -> one.value().equals(value)).findFirst();
    }
}
