package fairkettle.server.demo;

import static fairkettle.db.Tables.ENTRY;

import fairkettle.books.EntryKind;
import fairkettle.standin.Standins;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.Objects;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Starts the demo. A new shop lives through the weeks behind it first; one that was stopped for days has gone on
 * working meanwhile, and one that was killed as it lived goes on from that day.
 */
@Component
@Order(10) // after the vault is open
@ConditionalOnProperty("kettle.demo")
class Demo implements ApplicationRunner, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Demo.class);
    private static final Duration LOOK = Duration.ofMinutes(1);
    private static final LocalTime MORNING = LocalTime.of(9, 1);

    private final DemoShop shop;
    private final DemoDays days;
    private final DemoBench bench;
    private final DemoHand hand;
    private final DemoClock clock;
    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final int behind;
    private final boolean goesOn;
    private volatile boolean stopped;

    Demo(
            DemoShop shop,
            DemoDays days,
            DemoBench bench,
            DemoHand hand,
            DemoClock clock,
            DSLContext db,
            TransactionTemplate transaction,
            @Value("${kettle.demo-days}") int behind,
            @Nullable @Value("${kettle.clock-offset:#{null}}") String offset) {
        this.shop = shop;
        this.days = days;
        this.bench = bench;
        this.hand = hand;
        this.clock = clock;
        this.db = db;
        this.transaction = transaction;
        this.behind = behind;
        goesOn = offset == null; // why: who sets the clock wants to see what an untouched shop looks like then
    }

    @Override
    public void run(ApplicationArguments arguments) {
        boolean fresh = Boolean.TRUE.equals(transaction.execute(_ -> opens()));
        var stands = stand(fresh ? first() : clock.instant());
        if (fresh) {
            days.live(stands, lived().plusDays(1), clock.instant(), true);
            clock.at(at(today(), MORNING), () -> transaction.executeWithoutResult(_ -> shop.today()));
        } else if (goesOn) {
            meanwhile(stands, clock.instant());
        }
        bench.level(stands);
        hand.follow(stands);
        if (goesOn) {
            goOn(stands);
        }
    }

    /** While it is left running: a day on which nobody looked at a machine is lived once it is over. */
    private void goOn(Standins stands) {
        Thread.ofVirtual().name("demo-days").start(() -> {
            try {
                while (!stopped) {
                    Thread.sleep(LOOK);
                    liveWhatIsOver(stands);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private void liveWhatIsOver(Standins stands) {
        try {
            if (lived().isBefore(DemoClock.workdayBefore(today()))) {
                meanwhile(stands, at(today(), LocalTime.MIDNIGHT));
                bench.level(stands);
            }
        } catch (RuntimeException e) { // why: the database may be away for a while
            LOG.debug("The day was not lived: {}", e.getMessage());
        }
    }

    @Override
    public void destroy() {
        stopped = true;
    }

    /** A new shop, as it was long ago. @return false for one that was there */
    private boolean opens() {
        if (!shop.isNew()) {
            return false;
        }
        clock.at(first(), () -> shop.open(behind));
        return true;
    }

    private Instant first() {
        return at(today().minusDays(behind), LocalTime.of(8, 10));
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), DemoClock.ZONE);
    }

    private static Instant at(LocalDate day, LocalTime hour) {
        return hour.atDate(day).atZone(DemoClock.ZONE).toInstant();
    }

    /** The last day on which somebody looked at a machine; of a new shop, the day before it opened. */
    private LocalDate lived() {
        var last = db.select(DSL.max(ENTRY.AT))
                .from(ENTRY)
                .where(ENTRY.KIND.eq(EntryKind.CHECK))
                .fetchOne(0, OffsetDateTime.class);
        return last == null ? today().minusDays(behind + 1) : LocalDate.ofInstant(last.toInstant(), DemoClock.ZONE);
    }

    /** Why: whatever somebody did to this shop, it opens. */
    private void meanwhile(Standins stands, Instant until) {
        try {
            days.live(stands, lived().plusDays(1), until, false);
        } catch (RuntimeException e) {
            LOG.warn("Not every day was lived meanwhile", e);
        }
    }

    private Standins stand(Instant when) {
        return Objects.requireNonNull(clock.seenAt(
                when,
                () -> transaction.execute(_ -> {
                    try {
                        return bench.stand();
                    } catch (IOException e) {
                        throw new UncheckedIOException("The simulated bench does not stand.", e);
                    }
                })));
    }
}
