package fairkettle.server.web;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Something a person can mend. Leaves the server as a problem document (RFC 9457). */
public final class Problem extends RuntimeException {

    private static final long serialVersionUID = 1;

    private final HttpStatus status;
    private final String kind;
    private final transient List<Field> fields;

    /**
     * @param field what it is about, as a JSON pointer into the request or the name of a cell
     * @param remedy the step that would mend it, or null
     */
    public record Field(
            String detail, @Nullable String field, @Nullable String remedy) {}

    private Problem(HttpStatus status, String kind, String detail, List<Field> fields) {
        super(detail, null, false, false); // why: no stack trace, it is nobody's mistake but the user's
        this.status = status;
        this.kind = kind;
        this.fields = fields;
    }

    public static Problem notFound(String detail) {
        return new Problem(HttpStatus.NOT_FOUND, "not-found", detail, List.of());
    }

    /** The request is well-formed, but it must not be. */
    public static Problem refused(String detail, List<Field> fields) {
        return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "refused", detail, fields);
    }

    /** Whoever asks has to say who they are, or said it wrongly. */
    public static Problem unsigned(String detail) {
        return new Problem(HttpStatus.UNAUTHORIZED, "unsigned", detail, List.of());
    }

    public static Problem tooOften(String detail) {
        return new Problem(HttpStatus.TOO_MANY_REQUESTS, "too-often", detail, List.of());
    }

    public static Problem atField(String field, String detail) {
        return new Problem(HttpStatus.BAD_REQUEST, "bad-input", detail, List.of(new Field(detail, field, null)));
    }

    /** Somebody else was faster. */
    public static Problem lostRace(String detail) {
        return new Problem(HttpStatus.CONFLICT, "changed-meanwhile", detail, List.of());
    }

    /** Nothing is wrong with the request; it can be sent again later. */
    public static Problem busy(String detail) {
        return new Problem(HttpStatus.SERVICE_UNAVAILABLE, "busy", detail, List.of());
    }

    public HttpStatus status() {
        return status;
    }

    public String kind() {
        return kind;
    }

    public List<Field> fields() {
        return fields;
    }
}
