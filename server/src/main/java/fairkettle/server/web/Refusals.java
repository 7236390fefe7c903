package fairkettle.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The same problem document for what is refused before any controller sees it. */
@Component
public class Refusals {

    private final JsonMapper json;

    Refusals(JsonMapper json) {
        this.json = json;
    }

    /** @param kind the last part of the problem’s type */
    public void write(HttpServletResponse response, HttpStatus status, String kind, String detail) throws IOException {
        var document = ProblemDetail.forStatusAndDetail(status, detail);
        document.setType(URI.create("/problems/" + kind));
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(document));
    }
}
