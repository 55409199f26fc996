package org.skelda.app.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bounds every body, on every path, whether or not it says its length: one that says too much is not read at all, any
 * other is read up to the bound. A larger bound is given to single addresses, matched as the controllers match them, so
 * that another spelling of an address never has more than the least.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestSizeFilter extends OncePerRequestFilter {
    private static final long LEAST_BYTES = 64 * 1024;
    private static final Map<PathPatternRequestMatcher, Long> LARGER = Map.of(
            post("/api/feeds/{feedId}/samples"), 1024 * 1024L,
            post("/api/traces"), 20 * 1000 * 1000L);

    private final JsonMapper json;

    RequestSizeFilter(JsonMapper json) {
        this.json = json;
    }

    private static PathPatternRequestMatcher post(String path) {
        return PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, path);
    }

    /** A body went on behind its bound. */
    static final class TooLarge extends IOException {
        private final long mostBytes;

        TooLarge(long mostBytes) {
            super("a body of more than " + mostBytes + " bytes");
            this.mostBytes = mostBytes;
        }

        Problem problem() {
            return Problems.tooLarge(mostBytes);
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long most = LARGER.entrySet().stream()
                .filter(one -> one.getKey().matches(request))
                .map(Map.Entry::getValue)
                .findAny()
                .orElse(LEAST_BYTES);
        if (request.getContentLengthLong() > most) {
            refuse(response, Problems.tooLarge(most));
            return;
        }
        try {
            chain.doFilter(new BoundedRequest(request, most), response);
        } catch (TooLarge e) {
            refuse(response, e.problem());
        }
    }

    private void refuse(HttpServletResponse response, Problem problem) throws IOException {
        response.setStatus(problem.status());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(problem.answer()));
        // At once, and not when the rest of the body has come.
        response.flushBuffer();
    }

    private static final class BoundedRequest extends HttpServletRequestWrapper {
        private final long most;

        BoundedRequest(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new BoundedBody(super.getInputStream(), most);
        }

        @Override
        public BufferedReader getReader() throws IOException {
            String encoding = getCharacterEncoding();
            return new BufferedReader(new InputStreamReader(
                    getInputStream(), encoding == null ? StandardCharsets.UTF_8 : Charset.forName(encoding)));
        }
    }

    private static final class BoundedBody extends ServletInputStream {
        private final ServletInputStream body;
        private final long most;
        private long left;

        BoundedBody(ServletInputStream body, long most) {
            this.body = body;
            this.most = most;
            this.left = most;
        }

        @Override
        public int read() throws IOException {
            int one = body.read();
            return one < 0 ? one : counted(1, one);
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int count = body.read(into, from, length);
            return count < 0 ? count : counted(count, count);
        }

        private int counted(int count, int result) throws TooLarge {
            left -= count;
            if (left < 0) {
                throw new TooLarge(most);
            }
            return result;
        }

        @Override
        public boolean isFinished() {
            return body.isFinished();
        }

        @Override
        public boolean isReady() {
            return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            body.setReadListener(listener);
        }
    }
}
