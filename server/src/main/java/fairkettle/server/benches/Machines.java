package fairkettle.server.benches;

import static fairkettle.db.Tables.AGREEMENT;
import static fairkettle.db.Tables.BENCH;
import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.CHANNEL;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.PUT_ASIDE;
import static fairkettle.path.Place.Outside.CORRECTION;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.changeover.Job;
import fairkettle.changeover.Stock;
import fairkettle.changeover.Wish;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Handling;
import fairkettle.machine.Profile;
import fairkettle.machine.Refilling;
import fairkettle.machine.VesselKind;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.safety.School;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.profiles.ProfileBook;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Machines: what they are, what their channels are known to have held, and what the account says is in them. */
@Repository
public class Machines {

    /** Topic of an entry about a power cleaning. */
    public static final String POWER = "power";

    private static final TypeReference<Map<School, String>> SCHOOLS = new TypeReference<>() {};

    private final DSLContext db;
    private final ProfileBook profiles;
    private final Ledger ledger;
    private final Journal journal;
    private final Live live;
    private final Who who;
    private final JsonMapper json;
    private final Clock clock;

    Machines(
            DSLContext db,
            ProfileBook profiles,
            Ledger ledger,
            Journal journal,
            Live live,
            Who who,
            JsonMapper json,
            Clock clock) {
        this.db = db;
        this.profiles = profiles;
        this.ledger = ledger;
        this.journal = journal;
        this.live = live;
        this.who = who;
        this.json = json;
        this.clock = clock;
    }

    /**
     * @param built the profile as the maker built it
     * @param fit what was changed about it since
     * @param schools questions that are answered otherwise for this machine than in the shop
     * @param ownTrigger share of a vessel at which this machine wants ink; null for the usual
     * @param holdings per channel in the order of the slots
     */
    public record Machine(
            long id,
            String name,
            long bench,
            String benchName,
            int place,
            Profile built,
            Fit fit,
            @Nullable Instant warrantyEnded,
            @Nullable Instant signedOff,
            Papers papers,
            Map<School, String> schools,
            @Nullable Double ownTrigger,
            int version,
            Map<ChannelCode, Holding> holdings,
            Handling.Taught taught) {

        /** Share of a vessel at which it wants ink. */
        public double refillAt() {
            return ownTrigger == null ? Refilling.usualTrigger(profile().architecture()) : ownTrigger;
        }

        /** Of the inks that are known to be in it; none where it rests or was never inked. */
        public Set<Family> inks() {
            return holdings.values().stream()
                    .filter(Holding.Inked.class::isInstance)
                    .flatMap(h -> h.ink().stream())
                    .collect(Collectors.toCollection(() -> EnumSet.noneOf(Family.class)));
        }

        /** What a channel of it is known to hold. */
        public Holding holding(ChannelCode code) {
            var held = holdings.get(code);
            if (held == null) {
                throw new IllegalArgumentException("%s has no channel %s.".formatted(name, code));
            }
            return held;
        }

        /** With what is fitted to it now. */
        public Profile profile() {
            return built.fitted(fit);
        }

        /** "sublimation", or "maker's dye and maker's pigment". */
        public String family() {
            return String.join(
                    " and ",
                    holdings.values().stream().map(Holding::label).distinct().toList());
        }

        /** Whose ink is in it; empty if none is. */
        public String make() {
            return holdings.values().stream()
                    .flatMap(h -> h instanceof Holding.Inked inked ? Stream.of(inked.make()) : Stream.empty())
                    .findFirst()
                    .orElse("");
        }

        /** It rests on fluid altogether. */
        public boolean parked() {
            return holdings.values().stream().allMatch(h -> h instanceof Holding.Parked);
        }

        public boolean inked() {
            return holdings.values().stream().anyMatch(h -> !(h instanceof Holding.NeverInked));
        }
    }

