package fairkettle.server.web;

import java.net.URI;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;

/** Turns what went wrong into problem documents with a stable type, a plain detail and the fields concerned. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail problem(Problem problem) {
        return document(problem.status(), problem.kind(), String.valueOf(problem.getMessage()), problem.fields());
    }

    /** The core refuses bad input at its edge with a message a person can act on. */
    @ExceptionHandler
    ProblemDetail badInput(IllegalArgumentException e) {
        return document(HttpStatus.BAD_REQUEST, "bad-input", String.valueOf(e.getMessage()), List.of());
    }

    @ExceptionHandler
    ProblemDetail taken(DataIntegrityViolationException e) {
        var cause = String.valueOf(e.getMostSpecificCause().getMessage());
        if (cause.contains("_name_key")) {
            return document(
                    HttpStatus.CONFLICT,
                    "taken",
                    "There is one of that name already.",
                    List.of(new Problem.Field("There is one of that name already.", "name", null)));
        }
        if (cause.contains("card_open_per_machine")) {
            return document(
                    HttpStatus.CONFLICT,
                    "taken",
                    "This machine is on a card already. Finish or give up that one first.",
                    List.of());
        }
        LOG.error("The database refused a write: {}", cause);
        return document(HttpStatus.CONFLICT, "conflict", "This does not fit with what is recorded already.", List.of());
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e) {
        var outage = Outage.of(e);
        if (outage != null) {
            LOG.error("{}: {}", outage.detail, e.getMessage());
            return document(outage.status, outage.kind(), outage.detail, List.of());
        }
        LOG.error("Unexpected", e);
        return document(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "Something went wrong here, not with you. Nothing was saved; try again.",
                List.of());
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var fields = e.getBindingResult().getFieldErrors().stream()
                .map(f -> new Problem.Field(String.valueOf(f.getDefaultMessage()), f.getField(), null))
                .toList();
        var detail = fields.isEmpty()
                ? "The request is not complete."
                : fields.getFirst().detail();
        return ResponseEntity.badRequest().body(document(HttpStatus.BAD_REQUEST, "bad-input", detail, fields));
    }

    /** What stands in an address, not in a body. */
    @Override
    protected @Nullable ResponseEntity<Object> handleHandlerMethodValidationException(
            HandlerMethodValidationException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var fields = e.getParameterValidationResults().stream()
                .flatMap(of -> of.getResolvableErrors().stream()
                        .map(error -> new Problem.Field(
                                String.valueOf(error.getDefaultMessage()),
                                String.valueOf(of.getMethodParameter().getParameterName()),
                                null)))
                .toList();
        return ResponseEntity.badRequest()
                .body(document(
                        HttpStatus.BAD_REQUEST,
                        "bad-input",
                        fields.isEmpty()
                                ? "The address is not complete."
                                : fields.getFirst().detail(),
                        fields));
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var field = e.getCause() instanceof JacksonException json ? path(json) : null;
        var reason = e.getMostSpecificCause() instanceof IllegalArgumentException own ? own.getMessage() : null;
        var detail = reason != null
                ? reason
                : field == null
                        ? "The request could not be read as JSON."
                        : "The value of “%s” is missing or not of the right kind.".formatted(field);
        return ResponseEntity.badRequest()
                .body(document(
                        HttpStatus.BAD_REQUEST,
                        "bad-input",
                        detail,
                        field == null ? List.of() : List.of(new Problem.Field(detail, field, null))));
    }

    private static @Nullable String path(JacksonException e) {
        var names = e.getPath().stream()
                .map(r -> r.getPropertyName() != null ? r.getPropertyName() : "" + r.getIndex())
                .toList();
        return names.isEmpty() ? null : String.join("/", names);
    }

    private static ProblemDetail document(HttpStatus status, String kind, String detail, List<Problem.Field> fields) {
        var document = ProblemDetail.forStatusAndDetail(status, detail);
        document.setType(URI.create("/problems/" + kind));
        if (!fields.isEmpty()) {
            document.setProperty("errors", fields);
        }
        return document;
    }
}
