package fairkettle.server.messages;

import fairkettle.procedure.Consequence;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What the machine's screen says, explained. */
@RestController
class MessageController {

    private static final int LATELY = 100;

    private final Messages messages;

    MessageController(Messages messages) {
        this.messages = messages;
    }

    record OwnMessageJson(
            @NotBlank(message = "Copy what it says.") @Size(max = 200, message = "At most 200 letters.")
            String wording,

            @NotBlank(message = "Say what it really means.") @Size(max = 400, message = "At most 400 letters.")
            String meaning,

            @NotBlank(message = "Say what is safe to do.") @Size(max = 400, message = "At most 400 letters.")
            String act) {}

    record HeardJson(
            @NotBlank(message = "Copy what it says.") @Size(max = 200, message = "At most 200 letters.")
            String wording,

            @NotNull @Size(max = 60, message = "There is no such message.")
            String message,

            @NotBlank(message = "Say what was done.") @Size(max = 300, message = "At most 300 letters.")
            String did,

            @NotNull(message = "Say what came of it.") Consequence.Heard.Outcome outcome) {}

    @GetMapping("/api/messages")
    List<Messages.Message> messages(
            @RequestParam(defaultValue = "") String words, @RequestParam(required = false) @Nullable Long machine) {
        return messages.matching(words, machine);
    }

    /** What machines said lately, the newest first. */
    @GetMapping("/api/messages/heard")
    List<Messages.Said> messagesHeard(@RequestParam(required = false) @Nullable Long machine) {
        return messages.said(machine, LATELY);
    }

    @PostMapping("/api/messages")
    @ResponseStatus(HttpStatus.CREATED)
    List<Messages.Message> explainMessage(@Valid @RequestBody OwnMessageJson own) {
        messages.explain(own.wording().strip(), own.meaning().strip(), own.act().strip());
        return messages.matching("", null);
    }

    @PostMapping("/api/messages/own/{message}/gone")
    List<Messages.Message> messageGone(@PathVariable long message) {
        messages.explainNoMore(message);
        return messages.matching("", null);
    }

    @PostMapping("/api/machines/{machine}/heard")
    @ResponseStatus(HttpStatus.CREATED)
    List<Messages.Said> machineSaid(@PathVariable long machine, @Valid @RequestBody HeardJson heard) {
        messages.heard(
                machine,
                new Consequence.Heard(
                        heard.wording().strip(), heard.message(), heard.did().strip(), heard.outcome()));
        return messages.said(null, LATELY);
    }
}