    /**
     * @param firmware version as the machine shows it
     * @param remindersOff whether the maker's update reminders are switched off
     * @param earnsPerDay in minor units, or null where nobody said
     */
    public record Papers(
            String serial,
            String notes,
            String firmware,
            boolean remindersOff,
            @Nullable Long earnsPerDay) {}

    /** @param words what was agreed to */
    public record Agreement(String words, String person, Instant at) {}

    /** A cartridge that came out, and holds ink still. */
    public record PutAside(long id, String channel, String what, Instant at) {}

    /** @param tankShare how full the tanks are, 0 to 1 */
    public record NewMachine(
            String name,
            String bench,
            String profile,
            Feed feed,
            @Nullable Chips chips,
            Holding holding,
            double tankShare,
            @Nullable Instant at) {}

    public List<Machine> all() {
        return machines(DSL.noCondition());
    }

    public Machine get(long id) {
        return machines(MACHINE.ID.eq(id)).stream()
                .findFirst()
                .orElseThrow(() -> Problem.notFound("There is no machine of this number (%d).".formatted(id)));
    }

    private List<Machine> machines(org.jooq.Condition where) {
        var channels = db.selectFrom(CHANNEL)
                .where(CHANNEL.MACHINE_ID.in(
                        DSL.select(MACHINE.ID).from(MACHINE).where(where)))
                .orderBy(CHANNEL.SLOT)
                .fetchGroups(CHANNEL.MACHINE_ID);
        return db.select()
                .from(MACHINE)
                .join(BENCH)
                .on(BENCH.ID.eq(MACHINE.BENCH_ID))
                .where(where)
                .orderBy(BENCH.PLACE, BENCH.ID, MACHINE.PLACE, MACHINE.ID)
                .fetch(row -> {
                    var holdings = new LinkedHashMap<ChannelCode, Holding>();
                    Objects.requireNonNull(channels.get(row.get(MACHINE.ID)))
                            .forEach(c -> holdings.put(ChannelCode.of(c.getCode()), holding(c)));
                    return machine(row, holdings);
                });
    }

    private Machine machine(Record row, Map<ChannelCode, Holding> holdings) {
        var profile = profiles.named(row.get(MACHINE.PROFILE));
        var taught = taught(row.get(MACHINE.TAUGHT));
        var built = taught.equals(Handling.Taught.NOTHING)
                ? profile
                : profile.handled(profile.handling().with(taught));
        return new Machine(
                row.get(MACHINE.ID),
                row.get(MACHINE.NAME),
                row.get(BENCH.ID),
                row.get(BENCH.NAME),
                row.get(MACHINE.PLACE),
                built,
                fit(row.get(MACHINE.FIT), built),
                instant(row, MACHINE.WARRANTY_ENDED),
                instant(row, MACHINE.SIGNED_OFF),
                new Papers(
                        row.get(MACHINE.SERIAL),
                        row.get(MACHINE.NOTES),
                        row.get(MACHINE.FIRMWARE),
                        row.get(MACHINE.REMINDERS_OFF),
                        row.get(MACHINE.EARNS_MINOR)),
                json.readValue(row.get(MACHINE.SCHOOLS).data(), SCHOOLS),
                row.get(MACHINE.REFILL_AT),
                row.get(MACHINE.VERSION),
                holdings,
                taught);
    }

    /** Kept as JSON; an empty object is a machine as it was built. */
    public Fit fit(JSONB kept, Profile built) {
        return kept.data().equals("{}") ? Fit.asBuilt(built) : json.readValue(kept.data(), Fit.class);
    }

    public JSONB kept(Fit fit) {
        return JSONB.valueOf(json.writeValueAsString(fit));
    }

    private static @Nullable Instant instant(Record row, org.jooq.Field<java.time.OffsetDateTime> field) {
        var time = row.get(field);
        return time == null ? null : time.toInstant();
    }

