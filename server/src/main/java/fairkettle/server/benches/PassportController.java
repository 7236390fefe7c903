package fairkettle.server.benches;

import fairkettle.machine.Architecture;
import fairkettle.machine.Fact;
import fairkettle.machine.TankHeight;
import fairkettle.machine.TankHeight.Sign;
import fairkettle.procedure.Facet;
import fairkettle.safety.School;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.PaperFile;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PassportController {

    /** What hands meet on cards. */
    private static final List<Facet> CONCERNS = List.of(
            Facet.COVERS,
            Facet.CARRIAGE,
            Facet.LINE,
            Facet.TANK_CAP,
            Facet.CARTRIDGE,
            Facet.HEAD,
            Facet.STATION,
            Facet.WASTE_LINE,
            Facet.FILM_PATH,
            Facet.POWER);

    private final Passports passports;
    private final Defects defects;
    private final Machines machines;
    private final Shop shop;

    PassportController(Passports passports, Defects defects, Machines machines, Shop shop) {
        this.passports = passports;
        this.defects = defects;
        this.machines = machines;
        this.shop = shop;
    }

    record FactJson(Fact id, String label, String words) {}

    record AdviceJson(Sign sign, String words) {}

    /**
     * @param raised whether outboard tanks hang beside this machine at all; @param mayRaise the school followed
     *     here; @param lastSafe mm above level
     */
    record HeightsJson(
            boolean raised,
            boolean mayRaise,
            int lastSafe,
            boolean testing,
            List<AdviceJson> advice,
            List<Passports.Height> tried) {}

    record PassportJson(
            List<FactJson> facts,
            List<Passports.Document> documents,
            HeightsJson heights,
            List<Passports.Pick> picks,
            List<Passports.Help> helps,
            Passports.@Nullable OutsideWaste outsideWaste,
            List<DefectJson> defects,
            List<WhereJson> concerns) {}

    /** @param concerns the steps at which it is told */
    record DefectJson(long id, String concerns, String words, String effect, Instant at) {}

    record WhereJson(Facet id, String label) {}

    record NewDefect(
            @NotNull(message = "What does it concern?") Facet concerns,

            @NotBlank(message = "What is broken or missing?") @Size(max = 120, message = "At most 120 letters.")
            String words,

            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String effect) {}

    record WordsJson(
            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String words) {}

    record LinkJson(
            @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.")
            String name,

            @NotNull String link) {}

    record HeightJson(
            @Min(value = -500, message = "Within half a metre.") @Max(value = 500, message = "Within half a metre.")
            int millimetres) {}

    record DripJson(boolean dripped) {}

    record HelpJson(
            @NotBlank(message = "Who is it?") @Size(max = 80, message = "At most 80 letters.")
            String who,

            @AssertTrue(message = "Only with your leave, and while you watch.")
            boolean watched) {}

    record HelpEndJson(
            @NotBlank(message = "What was changed? “Nothing” is an answer.")
            @Size(max = 400, message = "At most 400 letters.")
            String changed) {}

    @GetMapping("/api/machines/{machine}/passport")
    PassportJson passport(@PathVariable long machine) {
        var facts = passports.facts(machine);
        var found = machines.get(machine);
        var tried = passports.tried(machine);
        int now = tried.isEmpty() ? 0 : tried.getFirst().millimetres();
        return new PassportJson(
                Arrays.stream(Fact.values())
                        .map(f -> new FactJson(f, f.label(), facts.getOrDefault(f, "")))
                        .toList(),
                passports.documents(machine),
                new HeightsJson(
                        found.profile().architecture() == Architecture.BULK
                                || found.profile().architecture() == Architecture.FILM,
                        mayRaise(found),
                        TankHeight.lastSafe(tried),
                        !tried.isEmpty() && tried.getFirst().dripped() == null,
                        Arrays.stream(Sign.values())
                                .map(s -> new AdviceJson(s, TankHeight.advice(s, now)))
                                .toList(),
                        passports.heights(machine)),
                passports.picks(machine),
                passports.helps(machine),
                passports.outsideWaste(machine).orElse(null),
                defects.list(machine).stream()
                        .map(d -> new DefectJson(d.id(), d.facet().label(), d.words(), d.effect(), d.at()))
                        .toList(),
                CONCERNS.stream().map(f -> new WhereJson(f, f.label())).toList());
    }

    private boolean mayRaise(Machines.Machine machine) {
        return shop.settings()
                .terms(machine.schools(), java.util.Map.of())
                .position(School.TANK_HEIGHT)
                .id()
                .equals("raised");
    }

    @PostMapping("/api/machines/{machine}/defects")
    @ResponseStatus(HttpStatus.CREATED)
    PassportJson keepDefect(@PathVariable long machine, @Valid @RequestBody NewDefect defect) {
        machines.get(machine);
        defects.add(
                machine,
                defect.concerns(),
                defect.words().strip(),
                defect.effect().strip());
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/defects/{defect}/mended")
    PassportJson defectMended(@PathVariable long machine, @PathVariable long defect) {
        defects.mended(machine, defect);
        return passport(machine);
    }

    @PutMapping("/api/machines/{machine}/passport/{fact}")
    PassportJson writeFact(@PathVariable long machine, @PathVariable Fact fact, @Valid @RequestBody WordsJson words) {
        passports.write(machine, fact, words.words());
        return passport(machine);
    }

    @PostMapping(path = "/api/machines/{machine}/documents", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PassportJson keepDocument(
            @PathVariable long machine,
            @RequestParam @NotBlank @Size(max = 80) String name,
            @RequestBody byte[] document) {
        passports.keep(machine, name, document);
        return passport(machine);
    }

    /** Whether its waste runs into a bottle outside: its own count goes on all the same. */
    record LedJson(boolean outside) {}

    @PostMapping("/api/machines/{machine}/waste-led")
    PassportJson leadWaste(@PathVariable long machine, @Valid @RequestBody LedJson led) {
        passports.leadWaste(machine, machines.get(machine).name(), led.outside());
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/links")
    @ResponseStatus(HttpStatus.CREATED)
    PassportJson keepLink(@PathVariable long machine, @Valid @RequestBody LinkJson link) {
        passports.link(machine, link.name(), link.link().strip());
        return passport(machine);
    }

    /** Never shown in place: an uploaded PDF may hold anything. */
    @GetMapping("/api/machines/{machine}/documents/{document}")
    ResponseEntity<byte[]> document(@PathVariable long machine, @PathVariable long document) {
        var file = passports.file(machine, document);
        var ending = file.mediaType().substring(file.mediaType().indexOf('/') + 1);
        return PaperFile.download(file.name() + "." + ending, file.mediaType(), file.bytes());
    }

    @PostMapping("/api/machines/{machine}/documents/{document}/discarded")
    PassportJson discardDocument(@PathVariable long machine, @PathVariable long document) {
        passports.discard(machine, document);
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/heights")
    @ResponseStatus(HttpStatus.CREATED)
    PassportJson hangTanks(@PathVariable long machine, @Valid @RequestBody HeightJson height) {
        var found = machines.get(machine);
        passports.hang(machine, found.name(), height.millimetres(), mayRaise(found));
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/heights/answer")
    PassportJson dripTest(@PathVariable long machine, @Valid @RequestBody DripJson drip) {
        passports.dripped(machine, machines.get(machine).name(), drip.dripped());
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/help")
    @ResponseStatus(HttpStatus.CREATED)
    PassportJson helpBegins(@PathVariable long machine, @Valid @RequestBody HelpJson help) {
        passports.helpBegins(machine, machines.get(machine).name(), help.who());
        return passport(machine);
    }

    @PostMapping("/api/machines/{machine}/help/ended")
    PassportJson helpEnds(@PathVariable long machine, @Valid @RequestBody HelpEndJson help) {
        passports.helpEnds(machine, machines.get(machine).name(), help.changed());
        return passport(machine);
    }
}
