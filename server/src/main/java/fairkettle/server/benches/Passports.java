package fairkettle.server.benches;

import static fairkettle.db.Tables.ALIGNMENT_PICK;
import static fairkettle.db.Tables.DOCUMENT;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.OUTSIDE_HELP;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.POSTING;
import static fairkettle.db.Tables.TANK_HEIGHT;

import fairkettle.books.EntryKind;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Fact;
import fairkettle.machine.TankHeight;
import fairkettle.path.Place;
import fairkettle.procedure.Owing;
import fairkettle.server.hob.Hob;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.Who;
import fairkettle.server.web.PaperFile;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Facts in words, documents, heights tried, alignment squares chosen, and help from outside. */
@Repository
public class Passports {

    private static final TypeReference<Map<Fact, String>> FACTS = new TypeReference<>() {};
    private static final int REGISTER_WITHIN = 14; // days after a machine joined
    private static final String OUTSIDE = "waste/outside";
    private static final String INSIDE = "waste/inside";
    private static final int MAX_BYTES = 8_000_000;

    private final DSLContext db;
    private final Journal journal;
    private final Owed owed;
    private final Hob hob;
    private final Live live;
    private final Who who;
    private final JsonMapper json;
    private final Clock clock;

    Passports(DSLContext db, Journal journal, Owed owed, Hob hob, Live live, Who who, JsonMapper json, Clock clock) {
        this.db = db;
        this.journal = journal;
        this.owed = owed;
        this.hob = hob;
        this.live = live;
        this.who = who;
        this.json = json;
        this.clock = clock;
    }

    /** @param mediaType null for a link alone */
    public record Document(long id, String name, @Nullable String mediaType, String link, Instant addedAt) {}

    public record Height(int millimetres, @Nullable Boolean dripped, Instant at) {}

    public record Pick(String pattern, int pick, Instant at) {}

    /** @param allowedBy who agreed to it, and watched */
    public record Help(
            long id,
            String who,
            String allowedBy,
            Instant beganAt,
            @Nullable Instant endedAt,
            String changed) {}

    /**
     * Since its waste runs into a bottle outside: what went there, although the machine goes on counting its own box.
     */
    public record OutsideWaste(Instant since, Millilitres volume) {}

    record File(String name, String mediaType, byte[] bytes) {}

    public Optional<OutsideWaste> outsideWaste(long machine) {
        return db.select(ENTRY.AT, ENTRY.TOPIC)
                .from(ENTRY)
                .where(ENTRY.MACHINE_ID.eq(machine), Journal.stands())
                .and(ENTRY.KIND
                        .eq(EntryKind.STEP)
                        .and(ENTRY.STEP_ID.eq("waste-bottle"))
                        .or(ENTRY.KIND.eq(EntryKind.WASTE).and(ENTRY.TOPIC.in(OUTSIDE, INSIDE))))
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(1)
                .fetchOptional()
                .filter(r -> !INSIDE.equals(r.value2()))
                .map(r -> r.value1())
                .map(since -> new OutsideWaste(
                        since.toInstant(),
                        new Millilitres(db.select(DSL.coalesce(DSL.sum(POSTING.MICROLITRES), java.math.BigDecimal.ZERO))
                                .from(POSTING)
                                .join(ENTRY)
                                .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                                .where(
                                        POSTING.PLACE.eq(new Place.Pad(machine).key()),
                                        POSTING.MICROLITRES.gt(0L),
                                        ENTRY.AT.ge(since))
                                .fetchSingle()
                                .value1()
                                .longValue())));
    }

    /** Its waste tube was led into a bottle outside, or back to its pad. */
    @Transactional
    public void leadWaste(long machine, String name, boolean outside) {
        if (outsideWaste(machine).isPresent() == outside) {
            return;
        }
        journal.write(
                NewEntry.of(
                                EntryKind.WASTE,
                                outside
                                        ? name + ": its waste runs into a bottle outside from now on"
                                        : name + ": its waste runs into its own pad again")
                        .machine(machine)
                        .about(outside ? OUTSIDE : INSIDE),
                List.of());
        live.changed("machine/" + machine);
    }