    private static Holding holding(fairkettle.db.tables.records.ChannelRecord c) {
        return switch (c.getHeld()) {
            case "NEVER_INKED" -> Holding.neverInked();
            case "INKED" -> new Holding.Inked(Family.valueOf(c.getFamily()), c.getMake(), c.getFoodOnly());
            case "PARKED" -> new Holding.Parked(Family.valueOf(c.getFamily()), c.getMake(), c.getFoodOnly());
            default -> new Holding.Unknown();
        };
    }

    @Transactional
    public long add(NewMachine machine) {
        var built = profiles.named(machine.profile());
        var fit = fitted(built, machine);
        var profile = built.fitted(fit);
        long bench = bench(machine.bench().strip());
        int place = db.select(DSL.coalesce(DSL.max(MACHINE.PLACE), 0))
                        .from(MACHINE)
                        .where(MACHINE.BENCH_ID.eq(bench))
                        .fetchSingle()
                        .value1()
                + 1;
        long id = db.insertInto(MACHINE)
                .set(MACHINE.NAME, machine.name().strip())
                .set(MACHINE.BENCH_ID, bench)
                .set(MACHINE.PLACE, place)
                .set(MACHINE.PROFILE, built.id())
                .set(MACHINE.FIT, kept(fit))
                .returningResult(MACHINE.ID)
                .fetchSingle()
                .value1();
        int slot = 0;
        for (var code : profile.codes()) {
            db.insertInto(CHANNEL)
                    .set(CHANNEL.MACHINE_ID, id)
                    .set(CHANNEL.CODE, code.code())
                    .set(CHANNEL.SLOT, slot++)
                    .set(CHANNEL.HELD, "NEVER_INKED")
                    .execute();
        }
        setHolding(id, machine.holding());
        journal.write(
                NewEntry.of(
                                EntryKind.MACHINE,
                                "%s joins the bench: %s, %s"
                                        .formatted(
                                                machine.name().strip(),
                                                profile.name(),
                                                machine.holding().label()))
                        .machine(id)
                        .at(machine.at()),
                opening(id, profile, machine));
        live.changed("bench");
        return id;
    }

    /** A machine that was changed elsewhere: second-hand, or before it was written down here. */
    private static Fit fitted(Profile built, NewMachine machine) {
        var fit = Fit.asBuilt(built);
        if (machine.feed() == Feed.AS_BUILT) {
            return fit;
        }
        if (built.chips().isEmpty() || machine.feed() == Feed.FILM) {
            throw Problem.atField("feed", "Only a cartridge machine is fed by refillable cartridges or in bulk.");
        }
        var chips = machine.chips() == null ? built.chips().getFirst() : machine.chips();
        if (!built.chips().contains(chips)) {
            throw Problem.atField(
                    "chips",
                    "For this machine there are: "
                            + String.join(
                                    ", ",
                                    built.chips().stream().map(Chips::label).toList()) + ".");
        }
        return fit.fedBy(machine.feed()).chipped(chips);
    }

    /** What is in it already came from before the account began. */
    private static List<Posting> opening(long id, Profile profile, NewMachine machine) {
        var postings = new ArrayList<Posting>();
        if (machine.holding() instanceof Holding.NeverInked) {
            return postings;
        }
        for (var channel : profile.channels()) {
            var ink = before(machine.holding(), channel.code());
            for (var vessel : channel.path()) {
                double share = vessel == channel.first() ? machine.tankShare() : 1;
                var volume = Millilitres.rounded(vessel.capacity().mL() * share);
                if (!volume.isZero()) {
                    postings.add(new Posting(CORRECTION, ink, -volume.microlitres()));
                    postings.add(new Posting(
                            new Place.InPath(id, channel.code(), vessel.kind()), ink, volume.microlitres()));
                }
            }
        }
        return postings;
    }

    /** Ink that was there before the account, by what the channel is known to have held. */
    public static Substance before(Holding holding, ChannelCode code) {
        return switch (holding) {
            case Holding.Inked(var family, var _, var _) -> new Substance.Ink(family, code, 0);
            case Holding.Parked(var family, var _, var _) -> new Substance.Fluid(family);
            case Holding.NeverInked _, Holding.Unknown _ -> new Substance.Ink(Family.MAKERS_DYE, code, 0);
        };
    }

