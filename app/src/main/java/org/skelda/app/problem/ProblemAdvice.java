package org.skelda.app.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import tools.jackson.databind.exc.MismatchedInputException;

/** Turns every failure of a request into a problem answer; never a stack trace. */
@RestControllerAdvice
class ProblemAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ResponseEntity<Problem> known(ProblemException e) {
        return answer(e.problem());
    }

    @ExceptionHandler
    ResponseEntity<Problem> invalid(MethodArgumentNotValidException e) {
        List<Problem.Violation> violations = e.getBindingResult().getFieldErrors().stream()
                .map(error -> new Problem.Violation(error.getField(), String.valueOf(error.getDefaultMessage()))).toList();
        return answer(Problems.badRequest("The request does not fit.").with(violations));
    }

    @ExceptionHandler
    ResponseEntity<Problem> unreadable(HttpMessageNotReadableException e) {
        if (NestedExceptionUtils.getRootCause(e) instanceof RequestSizeFilter.TooLarge tooLarge) {
            return answer(tooLarge.problem());
        }
        if (e.getCause() instanceof MismatchedInputException mismatch && !mismatch.getPath().isEmpty()) {
            String field = mismatch.getPath().getLast().getPropertyName();
            return answer(Problems.badRequest("The request cannot be read.")
                    .with(List.of(new Problem.Violation(String.valueOf(field), "is not of the expected form"))));
        }
        return answer(Problems.badRequest("The request cannot be read as JSON."));
    }

    @ExceptionHandler
    ResponseEntity<Problem> mistyped(MethodArgumentTypeMismatchException e) {
        return answer(Problems.badRequest("'" + e.getName() + "' is not of the expected form."));
    }

    @ExceptionHandler
    ResponseEntity<Problem> tooLarge(RequestSizeFilter.TooLarge e) {
        return answer(e.problem());
    }

    /** A stream whose reader has gone; there is nobody left to answer. */
    @ExceptionHandler
    void gone(AsyncRequestNotUsableException e) {
        LOG.debug("a stream's reader went away: {}", e.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<Problem> other(Exception e, HttpServletRequest request) {
        if (e instanceof ErrorResponse response) {
            HttpStatus status = HttpStatus.valueOf(response.getStatusCode().value());
            return answer(Problem.of(status == HttpStatus.NOT_FOUND ? "not-found" : "bad-request", status.value(),
                    status.getReasonPhrase(), "There is no answer to " + request.getMethod() + " here.", "Check the address."));
        }
        LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
        return answer(Problems.internal());
    }

    private static ResponseEntity<Problem> answer(Problem problem) {
        return ResponseEntity.status(problem.status()).contentType(MediaType.APPLICATION_PROBLEM_JSON).body(problem);
    }
}
