package fairkettle.server.access;

import static fairkettle.db.Tables.ACCOUNT;
import static fairkettle.db.Tables.ATTEMPT;
import static fairkettle.db.Tables.PERSON;

import fairkettle.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Who has a key to the shop. A wrong one counts against the place it came from, never against the person everywhere.
 */
@Repository
class Accounts {

    static final int SHORTEST = 10; // letters of a password
    private static final int LONGEST = 72; // bytes that the hash looks at
    private static final int FREE = 5; // wrong answers before a place has to wait
    private static final Duration FIRST_WAIT = Duration.ofSeconds(30); // doubled with each wrong answer after that
    private static final int MOST_DOUBLINGS = 7; // about an hour

    private final DSLContext db;
    private final Clock clock;
    private final TransactionTemplate apart;
    private static final int AT_ONCE =
            4; // slow answers: they cost a core and a connection each, which the benches need

    private final PasswordEncoder slow = new BCryptPasswordEncoder(11);
    private final Semaphore answering = new Semaphore(AT_ONCE);
    private final String nobody = slow.encode("nobody has this");

    Accounts(DSLContext db, Clock clock, PlatformTransactionManager transactions) {
        this.db = db;
        this.clock = clock;
        apart = new TransactionTemplate(transactions);
        apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /** Somebody who may come in. @param pin whether they have one */
    record Account(long person, String name, Role role, boolean password, boolean pin) {}

    boolean anyOwner() {
        return db.fetchExists(ACCOUNT, ACCOUNT.ROLE.eq(Role.OWNER.name()).and(ACCOUNT.PASSWORD.isNotNull()));
    }

    List<Account> all() {
        return db.select()
                .from(ACCOUNT)
                .join(PERSON)
                .on(PERSON.ID.eq(ACCOUNT.PERSON_ID))
                .where(PERSON.LEFT_SHOP.isFalse())
                .orderBy(PERSON.NAME)
                .fetch(r -> new Account(
                        r.get(ACCOUNT.PERSON_ID),
                        r.get(PERSON.NAME),
                        Role.valueOf(r.get(ACCOUNT.ROLE)),
                        r.get(ACCOUNT.PASSWORD) != null,
                        r.get(ACCOUNT.PIN) != null));
    }

    Optional<Account> of(long person) {
        return all().stream().filter(account -> account.person() == person).findFirst();
    }

    /**
     * Says what somebody may do.
     *
     * @param password null to keep the one there is
     * @param pin null to keep the one there is; empty for none
     */
    void settle(long person, Role role, @Nullable String password, @Nullable String pin) {
        if (role != Role.OWNER && isLastOwner(person)) {
            throw Problem.atField("role", "Somebody has to own the shop: make another owner first.");
        }
        db.insertInto(ACCOUNT)
                .set(ACCOUNT.PERSON_ID, person)
                .set(ACCOUNT.ROLE, role.name())
                .onConflict(ACCOUNT.PERSON_ID)
                .doUpdate()
                .set(ACCOUNT.ROLE, role.name())
                .execute();
        if (password != null) {
            setPassword(person, password);
        }
        if (pin != null) {
            if (!pin.matches("\\d{4,8}|")) {
                throw Problem.atField("pin", "A PIN has four to eight figures.");
            }
            db.update(ACCOUNT)
                    .set(ACCOUNT.PIN, pin.isEmpty() ? null : slow.encode(pin))
                    .where(ACCOUNT.PERSON_ID.eq(person))
                    .execute();
        }
    }

    /** Takes it back: they come in nowhere any more. */
    void end(long person) {
        if (isLastOwner(person)) {
            throw Problem.refused("Somebody has to own the shop: make another owner first.", List.of());
        }
        db.deleteFrom(ACCOUNT).where(ACCOUNT.PERSON_ID.eq(person)).execute();
    }

    private boolean isLastOwner(long person) {
        return of(person).filter(a -> a.role() == Role.OWNER).isPresent()
                && all().stream().noneMatch(a -> a.person() != person && a.role() == Role.OWNER && a.password());
    }

    void setPassword(long person, String password) {
        if (password.length() < SHORTEST) {
            throw Problem.atField("password", "At least %d letters: three words are easy to keep.".formatted(SHORTEST));
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            throw Problem.atField("password", "At most %d letters.".formatted(LONGEST));
        }
        db.update(ACCOUNT)
                .set(ACCOUNT.PASSWORD, slow.encode(password))
                .where(ACCOUNT.PERSON_ID.eq(person))
                .execute();
    }

    /** @return the person of that name with that password; as slow for a name that nobody has */
    Account byPassword(String name, String password, String place) {
        var id = db.select(PERSON.ID)
                .from(PERSON)
                .where(PERSON.NAME.equalIgnoreCase(name.strip()).and(PERSON.LEFT_SHOP.isFalse()))
                .fetchOptional(PERSON.ID)
                .orElse(null);
        var hash = id == null ? null : hash(id, ACCOUNT.PASSWORD);
        return answered(
                id,
                hash,
                password,
                place,
                Problem.unsigned("This name and this password do not belong together. Type both again."));
    }

    /** Of somebody who signed in already: a mistake is one in a field, and leaves them where they are. */
    Account byOwnPassword(long person, String password, String place) {
        return answered(
                person,
                hash(person, ACCOUNT.PASSWORD),
                password,
                place,
                Problem.atField(
                        "old", "This is not the password you have. Type it again, or ask the owner for another."));
    }

    Account byPin(long person, String pin, String place) {
        return answered(
                person,
                hash(person, ACCOUNT.PIN),
                pin,
                place,
                Problem.unsigned("This is not the PIN. Type it again, or come in with your password."));
    }

    private @Nullable String hash(long person, Field<String> kept) {
        return db.select(kept)
                .from(ACCOUNT)
                .where(ACCOUNT.PERSON_ID.eq(person))
                .fetchOptional(kept)
                .orElse(null);
    }

    private Account answered(@Nullable Long person, @Nullable String hash, String said, String place, Problem wrong) {
        if (person != null) {
            oneAtATime(person, place);
            refuseWhileClosed(person, place);
        }
        boolean right = matches(said, hash == null ? nobody : hash) && hash != null;
        if (!right || person == null) {
            if (person != null && hash != null) {
                apart.executeWithoutResult(_ -> countWrong(person, place)); // stays, though this request is given back
            }
            throw wrong;
        }
        db.deleteFrom(ATTEMPT)
                .where(ATTEMPT.PERSON_ID.eq(person).and(ATTEMPT.PLACE.eq(place)))
                .execute();
        return of(person).orElseThrow(() -> wrong);
    }

    private boolean matches(String said, String hash) {
        if (!answering.tryAcquire()) {
            throw Problem.tooOften("Many are coming in just now. Try again in a moment.");
        }
        try {
            return slow.matches(said, hash);
        } finally {
            answering.release();
        }
    }

    /** Whoever asks many times at once is not answered more quickly than who asks in turn. */
    private void oneAtATime(long person, String place) {
        boolean alone = db.select(DSL.field(
                        "pg_try_advisory_xact_lock({0}, {1})",
                        Boolean.class, DSL.inline((int) person), DSL.inline(("sign-in " + place).hashCode())))
                .fetchSingle()
                .value1();
        if (!alone) {
            throw Problem.tooOften("One answer at a time. Try again.");
        }
    }

    private void refuseWhileClosed(long person, String place) {
        var until = db.select(ATTEMPT.CLOSED_UNTIL)
                .from(ATTEMPT)
                .where(ATTEMPT.PERSON_ID.eq(person).and(ATTEMPT.PLACE.eq(place)))
                .fetchOptional(ATTEMPT.CLOSED_UNTIL)
                .orElse(null);
        if (until != null && until.toInstant().isAfter(clock.instant())) {
            var left = Duration.between(clock.instant(), until.toInstant()).plusSeconds(1);
            throw Problem.tooOften(
                    left.toMinutes() < 2
                            ? "Too many wrong answers from here. Wait %d s.".formatted(left.toSeconds())
                            : "Too many wrong answers from here. Wait %d min, or sign in elsewhere."
                                    .formatted(left.toMinutes()));
        }
    }

    private void countWrong(long person, String place) {
        int failed = db.insertInto(ATTEMPT)
                .set(ATTEMPT.PERSON_ID, person)
                .set(ATTEMPT.PLACE, place)
                .set(ATTEMPT.FAILED, 1)
                .onConflict(ATTEMPT.PERSON_ID, ATTEMPT.PLACE)
                .doUpdate()
                .set(ATTEMPT.FAILED, ATTEMPT.FAILED.plus(1))
                .returningResult(ATTEMPT.FAILED)
                .fetchSingle()
                .value1();
        if (failed >= FREE) {
            var wait = FIRST_WAIT.multipliedBy(1L << Math.min(MOST_DOUBLINGS, failed - FREE));
            db.update(ATTEMPT)
                    .set(ATTEMPT.CLOSED_UNTIL, clock.instant().plus(wait).atOffset(ZoneOffset.UTC))
                    .where(ATTEMPT.PERSON_ID.eq(person).and(ATTEMPT.PLACE.eq(place)))
                    .execute();
        }
    }
}
