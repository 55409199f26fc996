package org.skelda.app.problem;

import org.springframework.http.HttpStatusCode;
import org.springframework.web.ErrorResponseException;

/** Ends a request with a problem answer. */
public final class ProblemException extends ErrorResponseException {
    private final transient Problem problem;

    public ProblemException(Problem problem) {
        super(HttpStatusCode.valueOf(problem.status()), problem.answer(), null);
        this.problem = problem;
    }

    public Problem problem() {
        return problem;
    }
}