    private long bench(String name) {
        return db.select(BENCH.ID)
                .from(BENCH)
                .where(BENCH.NAME.eq(name))
                .fetchOptional()
                .map(r -> r.value1())
                .orElseGet(() -> {
                    int place = db.select(DSL.coalesce(DSL.max(BENCH.PLACE), 0))
                                    .from(BENCH)
                                    .fetchSingle()
                                    .value1()
                            + 1;
                    return db.insertInto(BENCH)
                            .set(BENCH.NAME, name)
                            .set(BENCH.PLACE, place)
                            .returningResult(BENCH.ID)
                            .fetchSingle()
                            .value1();
                });
    }

    public List<String> benchNames() {
        return db.select(BENCH.NAME).from(BENCH).orderBy(BENCH.PLACE).fetch(BENCH.NAME);
    }

    /** What all its channels hold from now on. */
    void setHolding(long id, Holding holding) {
        var codes = db.select(CHANNEL.CODE)
                .from(CHANNEL)
                .where(CHANNEL.MACHINE_ID.eq(id))
                .fetch(CHANNEL.CODE);
        var all = new LinkedHashMap<ChannelCode, Holding>();
        codes.forEach(c -> all.put(ChannelCode.of(c), holding));
        setHoldings(id, all);
    }

    /** What some of its channels hold from now on. */
    void setHoldings(long id, Map<ChannelCode, Holding> holdings) {
        holdings.forEach((code, holding) -> {
            var update = db.update(CHANNEL).setNull(CHANNEL.LOT_ID);
            var row = switch (holding) {
                case Holding.NeverInked _ ->
                    update.set(CHANNEL.HELD, "NEVER_INKED")
                            .setNull(CHANNEL.FAMILY)
                            .setNull(CHANNEL.MAKE)
                            .set(CHANNEL.FOOD_ONLY, false);
                case Holding.Unknown _ ->
                    update.set(CHANNEL.HELD, "UNKNOWN")
                            .setNull(CHANNEL.FAMILY)
                            .setNull(CHANNEL.MAKE)
                            .set(CHANNEL.FOOD_ONLY, false);
                case Holding.Inked(var family, var make, var food) ->
                    update.set(CHANNEL.HELD, "INKED")
                            .set(CHANNEL.FAMILY, family.name())
                            .set(CHANNEL.MAKE, make)
                            .set(CHANNEL.FOOD_ONLY, food);
                case Holding.Parked(var family, var make, var food) ->
                    update.set(CHANNEL.HELD, "PARKED")
                            .set(CHANNEL.FAMILY, family.name())
                            .set(CHANNEL.MAKE, make)
                            .set(CHANNEL.FOOD_ONLY, food);
            };
            row.where(CHANNEL.MACHINE_ID.eq(id), CHANNEL.CODE.eq(code.code())).execute();
        });
    }

    /** Parts were exchanged: other vessels on its paths, other channels in its slots. */
    void refit(Machine machine, Fit fit) {
        var after = machine.built().fitted(fit).codes();
        db.update(MACHINE)
                .set(MACHINE.FIT, kept(fit))
                .where(MACHINE.ID.eq(machine.id()))
                .execute();
        var before = machine.profile().codes();
        for (int slot = 0; slot < after.size(); slot++) {
            if (!after.get(slot).equals(before.get(slot))) {
                db.update(CHANNEL)
                        .set(CHANNEL.CODE, after.get(slot).code())
                        .where(CHANNEL.MACHINE_ID.eq(machine.id()), CHANNEL.SLOT.eq(slot))
                        .execute();
            }
        }
        live.changed("machine/" + machine.id());
    }

