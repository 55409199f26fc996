package org.skelda.app.problem;

/** Ends a request with a problem answer. */
public final class ProblemException extends RuntimeException {
    private final transient Problem problem;

    public ProblemException(Problem problem) {
        super(problem.detail());
        this.problem = problem;
    }

    public Problem problem() {
        return problem;
    }
}
