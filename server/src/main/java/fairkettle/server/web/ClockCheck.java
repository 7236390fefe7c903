package fairkettle.server.web;

import static fairkettle.db.Tables.ENTRY;

import fairkettle.server.live.Live;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Whether the computer's clock can be believed. Every wait, round and date hangs on it, and a small computer without a
 * battery wakes up in 1970.
 */
@Component("clockHealthIndicator") // told as “clock”
public class ClockCheck implements HealthIndicator {

    private static final Logger LOG = LoggerFactory.getLogger(ClockCheck.class);
    private static final Duration BEHIND = Duration.ofMinutes(10); // of the log: two servers differ by less
    private static final Duration JUMP = Duration.ofMinutes(2); // what a clock is set by is seconds, if it goes right
    private static final Duration TOLD = Duration.ofHours(2);
    private static final int NEWEST = 50; // entries: what is entered later may be older
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm 'UTC'", Locale.UK).withZone(ZoneOffset.UTC);

    private final DSLContext db;
    private final Clock clock;
    private final Live live;
    private final Supplier<Optional<Duration>> running;

    private record Seen(Instant clock, Duration running) {}

    private record Jump(Instant at, Duration by) {}

    private volatile @Nullable Seen last;
    private volatile @Nullable Jump jump;

    @Autowired
    ClockCheck(DSLContext db, Clock clock, Live live) {
        this(db, clock, live, ClockCheck::uptime);
    }

    /** @param running since when the computer runs, asleep or awake; nothing where nobody knows */
    ClockCheck(DSLContext db, Clock clock, Live live, Supplier<Optional<Duration>> running) {
        this.db = db;
        this.clock = clock;
        this.live = live;
        this.running = running;
    }

    /** Linux counts it with the time asleep, so that a laptop that was shut is none that jumped. */
    private static Optional<Duration> uptime() {
        try {
            var seconds = Files.readString(Path.of("/proc/uptime")).split(" ")[0];
            return Optional.of(Duration.ofMillis((long) (Double.parseDouble(seconds) * 1000)));
        } catch (IOException | NumberFormatException e) {
            return Optional.empty();
        }
    }

    @Scheduled(fixedDelayString = "PT20S")
    void look() {
        running.get().ifPresent(now -> {
            var before = last;
            var shown = clock.instant();
            last = new Seen(shown, now);
            if (before != null) {
                var by = Duration.between(before.clock(), shown).minus(now.minus(before.running()));
                if (by.abs().compareTo(JUMP) > 0) {
                    jump = new Jump(shown, by);
                    LOG.warn("The computer’s clock jumped by {}", by);
                    live.changed("shop");
                }
            }
        });
    }

    /** What is wrong with it, for people; null if nothing is. */
    public @Nullable String trouble() {
        var behind = behind();
        if (behind != null) {
            return behind;
        }
        var told = jump;
        if (told == null || told.at().isBefore(clock.instant().minus(TOLD))) {
            return null;
        }
        return "The kettle’s clock went %s by %s. Look at the waits and the round, whether they are still right."
                .formatted(
                        told.by().isNegative() ? "back" : "forward",
                        span(told.by().abs()));
    }

    private static String span(Duration length) {
        return length.toHours() >= 48
                ? length.toDays() + " days"
                : length.toHours() > 0
                        ? "%d h %d min".formatted(length.toHours(), length.toMinutesPart())
                        : length.toMinutes() + " min";
    }

    private @Nullable String behind() {
        var newest = db.select(DSL.max(DSL.field("at", ENTRY.AT.getDataType())))
                .from(db.select(ENTRY.AT)
                        .from(ENTRY)
                        .orderBy(ENTRY.ID.desc())
                        .limit(NEWEST)
                        .asTable("newest"))
                .fetchOne(0, java.time.OffsetDateTime.class);
        var now = clock.instant();
        return newest == null || newest.toInstant().minus(BEHIND).isBefore(now)
                ? null
                : "The kettle’s clock says %s, and the log is written up to %s. Set the clock of its computer before anything else."
                        .formatted(TIME.format(now), TIME.format(newest));
    }

    @Override
    public Health health() {
        var behind = behind();
        return behind == null
                ? Health.up().build()
                : Health.down().withDetail("clock", behind).build();
    }
}
