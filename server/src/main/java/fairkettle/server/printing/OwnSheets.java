package fairkettle.server.printing;

import static fairkettle.db.Tables.OWN_SHEET;
import static fairkettle.db.Tables.PRINT_JOB;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.routine.Routine;
import fairkettle.server.cards.Cards;
import fairkettle.server.live.Live;
import fairkettle.server.routines.Standings;
import fairkettle.server.sheets.SheetBook;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * Purge sheets that print themselves where the shop allows it: inside hours, on paper that is there, never twice, never
 * into an open card.
 */
@Repository
public class OwnSheets {

    private static final long LOCK = 0x6f776eL;
    /** After a sheet that failed a person looks first, or time passes. */
    private static final Duration REST = Duration.ofHours(6);
    /** Of a fully covered page, what makes a purge whole. */
    private static final double WHOLE = 0.5;

    private final DSLContext db;
    private final Standings standings;
    private final Cards cards;
    private final SheetBook book;
    private final Printers printers;
    private final Shop shop;
    private final Live live;
    private final Clock clock;

    OwnSheets(
            DSLContext db,
            Standings standings,
            Cards cards,
            SheetBook book,
            Printers printers,
            Shop shop,
            Live live,
            Clock clock) {
        this.db = db;
        this.standings = standings;
        this.cards = cards;
        this.book = book;
        this.printers = printers;
        this.shop = shop;
        this.live = live;
        this.clock = clock;
    }

    /**
     * The shop’s permission for one machine.
     *
     * @param from and to: hours of the day within which it may
     * @param transfer whether transfer paper lies in its tray, of which the last {@code keep} sheets stay
     * @param trouble why the last one did not come
     */
    public record Permission(
            LocalTime from,
            LocalTime to,
            boolean transfer,
            int sheetsLeft,
            int keep,
            @Nullable String trouble) {}

    Optional<Permission> of(long machine) {
        return db.selectFrom(OWN_SHEET)
                .where(OWN_SHEET.MACHINE_ID.eq(machine))
                .fetchOptional(r -> new Permission(
                        r.getFromTime(),
                        r.getToTime(),
                        r.getTransfer(),
                        r.getSheetsLeft(),
                        r.getKeep(),
                        r.getTrouble()));
    }

    /** @param permission null to take it back */
    @Transactional
    public void allow(long machine, @Nullable Permission permission) {
        db.deleteFrom(OWN_SHEET).where(OWN_SHEET.MACHINE_ID.eq(machine)).execute();
        if (permission != null) {
            if (!permission.from().isBefore(permission.to())) {
                throw Problem.atField("to", "Until when? It must lie after the beginning.");
            }
            db.insertInto(OWN_SHEET)
                    .set(OWN_SHEET.MACHINE_ID, machine)
                    .set(OWN_SHEET.FROM_TIME, permission.from())
                    .set(OWN_SHEET.TO_TIME, permission.to())
                    .set(OWN_SHEET.TRANSFER, permission.transfer())
                    .set(OWN_SHEET.SHEETS_LEFT, permission.sheetsLeft())
                    .set(OWN_SHEET.KEEP, permission.keep())
                    .execute();
        }
        live.changed("machine/" + machine);
    }

    /** Machines that may and should print one now, as far as the books can tell. */
    @Transactional
    public List<Long> candidates() {
        var now = clock.instant();
        var time = LocalTime.ofInstant(now, shop.settings().zoneId());
        var allowed = db.selectFrom(OWN_SHEET)
                .where(OWN_SHEET.FROM_TIME.le(time), OWN_SHEET.TO_TIME.gt(time))
                .fetchSet(OWN_SHEET.MACHINE_ID);
        if (allowed.isEmpty()) {
            return List.of();
        }
        var open = cards.open().keySet();
        return standings.all().stream()
                .filter(m -> allowed.contains(m.machine().id())
                        && !open.contains(m.machine().id())
                        && !wanted(m).isEmpty())
                .map(m -> m.machine().id())
                .filter(id -> printers.of(id).isPresent() && !underWay(id))
                .toList();
    }

