package org.skelda.app.feed;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.problem.Problems;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * The door at which aircraft knock ten times a second, and others with news of the day, with a token of their own. The
 * token is looked at before anything of the body is read. There is no session, and no cookie that another page could
 * borrow.
 */
@Configuration
class FeedDoor {
    /** The feed whose token came with a request. */
    static final String FEED = "skelda.feed";

    private static final PathPatternRequestMatcher DOOR = PathPatternRequestMatcher.withDefaults()
            .matcher(HttpMethod.POST, "/api/feeds/{feedId}/{what:samples|news}");
    private static final String BEARER = "Bearer ";
    /** A revoked token is refused at the latest this long after. */
    private static final Duration KNOWN_FOR = Duration.ofSeconds(1);

    private static final int KNOWN = 1000;

    private final Cache<Key, Optional<Feeds.Feed>> known =
            Caffeine.newBuilder().expireAfterWrite(KNOWN_FOR).maximumSize(KNOWN).build();

    private record Key(UUID id, String token) {}

    @Bean
    @Order(Ordered.HIGHEST_PRECEDENCE)
    SecurityFilterChain feedDoorChain(HttpSecurity http, Feeds feeds, JsonMapper json) {
        return http.securityMatcher(DOOR)
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .addFilterBefore(new TokenFilter(feeds, json), AuthorizationFilter.class)
                .csrf(csrf -> csrf.disable())
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .securityContext(context -> context.disable())
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    /** A revoked token is not to be known any more. */
    void forget() {
        known.invalidateAll();
    }

    private final class TokenFilter extends OncePerRequestFilter {
        private final Feeds feeds;
        private final JsonMapper json;

        TokenFilter(Feeds feeds, JsonMapper json) {
            this.feeds = feeds;
            this.json = json;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            Optional<Feeds.Feed> feed =
                    key(request).flatMap(key -> known.get(key, one -> feeds.opened(one.id(), one.token())));
            if (feed.isEmpty()) {
                response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.getOutputStream()
                        .write(json.writeValueAsBytes(Problems.feedToken().answer()));
                // At once, and not when the rest of the body has come.
                response.flushBuffer();
                return;
            }
            request.setAttribute(FEED, feed.get());
            chain.doFilter(request, response);
        }

        private Optional<Key> key(HttpServletRequest request) {
            @Nullable String authorization = request.getHeader(HttpHeaders.AUTHORIZATION);
            if (authorization == null || !authorization.startsWith(BEARER)) {
                return Optional.empty();
            }
            try {
                return Optional.of(new Key(
                        UUID.fromString(String.valueOf(
                                DOOR.matcher(request).getVariables().get("feedId"))),
                        authorization.substring(BEARER.length())));
            } catch (IllegalArgumentException _) {
                return Optional.empty();
            }
        }
    }
}
