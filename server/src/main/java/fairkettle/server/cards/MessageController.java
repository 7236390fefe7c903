package fairkettle.server.cards;

import fairkettle.safety.MachineMessage;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the machine's screen says, explained. */
@RestController
class MessageController {

    record MessageJson(String wording, String meaning, String act) {}

    @GetMapping("/api/messages")
    List<MessageJson> messages(@RequestParam(defaultValue = "") String words) {
        return MachineMessage.matching(words).stream()
                .map(m -> new MessageJson(m.wording(), m.meaning(), m.act()))
                .toList();
    }
}
