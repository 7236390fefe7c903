package fairkettle.server.bringin;

import fairkettle.server.bringin.BringIn.Fate;
import fairkettle.server.bringin.BringIn.Fated;
import fairkettle.server.bringin.BringIn.Outcome;
import fairkettle.server.web.OnceFilter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Files from before: looked at, then taken. */
@RestController
class BringInController {

    private static final int SHOWN = 200;

    private final BringIn bringIn;

    BringInController(BringIn bringIn) {
        this.bringIn = bringIn;
    }

    record FileJson(
            @NotNull(message = "What does the file hold?") FileKind kind,

            @NotNull @Size(max = 2_000_000, message = "At most 2 MB: split the file.")
            String text) {}

    /**
     * @param taken whether it is in now
     * @param rows those that are refused before the others, and not all of a long file
     */
    record BroughtJson(boolean taken, long fresh, long known, long refused, List<Fated> rows) {

        private static BroughtJson of(Outcome outcome) {
            return new BroughtJson(
                    outcome.taken(),
                    count(outcome, Fate.NEW),
                    count(outcome, Fate.KNOWN),
                    count(outcome, Fate.REFUSED),
                    Stream.concat(
                                    outcome.rows().stream().filter(r -> r.fate() == Fate.REFUSED),
                                    outcome.rows().stream().filter(r -> r.fate() != Fate.REFUSED))
                            .limit(SHOWN)
                            .toList());
        }

        private static long count(Outcome outcome, Fate fate) {
            return outcome.rows().stream().filter(r -> r.fate() == fate).count();
        }
    }

    /** What would become of each row; nothing is changed. */
    @PostMapping("/api/bring-in/preview")
    BroughtJson lookAtFile(@Valid @RequestBody FileJson file, HttpServletRequest request) {
        return told(bringIn.look(file.kind(), file.text()), request);
    }

    /** All of it; with a row that is refused nothing, and which it is. */
    @PostMapping("/api/bring-in")
    BroughtJson bringInFile(@Valid @RequestBody FileJson file, HttpServletRequest request) {
        return told(bringIn.take(file.kind(), file.text()), request);
    }

    private static BroughtJson told(Outcome outcome, HttpServletRequest request) {
        request.removeAttribute(OnceFilter.WRITTEN); // why: many entries, or none that lasted, are not one to undo
        return BroughtJson.of(outcome);
    }
}
