package fairkettle.server.sheets;

import static fairkettle.db.Tables.SHEET;

import fairkettle.books.EntryKind;
import fairkettle.imaging.SheetPdf;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.path.Place;
import fairkettle.procedure.Consequence;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import fairkettle.sheet.Page;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Sheets that were made. Nothing is taken from the ink account before somebody says that one was printed, and then
 * once.
 */
@Repository
public class SheetBook {

    private static final TypeReference<LinkedHashMap<String, Millilitres>> WANTED = new TypeReference<>() {};

    private final DSLContext db;
    private final Machines machines;
    private final Ledger ledger;
    private final Journal journal;
    private final Live live;
    private final Shop shop;
    private final JsonMapper json;
    private final Clock clock;
    private final ObjectProvider<ForJobs> jobs;

    SheetBook(
            DSLContext db,
            Machines machines,
            Ledger ledger,
            Journal journal,
            Live live,
            Shop shop,
            JsonMapper json,
            Clock clock,
            ObjectProvider<ForJobs> jobs) {
        this.jobs = jobs;
        this.db = db;
        this.machines = machines;
        this.ledger = ledger;
        this.journal = journal;
        this.live = live;
        this.shop = shop;
        this.json = json;
        this.clock = clock;
    }

    /** Whoever draws the sheets with customers’ pieces, and books what came of them. */
    public interface ForJobs {

        byte[] pdf(long sheet);

        /** Whether white is on it as a colour of its own, which only a PDF can carry. */
        boolean white(long sheet);

        void printed(long sheet);
    }

    /** Whether it is for a customer’s job: what is on it is cut and pressed as it was measured. */
    public boolean ofJob(long sheet) {
        return db.fetchExists(SHEET, SHEET.ID.eq(sheet).and(SHEET.JOB_ID.isNotNull()));
    }

    /** @param pages sheets of paper; @param printed whether somebody said so */
    public record MadeSheet(long id, SheetKind kind, String what, int pages, Instant madeAt, boolean printed) {}

    /** A sheet as it is drawn, from what was wanted and the machine as it is now. */
    record Found(long id, Machines.Machine machine, SheetKind kind, Sheets.Drawn drawn, boolean printed) {}

    public List<MadeSheet> of(long machine) {
        return db.selectFrom(SHEET)
                .where(SHEET.MACHINE_ID.eq(machine), SHEET.JOB_ID.isNull())
                .orderBy(SHEET.ID.desc())
                .limit(8)
                .fetch(r -> new MadeSheet(
                        r.getId(),
                        SheetKind.valueOf(r.getKind()),
                        String.join(
                                " ",
                                json.readValue(r.getWanted().data(), WANTED).keySet()),
                        r.getPages(),
                        r.getMadeAt().toInstant(),
                        r.getEntryId() != null));
    }

    /** @param wanted mL per channel, for a purge sheet; else empty */
    @Transactional
    public long make(long id, SheetKind kind, Paper paper, Map<ChannelCode, Millilitres> wanted) {
        var machine = machines.get(id);
        var kept = new LinkedHashMap<String, Millilitres>();
        machine.profile().codes().stream().forEach(c -> {
            var volume = wanted.getOrDefault(c, Millilitres.ZERO);
            if (!volume.isZero()) {
                kept.put(c.code(), volume);
            }
        });
        if (kept.values().stream().anyMatch(v -> v.mL() > 20)) {
            throw Problem.atField("wanted", "More than 20 mL on paper is a drain, not a purge sheet.");
        }
        var now = clock.instant();
        int pages = draw(machine, kind, paper, kept, 0, now).pages().size();
        long sheet = db.insertInto(SHEET)
                .set(SHEET.MACHINE_ID, id)
                .set(SHEET.KIND, kind.name())
                .set(SHEET.PAPER, paper.name())
                .set(SHEET.WANTED, JSONB.valueOf(json.writeValueAsString(kept)))
                .set(SHEET.PAGES, pages)
                .set(SHEET.MADE_AT, now.atOffset(ZoneOffset.UTC))
                .returningResult(SHEET.ID)
                .fetchSingle()
                .value1();
        live.changed("machine/" + id);
        return sheet;
    }

    /** Sheets of paper that it would take. */
    public int pages(long machine, SheetKind kind, Paper paper, Map<ChannelCode, Millilitres> wanted) {
        var kept = new LinkedHashMap<String, Millilitres>();
        wanted.forEach((code, mL) -> kept.put(code.code(), mL));
        return draw(machines.get(machine), kind, paper, kept, 0, clock.instant())
                .pages()
                .size();
    }

