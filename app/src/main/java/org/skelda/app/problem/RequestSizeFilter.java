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
    private static final long MAX_BATCH_BYTES = 1024 * 1024;
    private static final long MAX_TRACE_BYTES = 20 * 1000 * 1000;

    private final JsonMapper json;

    RequestSizeFilter(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length = request.getContentLengthLong();
        boolean unknownLength = length < 0 && request.getHeader("Transfer-Encoding") != null;
        long most = most(request.getRequestURI());
        if (request.getRequestURI().startsWith("/api/") && (length > most || unknownLength)) {
            Problem problem = Problems.tooLarge(most);
            response.setStatus(problem.status());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(json.writeValueAsBytes(problem));
            return;
        }
        chain.doFilter(request, response);
    }

    private static long most(String uri) {
        if (uri.equals("/api/traces")) {
            return MAX_TRACE_BYTES;
        }
        return uri.startsWith("/api/feeds/") ? MAX_BATCH_BYTES : MAX_BYTES;
    }
}
