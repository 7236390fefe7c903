package fairkettle.server.access;

import static org.springframework.http.HttpMethod.DELETE;
import static org.springframework.http.HttpMethod.GET;
import static org.springframework.http.HttpMethod.POST;
import static org.springframework.http.HttpMethod.PUT;

import fairkettle.server.web.Refusals;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.session.NullAuthenticatedSessionStrategy;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;

/** What each may do, in one place. */
@Configuration
class AccessConfig {

    private static final String CONTENT_SECURITY =
            "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline';"
                    + " font-src 'self' data:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

    @Bean
    SecurityFilterChain security(HttpSecurity http, Door door, Sessions sessions, Accounts accounts, Refusals refusals)
            throws Exception {
        var token = CookieCsrfTokenRepository.withHttpOnlyFalse();
        token.setCookieCustomizer(cookie -> cookie.sameSite("Strict")); // no other site's page sends it
        return http.authorizeHttpRequests(a -> {
                    a.requestMatchers("/actuator/health/**").permitAll();
                    a.requestMatchers("/actuator/**").denyAll();
                    if (door.closed()) {
                        byRole(a);
                    } else {
                        a.anyRequest().permitAll();
                    }
                })
                .addFilterBefore(new SessionFilter(door, sessions, accounts), AnonymousAuthenticationFilter.class)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(c -> c.spa()
                        .csrfTokenRepository(token)
                        // why: every request comes in anew, and a token that were another after each would fail the tap
                        // that is on its way meanwhile
                        .sessionAuthenticationStrategy(new NullAuthenticatedSessionStrategy()))
                .exceptionHandling(e -> e.authenticationEntryPoint((_, response, _) -> refusals.write(
                                response, HttpStatus.UNAUTHORIZED, "unsigned", "Sign in first. Nothing was saved."))
                        .accessDeniedHandler((_, response, why) -> {
                            if (why instanceof CsrfException) {
                                refusals.write(
                                        response,
                                        HttpStatus.FORBIDDEN,
                                        "token",
                                        "This page is older than the kettle: nothing was saved. Load it anew and try"
                                                + " again.");
                            } else {
                                refusals.write(
                                        response,
                                        HttpStatus.FORBIDDEN,
                                        "not-yours",
                                        "This is not for you to do here: ask the owner. Nothing was saved.");
                            }
                        }))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT_SECURITY)))
                .build();
    }

    /** Who is not named here may not: pages may be had by everybody, what they show by nobody who did not sign in. */
    private static void byRole(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry may) {
        may.requestMatchers("/api/session", "/api/session/*").permitAll();
        may.requestMatchers(DELETE, "/api/sessions").authenticated();
        owned(may, GET, "/api/access", "/api/feed", "/api/backups/*/file", "/api/archive");
        owned(may, PUT, "/api/access/*", "/api/shop", "/api/people/*", "/api/climate/probe");
        owned(may, PUT, "/api/machines/*/printer");
        owned(
                may,
                POST,
                "/api/people",
                "/api/devices",
                "/api/feed",
                "/api/backups",
                "/api/vault/**",
                "/api/presets",
                "/api/presets/**");
        owned(may, POST, "/api/machines/*/activation-code/reveal");
        owned(
                may,
                DELETE,
                "/api/access/*",
                "/api/access/*/sessions",
                "/api/devices/*",
                "/api/feed",
                "/api/clinic/learned");
        may.requestMatchers(GET, "/api/**", "/v3/**").authenticated();
        may.requestMatchers("/api/**").hasAnyRole(Role.OWNER.name(), Role.HAND.name());
        may.requestMatchers("/v3/**").denyAll();
        may.anyRequest().permitAll();
    }

    private static void owned(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry may,
            HttpMethod method,
            String... paths) {
        may.requestMatchers(method, paths).hasRole(Role.OWNER.name());
    }
}
