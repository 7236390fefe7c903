package fairkettle.server.pictures;

import fairkettle.server.web.Ahead;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Pictures that belong to a step or a line are decoded before anything is written. */
@Component
class ReceivedAhead implements Ahead {

    private final Pictures pictures;

    ReceivedAhead(Pictures pictures) {
        this.pictures = pictures;
    }

    @Override
    public boolean wants(HttpServletRequest request) {
        return request.getRequestURI()
                .matches(
                        "/api/(cards|log)/\\d+/photos|/api/jobs/\\d+/picture|/api/cases/\\d+/before|/api/machines/\\d+/line-looks");
    }

    /** An {@code Optional} of what was sent: a line may be looked at without a picture. */
    @Override
    public Object done(HttpServletRequest request, byte[] body) {
        boolean none = body.length == 0 && request.getRequestURI().endsWith("line-looks");
        return none ? Optional.empty() : Optional.of(pictures.receive(body));
    }
}
