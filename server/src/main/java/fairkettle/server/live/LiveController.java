package fairkettle.server.live;

import io.swagger.v3.oas.annotations.Hidden;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@Hidden
@RestController
class LiveController {

    private final Live live;

    LiveController(Live live) {
        this.live = live;
    }

    @GetMapping(path = "/api/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@RequestHeader(name = "Last-Event-ID", required = false) @Nullable String lastEventId) {
        return live.open(lastEventId);
    }
}
