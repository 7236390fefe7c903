package fairkettle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Names what of the house failed before any controller was asked: nobody could be known, or no transaction begun. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class OutageFilter extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(OutageFilter.class);

    private final Refusals refusals;

    OutageFilter(Refusals refusals) {
        this.refusals = refusals;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException e) {
            var outage = Outage.of(e);
            if (outage == null || response.isCommitted()) {
                throw e;
            }
            LOG.error("{}: {}", outage.detail, e.getMessage());
            response.reset();
            refusals.write(response, outage.status, outage.kind(), outage.detail);
        }
    }
}
