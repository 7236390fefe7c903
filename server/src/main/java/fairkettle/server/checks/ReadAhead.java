package fairkettle.server.checks;

import fairkettle.server.web.Ahead;
import fairkettle.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Validator;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Pictures of checks are read before anything is written. */
@Component
class ReadAhead implements Ahead {

    private static final Pattern CORNERS = Pattern.compile("/api/readings/(\\d{1,18})/corners");

    private final Readings readings;
    private final JsonMapper json;
    private final Validator validator;

    ReadAhead(Readings readings, JsonMapper json, Validator validator) {
        this.validator = validator;
        this.readings = readings;
        this.json = json;
    }

    @Override
    public boolean wants(HttpServletRequest request) {
        return request.getRequestURI().equals("/api/readings")
                || CORNERS.matcher(request.getRequestURI()).matches();
    }

    @Override
    public Object done(HttpServletRequest request, byte[] body) {
        var corners = CORNERS.matcher(request.getRequestURI());
        return corners.matches() ? corners(Long.parseLong(corners.group(1)), body) : readings.look(body);
    }

    private Readings.Seen corners(long reading, byte[] body) {
        try {
            var tapped = json.readValue(body, CheckController.CornersJson.class);
            if (tapped == null || !validator.validate(tapped).isEmpty()) {
                throw Problem.atField("corners", "Tap the four corners inside the picture of one machine’s check.");
            }
            return readings.look(reading, tapped.machine(), tapped.places(), tapped.dark());
        } catch (JacksonException e) {
            throw Problem.atField("corners", "Tap the four corners inside the picture.");
        }
    }
}
