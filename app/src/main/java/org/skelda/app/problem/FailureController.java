package org.skelda.app.problem;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What failed before it came to any controller is answered in the catalogue's form too. */
@RestController
class FailureController implements ErrorController {

    @RequestMapping("/error")
    ResponseEntity<ProblemDetail> failed(HttpServletRequest request) {
        int status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code
                ? code
                : HttpStatus.INTERNAL_SERVER_ERROR.value();
        Problem problem = Problems.notAnswered(status);
        return ResponseEntity.status(problem.status())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem.answer());
    }
}