    private Sheets.Drawn draw(
            Machines.Machine machine,
            SheetKind kind,
            Paper paper,
            Map<String, Millilitres> wanted,
            long sheet,
            Instant at) {
        var day = DateTimeFormatter.ofPattern("d MMM uuuu, HH:mm", Locale.ENGLISH)
                .format(at.atZone(shop.settings().zoneId()));
        var made = new Sheets.Made(machine.id(), machine.name(), sheet, at, day, paper);
        if (kind == SheetKind.PURGE) {
            var byCode = new LinkedHashMap<ChannelCode, Millilitres>();
            wanted.forEach((code, mL) -> byCode.put(ChannelCode.of(code), mL));
            return Sheets.purge(machine.profile(), made, byCode);
        }
        return Sheets.of(
                kind,
                machine.profile(),
                made,
                machine.holdings().values().stream()
                        .flatMap(h -> h.ink().stream())
                        .findFirst()
                        .orElse(Family.MAKERS_DYE));
    }

    /** @return the machine it is for; refused if it was printed already */
    public long printable(long id) {
        var sheet = db.select(SHEET.MACHINE_ID, SHEET.ENTRY_ID)
                .from(SHEET)
                .where(SHEET.ID.eq(id))
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("There is no sheet of this number (%d).".formatted(id)));
        if (sheet.value2() != null) {
            throw Problem.refused("This sheet was printed already. Make another one.", List.of());
        }
        return sheet.value1();
    }

    /** Whether it can go out as a PDF alone, because white is on it as a colour of its own. */
    public boolean pdfOnly(long id) {
        return ofJob(id) && jobs.getObject().white(id);
    }

    public byte[] pdf(long id) {
        if (ofJob(id)) {
            return jobs.getObject().pdf(id);
        }
        var sheet = find(id);
        return SheetPdf.of(
                "%s %s %d".formatted(sheet.machine().name(), sheet.kind().label(), id),
                sheet.drawn().pages());
    }

    /** What a sheet's code stands for, to read its picture: the page as it was drawn, and whose it is. */
    public Optional<Looked> look(SheetCode code) {
        return db.select(SHEET.ID, SHEET.MADE_AT)
                .from(SHEET)
                .where(SHEET.ID.eq(code.sheet()))
                .and(SHEET.MACHINE_ID.eq(code.machine()))
                .fetchOptional()
                .map(row -> {
                    var found = find(row.value1());
                    return new Looked(
                            found.machine(),
                            found.kind(),
                            row.value2().toInstant(),
                            found.drawn().pages().getFirst());
                });
    }

    public record Looked(Machines.Machine machine, SheetKind kind, Instant madeAt, Page page) {}

    Found find(long id) {
        return db.selectFrom(SHEET)
                .where(SHEET.ID.eq(id), SHEET.JOB_ID.isNull())
                .fetchOptional(r -> {
                    var machine = machines.get(r.getMachineId());
                    var kind = SheetKind.valueOf(r.getKind());
                    return new Found(
                            id,
                            machine,
                            kind,
                            draw(
                                    machine,
                                    kind,
                                    Paper.valueOf(r.getPaper()),
                                    json.readValue(r.getWanted().data(), WANTED),
                                    id,
                                    r.getMadeAt().toInstant()),
                            r.getEntryId() != null);
                })
                .orElseThrow(() -> Problem.notFound("There is no sheet of this number (%d).".formatted(id)));
    }

    /** It came out of the machine: its ink is on paper. Said twice, it counts once. */
    @Transactional
    public void printed(long id) {
        db.select(SHEET.ID).from(SHEET).where(SHEET.ID.eq(id)).forNoKeyUpdate().fetchOptional();
        if (ofJob(id)) {
            jobs.getObject().printed(id);
            return;
        }
        var sheet = find(id);
        if (sheet.printed()) {
            return;
        }
        var machine = sheet.machine();
        var account = ledger.openAccount(machine.id());
        sheet.drawn().ink().forEach((code, mL) -> {
            if (!(machine.holdings().get(code) instanceof Holding.NeverInked)) {
                account.flow(machine.profile().channel(code), mL, Place.Outside.PAPER);
            }
        });
        int pages = sheet.drawn().pages().size();
        journal.write(
                NewEntry.of(
                                EntryKind.SHEET,
                                "%s: %s no. %d printed, %s"
                                        .formatted(
                                                machine.name(),
                                                sheet.kind().label(),
                                                id,
                                                pages == 1 ? "1 page" : pages + " pages"))
                        .machine(machine.id())
                        .about("sheet/" + id, pages),
                account.postings(),
                List.of(new Consequence.SheetPrinted(id, pages)));
        live.changed("machine/" + machine.id());
    }
}