    /** Another description of the same machine: one of the shop's own, corrected by measuring. */
    @Transactional
    public void describe(long id, String profile) {
        var machine = get(id);
        var other = profiles.named(profile);
        if (!other.codes().equals(machine.built().codes())
                || other.architecture() != machine.built().architecture()) {
            throw Problem.refused(
                    "This profile has other slots or another build. Choose one that was copied from “%s”."
                            .formatted(machine.built().name()),
                    List.of());
        }
        db.update(MACHINE)
                .set(MACHINE.PROFILE, other.id())
                .where(MACHINE.ID.eq(id))
                .execute();
        journal.write(
                NewEntry.of(
                                EntryKind.MACHINE,
                                "%s is described by “%s” from now on".formatted(machine.name(), other.name()))
                        .machine(id),
                List.of());
        live.changed("machine/" + id);
    }

    /** Kept as JSON; an empty object is a machine that is as its profile says. */
    private Handling.Taught taught(JSONB kept) {
        return kept.data().equals("{}") ? Handling.Taught.NOTHING : json.readValue(kept.data(), Handling.Taught.class);
    }

    /**
     * A machine that is like its profile but not it is put right. Its open card says so at once.
     *
     * @param version that the teacher has seen
     */
    @Transactional
    public void teach(long id, Handling.Taught taught, int version) {
        ledger.hold(List.of(id), List.of());
        var machine = get(id);
        if (machine.version() != version) {
            throw Problem.lostRace(
                    "Somebody else changed this machine’s papers meanwhile. Load it again and repeat your change.");
        }
        var plain = profiles.named(machine.built().id()).handling();
        var otherwise = plain.with(taught).since(machine.built().handling());
        if (!otherwise.isEmpty()) {
            journal.write(
                    NewEntry.of(
                                    EntryKind.MACHINE,
                                    "%s was taught: %s".formatted(machine.name(), String.join("; ", otherwise)))
                            .machine(id),
                    List.of(),
                    List.of(new Consequence.Taught(taught)));
        }
    }

    void taught(long id, Handling.Taught taught) {
        db.update(MACHINE)
                .set(MACHINE.TAUGHT, JSONB.valueOf(json.writeValueAsString(taught)))
                .set(MACHINE.VERSION, MACHINE.VERSION.plus(1))
                .where(MACHINE.ID.eq(id))
                .execute();
    }

    @Transactional
    public void schools(long id, Map<School, String> schools, int version) {
        schools.forEach(School::position);
        int changed = db.update(MACHINE)
                .set(MACHINE.SCHOOLS, JSONB.valueOf(json.writeValueAsString(schools)))
                .set(MACHINE.VERSION, version + 1)
                .where(MACHINE.ID.eq(id), MACHINE.VERSION.eq(version))
                .execute();
        if (changed == 0) {
            throw Problem.lostRace(
                    "Somebody else changed this machine’s papers or schools meanwhile. Load it again and repeat your"
                            + " change.");
        }
        live.changed("machine/" + id);
    }

