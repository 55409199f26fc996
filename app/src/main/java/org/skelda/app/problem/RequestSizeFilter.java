package org.skelda.app.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Refuses bodies that are too large before they are read. */
@Component
class RequestSizeFilter extends OncePerRequestFilter {
    private static final long MAX_BYTES = 64 * 1024;

    private final JsonMapper json;

    RequestSizeFilter(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length = request.getContentLengthLong();
        boolean unknownLength = length < 0 && request.getHeader("Transfer-Encoding") != null;
        if (request.getRequestURI().startsWith("/api/") && (length > MAX_BYTES || unknownLength)) {
            Problem problem = Problems.tooLarge(MAX_BYTES);
            response.setStatus(problem.status());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(json.writeValueAsBytes(problem));
            return;
        }
        chain.doFilter(request, response);
    }
}