    public Map<Fact, String> facts(long machine) {
        var kept = db.select(MACHINE.FACTS)
                .from(MACHINE)
                .where(MACHINE.ID.eq(machine))
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("There is no machine of this number (%d).".formatted(machine)))
                .value1();
        var facts = new EnumMap<Fact, String>(Fact.class);
        facts.putAll(json.readValue(kept.data(), FACTS));
        return facts;
    }

    /** Writes one fact down; empty words take it away. What was owed for it is settled. */
    @Transactional
    public void write(long machine, Fact fact, String words) {
        db.select(MACHINE.ID)
                .from(MACHINE)
                .where(MACHINE.ID.eq(machine))
                .forNoKeyUpdate()
                .fetchOptional();
        var facts = facts(machine);
        if (words.isBlank()) {
            facts.remove(fact);
        } else {
            facts.put(fact, words.strip());
            if (fact.owed() != null) {
                owed.settled(machine, Owing.REGISTER);
            }
        }
        db.update(MACHINE)
                .set(MACHINE.FACTS, JSONB.valueOf(json.writeValueAsString(facts)))
                .where(MACHINE.ID.eq(machine))
                .execute();
        live.changed("machine/" + machine);
    }

    /** What a fact was before somebody struck out that it was written; what was owed for it is another's to say. */
    void rewrite(long machine, Fact fact, String words) {
        var facts = facts(machine);
        if (words.isBlank()) {
            facts.remove(fact);
        } else {
            facts.put(fact, words);
        }
        db.update(MACHINE)
                .set(MACHINE.FACTS, JSONB.valueOf(json.writeValueAsString(facts)))
                .where(MACHINE.ID.eq(machine))
                .execute();
        live.changed("machine/" + machine);
    }

    /** What a machine that has just come still lacks. */
    public void joined(long machine) {
        var facts = facts(machine);
        for (var fact : Fact.values()) {
            if (fact.owed() != null && !facts.containsKey(fact)) {
                owed.add(
                        machine,
                        new Owed.NewTask(
                                Owing.REGISTER,
                                fact.owed(),
                                "With its serial number, while the receipt is at hand.",
                                REGISTER_WITHIN,
                                null));
            }
        }
    }

    public List<Document> documents(long machine) {
        return db.select(DOCUMENT.ID, DOCUMENT.NAME, DOCUMENT.MEDIA_TYPE, DOCUMENT.LINK, DOCUMENT.ADDED_AT)
                .from(DOCUMENT)
                .where(DOCUMENT.MACHINE_ID.eq(machine))
                .orderBy(DOCUMENT.ID)
                .fetch(r -> new Document(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5().toInstant()));
    }

    /** Keeps a leaflet or receipt. What it is is read from its first bytes, not from its name. */
    @Transactional
    public void keep(long machine, String name, byte[] bytes) {
        PaperFile.fits(bytes, MAX_BYTES, "document");
        insert(machine, name, PaperFile.mediaType(bytes, "document"), bytes, "");
    }

    /** Only where to find it. */
    @Transactional
    public void link(long machine, String name, String link) {
        if (!link.matches("https?://\\S{3,300}")) {
            throw Problem.atField("link", "Type the whole address, from https:// on.");
        }
        insert(machine, name, null, null, link);
    }

    private void insert(long machine, String name, @Nullable String mediaType, byte @Nullable [] bytes, String link) {
        facts(machine);
        db.insertInto(DOCUMENT)
                .set(DOCUMENT.MACHINE_ID, machine)
                .set(DOCUMENT.NAME, name.strip())
                .set(DOCUMENT.MEDIA_TYPE, mediaType)
                .set(DOCUMENT.BYTES, bytes)
                .set(DOCUMENT.LINK, link)
                .set(DOCUMENT.ADDED_AT, now())
                .execute();
        live.changed("machine/" + machine);
    }

    File file(long machine, long document) {
        return db.select(DOCUMENT.NAME, DOCUMENT.MEDIA_TYPE, DOCUMENT.BYTES)
                .from(DOCUMENT)
                .where(DOCUMENT.ID.eq(document), DOCUMENT.MACHINE_ID.eq(machine), DOCUMENT.BYTES.isNotNull())
                .fetchOptional(r -> new File(r.value1(), Objects.requireNonNull(r.value2()), r.value3()))
                .orElseThrow(() -> Problem.notFound("There is no such document with this machine."));
    }

    @Transactional
    public void discard(long machine, long document) {
        db.deleteFrom(DOCUMENT)
                .where(DOCUMENT.ID.eq(document), DOCUMENT.MACHINE_ID.eq(machine))
                .execute();
        live.changed("machine/" + machine);
    }

    public List<Height> heights(long machine) {
        return db.selectFrom(TANK_HEIGHT)
                .where(TANK_HEIGHT.MACHINE_ID.eq(machine))
                .orderBy(TANK_HEIGHT.AT.desc(), TANK_HEIGHT.ID.desc())
                .limit(30)
                .fetch(r ->
                        new Height(r.getMillimetres(), r.getDripped(), r.getAt().toInstant()));
    }

    /** Hangs the tanks at a height; the drip test goes onto the hob. */
    @Transactional
    public void hang(long machine, String name, int millimetres, boolean mayRaise) {
        TankHeight.hindrance(tried(machine), millimetres, mayRaise).ifPresent(why -> {
            throw Problem.atField("height", why);
        });
        db.insertInto(TANK_HEIGHT)
                .set(TANK_HEIGHT.MACHINE_ID, machine)
                .set(TANK_HEIGHT.AT, now())
                .set(TANK_HEIGHT.MILLIMETRES, millimetres)
                .execute();
        journal.write(
                NewEntry.of(
                                EntryKind.HEIGHT,
                                "%s: tanks %d mm above level, drip test begun".formatted(name, millimetres))
                        .machine(machine),
                List.of());
        hob.put(machine, "drip test at %d mm".formatted(millimetres), TankHeight.DRIP_TEST);
        live.changed("machine/" + machine);
    }

    /** The answer to the drip test that runs. */
    @Transactional
    public void dripped(long machine, String name, boolean dripped) {
        var open = db.selectFrom(TANK_HEIGHT)
                .where(TANK_HEIGHT.MACHINE_ID.eq(machine), TANK_HEIGHT.DRIPPED.isNull())
                .forUpdate()
                .fetchOptional()
                .orElseThrow(() -> Problem.refused("No drip test is open on this machine.", List.of()));
        if (!dripped && clock.instant().isBefore(open.getAt().toInstant().plus(TankHeight.DRIP_TEST))) {
            throw Problem.refused(
                    "Watch for the whole %d minutes before it is called dry. A drip can be said at once."
                            .formatted(TankHeight.DRIP_TEST.toMinutes()),
                    List.of());
        }
        db.update(TANK_HEIGHT)
                .set(TANK_HEIGHT.DRIPPED, dripped)
                .where(TANK_HEIGHT.ID.eq(open.getId()))
                .execute();
        journal.write(
                NewEntry.of(
                                EntryKind.HEIGHT,
                                "%s: at %d mm it %s"
                                        .formatted(name, open.getMillimetres(), dripped ? "dripped" : "stayed dry"))
                        .machine(machine),
                List.of());
        live.changed("machine/" + machine);
    }

    /** Newest first, as the core wants them. */
    public List<TankHeight.Tried> tried(long machine) {
        return heights(machine).stream()
                .map(h -> new TankHeight.Tried(h.millimetres(), h.dripped()))
                .toList();
    }

    /** The squares chosen when the head was aligned last, in the order of the page. */
    public List<Pick> picks(long machine) {
        var last = db.select(ALIGNMENT_PICK.ENTRY_ID)
                .from(ALIGNMENT_PICK)
                .where(ALIGNMENT_PICK.MACHINE_ID.eq(machine))
                .orderBy(ALIGNMENT_PICK.AT.desc(), ALIGNMENT_PICK.ID.desc())
                .limit(1);
        return db.selectFrom(ALIGNMENT_PICK)
                .where(ALIGNMENT_PICK.ENTRY_ID.eq(last))
                .orderBy(ALIGNMENT_PICK.ID)
                .fetch(r -> new Pick(r.getPattern(), r.getPick(), r.getAt().toInstant()));
    }

    public void aligned(long machine, long entry, Map<String, Integer> picks) {
        picks.forEach((pattern, pick) -> db.insertInto(ALIGNMENT_PICK)
                .set(ALIGNMENT_PICK.ENTRY_ID, entry)
                .set(ALIGNMENT_PICK.MACHINE_ID, machine)
                .set(ALIGNMENT_PICK.AT, now())
                .set(ALIGNMENT_PICK.PATTERN, pattern)
                .set(ALIGNMENT_PICK.PICK, pick)
                .execute());
    }

    public List<Help> helps(long machine) {
        return db.select(OUTSIDE_HELP.asterisk(), PERSON.NAME)
                .from(OUTSIDE_HELP)
                .leftJoin(PERSON)
                .on(PERSON.ID.eq(OUTSIDE_HELP.ALLOWED_BY))
                .where(OUTSIDE_HELP.MACHINE_ID.eq(machine))
                .orderBy(OUTSIDE_HELP.BEGAN_AT.desc())
                .limit(20)
                .fetch(r -> new Help(
                        r.get(OUTSIDE_HELP.ID),
                        r.get(OUTSIDE_HELP.WHO),
                        r.get(PERSON.NAME) == null ? "somebody" : r.get(PERSON.NAME),
                        r.get(OUTSIDE_HELP.BEGAN_AT).toInstant(),
                        instant(r.get(OUTSIDE_HELP.ENDED_AT)),
                        r.get(OUTSIDE_HELP.CHANGED)));
    }

    /** Somebody from outside works on its computer now, with leave, and watched. */
    @Transactional
    public void helpBegins(long machine, String name, String whoHelps) {
        facts(machine);
        if (db.insertInto(OUTSIDE_HELP)
                        .set(OUTSIDE_HELP.MACHINE_ID, machine)
                        .set(OUTSIDE_HELP.WHO, whoHelps.strip())
                        .set(OUTSIDE_HELP.ALLOWED_BY, who.id())
                        .set(OUTSIDE_HELP.BEGAN_AT, now())
                        .onConflictDoNothing()
                        .execute()
                == 1) {
            journal.write(
                    NewEntry.of(
                                    EntryKind.HELP,
                                    "%s: %s works on its computer from outside".formatted(name, whoHelps.strip()))
                            .machine(machine),
                    List.of());
        }
        live.changed("machine/" + machine);
    }

    @Transactional
    public void helpEnds(long machine, String name, String changed) {
        if (db.update(OUTSIDE_HELP)
                        .set(OUTSIDE_HELP.ENDED_AT, now())
                        .set(OUTSIDE_HELP.CHANGED, changed.strip())
                        .where(OUTSIDE_HELP.MACHINE_ID.eq(machine), OUTSIDE_HELP.ENDED_AT.isNull())
                        .execute()
                == 0) {
            throw Problem.refused("Nobody from outside is working on this machine.", List.of());
        }
        journal.write(
                NewEntry.of(EntryKind.HELP, "%s: outside help ended; changed: %s".formatted(name, changed.strip()))
                        .machine(machine),
                List.of());
        live.changed("machine/" + machine);
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime time) {
        return time == null ? null : time.toInstant();
    }
}
