package org.skelda.app.people;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelda.app.SkeldaProperties;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What the account behind a session may do, looked up at each request and before its body is read: an account that is
 * gone, or a demonstration's account outside a demonstration, is nobody, whenever it signed in.
 */
@Component
class AccountStanding extends OncePerRequestFilter {
    private static final String CREW = "CREW";
    /** A change of an account holds at the latest this long after. */
    private static final Duration KNOWN_FOR = Duration.ofSeconds(2);

    private static final int KNOWN = 1000;

    private final boolean demo;
    private final LoadingCache<String, Optional<Account>> accounts;

    AccountStanding(Accounts accounts, SkeldaProperties properties) {
        this.demo = properties.demo();
        this.accounts = Caffeine.newBuilder()
                .expireAfterWrite(KNOWN_FOR)
                .maximumSize(KNOWN)
                .build(accounts::findById);
    }

    /** Whether an account answers a request from there. */
    boolean answers(Account account, String remoteAddress) {
        return !account.demo() || demo && Passwords.isThisMachine(remoteAddress);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        if (signedIn != null && signedIn.getPrincipal() instanceof SignedIn person) {
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            accounts.get(person.id())
                    .filter(account -> answers(account, request.getRemoteAddr()))
                    .ifPresent(account -> context.setAuthentication(
                            UsernamePasswordAuthenticationToken.authenticated(person, null, roles(account))));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }

    private static List<GrantedAuthority> roles(Account account) {
        List<GrantedAuthority> roles = new ArrayList<>(List.of(new SimpleGrantedAuthority("ROLE_" + CREW)));
        if (account.administrator()) {
            roles.add(new SimpleGrantedAuthority("ROLE_" + Account.ADMINISTRATOR));
        }
        if (account.standards()) {
            roles.add(new SimpleGrantedAuthority("ROLE_" + Account.STANDARDS));
        }
        return roles;
    }

    /** It stands in the chain of security, not beside it. */
    @Bean
    static FilterRegistrationBean<AccountStanding> notByItself(AccountStanding standing) {
        FilterRegistrationBean<AccountStanding> registration = new FilterRegistrationBean<>(standing);
        registration.setEnabled(false);
        return registration;
    }
}
