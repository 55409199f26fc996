package org.skelda.app.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.context.request.async.AsyncRequestTimeoutException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.MismatchedInputException;

/** Turns every failure of a request into a problem answer of the catalogue; never a stack trace. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<Problem.Violation> violations = e.getBindingResult().getFieldErrors().stream()
                .map(error -> new Problem.Violation(error.getField(), String.valueOf(error.getDefaultMessage())))
                .toList();
        return answer(Problems.badRequest("The request does not fit.").with(violations));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (NestedExceptionUtils.getRootCause(e) instanceof RequestSizeFilter.TooLarge tooLarge) {
            return answer(tooLarge.problem());
        }
        if (e.getCause() instanceof InvalidTypeIdException unknown) {
            return unreadable("ask", unknown.getTypeId() == null ? "is needed" : "is nothing that can be asked");
        }
        if (e.getCause() instanceof MismatchedInputException mismatch
                && !mismatch.getPath().isEmpty()) {
            return unreadable(
                    String.valueOf(mismatch.getPath().getLast().getPropertyName()), "is not of the expected form");
        }
        return answer(Problems.badRequest("The request cannot be read as JSON."));
    }

    private static ResponseEntity<Object> unreadable(String field, String why) {
        return answer(
                Problems.badRequest("The request cannot be read.").with(List.of(new Problem.Violation(field, why))));
    }

    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return answer(Problems.badRequest("'" + e.getPropertyName() + "' is not of the expected form."));
    }

    @ExceptionHandler
    ResponseEntity<Object> tooLarge(RequestSizeFilter.TooLarge e) {
        return answer(e.problem());
    }

    @ExceptionHandler
    ResponseEntity<Object> denied(AccessDeniedException e) {
        return answer(Problems.notAllowed());
    }

    @ExceptionHandler
    ResponseEntity<Object> other(Exception e, HttpServletRequest request) {
        LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
        return answer(Problems.internal());
    }

    /**
     * What the framework itself refuses is told in the catalogue's words; what is a problem of the catalogue already
     * stays as it is.
     */
    @Override
    protected @Nullable ResponseEntity<Object> handleExceptionInternal(
            Exception e, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return answer(e instanceof ProblemException known ? known.problem() : Problems.notAnswered(status.value()));
    }

    /** A stream that is open when the server ends has had its answer. */
    @Override
    protected @Nullable ResponseEntity<Object> handleAsyncRequestTimeoutException(
            AsyncRequestTimeoutException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return null;
    }

    private static ResponseEntity<Object> answer(Problem problem) {
        ProblemDetail answer = problem.answer();
        return ResponseEntity.status(problem.status())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(answer);
    }
}