    void agreed(long id, Act act, String words) {
        db.insertInto(AGREEMENT)
                .set(AGREEMENT.MACHINE_ID, id)
                .set(AGREEMENT.CARD_ID, act.cardOrNone())
                .set(AGREEMENT.STEP_ID, act.step())
                .set(AGREEMENT.WORDS, words)
                .set(AGREEMENT.PERSON_ID, who.id())
                .set(AGREEMENT.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
    }

    public List<Agreement> agreements(long id) {
        return db.select(AGREEMENT.WORDS, PERSON.NAME, AGREEMENT.AT)
                .from(AGREEMENT)
                .leftJoin(PERSON)
                .on(PERSON.ID.eq(AGREEMENT.PERSON_ID))
                .where(AGREEMENT.MACHINE_ID.eq(id))
                .orderBy(AGREEMENT.AT.desc())
                .limit(30)
                .fetch(r -> new Agreement(
                        r.value1(),
                        r.value2() == null ? "somebody" : r.value2(),
                        r.value3().toInstant()));
    }

    void putAside(long id, Act act, Map<ChannelCode, String> aside) {
        aside.forEach((code, what) -> db.insertInto(PUT_ASIDE)
                .set(PUT_ASIDE.MACHINE_ID, id)
                .set(PUT_ASIDE.CARD_ID, act.card())
                .set(PUT_ASIDE.CHANNEL, code.code())
                .set(PUT_ASIDE.WHAT, what)
                .set(PUT_ASIDE.AT, act.at().atOffset(ZoneOffset.UTC))
                .execute());
    }

    public List<PutAside> putAside(long id) {
        return db.selectFrom(PUT_ASIDE)
                .where(PUT_ASIDE.MACHINE_ID.eq(id), PUT_ASIDE.GONE.isNull())
                .orderBy(PUT_ASIDE.ID)
                .limit(48)
                .fetch(r -> new PutAside(
                        r.getId(), r.getChannel(), r.getWhat(), r.getAt().toInstant()));
    }

    @Transactional
    public void gone(long machine, long id) {
        db.update(PUT_ASIDE)
                .set(PUT_ASIDE.GONE, clock.instant().atOffset(ZoneOffset.UTC))
                .where(PUT_ASIDE.ID.eq(id), PUT_ASIDE.MACHINE_ID.eq(machine))
                .execute();
        live.changed("machine/" + machine);
    }

    void warrantyEnded(long id) {
        db.update(MACHINE)
                .set(MACHINE.WARRANTY_ENDED, clock.instant().atOffset(ZoneOffset.UTC))
                .where(MACHINE.ID.eq(id), MACHINE.WARRANTY_ENDED.isNull())
                .execute();
    }

    void signedOff(long id) {
        db.update(MACHINE)
                .set(MACHINE.SIGNED_OFF, clock.instant().atOffset(ZoneOffset.UTC))
                .where(MACHINE.ID.eq(id))
                .execute();
    }

    @Transactional
    public void papers(long id, Papers papers, int version) {
        int changed = db.update(MACHINE)
                .set(MACHINE.SERIAL, papers.serial().strip())
                .set(MACHINE.NOTES, papers.notes().strip())
                .set(MACHINE.FIRMWARE, papers.firmware().strip())
                .set(MACHINE.REMINDERS_OFF, papers.remindersOff())
                .set(MACHINE.EARNS_MINOR, papers.earnsPerDay())
                .set(MACHINE.VERSION, version + 1)
                .where(MACHINE.ID.eq(id), MACHINE.VERSION.eq(version))
                .execute();
        if (changed == 0) {
            throw Problem.lostRace(
                    "Somebody else changed these papers meanwhile. Load them again and repeat your change.");
        }
        live.changed("machine/" + id);
    }

    /** Where the passport had none. */
    @Transactional
    public void serial(long id, String serial) {
        db.update(MACHINE)
                .set(MACHINE.SERIAL, serial)
                .set(MACHINE.VERSION, MACHINE.VERSION.plus(1)) // who edits these papers just now loads them again
                .where(MACHINE.ID.eq(id))
                .execute();
        live.changed("machine/" + id);
    }

    /** As the card's step wrote it down. */
    void firmware(long id, String version) {
        db.update(MACHINE)
                .set(MACHINE.FIRMWARE, version.strip())
                .where(MACHINE.ID.eq(id))
                .execute();
    }

    void remindersOff(long id) {
        db.update(MACHINE)
                .set(MACHINE.REMINDERS_OFF, true)
                .where(MACHINE.ID.eq(id))
                .execute();
    }

    /** A level read off the window of a tank. */
    @Transactional
    public void read(long id, ChannelCode code, Millilitres level) {
        var machine = get(id);
        var channel = machine.profile().channel(code);
        if (level.compareTo(channel.first().capacity()) > 0) {
            throw Problem.atField(
                    code.code(),
                    "The tank of %s holds %s mL when full."
                            .formatted(code, channel.first().capacity()));
        }
        var account = ledger.openAccount(id);
        account.reading(channel, channel.first().kind(), level, before(machine.holding(code), code));
        journal.write(
                NewEntry.of(
                                EntryKind.READING,
                                "%s: the tank of %s stands at %s mL".formatted(machine.name(), code, level))
                        .machine(id),
                account.postings());
        live.changed("machine/" + id);
    }

    /** Other machines that somebody has open work at, by name. */
    public List<String> atWork(long except) {
        return db.selectDistinct(MACHINE.NAME)
                .from(CARD)
                .join(MACHINE)
                .on(MACHINE.ID.eq(CARD.MACHINE_ID))
                .where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull(), MACHINE.ID.ne(except))
                .orderBy(MACHINE.NAME)
                .fetch(MACHINE.NAME);
    }

