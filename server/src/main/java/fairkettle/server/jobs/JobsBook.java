package fairkettle.server.jobs;

import static fairkettle.db.Tables.JOB;
import static fairkettle.db.Tables.PROMISE;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

@Component
class JobsBook implements Book {

    private final Jobs jobs;
    private final Live live;

    JobsBook(Jobs jobs, Live live) {
        this.jobs = jobs;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.JOBS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.JobIs(var job, var _)
                ? List.of(new Rows(JOB, JOB.ID.eq(job)), new Rows(PROMISE, PROMISE.JOB_ID.eq(job)))
                : List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.JobIs(var _, var body) -> jobs.keep(body);
            case Consequence.JobSheetOut _ -> {} // the job itself says what came out
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    /**
     * A job that went on since keeps what it came to, but not a sheet that did not come out after all. One whose sheets
     * were made already stays, and is called off.
     */
    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("jobs");
        return switch (what) {
            case Consequence.JobSheetOut(var job, var sheet) -> {
                var now = jobs.held(job);
                if (now.prints().stream().anyMatch(p -> p.sheet() == sheet)) {
                    jobs.keep(jobs.written(now.without(sheet)));
                }
                yield List.of();
            }
            case Consequence.JobIs(var job, var _)
            when began(job, images) && jobs.hasSheets(job) -> {
                jobs.keep(jobs.written(jobs.held(job).in(Job.State.OFF)));
                yield List.of("Sheets of job no. %d were made already: it is called off, and stays in the list."
                        .formatted(job));
            }
            default -> Book.super.giveBack(act, what, images);
        };
    }

    private static boolean began(long job, Images images) {
        return images.all().stream()
                .anyMatch(i -> i.before() == null
                        && i.key().has("id")
                        && i.key().path("id").asLong() == job);
    }
}
