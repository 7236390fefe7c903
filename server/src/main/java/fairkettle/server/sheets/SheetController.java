package fairkettle.server.sheets;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.server.benches.Machines;
import fairkettle.sheet.Addressing;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SheetController {

    private final SheetBook book;
    private final Machines machines;

    SheetController(SheetBook book, Machines machines) {
        this.book = book;
        this.machines = machines;
    }

    record KindJson(SheetKind id, String label, String shows) {}

    /**
     * @param byPage whether a sheet can lay it down alone; @param say what to press or send so that it does, or
     *     instead; @param usual mL of one full sheet
     */
    record ReachJson(String channel, boolean byPage, String say, Millilitres usual) {}

    record SheetsJson(List<KindJson> kinds, List<ReachJson> channels, List<SheetBook.MadeSheet> made) {}

    record NewSheetJson(
            @NotNull(message = "Which kind of sheet?") SheetKind kind,
            @NotNull(message = "Which paper?") Paper paper,
            @NotNull Map<String, Millilitres> wanted) {}

    @GetMapping("/api/machines/{machine}/sheets")
    SheetsJson sheets(@PathVariable long machine) {
        var profile = machines.get(machine).profile();
        return new SheetsJson(
                Sheets.offered(profile).stream()
                        .map(k -> new KindJson(k, k.label(), k.shows()))
                        .toList(),
                profile.codes().stream()
                        .map(c -> {
                            var by = Addressing.of(profile, c);
                            return new ReachJson(c.code(), by.byPage(), by.say(c), Sheets.fillsPage(profile));
                        })
                        .toList(),
                book.of(machine));
    }

    @PostMapping("/api/machines/{machine}/sheets")
    @ResponseStatus(HttpStatus.CREATED)
    SheetsJson makeSheet(@PathVariable long machine, @Valid @RequestBody NewSheetJson sheet) {
        var wanted = new LinkedHashMap<ChannelCode, Millilitres>();
        sheet.wanted().forEach((code, mL) -> wanted.put(ChannelCode.of(code), mL));
        book.make(machine, sheet.kind(), sheet.paper(), wanted);
        return sheets(machine);
    }

    @GetMapping("/api/sheets/{sheet}/sheet.pdf")
    ResponseEntity<byte[]> sheetPdf(@PathVariable long sheet) {
        var found = book.find(sheet);
        var name = "%s %s %d".formatted(found.machine().name(), found.kind().label(), sheet);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name + ".pdf", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(book.pdf(sheet));
    }

    @PostMapping("/api/sheets/{sheet}/printed")
    SheetsJson sheetPrinted(@PathVariable long sheet) {
        long machine = book.find(sheet).machine().id();
        book.printed(sheet);
        return sheets(machine);
    }
}
