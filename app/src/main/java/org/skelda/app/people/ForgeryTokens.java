package org.skelda.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.HttpSessionCsrfTokenRepository;
import org.springframework.stereotype.Component;

/**
 * The token against forged requests: it is kept in the session, so that it ends with it, and a copy in a cookie tells
 * it to the page, which sends it back in a header. A cookie alone, which a neighbouring site can plant, opens nothing.
 */
@Component
class ForgeryTokens implements CsrfTokenRepository {
    private static final String COOKIE = "XSRF-TOKEN";
    private static final String HEADER = "X-XSRF-TOKEN";
    private static final Duration AS_LONG_AS_A_SESSION = Duration.ofHours(12);

    private final HttpSessionCsrfTokenRepository kept = new HttpSessionCsrfTokenRepository();

    ForgeryTokens() {
        kept.setHeaderName(HEADER);
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        return kept.generateToken(request);
    }

    @Override
    public void saveToken(@Nullable CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        kept.saveToken(token, request, response);
        tell(token, request, response);
    }

    @Override
    public @Nullable CsrfToken loadToken(HttpServletRequest request) {
        return kept.loadToken(request);
    }

    /** Gives a session a token of its own, in place of any before. */
    void renew(HttpServletRequest request, HttpServletResponse response) {
        saveToken(generateToken(request), request, response);
    }

    /** Tells the page its session's token again: a browser may have lost the cookie. */
    void tellAgain(HttpServletRequest request, HttpServletResponse response) {
        CsrfToken token = loadToken(request);
        if (token != null) {
            tell(token, request, response);
        }
    }

    private static void tell(@Nullable CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token == null ? "" : token.getToken())
                        .path("/")
                        .sameSite("Strict")
                        .secure(request.isSecure())
                        .maxAge(token == null ? Duration.ZERO : AS_LONG_AS_A_SESSION)
                        .build()
                        .toString());
    }
}