    /** mL per channel that is due and that a page can lay down. */
    private Map<ChannelCode, Millilitres> wanted(Standings.OfMachine machine) {
        var reach = Sheets.reachable(machine.machine().profile());
        var wanted = new LinkedHashMap<ChannelCode, Millilitres>();
        var now = clock.instant();
        machine.all().stream()
                .filter(s -> s.routine().credit() == Routine.Credit.INK_LAID && s.dueBy(now))
                .map(s -> Objects.requireNonNull(s.key().channel()))
                .filter(reach::contains)
                .filter(c -> machine.machine().holdings().get(c) instanceof Holding.Inked)
                .forEach(c -> wanted.put(
                        c,
                        Millilitres.rounded(
                                machine.machine().profile().draws().sheet().mL() * WHOLE)));
        return wanted;
    }

    /** A sheet that may still come out, or one that failed just now. */
    private boolean underWay(long machine) {
        return db.fetchExists(
                PRINT_JOB,
                PRINT_JOB
                        .MACHINE_ID
                        .eq(machine)
                        .and(PRINT_JOB
                                .STATE
                                .in("QUEUED", "SENDING", "UNSURE", "PRINTING")
                                .or(PRINT_JOB
                                        .STATE
                                        .in("FAILED", "CANCELLED")
                                        .and(PRINT_JOB.TOUCHED_AT.gt(
                                                clock.instant().minus(REST).atOffset(ZoneOffset.UTC))))));
    }

    /**
     * Makes the sheet and puts it on its way, if everything still holds: of several servers one does. @return its
     * number
     */
    @Transactional
    public Optional<Long> print(long id) {
        db.execute("select pg_advisory_xact_lock({0})", DSL.val(LOCK));
        if (!candidates().contains(id)) {
            return Optional.empty();
        }
        var permission = of(id).orElseThrow();
        var wanted = wanted(standings.of(id));
        int stays = permission.transfer() ? permission.keep() : 0;
        if (permission.sheetsLeft() - book.pages(id, SheetKind.PURGE, Paper.A4, wanted) < stays) {
            trouble(
                    id,
                    permission.transfer()
                            ? "The last %d sheets of transfer paper are kept for work: put paper in, or tell how much lies there."
                                    .formatted(permission.sheetsLeft())
                            : "There is not enough paper in the tray (%d sheets): put some in and say how much."
                                    .formatted(permission.sheetsLeft()));
            return Optional.empty();
        }
        long sheet = book.make(id, SheetKind.PURGE, Paper.A4, wanted);
        printers.queue(sheet, id);
        trouble(id, null);
        return Optional.of(sheet);
    }

    /** Whether it may print this one, seen from outside. */
    static Optional<String> hindrance(IppClient.Status status) {
        return !status.ready()
                ? Optional.of("The printer takes no jobs now.")
                : !status.idle()
                        ? Optional.of("The printer is at work.")
                        : status.trouble().stream()
                                .filter(t -> t.startsWith("media"))
                                .findFirst()
                                .map(_ -> "The printer has no paper.");
    }

    @Transactional
    public void trouble(long machine, @Nullable String words) {
        int changed = db.update(OWN_SHEET)
                .set(OWN_SHEET.TROUBLE, words)
                .where(OWN_SHEET.MACHINE_ID.eq(machine))
                .and(OWN_SHEET.TROUBLE.isDistinctFrom(words))
                .execute();
        if (changed > 0) {
            live.changed("machine/" + machine);
        }
    }

    /** Whatever was printed came out of this tray. */
    void taken(long machine, int sheets) {
        db.update(OWN_SHEET)
                .set(OWN_SHEET.SHEETS_LEFT, DSL.greatest(DSL.val(0), OWN_SHEET.SHEETS_LEFT.minus(sheets)))
                .where(OWN_SHEET.MACHINE_ID.eq(machine))
                .execute();
    }
}
