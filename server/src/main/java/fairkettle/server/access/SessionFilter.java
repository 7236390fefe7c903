package fairkettle.server.access;

import fairkettle.server.people.Who;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UrlPathHelper;

/**
 * Knows who asks by what their browser keeps. Nobody is asked for where nobody signs in, nor for what everybody may
 * have.
 */
final class SessionFilter extends OncePerRequestFilter {

    private final Door door;
    private final Sessions sessions;
    private final Accounts accounts;

    SessionFilter(Door door, Sessions sessions, Accounts accounts) {
        this.door = door;
        this.sessions = sessions;
        this.accounts = accounts;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !door.closed()
                || !UrlPathHelper.defaultInstance
                        .getPathWithinApplication(request)
                        .matches("/(api|v3)/.*");
    }

    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false; // why: an answer that goes on for long is asked for again by its thread, by the same person
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Cookies.of(request, Cookies.SESSION)
                .filter(token -> !token.isEmpty())
                .flatMap(sessions::person)
                .flatMap(accounts::of)
                .ifPresent(account -> {
                    request.setAttribute(Who.SIGNED_IN, account.person());
                    var context = SecurityContextHolder.createEmptyContext();
                    context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                            account,
                            null,
                            List.of(new SimpleGrantedAuthority(
                                    "ROLE_" + account.role().name()))));
                    SecurityContextHolder.setContext(context);
                });
        chain.doFilter(request, response);
    }
}
