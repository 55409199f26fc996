package org.skelda.app.people;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.Problems;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import tools.jackson.databind.json.JsonMapper;

/** Which requests need a signed-in person, and the headers of every answer. */
@Configuration
@EnableMethodSecurity(prePostEnabled = false, jsr250Enabled = true)
class SecurityConfiguration {
    private static final int BCRYPT_STRENGTH = 11;
    private static final String CONTENT_POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
                    + "img-src 'self' data:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri "
                    + "'self'; form-action 'self'; "
                    + "frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder(BCRYPT_STRENGTH);
    }

    /** There is no form login; without this bean a default account would be made up. */
    @Bean
    UserDetailsService noOtherAccounts() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    @Bean
    SecurityFilterChain security(HttpSecurity http, AccountStanding standing, ForgeryTokens tokens, JsonMapper json) {
        return http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(
                                DispatcherType.ASYNC, DispatcherType.ERROR, DispatcherType.FORWARD)
                        .permitAll()
                        .requestMatchers("/api/session", "/api/time")
                        .permitAll()
                        // It has a key of its own.
                        .requestMatchers("/own/backup")
                        .permitAll()
                        .requestMatchers("/api/feeds", "/api/feeds/**")
                        .hasRole(Account.ADMINISTRATOR)
                        .requestMatchers(HttpMethod.POST, "/api/schools")
                        .hasRole(Account.STANDARDS)
                        .requestMatchers("/api/**")
                        .authenticated()
                        .requestMatchers("/actuator/health")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .addFilterBefore(standing, AuthorizationFilter.class)
                // Signing in has no session yet to bind a token to; it looks where the page is from instead.
                .csrf(csrf -> csrf.csrfTokenRepository(tokens)
                        .csrfTokenRequestHandler(new CsrfTokenRequestAttributeHandler())
                        .ignoringRequestMatchers(
                                PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, "/api/session"),
                                PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, "/own/backup")))
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .requestCache(cache -> cache.disable())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .exceptionHandling(handling -> handling.authenticationEntryPoint(
                                (_, response, _) -> write(json, response, Problems.signIn()))
                        .accessDeniedHandler((_, response, e) -> write(
                                json,
                                response,
                                e instanceof CsrfException ? Problems.forbidden() : Problems.notAllowed())))
                .build();
    }

    /** Requests for another's name are refused before anything else looks at them. */
    @Bean
    HttpFirewall firewall(OwnHosts hosts) {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(hosts::contains);
        return firewall;
    }

    @Bean
    RequestRejectedHandler rejected(JsonMapper json) {
        return (_, response, _) -> write(json, response, Problems.rejected());
    }

    private static void write(JsonMapper json, HttpServletResponse response, Problem problem) throws IOException {
        response.setStatus(problem.status());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(problem.answer()));
    }
}
