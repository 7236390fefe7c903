package fairkettle.server.jobs;

import static fairkettle.db.Tables.SHEET;

import fairkettle.db.tables.records.SheetRecord;
import fairkettle.imaging.JobPdf;
import fairkettle.imaging.Photo;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.job.Layout;
import fairkettle.server.benches.Machines;
import fairkettle.server.pictures.Eye;
import fairkettle.server.sheets.SheetBook;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Sheets with a job’s pieces: drawn when they are wanted, from the job as it is. */
@Component
class JobSheets implements SheetBook.ForJobs {

    private static final String KIND = "JOB";

    private final DSLContext db;
    private final Jobs jobs;
    private final JobReckoning reckoning;
    private final Artworks artworks;
    private final Machines machines;
    private final ObjectProvider<JobService> service;
    private final Eye eye;
    private final Shop shop;
    private final Clock clock;

    JobSheets(
            DSLContext db,
            Jobs jobs,
            JobReckoning reckoning,
            Artworks artworks,
            Machines machines,
            ObjectProvider<JobService> service,
            Eye eye,
            Shop shop,
            Clock clock) {
        this.db = db;
        this.jobs = jobs;
        this.reckoning = reckoning;
        this.artworks = artworks;
        this.machines = machines;
        this.service = service;
        this.eye = eye;
        this.shop = shop;
        this.clock = clock;
    }

    /**
     * @param first of the job’s sheets, counted from 0; @param sheets how many
     * @param reason why it is printed without a good check; empty where there is one
     */
    record Made(
            long id,
            long job,
            long machine,
            int first,
            int sheets,
            boolean test,
            String reason,
            Instant at,
            boolean out) {}

    long make(long job, long machine, String media, int first, int sheets, boolean test, String reason) {
        return db.insertInto(SHEET)
                .set(SHEET.MACHINE_ID, machine)
                .set(SHEET.KIND, KIND)
                .set(SHEET.PAPER, test ? "A4" : media)
                .set(SHEET.REASON, reason)
                .set(SHEET.PAGES, sheets)
                .set(SHEET.MADE_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .set(SHEET.JOB_ID, job)
                .set(SHEET.TEST, test)
                .set(SHEET.FIRST_SHEET, first)
                .returningResult(SHEET.ID)
                .fetchSingle()
                .value1();
    }

    List<Made> of(long job) {
        return db.selectFrom(SHEET)
                .where(SHEET.JOB_ID.eq(job))
                .orderBy(SHEET.ID.desc())
                .fetch(JobSheets::made);
    }

    Made get(long sheet) {
        return db.selectFrom(SHEET)
                .where(SHEET.ID.eq(sheet), SHEET.JOB_ID.isNotNull())
                .fetchOptional(JobSheets::made)
                .orElseThrow(() -> Problem.notFound("There is no sheet of this number (%d).".formatted(sheet)));
    }

    private static Made made(SheetRecord r) {
        return new Made(
                r.getId(),
                Objects.requireNonNull(r.getJobId()),
                r.getMachineId(),
                r.getFirstSheet(),
                r.getPages(),
                r.getTest(),
                r.getReason(),
                r.getMadeAt().toInstant(),
                r.getEntryId() != null);
    }

    /** What of a layout is on some of its sheets. */
    static Layout part(Layout whole, int first, int sheets) {
        return new Layout(
                whole.width(),
                whole.length(),
                whole.placed().stream()
                        .filter(p -> p.sheet() >= first && p.sheet() < first + sheets)
                        .map(p -> new Layout.Placed(
                                p.piece(), p.sheet() - first, p.x(), p.y(), p.width(), p.height(), p.turned()))
                        .toList());
    }

    /** The name of the spot colour that the white of its sheets has; empty where there is no white. */
    static Optional<String> spot(Job.Order order, Machines.Machine machine) {
        return order.ink() == Family.FILM
                ? machine.profile().codes().stream()
                        .filter(ChannelCode::white)
                        .findFirst()
                        .map(ChannelCode::code)
                : Optional.empty();
    }

    @Override
    public byte[] pdf(long sheet) {
        var made = get(sheet);
        var job = jobs.get(made.job());
        var order = job.order();
        var machine = machines.get(made.machine());
        var files = new HashMap<Long, JobPdf.Art>();
        var drawing = new JobPdf.Job(
                "%s, job no. %d: %s".formatted(machine.name(), job.id(), order.what()),
                order.on(),
                part(reckoning.layout(order), made.first(), made.sheets()),
                order.pieces().stream()
                        .map(Job.Pieces::artwork)
                        .map(art -> Optional.ofNullable(art).map(id -> files.computeIfAbsent(id, artworks::drawn)))
                        .toList(),
                order.mirrored(),
                made.test() ? Optional.empty() : spot(order, machine),
                shop.settings().chokeTenths());
        try {
            return eye.look(() -> JobPdf.of(drawing));
        } catch (RuntimeException e) {
            if (e.getCause() instanceof Photo.Refused refused) {
                throw Problem.refused(String.valueOf(refused.getMessage()), List.of());
            }
            throw e;
        }
    }

    @Override
    public boolean white(long sheet) {
        var made = get(sheet);
        return !made.test()
                && spot(jobs.get(made.job()).order(), machines.get(made.machine()))
                        .isPresent();
    }

    @Override
    public void printed(long sheet) {
        service.getObject().out(sheet);
    }
}
