package fairkettle.server.access;

import static fairkettle.db.Tables.DEVICE;
import static fairkettle.db.Tables.SESSION;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/**
 * Who came in and has not left, and the tablets that were let in. All of it stands in the database: it outlives a
 * restart and holds for every server of the shop. What a browser keeps is known here by its sum alone.
 */
@Repository
class Sessions {

    static final Duration AT_A_DESK = Duration.ofDays(14);
    static final Duration ON_A_TABLET = Duration.ofHours(12); // a PIN is short
    private static final Duration SEEN_EVERY = Duration.ofMinutes(5);

    private final DSLContext db;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Sessions(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    record Device(long id, String name, Instant enrolledAt) {}

    /** @return what the browser keeps */
    String begin(long person, @Nullable Long device, Duration lasts) {
        var token = token();
        db.insertInto(SESSION)
                .set(SESSION.TOKEN_SUM, sum(token))
                .set(SESSION.PERSON_ID, person)
                .set(SESSION.DEVICE_ID, device)
                .set(SESSION.BEGUN_AT, now())
                .set(SESSION.SEEN_AT, now())
                .set(SESSION.ENDS_AT, now().plus(lasts))
                .execute();
        return token;
    }

    Optional<Long> person(String token) {
        var found = db.selectFrom(SESSION)
                .where(SESSION.TOKEN_SUM.eq(sum(token)).and(SESSION.ENDS_AT.gt(now())))
                .fetchOptional();
        found.filter(s -> s.getSeenAt().plus(SEEN_EVERY).isBefore(now()))
                .ifPresent(s -> db.update(SESSION)
                        .set(SESSION.SEEN_AT, now())
                        .where(SESSION.TOKEN_SUM.eq(s.getTokenSum()))
                        .execute());
        return found.map(s -> s.getPersonId());
    }

    void end(String token) {
        db.deleteFrom(SESSION).where(SESSION.TOKEN_SUM.eq(sum(token))).execute();
    }

    /** Everywhere. */
    void endAll(long person) {
        db.deleteFrom(SESSION).where(SESSION.PERSON_ID.eq(person)).execute();
    }

    /** Everywhere but here. @param here what this browser keeps, or empty */
    void endOthers(long person, String here) {
        db.deleteFrom(SESSION)
                .where(SESSION.PERSON_ID.eq(person).and(SESSION.TOKEN_SUM.ne(sum(here))))
                .execute();
    }

    int of(long person) {
        return db.fetchCount(SESSION, SESSION.PERSON_ID.eq(person).and(SESSION.ENDS_AT.gt(now())));
    }

    // ---- tablets

    /** @return what the tablet keeps */
    String enrol(String name, @Nullable Long by) {
        var token = token();
        db.insertInto(DEVICE)
                .set(DEVICE.NAME, name.strip())
                .set(DEVICE.TOKEN_SUM, sum(token))
                .set(DEVICE.ENROLLED_BY, by)
                .set(DEVICE.ENROLLED_AT, now())
                .execute();
        return token;
    }

    void rename(long device, String name) {
        db.update(DEVICE)
                .set(DEVICE.NAME, name.strip())
                .where(DEVICE.ID.eq(device))
                .execute();
    }

    Optional<Device> device(String token) {
        return db.selectFrom(DEVICE)
                .where(DEVICE.TOKEN_SUM.eq(sum(token)).and(DEVICE.ENDED_AT.isNull()))
                .fetchOptional(d ->
                        new Device(d.getId(), d.getName(), d.getEnrolledAt().toInstant()));
    }

    List<Device> devices() {
        return db.selectFrom(DEVICE)
                .where(DEVICE.ENDED_AT.isNull())
                .orderBy(DEVICE.ID)
                .fetch(d -> new Device(d.getId(), d.getName(), d.getEnrolledAt().toInstant()));
    }

    /** Nobody comes in on it any more, and whoever is in is out. */
    void endDevice(long device) {
        db.update(DEVICE)
                .set(DEVICE.ENDED_AT, now())
                .where(DEVICE.ID.eq(device).and(DEVICE.ENDED_AT.isNull()))
                .execute();
        db.deleteFrom(SESSION).where(SESSION.DEVICE_ID.eq(device)).execute();
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    private String token() {
        byte[] bytes = new byte[32];
        random.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    private static String sum(String token) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every JDK has SHA-256.", e);
        }
    }
}
