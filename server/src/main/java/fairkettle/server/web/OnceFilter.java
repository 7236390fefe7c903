package fairkettle.server.web;

import static fairkettle.db.Tables.ANSWERED;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.jooq.DSLContext;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import tools.jackson.databind.json.JsonMapper;

/**
 * One request, one transaction, done once.
 *
 * <p>Every write carries an {@code Idempotency-Key}. The key is written first, in the transaction of the request
 * itself: a double tap that arrives meanwhile waits on it, and then gets the first one's answer. A request that fails
 * leaves nothing, its key neither, so that it can be tried again. The answer is sent only after the commit.
 */
@Component
public class OnceFilter extends OncePerRequestFilter {

    static final String KEY = "Idempotency-Key";
    private static final String SECRET = OnceFilter.class.getName() + ".secret";

    /** The answer to this request must not be kept for a repeated tap: it is made anew instead. */
    public static void keepNoAnswer(HttpServletRequest request) {
        request.setAttribute(SECRET, Boolean.TRUE);
    }

    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    OnceFilter(DSLContext db, TransactionTemplate transaction, JsonMapper json) {
        this.db = db;
        this.transaction = transaction;
        this.json = json;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/")
                || request.getMethod().matches("GET|HEAD|OPTIONS");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var key = request.getHeader(KEY);
        if (key == null || !key.matches("[\\w-]{8,80}")) {
            problem(
                    response,
                    HttpStatus.BAD_REQUEST,
                    "Writes need the header %s, 8 to 80 letters, digits or hyphens.".formatted(KEY));
            return;
        }
        var answer = new ContentCachingResponseWrapper(response);
        transaction.executeWithoutResult(status -> {
            try {
                once(key, request, answer, chain, status);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (ServletException e) {
                throw new IllegalStateException(e);
            }
        });
        answer.copyBodyToResponse();
    }

    private void once(
            String key,
            HttpServletRequest request,
            ContentCachingResponseWrapper answer,
            FilterChain chain,
            TransactionStatus status)
            throws IOException, ServletException {
        var what = request.getMethod() + " " + request.getRequestURI();
        boolean first = db.insertInto(ANSWERED)
                        .set(ANSWERED.KEY, key)
                        .set(ANSWERED.REQUEST, what)
                        .onConflictDoNothing()
                        .execute()
                == 1;
        if (!first) {
            replay(key, what, answer);
            return;
        }
        chain.doFilter(request, answer);
        if (answer.getStatus() >= 400) {
            status.setRollbackOnly();
        } else if (request.getAttribute(SECRET) != null) {
            db.deleteFrom(ANSWERED).where(ANSWERED.KEY.eq(key)).execute();
        } else {
            db.update(ANSWERED)
                    .set(ANSWERED.STATUS, answer.getStatus())
                    .set(ANSWERED.MEDIA_TYPE, answer.getContentType())
                    .set(ANSWERED.BODY, answer.getContentAsByteArray())
                    .where(ANSWERED.KEY.eq(key))
                    .execute();
        }
    }

    private void replay(String key, String what, ContentCachingResponseWrapper answer) throws IOException {
        var before = db.selectFrom(ANSWERED).where(ANSWERED.KEY.eq(key)).fetchSingle();
        if (!before.getRequest().equals(what)) {
            problem(answer, HttpStatus.UNPROCESSABLE_CONTENT, "This %s was used for another request.".formatted(KEY));
            return;
        }
        answer.setStatus(before.getStatus());
        answer.setHeader("Idempotent-Replayed", "true");
        if (before.getMediaType() != null) {
            answer.setHeader(HttpHeaders.CONTENT_TYPE, before.getMediaType());
        }
        answer.getOutputStream().write(before.getBody());
    }

    private void problem(HttpServletResponse response, HttpStatus status, String detail) throws IOException {
        response.setStatus(status.value());
        response.setContentType("application/problem+json");
        response.getOutputStream().write(json.writeValueAsBytes(ProblemDetail.forStatusAndDetail(status, detail)));
    }
}
