package fairkettle.server.spares;

import fairkettle.server.shelf.Supplies;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SpareController {

    private final Spares spares;
    private final Supplies supplies;
    private final Ages ages;

    SpareController(Spares spares, Supplies supplies, Ages ages) {
        this.ages = ages;
        this.spares = spares;
        this.supplies = supplies;
    }

    /** Where a part can be had, the cheapest first: from a donor, out of the bin, off the shelf, bought. */
    record SourcesJson(List<Spares.Donor> donors, List<Spares.Spare> bin, List<Supplies.Line> shelf) {}

    record NewSpare(
            @NotBlank(message = "What is it?") @Size(max = 80, message = "At most 80 letters.")
            String what,

            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String fits,

            @Min(value = 1, message = "At least one.") @Max(value = 999, message = "At most 999.")
            int count,

            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String origin,

            boolean noOther) {}

    record SpareTaken(
            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String whereTo) {}

    record DonorWords(
            @NotBlank(message = "What does it still have?") @Size(max = 200, message = "At most 200 letters.")
            String words) {}

    record PartFittedJson(
            @NotBlank(message = "Which part?") @Size(max = 60, message = "At most 60 letters.")
            String part,

            @NotNull(message = "On which day?") LocalDate on) {}

    /** How old the parts of every machine are, the oldest first. */
    @GetMapping("/api/parts/ages")
    List<Ages.Age> partsAges() {
        return ages.all();
    }

    @PostMapping("/api/machines/{machine}/parts")
    List<Ages.Age> partFitted(@PathVariable long machine, @Valid @RequestBody PartFittedJson fitted) {
        ages.fitted(machine, fitted.part().strip(), fitted.on());
        return ages.all();
    }

    /** @param wanted words of the part; empty for everything */
    @GetMapping("/api/spares")
    SourcesJson spares(@RequestParam(defaultValue = "") String wanted) {
        var words = Arrays.stream(wanted.toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList();
        return new SourcesJson(
                spares.donors().stream()
                        .filter(d -> words.isEmpty() || !without(d, words))
                        .toList(),
                spares.all().stream()
                        .filter(s -> has(s.what() + " " + s.fits(), words))
                        .toList(),
                words.isEmpty()
                        ? List.of()
                        : supplies.all().stream()
                                .filter(l -> has(l.label(), words))
                                .toList());
    }

    /** Whether a donor says that it has not got it: “no head”. */
    private static boolean without(Spares.Donor donor, List<String> words) {
        var said = donor.words().toLowerCase(Locale.ROOT);
        return words.stream().anyMatch(w -> said.contains("no " + w) || said.contains("without " + w));
    }

    private static boolean has(String text, List<String> words) {
        var lower = text.toLowerCase(Locale.ROOT);
        return words.stream().allMatch(lower::contains);
    }

    @PostMapping("/api/spares")
    @ResponseStatus(HttpStatus.CREATED)
    SourcesJson keepSpare(@Valid @RequestBody NewSpare spare) {
        spares.add(
                spare.what().strip(),
                spare.fits().strip(),
                spare.count(),
                spare.origin().strip(),
                spare.noOther());
        return spares("");
    }

    @PostMapping("/api/spares/{spare}/taken")
    SourcesJson spareTaken(@PathVariable long spare, @Valid @RequestBody SpareTaken taken) {
        spares.taken(spare, taken.whereTo().strip());
        return spares("");
    }

    @PutMapping("/api/donors/{machine}")
    SourcesJson makeDonor(@PathVariable long machine, @Valid @RequestBody DonorWords donor) {
        spares.donor(machine, donor.words().strip());
        return spares("");
    }

    @DeleteMapping("/api/donors/{machine}")
    SourcesJson noDonor(@PathVariable long machine) {
        spares.keeps(machine);
        return spares("");
    }
}
