package org.skelda.core.indications;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A test of warnings, or a check of those that are stored: what is looked at, group by group, and what each phase of it
 * shows.
 *
 * @param id a slug; @param label as it is called; @param source where it comes from
 * @param groups what is looked at, in the order of looking
 * @param phases in their order, at least one
 */
public record IndicationTest(
        String id, String label, String source, List<IndicationGroup> groups, List<TestPhase> phases) {

    /** @throws IllegalArgumentException when a phase expects what no group has, or one indication twice */
    public IndicationTest {
        groups = List.copyOf(groups);
        phases = List.copyOf(phases);
        for (TestPhase phase : phases) {
            Set<String> seen = new HashSet<>();
            for (Expected expected : phase.expected()) {
                String indication = expected.indication();
                if (groups.stream().noneMatch(group -> group.has(indication))) {
                    throw new IllegalArgumentException("'" + phase.id() + "' expects '" + indication
                            + "', which is in none of the groups that the test looks at");
                }
                if (!seen.add(indication)) {
                    throw new IllegalArgumentException("'" + phase.id() + "' expects '" + indication + "' twice");
                }
                if ((expected.when() == null) != (expected.otherwise() == null)) {
                    throw new IllegalArgumentException(
                            "'" + indication + "' needs both its condition and why it is dark otherwise, or neither");
                }
            }
        }
    }

    /** Ids of everything that some of a type's tests look at. */
    public static Set<String> lookedAt(Collection<IndicationTest> tests) {
        return tests.stream()
                .flatMap(test -> test.groups().stream())
                .flatMap(group -> group.indications().stream())
                .map(Indication::id)
                .collect(Collectors.toUnmodifiableSet());
    }

    public Optional<TestPhase> phase(String id) {
        return phases.stream().filter(phase -> phase.id().equals(id)).findFirst();
    }

    public Optional<IndicationGroup> group(String id) {
        return groups.stream().filter(group -> group.id().equals(id)).findFirst();
    }

    /** The group that has an indication. */
    public Optional<IndicationGroup> groupOf(String indication) {
        return groups.stream().filter(group -> group.has(indication)).findFirst();
    }
}
