package fairkettle.server.cards;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.CARD_NOTE;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;

import fairkettle.benchwork.BenchWork;
import fairkettle.changeover.Answer;
import fairkettle.changeover.ChannelPlan;
import fairkettle.changeover.Route;
import fairkettle.clinic.Treatment;
import fairkettle.db.tables.records.CardRecord;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Supply;
import fairkettle.procedure.Card;
import fairkettle.procedure.StepRun;
import fairkettle.procedure.Surroundings;
import fairkettle.procedure.UsualSteps;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The cards, kept whole: the core's record as JSON, with what lists need beside it. */
@Repository
public class Cards {

    private final DSLContext db;
    private final JsonMapper json;
    private final StoredCards stored;
    private final Live live;
    private final Clock clock;

    Cards(DSLContext db, JsonMapper json, StoredCards stored, Live live, Clock clock) {
        this.stored = stored;
        this.db = db;
        this.json = json;
        this.live = live;
        this.clock = clock;
    }

    /** A card that is being carried out. */
    public record Open(
            long id,
            long machine,
            String title,
            int done,
            int steps,
            @Nullable String nextStep) {}

    /** @param state open, done or given up */
    public record Listed(
            long id,
            String title,
            Instant createdAt,
            @Nullable Instant finishedAt,
            String state) {}

    /**
     * @param fluidLot the bottle of fluid in use, 0 for one bought for the job
     * @param fitBefore how the machine was fitted when the card was made; {@code fitAfter} how it will be
     */
    public record Kept(
            long id,
            long machine,
            String title,
            Family family,
            String make,
            long fluidLot,
            Card card,
            JSONB plan,
            JSONB fitBefore,
            JSONB fitAfter,
            Instant createdAt,
            @Nullable Instant finishedAt,
            @Nullable String givenUp,
            boolean broughtIn,
            int version,
            Kind kind) {

        public boolean open() {
            return finishedAt == null && givenUp == null;
        }

        public boolean changeover() {
            return kind instanceof Changing;
        }
    }

    /** What a card is for. */
    public sealed interface Kind {}

    /** It changes what is in a machine. */
    public record Changing() implements Kind {}

    /** What a card of a case treats. */
    public record Treating(long caseId, Treatment treatment, Set<ChannelCode> channels) implements Kind {

        String text() {
            return treatment.name() + channels.stream().map(c -> " " + c.code()).collect(Collectors.joining());
        }

        static Treating of(long caseId, String text) {
            var words = text.split(" ");
            return new Treating(
                    caseId,
                    Treatment.valueOf(words[0]),
                    Arrays.stream(words).skip(1).map(ChannelCode::of).collect(Collectors.toSet()));
        }
    }

    /**
     * What a card of bench work does. @param routine whose card it is, empty for other work; @param channels none for
     * the whole machine
     */
    public record Caring(BenchWork work, String routine, List<ChannelCode> channels) implements Kind {

        String text() {
            return work.name() + "/" + routine
                    + channels.stream().map(c -> " " + c.code()).collect(Collectors.joining());
        }

        static Caring of(String text) {
            var words = text.split(" ");
            var what = words[0].split("/", -1);
            return new Caring(
                    BenchWork.valueOf(what[0]),
                    what[1],
                    Arrays.stream(words).skip(1).map(ChannelCode::of).toList());
        }
    }

    record Note(
            String step,
            Instant at,
            String person,
            String words,
            @Nullable UUID picture) {}

