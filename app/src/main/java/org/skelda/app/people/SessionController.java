package org.skelda.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, and who is signed in. */
@RestController
class SessionController {
    private final Passwords passwords;
    private final Accounts accounts;
    private final KnownDevices devices;
    private final OwnHosts hosts;
    private final ForgeryTokens tokens;
    private final ApplicationEventPublisher listeners;
    private final boolean demo;
    private final HttpSessionSecurityContextRepository contexts = new HttpSessionSecurityContextRepository();

    SessionController(
            Passwords passwords,
            Accounts accounts,
            KnownDevices devices,
            OwnHosts hosts,
            ForgeryTokens tokens,
            ApplicationEventPublisher listeners,
            SkeldaProperties properties) {
        this.passwords = passwords;
        this.accounts = accounts;
        this.devices = devices;
        this.hosts = hosts;
        this.tokens = tokens;
        this.listeners = listeners;
        this.demo = properties.demo();
    }

    /** Someone a page may name. */
    record CrewMember(String id, String name, String duty) {}

    /** A made-up account that the demo offers. @param account the name to sign in with */
    record DemoAccount(String account, String name, String duty) {}

    /** @param crew the accounts; @param password the one password of them all */
    record DemoCrew(List<DemoAccount> crew, String password) {}

    /**
     * @param person who is signed in; null when nobody is
     * @param administrator whether that person issues feeds
     * @param standards whether that person sets schools
     * @param demo what the demo offers; null outside of it
     */
    record SessionInfo(
            @Nullable CrewMember person,
            boolean administrator,
            boolean standards,
            @Nullable DemoCrew demo) {}

    record SignInRequest(
            @NotBlank @Size(max = 60) String account,
            @NotBlank @Size(max = 200) String password) {}

    @GetMapping("/api/session")
    SessionInfo session(
            @AuthenticationPrincipal @Nullable SignedIn person,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (person != null) {
            tokens.tellAgain(request, response);
        }
        return info(person, request);
    }

    private SessionInfo info(@Nullable SignedIn person, HttpServletRequest request) {
        Optional<Account> account = person == null ? Optional.empty() : accounts.findById(person.id());
        return new SessionInfo(
                person == null ? null : new CrewMember(person.id(), person.fullName(), person.duty()),
                account.filter(Account::administrator).isPresent(),
                account.filter(Account::standards).isPresent(),
                demoCrew(request));
    }

    private @Nullable DemoCrew demoCrew(HttpServletRequest request) {
        if (!demo || !Passwords.isThisMachine(request.getRemoteAddr())) {
            return null;
        }
        List<DemoAccount> crew = accounts.findByDemoTrueOrderByFullName().stream()
                .map(account ->
                        new DemoAccount(account.accountName(), account.person().name(), account.duty()))
                .toList();
        return new DemoCrew(crew, DemoPassword.TEXT);
    }

    @PostMapping("/api/session")
    SessionInfo signIn(
            @Valid @RequestBody SignInRequest body, HttpServletRequest request, HttpServletResponse response) {
        if (!hosts.sent(request)) {
            throw new ProblemException(Problems.forbidden());
        }
        Account account = passwords.check(
                body.account(), body.password(), request.getRemoteAddr(), one -> devices.knows(request, one));
        devices.remember(request, response, account);
        SignedIn person = SignedIn.of(account);
        request.getSession();
        request.changeSessionId();
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                person, null, List.of(new SimpleGrantedAuthority("ROLE_CREW"))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        tokens.renew(request, response);
        return info(person, request);
    }

    @DeleteMapping("/api/session")
    void signOut(HttpServletRequest request, HttpServletResponse response) {
        var session = request.getSession(false);
        if (session != null) {
            String id = session.getId();
            session.invalidate();
            listeners.publishEvent(new SignedOut(id));
        }
        tokens.saveToken(null, request, response);
        SecurityContextHolder.clearContext();
    }

    /** The operator's people, for handing a seat over. */
    @GetMapping("/api/crew")
    List<CrewMember> crew(@AuthenticationPrincipal SignedIn person) {
        return accounts.findByOperatorIdOrderByFullName(person.operatorId()).stream()
                .map(account ->
                        new CrewMember(account.person().id(), account.person().name(), account.duty()))
                .toList();
    }
}
