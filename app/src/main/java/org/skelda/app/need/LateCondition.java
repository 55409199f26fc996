package org.skelda.app.need;

import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.When;

/** A condition that is understood when it is asked for the first time. */
final class LateCondition implements When {
    private final String text;
    private final Supplier<CelCondition> understanding;
    private volatile @Nullable CelCondition understood;

    LateCondition(String text, Supplier<CelCondition> understanding) {
        this.text = text;
        this.understanding = understanding;
    }

    private CelCondition understood() {
        CelCondition condition = understood;
        if (condition == null) {
            condition = understanding.get();
            understood = condition;
        }
        return condition;
    }

    /** Two that are written alike hold alike, whatever is known. */
    @Override
    public boolean equals(Object other) {
        return other instanceof LateCondition condition && condition.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public String text() {
        return text;
    }

    @Override
    public Set<String> names() {
        return understood().names();
    }

    @Override
    public Set<Double> numbers() {
        return understood().numbers();
    }

    @Override
    public Need need(Known known) {
        return understood().need(known);
    }
}
