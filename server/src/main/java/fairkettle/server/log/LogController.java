package fairkettle.server.log;

import static fairkettle.db.Tables.CONSEQUENCE;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.POSTING;

import fairkettle.ink.Substance;
import fairkettle.path.Place;
import fairkettle.server.journal.Journal;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LogController {

    private static final int PAGE = 50;
    private static final List<String> KINDS = List.of(
            "bottle",
            "branch",
            "card",
            "wait",
            "sheet",
            "refill",
            "correction",
            "check",
            "cleaning",
            "clinic",
            "key",
            "machine",
            "note",
            "owed",
            "pad",
            "print",
            "purge",
            "reading",
            "skip",
            "step",
            "strike",
            "supply",
            "treatment",
            "upkeep",
            "waste",
            "white");

    private final DSLContext db;
    private final Burden burden;
    private final Strikes strikes;

    LogController(DSLContext db, Burden burden, Strikes strikes) {
        this.strikes = strikes;
        this.burden = burden;
        this.db = db;
    }

    /**
     * @param moved mL that the entry moved in the ink account; @param struckOut whether a later entry took it back;
     *     {@code strikeable} whether one could
     */
    record EntryJson(
            long id,
            Instant at,
            String person,
            @Nullable Long machine,
            @Nullable String machineName,
            @Nullable Long card,
            String kind,
            String words,
            double moved,
            boolean struckOut,
            boolean strikeable) {}

    /** @param older the id to ask before for the next page; absent on the last */
    record LogJson(List<EntryJson> entries, @Nullable Long older, List<String> kinds) {}

    record PostingJson(String place, String what, double mL) {}

    @GetMapping("/api/log")
    LogJson log(
            @RequestParam(required = false) @Nullable Long machine,
            @RequestParam(required = false) @Nullable String kind,
            @RequestParam(required = false) @Nullable @Size(max = 200, message = "At most 200 letters.") String words,
            @RequestParam(required = false) @Nullable Long card,
            @RequestParam(required = false) @Nullable Long before) {
        var moved = DSL.field(DSL.select(DSL.coalesce(DSL.sum(POSTING.MICROLITRES), java.math.BigDecimal.ZERO))
                .from(POSTING)
                .where(POSTING.ENTRY_ID.eq(ENTRY.ID), POSTING.MICROLITRES.gt(0L)));
        var struck = DSL.field(Journal.stands().not());
        var came = DSL.field(DSL.exists(DSL.selectOne()
                .from(CONSEQUENCE)
                .where(CONSEQUENCE.ENTRY_ID.eq(ENTRY.ID))));
        var entries = db.select(
                        ENTRY.ID,
                        ENTRY.AT,
                        PERSON.NAME,
                        ENTRY.MACHINE_ID,
                        MACHINE.NAME,
                        ENTRY.CARD_ID,
                        ENTRY.KIND,
                        ENTRY.WORDS,
                        moved,
                        struck,
                        came)
                .from(ENTRY)
                .leftJoin(PERSON)
                .on(PERSON.ID.eq(ENTRY.PERSON_ID))
                .leftJoin(MACHINE)
                .on(MACHINE.ID.eq(ENTRY.MACHINE_ID))
                .where(machine == null ? DSL.noCondition() : ENTRY.MACHINE_ID.eq(machine))
                .and(kind == null ? DSL.noCondition() : ENTRY.KIND.eq(kind))
                .and(card == null ? DSL.noCondition() : ENTRY.CARD_ID.eq(card))
                .and(words == null || words.isBlank() ? DSL.noCondition() : says(words))
                .and(before == null ? DSL.noCondition() : olderThan(before))
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(PAGE + 1)
                .fetch(r -> new EntryJson(
                        r.value1(),
                        r.value2().toInstant(),
                        r.value3() == null ? "somebody" : r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7(),
                        r.value8(),
                        r.value9().doubleValue() / 1000,
                        Boolean.TRUE.equals(r.value10()),
                        !Boolean.TRUE.equals(r.value10())
                                && !r.value7().equals("strike")
                                && (r.value9().signum() > 0
                                        || Boolean.TRUE.equals(r.value11())
                                        || r.value6() != null && Strikes.ofCardStep(r.value7()))));
        boolean more = entries.size() > PAGE;
        return new LogJson(
                more ? entries.subList(0, PAGE) : entries,
                more ? entries.get(PAGE - 1).id() : null,
                KINDS);
    }

    /** Why inline: how rare the words are decides how they are looked for. No entry has a control character. */
    private static org.jooq.Condition says(String words) {
        var plain = words.replaceAll("\\p{Cntrl}", " ").strip();
        return ENTRY.WORDS.likeIgnoreCase(DSL.inline("%" + DSL.escape(plain, '!') + "%"), '!');
    }

    private org.jooq.Condition olderThan(long id) {
        var last = ENTRY.as("last");
        return DSL.row(ENTRY.AT, ENTRY.ID)
                .lessThan(DSL.select(last.AT, last.ID).from(last).where(last.ID.eq(id)));
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
