package fairkettle.server.log;

import static fairkettle.db.Tables.POSTING;

import fairkettle.books.EntryKind;
import fairkettle.ink.Substance;
import fairkettle.path.Place;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.web.Ahead;
import fairkettle.server.web.CsvFile;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LogController {

    private static final int PAGE = 50;
    private static final List<String> KINDS =
            Arrays.stream(EntryKind.values()).map(EntryKind::key).toList();

    private final DSLContext db;
    private final Past past;
    private final Burden burden;
    private final Strikes strikes;
    private final EntryPictures pictures;

    LogController(DSLContext db, Past past, Burden burden, Strikes strikes, EntryPictures pictures) {
        this.pictures = pictures;
        this.past = past;
        this.strikes = strikes;
        this.burden = burden;
        this.db = db;
    }

    /** @param older the id to ask before for the next page; absent on the last */
    record LogJson(List<Past.EntryJson> entries, @Nullable Long older, List<String> kinds) {}

    record PostingJson(String place, String what, double mL) {}

    @GetMapping("/api/log")
    LogJson log(@Valid @ParameterObject Wanted wanted, @RequestParam(required = false) @Nullable Long before) {
        var entries = past.newest(wanted, before, PAGE + 1);
        boolean more = entries.size() > PAGE;
        return new LogJson(
                more ? entries.subList(0, PAGE) : entries,
                more ? entries.get(PAGE - 1).id() : null,
                KINDS);
    }

    /** The same as a table, all of it. */
    @GetMapping("/api/log.csv")
    ResponseEntity<Resource> logAsTable(@Valid @ParameterObject Wanted wanted) {
        return CsvFile.download(
                "log.csv",
                List.of("at", "who", "machine", "kind", "words", "moved mL", "struck out"),
                file -> past.each(
                        wanted,
                        e -> file.line(
                                e.at(), e.person(), e.machineName(), e.kind(), e.words(), e.moved(), e.struckOut())));
    }

    /** What keeping each kind of machine alive took, against what it printed. */
    @GetMapping("/api/burden")
    List<Burden.BurdenLine> burden(
            @RequestParam(defaultValue = "90")
                    @Min(value = 1, message = "At least a day.")
                    @Max(value = 3660, message = "At most ten years.")
                    int days) {
        return burden.lastDays(days);
    }

    /** What striking an entry out would give back, and what would stay. */
    @GetMapping("/api/log/{entry}/strike")
    Strikes.StrikePreviewJson strikePreview(@PathVariable long entry) {
        return strikes.preview(entry);
    }

    /** The same for a step of a card, whose last entry it is. */
    @GetMapping("/api/cards/{card}/strike")
    Strikes.StrikePreviewJson stepStrikePreview(@PathVariable long card, @RequestParam String step) {
        return strikes.previewOfStep(card, step);
    }

    record StruckJson(List<String> stays) {}

    /** Strikes an entry out from where it stands. */
    @PostMapping("/api/log/{entry}/strike")
    StruckJson strikeEntry(@PathVariable long entry) {
        return new StruckJson(strikes.strike(entry));
    }

    @GetMapping("/api/log/{entry}/photos")
    List<UUID> photosOfEntry(@PathVariable long entry) {
        return pictures.of(entry);
    }

    @PostMapping(path = "/api/log/{entry}/photos", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    List<UUID> photoOfEntry(
            @PathVariable long entry,
            @RequestBody byte[] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Optional<Pictures.Sent> sent) {
        pictures.add(entry, sent.orElseThrow());
        return pictures.of(entry);
    }

    /** Where a figure comes from. */
    @GetMapping("/api/log/{entry}/postings")
    List<PostingJson> postings(@PathVariable long entry) {
        return db.select(POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES)
                .from(POSTING)
                .where(POSTING.ENTRY_ID.eq(entry))
                .orderBy(POSTING.ID)
                .fetch(r -> new PostingJson(
                        place(Place.parse(r.value1())), what(Substance.parse(r.value2())), r.value3() / 1000.0));
    }

    private static String place(Place place) {
        return switch (place) {
            case Place.InPath(var _, var channel, var vessel) -> vessel.label() + " " + channel;
            case Place.Bottle(var lot) -> lot == 0 ? "bottle bought for it" : "bottle " + lot;
            case Place.Tray(var _, var channel) -> "cartridge on the tray " + channel;
            case Place.Pad _ -> "waste pad";
            case Place.Waste(var bottle) -> "waste bottle " + bottle;
            case Place.Outside outside ->
                outside.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
        };
    }

    private static String what(Substance substance) {
        return switch (substance) {
            case Substance.Ink(var family, var channel, var lot) ->
                "%s %s%s".formatted(family.label(), channel, lot == 0 ? "" : ", bottle " + lot);
            case Substance.Fluid(var family) -> "fluid for " + family.label();
        };
    }
}