    /** Power cleanings that a machine ever had. @param last null if none */
    public record PowerCleanings(int ever, @Nullable Instant last) {}

    /** As the log knows them; what was struck out was none. */
    public PowerCleanings powerCleanings(long machine) {
        var row = db.select(DSL.count(), DSL.max(ENTRY.AT))
                .from(ENTRY)
                .where(
                        ENTRY.MACHINE_ID.eq(machine),
                        ENTRY.KIND.eq(DSL.inline(EntryKind.CLEANING)),
                        ENTRY.TOPIC.eq(DSL.inline(POWER)),
                        Journal.stands())
                .fetchSingle();
        return new PowerCleanings(
                row.value1(), row.value2() == null ? null : row.value2().toInstant());
    }

    /** The machine has cleaned itself: so much of every channel went to the pad. */
    @Transactional
    public void cleaned(long id, boolean power, @Nullable Instant at) {
        var machine = get(id);
        var draws = machine.profile().draws();
        var account = ledger.openAccount(id);
        machine.profile()
                .channels()
                .forEach(c -> account.flow(c, power ? draws.powerCleaning() : draws.cleaning(), new Place.Pad(id)));
        journal.write(
                NewEntry.of(
                                EntryKind.CLEANING,
                                "%s: %s".formatted(machine.name(), power ? "power cleaning" : "cleaning"))
                        .machine(id)
                        .about(power ? POWER : null)
                        .because(power ? Cause.POWER_CLEANINGS : Cause.CLEANINGS)
                        .at(at),
                account.postings());
        live.changed("machine/" + id);
    }

    /** A new pad: what the old one held has left the house. */
    @Transactional
    public void changePad(long id) {
        var machine = get(id);
        var pad = ledger.ofMachineNow(id).getOrDefault(new Place.Pad(id), Mixture.EMPTY);
        var postings = new ArrayList<Posting>();
        pad.parts().forEach((substance, amount) -> {
            postings.add(new Posting(new Place.Pad(id), substance, -amount));
            postings.add(new Posting(Place.Outside.WASTE_BOTTLE, substance, amount));
        });
        journal.write(
                NewEntry.of(
                                EntryKind.PAD,
                                "%s has a new waste pad; the old one held %s mL"
                                        .formatted(machine.name(), pad.volume()))
                        .machine(id),
                postings);
        live.changed("machine/" + id);
    }

    /** The machine as the planner sees it. */
    public Job job(Machine machine, Wish wish, Stock stock) {
        var contents = ledger.ofMachineNow(machine.id());
        var channels = machine.profile().channels().stream()
                .collect(Collectors.toMap(
                        c -> c.code(),
                        c -> new Job.Now(
                                machine.holding(c.code()),
                                c.path().stream()
                                        .collect(Collectors.toMap(
                                                v -> v.kind(),
                                                v -> level(contents, machine.id(), c.code(), v.kind()))))));
        return new Job(
                machine.built(),
                machine.fit(),
                channels,
                wish,
                contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                        .volume(),
                machine.warrantyEnded() != null,
                stock);
    }

    private static Millilitres level(Map<Place, Mixture> contents, long machine, ChannelCode code, VesselKind vessel) {
        return contents.getOrDefault(new Place.InPath(machine, code, vessel), Mixture.EMPTY)
                .volume();
    }
}
