package fairkettle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only under the names that the shop goes by: a foreign page can have its own name lead here, and would then be
 * served as if it were ours. Addresses in figures cannot be made to lead elsewhere and are all known.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class KnownHosts extends OncePerRequestFilter {

    private final Set<String> names;
    private final Refusals refusals;

    /** @param names by which the shop’s network knows this machine, with commas between them */
    KnownHosts(@Value("${kettle.hosts}") String names, Refusals refusals) {
        this.names = Stream.concat(Stream.of("localhost"), Stream.of(names.split(",")))
                .map(name -> name.strip().toLowerCase(Locale.ROOT))
                .filter(name -> !name.isEmpty())
                .collect(Collectors.toUnmodifiableSet());
        this.refusals = refusals;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (knows(request.getServerName())) {
            chain.doFilter(request, response);
        } else {
            refusals.write(
                    response,
                    HttpStatus.MISDIRECTED_REQUEST,
                    "host",
                    "This kettle does not go by that name. Use its address, or start it with KETTLE_HOSTS set to the"
                            + " name.");
        }
    }

    boolean knows(String host) {
        var name = host.toLowerCase(Locale.ROOT);
        return names.contains(name) || name.matches("\\d{1,3}(\\.\\d{1,3}){3}|\\[?[0-9a-f:]*:[0-9a-f:.]*]?");
    }
}