    /** By machine. */
    public Map<Long, Open> open() {
        return db
                .select(CARD.ID, CARD.MACHINE_ID, CARD.TITLE, CARD.STEPS_DONE, CARD.STEPS, CARD.NEXT_STEP)
                .from(CARD)
                .where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull())
                .fetch(org.jooq.Records.mapping(Open::new))
                .stream()
                .collect(Collectors.toMap(Open::machine, o -> o));
    }

    /** What has to be put back at a machine before it runs, as its open card knows. */
    public List<String> apart(long machine) {
        return db.selectFrom(CARD)
                .where(CARD.MACHINE_ID.eq(machine), CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull())
                .fetchOptional()
                .map(r -> kept(r).card().state().apart())
                .orElse(List.of());
    }

    /**
     * What the next hands on an open card would do.
     *
     * @param waitOver when its running wait is over, or null
     */
    public record Next(
            long card,
            long machine,
            String machineName,
            String title,
            int minutes,
            @Nullable Instant waitOver) {}

    /** What stands open on the other cards: all benches are one room. */
    List<Surroundings.Beside> beside(long card) {
        return db
                .select(CARD.asterisk(), MACHINE.NAME)
                .from(CARD)
                .join(MACHINE)
                .on(MACHINE.ID.eq(CARD.MACHINE_ID))
                .where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull(), CARD.ID.ne(card))
                .fetch()
                .stream()
                .flatMap(
                        r -> kept(r.into(CARD)).card().next().flatMap(run -> beside(r.get(MACHINE.NAME), run)).stream())
                .toList();
    }

    private static Optional<Surroundings.Beside> beside(String machine, StepRun run) {
        return Optional.ofNullable(run.openedAt())
                .map(since -> new Surroundings.Beside(
                        machine, run.step().title(), run.step().cautions(), since));
    }

    public List<Next> next() {
        return db
                .select(CARD.asterisk(), MACHINE.NAME)
                .from(CARD)
                .join(MACHINE)
                .on(MACHINE.ID.eq(CARD.MACHINE_ID))
                .where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull())
                .orderBy(CARD.ID)
                .fetch()
                .stream()
                .flatMap(r -> {
                    var kept = kept(r.into(CARD));
                    return kept
                            .card()
                            .next()
                            .map(run -> new Next(
                                    kept.id(),
                                    kept.machine(),
                                    r.get(MACHINE.NAME),
                                    run.step().title(),
                                    run.step().minutes(),
                                    run.waitOver().orElse(null)))
                            .stream();
                })
                .toList();
    }

    /** Those that are being carried out, whole. */
    public List<Kept> carried() {
        return db.selectFrom(CARD)
                .where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull())
                .orderBy(CARD.ID)
                .fetch(this::kept);
    }

    public List<Listed> of(long machine) {
        return db.select(CARD.ID, CARD.TITLE, CARD.CREATED_AT, CARD.FINISHED_AT, CARD.GIVEN_UP)
                .from(CARD)
                .where(CARD.MACHINE_ID.eq(machine))
                .orderBy(CARD.ID.desc())
                .limit(20)
                .fetch(r -> new Listed(
                        r.value1(),
                        r.value2(),
                        r.value3().toInstant(),
                        r.value4() == null ? null : r.value4().toInstant(),
                        r.value5() != null ? "given up" : r.value4() != null ? "done" : "open"));
    }

    long add(
            long machine,
            String title,
            String make,
            long fluidLot,
            JSONB fitBefore,
            JSONB fitAfter,
            Changeovers.Wish wish,
            Answer.Planned answer,
            Card card) {
        long id = db.insertInto(CARD)
                .set(CARD.MACHINE_ID, machine)
                .set(CARD.TITLE, title)
                .set(CARD.FAMILY, answer.plan().family().name())
                .set(CARD.MAKE, make)
                .set(CARD.FIT_BEFORE, fitBefore)
                .set(CARD.FIT_AFTER, fitAfter)
                .set(CARD.WISH, JSONB.valueOf(json.writeValueAsString(wish)))
                .set(CARD.FLUID_LOT, fluidLot)
                .set(CARD.PLAN, JSONB.valueOf(json.writeValueAsString(Summary.of(answer.plan()))))
                .set(CARD.BODY, body(card))
                .set(CARD.STEPS, card.runs().size())
                .set(CARD.NEXT_STEP, card.next().map(r -> r.step().title()).orElse(null))
                .set(CARD.CREATED_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .returningResult(CARD.ID)
                .fetchSingle()
                .value1();
        live.changed("card/" + id);
        return id;
    }

    /** A card that leaves the machine fitted as it is. */
    long add(
            long machine,
            String title,
            Family family,
            String make,
            long fluidLot,
            JSONB fit,
            Kind kind,
            Summary promised,
            Card card) {
        var treating = kind instanceof Treating t ? t : null;
        long id = db.insertInto(CARD)
                .set(CARD.MACHINE_ID, machine)
                .set(CARD.TITLE, title)
                .set(CARD.FAMILY, family.name())
                .set(CARD.MAKE, make)
                .set(CARD.FIT_BEFORE, fit)
                .set(CARD.FIT_AFTER, fit)
                .set(CARD.FLUID_LOT, fluidLot)
                .set(CARD.PLAN, JSONB.valueOf(json.writeValueAsString(promised)))
                .set(CARD.BODY, body(card))
                .set(CARD.STEPS, card.runs().size())
                .set(CARD.NEXT_STEP, card.next().map(r -> r.step().title()).orElse(null))
                .set(CARD.CREATED_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .set(CARD.CASE_ID, treating == null ? null : treating.caseId())
                .set(CARD.TREATMENT, treating == null ? null : treating.text())
                .set(CARD.WORK, kind instanceof Caring caring ? caring.text() : null)
                .returningResult(CARD.ID)
                .fetchSingle()
                .value1();
        live.changed("card/" + id);
        return id;
    }

    /** A finished card of another shop, or of this one before: it is kept to be read, and moves nothing. */
    @Transactional
    public long bringIn(
            long machine,
            String title,
            Family family,
            String make,
            Instant createdAt,
            Instant finishedAt,
            String summary,
            Card card) {
        try {
            Real.of(card);
            card.runs().forEach(run -> card.missing(run.step().id()));
            stored.summary(summary);
        } catch (IllegalArgumentException | IndexOutOfBoundsException | JacksonException e) {
            throw Problem.refused(
                    "This card does not hold together: it was changed by hand. Bring in the file as it was saved.",
                    List.of());
        }
        long id = db.insertInto(CARD)
                .set(CARD.MACHINE_ID, machine)
                .set(CARD.TITLE, title)
                .set(CARD.FAMILY, family.name())
                .set(CARD.MAKE, make)
                .set(CARD.PLAN, JSONB.valueOf(summary))
                .set(CARD.BODY, body(card))
                .set(CARD.STEPS, card.runs().size())
                .set(CARD.STEPS_DONE, card.runs().size())
                .set(CARD.CREATED_AT, createdAt.atOffset(ZoneOffset.UTC))
                .set(CARD.FINISHED_AT, finishedAt.atOffset(ZoneOffset.UTC))
                .set(CARD.BROUGHT_IN, true)
                .returningResult(CARD.ID)
                .fetchSingle()
                .value1();
        live.changed("machine/" + machine);
        return id;
    }

    /**
     * What the plan promised, for the comparison at the end.
     *
     * @param parks true if the machine rests on fluid afterwards
     * @param onFluid slots left on fluid, by the codes they carry afterwards
     * @param used supplies that are gone when it is finished
     */
    public record Summary(
            long handsOnMinutes,
            double inkMl,
            double fluidMl,
            double wasteMl,
            String cost,
            boolean parks,
            List<String> onFluid,
            Map<Supply, Integer> used) {
        static Summary of(fairkettle.changeover.Plan plan) {
            return new Summary(
                    plan.times().handsOn().toMinutes(),
                    plan.channels().stream().mapToDouble(c -> c.inkUsed().mL()).sum(),
                    plan.fluid().mL(),
                    plan.channels().stream()
                            .mapToDouble(c -> c.toWasteBottle().mL())
                            .sum(),
                    plan.total().toString(),
                    plan.route() == Route.PARK,
                    plan.channels().stream()
                            .filter(c -> c.doing() == ChannelPlan.Doing.ON_FLUID)
                            .map(c -> c.code().code())
                            .toList(),
                    plan.needs().stream()
                            .filter(n -> n.what().kind() != Supply.Kind.TOOL)
                            .collect(Collectors.toMap(
                                    fairkettle.changeover.Plan.Need::what, fairkettle.changeover.Plan.Need::count)));
        }
    }

    public Summary summary(Kept kept) {
        return stored.summary(kept.plan().data());
    }

    /**
     * Supplies that a card used up or fitted, as far as its steps say: what was promised, but of dampers only those
     * that went in new.
     */
    public Map<Supply, Integer> used(Kept kept, Card card) {
        var used = new EnumMap<Supply, Integer>(Supply.class);
        used.putAll(summary(kept).used());
        UsualSteps.newlyFitted(card).ifPresent(count -> used.put(Supply.DAMPER, count));
        return used;
    }

    /** What a changeover's card was wished for; empty for other cards. */
    Optional<Changeovers.Wish> wish(long id) {
        return db.select(CARD.WISH)
                .from(CARD)
                .where(CARD.ID.eq(id), CARD.WISH.isNotNull())
                .fetchOptional(r -> json.readValue(r.value1().data(), Changeovers.Wish.class));
    }

    public Kept get(long id) {
        return db.selectFrom(CARD)
                .where(CARD.ID.eq(id))
                .fetchOptional(this::kept)
                .orElseThrow(() -> Problem.notFound("There is no card of this number (%d).".formatted(id)));
    }

    /** The card, held until the transaction ends: two tablets act one after the other. */
    Kept hold(long id) {
        return db.selectFrom(CARD)
                .where(CARD.ID.eq(id))
                .forNoKeyUpdate()
                .fetchOptional(this::kept)
                .orElseThrow(() -> Problem.notFound("There is no card of this number (%d).".formatted(id)));
    }

    private Kept kept(CardRecord r) {
        return new Kept(
                r.getId(),
                r.getMachineId(),
                r.getTitle(),
                Family.valueOf(r.getFamily()),
                r.getMake(),
                r.getFluidLot(),
                stored.card(r.getBody().data()),
                r.getPlan(),
                r.getFitBefore(),
                r.getFitAfter(),
                r.getCreatedAt().toInstant(),
                r.getFinishedAt() == null ? null : r.getFinishedAt().toInstant(),
                r.getGivenUp(),
                r.getBroughtIn(),
                r.getVersion(),
                kind(r));
    }

    private static Kind kind(CardRecord r) {
        if (r.getCaseId() != null) {
            return Treating.of(r.getCaseId(), java.util.Objects.requireNonNull(r.getTreatment()));
        }
        return r.getWork() == null ? new Changing() : Caring.of(r.getWork());
    }

    /** A card that is over can be opened again only as long as nothing came after it on its machine. */
    void stillTheLast(Kept kept) {
        if (kept.broughtIn()) {
            throw Problem.refused("This card was carried out elsewhere: it is history here.", List.of());
        }
        if (db.fetchExists(
                CARD, CARD.MACHINE_ID.eq(kept.machine()), CARD.ID.gt(kept.id()), CARD.BROUGHT_IN.isFalse())) {
            throw Problem.refused(
                    "Another card was begun on this machine since: this one is history. Put right what is wrong there.",
                    List.of());
        }
    }

    void save(Kept kept, Card card) {
        db.update(CARD)
                .set(CARD.BODY, body(card))
                .set(CARD.STEPS, card.runs().size())
                .set(CARD.STEPS_DONE, (int)
                        card.runs().stream().filter(r -> !r.isOpen()).count())
                .set(CARD.NEXT_STEP, card.next().map(r -> r.step().title()).orElse(null))
                .set(CARD.FINISHED_AT, card.finished() ? clock.instant().atOffset(ZoneOffset.UTC) : null)
                .set(CARD.VERSION, CARD.VERSION.plus(1))
                .where(CARD.ID.eq(kept.id()))
                .execute();
        live.changed("card/" + kept.id());
    }

    void giveUp(long id, String reason) {
        db.update(CARD).set(CARD.GIVEN_UP, reason).where(CARD.ID.eq(id)).execute();
        live.changed("card/" + id);
    }

    private JSONB body(Card card) {
        return JSONB.valueOf(stored.written(card));
    }

    int photos(long card, String step) {
        return db.fetchCount(
                CARD_NOTE, CARD_NOTE.CARD_ID.eq(card), CARD_NOTE.STEP_ID.eq(step), CARD_NOTE.PICTURE_ID.isNotNull());
    }

    @Transactional
    void note(long card, String step, @Nullable Long person, String words, @Nullable UUID picture) {
        db.insertInto(CARD_NOTE)
                .set(CARD_NOTE.CARD_ID, card)
                .set(CARD_NOTE.STEP_ID, step)
                .set(CARD_NOTE.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .set(CARD_NOTE.PERSON_ID, person)
                .set(CARD_NOTE.WORDS, words)
                .set(CARD_NOTE.PICTURE_ID, picture)
                .execute();
        live.changed("card/" + card);
    }

    /** Said on the step that comes next, for whoever stands at the machine. */
    public void tell(long id, String words) {
        var next = get(id).card().next().map(r -> r.step().id()).orElse("");
        note(id, next, null, words, null);
    }

    List<Note> notes(long card) {
        return db.select(CARD_NOTE.STEP_ID, CARD_NOTE.AT, PERSON.NAME, CARD_NOTE.WORDS, CARD_NOTE.PICTURE_ID)
                .from(CARD_NOTE)
                .leftJoin(PERSON)
                .on(PERSON.ID.eq(CARD_NOTE.PERSON_ID))
                .where(CARD_NOTE.CARD_ID.eq(card))
                .orderBy(CARD_NOTE.ID)
                .fetch(r -> new Note(
                        r.value1(),
                        r.value2().toInstant(),
                        r.value3() == null ? "somebody" : r.value3(),
                        r.value4(),
                        r.value5()));
    }
}
