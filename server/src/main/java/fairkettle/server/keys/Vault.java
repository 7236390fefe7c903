package fairkettle.server.keys;

import static fairkettle.db.Tables.ACTIVATION;
import static fairkettle.db.Tables.VAULT;

import fairkettle.books.EntryKind;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.web.Problem;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps activation codes. They are sealed with a key that comes from the environment, or from a file outside the data
 * that is made at the first start. A backup without the key restores everything but the codes.
 */
@Repository
@Order(0)
public class Vault implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(Vault.class);
    private static final String PROOF = "fair kettle";

    private final DSLContext db;
    private final Journal journal;
    private final Live live;
    private final Who who;
    private final Clock clock;
    private final String keyWords;
    private final String keyFile;
    private State state = new State.Without("The vault is not open yet.");

    Vault(
            DSLContext db,
            Journal journal,
            Live live,
            Who who,
            Clock clock,
            @Value("${kettle.key:}") String keyWords,
            @Value("${kettle.key-file:}") String keyFile) {
        this.db = db;
        this.journal = journal;
        this.live = live;
        this.who = who;
        this.clock = clock;
        this.keyWords = keyWords;
        this.keyFile = keyFile;
    }

    private sealed interface State {
        record Open(Seal seal) implements State {}

        record Without(String why) implements State {}
    }

    /**
     * @param problem why codes can be neither read nor stored, or null; {@code printed} whether the recovery key was
     *     printed
     */
    public record Health(@Nullable String problem, boolean printed, int codes) {}

    /** What belongs to a code. @param licence its key, as secret as the code; empty for none */
    public record Belongs(String licence, String model, String version, String seller, String origin) {}

    /** Both in plain words. @param licence empty for none */
    public record Secrets(String code, String licence) {}

    /**
     * @param masked the code with all but its last letters hidden, or null where it cannot be read
     * @param licence likewise; null for none
     */
    public record Kept(
            @Nullable String masked,
            @Nullable String licence,
            String model,
            String version,
            String seller,
            String origin,
            Instant storedAt) {}

    @Override
    public void run(ApplicationArguments arguments) {
        open();
    }

    @Transactional
    public void open() {
        try {
            var seal = seal();
            state = seal.isEmpty()
                    ? new State.Without(
                            "No key is set, so activation codes cannot be kept. Set KETTLE_KEY_FILE to a place outside"
                                    + " the data.")
                    : proved(seal.get());
        } catch (IllegalArgumentException | UncheckedIOException e) {
            state = new State.Without(String.valueOf(e.getMessage()));
        }
        if (state instanceof State.Without(var why)) {
            LOG.warn("The vault: {}", why);
        }
    }

    private State proved(Seal seal) {
        var proof = db.select(VAULT.PROOF).from(VAULT).fetchOptional(VAULT.PROOF);
        if (proof.isEmpty()) {
            db.insertInto(VAULT)
                    .set(VAULT.ID, 1)
                    .set(VAULT.PROOF, seal.seal(PROOF))
                    .onConflictDoNothing()
                    .execute();
            return new State.Open(seal);
        }
        if (seal.open(proof.get()).filter(PROOF::equals).isPresent()) {
            return new State.Open(seal);
        }
        int codes = db.fetchCount(ACTIVATION);
        if (codes == 0) {
            db.update(VAULT)
                    .set(VAULT.PROOF, seal.seal(PROOF))
                    .setNull(VAULT.PRINTED)
                    .execute();
            return new State.Open(seal);
        }
        return new State.Without(
                "The key is not the one that sealed the %d activation codes here. Everything else is there; put the right key back, from the paper that was printed at the first start."
                        .formatted(codes));
    }

    /** From the environment, or the file; the file is made if there is none. */
    private Optional<Seal> seal() {
        if (!keyWords.isBlank()) {
            return Optional.of(Seal.of(keyWords));
        }
        if (keyFile.isBlank()) {
            return Optional.empty();
        }
        var file = Path.of(keyFile);
        try {
            if (Files.exists(file)) {
                return Optional.of(Seal.of(Files.readString(file)));
            }
            var fresh = Seal.fresh();
            if (file.getParent() != null) {
                Files.createDirectories(file.getParent());
            }
            Files.deleteIfExists(file.resolveSibling(file.getFileName() + ".part"));
            var written = Files.createFile(
                    file.resolveSibling(file.getFileName() + ".part"),
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(written, fresh.words() + "\n");
            Files.move(written, file, StandardCopyOption.ATOMIC_MOVE); // a full disk leaves no half a key
            LOG.info("The vault: a key was made in {}. Print its recovery key under Shop, and keep the paper.", file);
            return Optional.of(fresh);
        } catch (IOException e) {
            throw new UncheckedIOException("The key file (%s) cannot be read or made.".formatted(file), e);
        }
    }

    public Health health() {
        boolean printed = db.fetchExists(db.selectFrom(VAULT).where(VAULT.PRINTED.isNotNull()));
        return new Health(state instanceof State.Without(var why) ? why : null, printed, db.fetchCount(ACTIVATION));
    }

    private Seal key() {
        return switch (state) {
            case State.Open(var seal) -> seal;
            case State.Without(var why) -> throw Problem.refused(why, List.of());
        };
    }

    /** The key as it goes onto paper. Looking at it is logged. */
    @Transactional
    public String recoveryKey() {
        var words = key().words();
        db.update(VAULT)
                .set(VAULT.PRINTED, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
        journal.write(NewEntry.of(EntryKind.KEY, "the vault’s recovery key was shown, to be printed"), List.of());
        return words;
    }

    public boolean has(long machine) {
        return db.fetchExists(ACTIVATION, ACTIVATION.MACHINE_ID.eq(machine));
    }

    public Optional<Kept> of(long machine) {
        return db.selectFrom(ACTIVATION)
                .where(ACTIVATION.MACHINE_ID.eq(machine))
                .fetchOptional(r -> new Kept(
                        state instanceof State.Open(var seal)
                                ? seal.open(r.getSealed()).map(Vault::masked).orElse(null)
                                : null,
                        state instanceof State.Open(var seal) && r.getLicence() != null
                                ? seal.open(r.getLicence()).map(Vault::masked).orElse(null)
                                : null,
                        r.getModel(),
                        r.getVersion(),
                        r.getSeller(),
                        r.getOrigin(),
                        r.getStoredAt().toInstant()));
    }

    /** Another machine whose code this is. */
    public Optional<Long> otherThatKeeps(long machine, String code) {
        if (!(state instanceof State.Open(var seal))) {
            return Optional.empty();
        }
        return db
                .select(ACTIVATION.MACHINE_ID, ACTIVATION.SEALED)
                .from(ACTIVATION)
                .where(ACTIVATION.MACHINE_ID.ne(machine))
                .fetch()
                .stream()
                .filter(r -> seal.open(r.value2()).filter(code.strip()::equals).isPresent())
                .map(r -> r.value1())
                .findFirst();
    }

    private static String masked(String code) {
        int shown = Math.min(3, code.length() / 4);
        return "•".repeat(code.length() - shown) + code.substring(code.length() - shown);
    }

    @Transactional
    public void store(long machine, String name, String code, Belongs belongs) {
        var row = db.newRecord(ACTIVATION);
        row.setMachineId(machine);
        row.setSealed(key().seal(code.strip()));
        row.setLicence(
                belongs.licence().isBlank()
                        ? null
                        : key().seal(belongs.licence().strip()));
        row.setModel(belongs.model().strip());
        row.setVersion(belongs.version().strip());
        row.setSeller(belongs.seller().strip());
        row.setOrigin(belongs.origin().strip());
        row.setStoredAt(clock.instant().atOffset(ZoneOffset.UTC));
        row.setPersonId(who.id());
        db.insertInto(ACTIVATION)
                .set(row)
                .onConflict(ACTIVATION.MACHINE_ID)
                .doUpdate()
                .set(row)
                .execute();
        journal.write(
                NewEntry.of(EntryKind.KEY, name + ": its activation code was put into the vault")
                        .machine(machine),
                List.of());
        live.changed("machine/" + machine);
    }

    /** The code itself, and the licence key with it. On purpose, and logged. */
    @Transactional
    public Secrets reveal(long machine, String name) {
        var kept = db.selectFrom(ACTIVATION)
                .where(ACTIVATION.MACHINE_ID.eq(machine))
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("No activation code is kept for this machine."));
        var code = key().open(kept.getSealed())
                .orElseThrow(() -> Problem.refused(
                        "This code was sealed with another key, and cannot be read with this one.", List.of()));
        var licence =
                kept.getLicence() == null ? "" : key().open(kept.getLicence()).orElse("");
        journal.write(
                NewEntry.of(EntryKind.KEY, name + ": its activation code was shown")
                        .machine(machine),
                List.of());
        return new Secrets(code, licence);
    }
}
