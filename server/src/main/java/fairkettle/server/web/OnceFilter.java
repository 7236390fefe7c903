package fairkettle.server.web;

import static fairkettle.db.Tables.ANSWERED;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Lazy;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;
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

    /** The request’s attribute that holds the last entry that it wrote, and the header that says it. */
    public static final String WRITTEN = "fairkettle.entry";

    private static final String ENTRY = "Kettle-Entry";
    static final String KEY = "Idempotency-Key";
    private static final int MOST = 32_000_000; // bytes of a picture, and a few more to know that it is too large
    private static final String SECRET = OnceFilter.class.getName() + ".secret";

    /** The answer to this request must not be kept for a repeated tap: it is made anew instead. */
    public static void keepNoAnswer(HttpServletRequest request) {
        request.setAttribute(SECRET, Boolean.TRUE);
    }

    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final List<Ahead> aheads;
    private final HandlerExceptionResolver problems;

    OnceFilter(
            DSLContext db,
            TransactionTemplate transaction,
            JsonMapper json,
            @Lazy List<Ahead> aheads,
            @Lazy @Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
        this.aheads = aheads;
        this.problems = problems;
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
    protected void doFilterInternal(HttpServletRequest sent, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var key = sent.getHeader(KEY);
        if (key == null || !key.matches("[\\w-]{8,80}")) {
            problem(
                    response,
                    HttpStatus.BAD_REQUEST,
                    "Writes need the header %s, 8 to 80 letters, digits or hyphens.".formatted(KEY));
            return;
        }
        var answer = new ContentCachingResponseWrapper(response);
        var request = sent;
        var ahead = aheads.stream().filter(a -> a.wants(sent)).findFirst();
        if (ahead.isPresent() && !db.fetchExists(ANSWERED, ANSWERED.KEY.eq(key))) {
            var body = new WithBody(sent);
            try {
                body.setAttribute(Ahead.DONE, ahead.get().done(body, body.bytes));
            } catch (Problem e) {
                problems.resolveException(sent, response, null, e);
                return;
            }
            request = body;
        }
        carryOut(key, request, answer, chain);
        if (answer.getStatus() < 400 && sent.getAttribute(WRITTEN) instanceof Long entry) {
            answer.setHeader(ENTRY, "" + entry);
        }
        answer.copyBodyToResponse();
    }

    private void carryOut(
            String key, HttpServletRequest request, ContentCachingResponseWrapper answer, FilterChain chain) {
        transaction.executeWithoutResult(status -> {
            try {
                once(key, request, answer, chain, status);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (ServletException e) {
                throw new IllegalStateException(e);
            }
        });
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

    /** A request whose body was taken from the wire already. */
    private static final class WithBody extends HttpServletRequestWrapper {
        private final byte[] bytes;

        WithBody(HttpServletRequest request) throws IOException {
            super(request);
            bytes = request.getInputStream().readNBytes(MOST);
        }

        @Override
        public ServletInputStream getInputStream() {
            var in = new ByteArrayInputStream(bytes);
            return new ServletInputStream() {
                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] into, int from, int length) {
                    return in.read(into, from, length);
                }

                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new IllegalStateException("Impossible state: a body that is here already needs no listener.");
                }
            };
        }
    }
}
