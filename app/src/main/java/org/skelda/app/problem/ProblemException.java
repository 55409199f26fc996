package org.skelda.app.problem;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatusCode;
import org.springframework.web.ErrorResponseException;

/** Ends a request with a problem answer. */
public class ProblemException extends ErrorResponseException {
    private final transient Problem problem;

    public ProblemException(Problem problem) {
        this(problem, null);
    }

    protected ProblemException(Problem problem, @Nullable Throwable cause) {
        super(HttpStatusCode.valueOf(problem.status()), problem.answer(), cause);
        this.problem = problem;
    }

    public final Problem problem() {
        return problem;
    }
}
