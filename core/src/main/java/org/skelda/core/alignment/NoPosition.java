package org.skelda.core.alignment;

/** What was typed is no position: says in one sentence which part, and what is the matter with it. */
public final class NoPosition extends RuntimeException {
    private final String todo;

    /** @param sentence what is wrong and where; @param todo one sentence: what to type instead */
    NoPosition(String sentence, String todo) {
        super(sentence);
        this.todo = todo;
    }

    public String todo() {
        return todo;
    }
}
