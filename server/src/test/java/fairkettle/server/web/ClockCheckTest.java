package fairkettle.server.web;

import static fairkettle.db.Tables.ENTRY;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.live.Live;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.health.contributor.Status;

/** A clock that cannot be believed is said before anything is planned by it. */
@ServerTest
class ClockCheckTest {

    @Autowired
    private DSLContext db;

    @Autowired
    private Live live;

    @Autowired
    private Api api;

    private Instant shown;
    private Duration running;
    private ClockCheck check;

    @BeforeEach
    void aClockThatGoesRight() {
        api.post("/api/people", "{\"name\": \"Clock %s\"}".formatted(System.nanoTime()));
        shown = Optional.ofNullable(
                        db.select(DSL.max(ENTRY.AT)).from(ENTRY).fetchSingle().value1())
                .map(at -> at.toInstant())
                .orElse(Instant.now())
                .plusSeconds(60);
        running = Duration.ofDays(3);
        InstantSource source = () -> shown;
        check = new ClockCheck(db, source.withZone(ZoneOffset.UTC), live, () -> Optional.of(running));
        check.look();
    }

    private void goesOn(Duration clock, Duration computer) {
        shown = shown.plus(clock);
        running = running.plus(computer);
        check.look();
    }

    @Test
    void timeThatPassesForBothIsNoJumpHoweverLong() {
        goesOn(Duration.ofSeconds(20), Duration.ofSeconds(20));
        goesOn(Duration.ofHours(14), Duration.ofHours(14).plusSeconds(3));
        assertThat(check.trouble()).isNull();
        assertThat(check.health().getStatus()).isEqualTo(Status.UP);
    }

    @Test
    void aJumpIsToldForAWhile() {
        goesOn(Duration.ofHours(3).plusMinutes(20), Duration.ofSeconds(20));
        assertThat(check.trouble()).contains("went forward by 3 h 19 min");
        assertThat(check.health().getStatus()).as("it may be right now").isEqualTo(Status.UP);
        goesOn(Duration.ofHours(3), Duration.ofHours(3));
        assertThat(check.trouble()).isNull();
        goesOn(Duration.ofMinutes(-4), Duration.ofSeconds(20));
        assertThat(check.trouble()).contains("went back by 4 min");
    }

    @Test
    void aClockBehindTheLogIsNotReady() {
        api.post("/api/machines", """
            {"name": "Clocked %s", "bench": "Bench", "profile": "small-tank", "holds": "NEVER_INKED", "foodOnly": false,
             "tankShare": 0.5}\
            """.formatted(System.nanoTime()));
        shown = Instant.EPOCH.plusSeconds(700);
        assertThat(check.trouble()).contains("says 1 Jan 1970, 00:11 UTC").contains("Set the clock");
        assertThat(check.health().getStatus()).isEqualTo(Status.DOWN);
    }

    @Test
    void theShopSaysNothingOfAClockThatGoesRight() {
        assertThat(api.read(api.get("/api/shop")).has("clockTrouble")).isFalse();
    }
}
