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
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Lazy;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.util.ContentCachingResponseWrapper;
import org.springframework.web.util.UrlPathHelper;

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
    /** By which a write that is sent again is known. */
    public static final String KEY = "Idempotency-Key";

    private static final int MOST = 32_000_000; // bytes of a picture, and a few more to know that it is too large
    private static final int MOST_WORDS = 2_000_000; // bytes of JSON: a whole shop's settings have some ten thousand
    private static final String SECRET = OnceFilter.class.getName() + ".secret";

    /**
     * Nothing of this request is kept for a repeated tap, because a secret stands in its words or in its answer: not
     * the answer, and not the sum of what was sent, from which a PIN is guessed in no time. Such an act can be done
     * twice.
     */
    public static void keepNoAnswer(HttpServletRequest request) {
        request.setAttribute(SECRET, Boolean.TRUE);
    }

    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final Refusals refusals;
    private final List<Ahead> aheads;
    private final HandlerExceptionResolver problems;

    OnceFilter(
            DSLContext db,
            TransactionTemplate transaction,
            Refusals refusals,
            @Lazy List<Ahead> aheads,
            @Lazy @Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
        this.aheads = aheads;
        this.problems = problems;
        this.db = db;
        this.transaction = transaction;
        this.refusals = refusals;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !path(request).startsWith("/api/") || request.getMethod().matches("GET|HEAD|OPTIONS");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest sent, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var key = sent.getHeader(KEY);
        if (key == null || !key.matches("[\\w-]{8,80}")) {
            refusals.write(
                    response,
                    HttpStatus.BAD_REQUEST,
                    "bad-input",
                    "Writes need the header %s, 8 to 80 letters, digits or hyphens.".formatted(KEY));
            return;
        }
        int most = MediaType.APPLICATION_JSON_VALUE.equals(kind(sent)) ? MOST_WORDS : MOST;
        byte[] bytes = sent.getInputStream().readNBytes(most + 1);
        if (bytes.length > most) {
            refusals.write(
                    response,
                    HttpStatus.CONTENT_TOO_LARGE,
                    "too-large",
                    "This is too large: at most %d MB can be sent here.".formatted(most / 1_000_000));
            return;
        }
        var answer = new ContentCachingResponseWrapper(response);
        var request = new WithBody(sent, bytes);
        var ahead = aheads.stream().filter(a -> a.wants(sent)).findFirst();
        if (ahead.isPresent() && !db.fetchExists(ANSWERED, ANSWERED.KEY.eq(key))) {
            try {
                request.setAttribute(Ahead.DONE, ahead.get().done(request, bytes));
            } catch (Problem e) {
                problems.resolveException(sent, response, null, e);
                return;
            }
        }
        carryOut(key, request, answer, chain);
        if (answer.getStatus() < 400 && sent.getAttribute(WRITTEN) instanceof Long entry) {
            answer.setHeader(ENTRY, "" + entry);
        }
        answer.copyBodyToResponse();
    }

    /** As the server reads it, however it was written: an encoded letter is that letter. */
    private static String path(HttpServletRequest request) {
        return UrlPathHelper.defaultInstance.getPathWithinApplication(request);
    }

    private static String kind(HttpServletRequest request) {
        var type = request.getContentType();
        return type == null ? "" : type.split(";", 2)[0].strip().toLowerCase(Locale.ROOT);
    }

    private void carryOut(String key, WithBody request, ContentCachingResponseWrapper answer, FilterChain chain) {
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
            WithBody request,
            ContentCachingResponseWrapper answer,
            FilterChain chain,
            TransactionStatus status)
            throws IOException, ServletException {
        var what = request.getMethod() + " " + path(request) + " " + request.sum();
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
        boolean ofBefore = before.getRequest().split(" ").length == 2; // kept without its sum
        if (!before.getRequest().equals(ofBefore ? what.substring(0, what.lastIndexOf(' ')) : what)) {
            refusals.write(
                    answer,
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "key",
                    "This %s was used for another request.".formatted(KEY));
            return;
        }
        answer.setStatus(before.getStatus());
        answer.setHeader("Idempotent-Replayed", "true");
        if (before.getMediaType() != null) {
            answer.setHeader(HttpHeaders.CONTENT_TYPE, before.getMediaType());
        }
        answer.getOutputStream().write(before.getBody());
    }

    /** A request whose body was taken from the wire already. */
    private static final class WithBody extends HttpServletRequestWrapper {
        private final byte[] bytes;

        WithBody(HttpServletRequest request, byte[] bytes) {
            super(request);
            this.bytes = bytes;
        }

        /** Of what was sent, so that the same key with other words is no repeated tap. */
        String sum() {
            try {
                return HexFormat.of()
                        .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException("Impossible state: every JDK has SHA-256.", e);
            }
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
