package fairkettle.server.checks;

import static fairkettle.db.Tables.CONSEQUENCE;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.PICTURE;
import static fairkettle.db.Tables.READING;

import fairkettle.check.Look;
import fairkettle.db.tables.Picture;
import fairkettle.imaging.SheetReader;
import fairkettle.imaging.SheetReader.Result;
import fairkettle.ink.ChannelCode;
import fairkettle.procedure.Consequence;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Journal;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.pictures.Eye;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.sheets.SheetBook;
import fairkettle.server.web.Problem;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.SheetKind;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.SelectOnConditionStep;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Readings of pictures. What was read stays as it was read; what a person corrected is kept beside it. */
@Repository
public class Readings {

    private static final TypeReference<List<Look>> LOOKS = new TypeReference<>() {};
    private static final TypeReference<LinkedHashMap<String, List<Integer>>> CORRECTED = new TypeReference<>() {};
    private static final TypeReference<List<String>> DOUBTS = new TypeReference<>() {};
    private static final TypeReference<LinkedHashMap<String, List<Double>>> SPOTS = new TypeReference<>() {};

    private static final Picture STRAIGHT = PICTURE.as("straight");
    private static final Field<Double> SHAPE =
            STRAIGHT.WIDTH.cast(SQLDataType.DOUBLE).div(STRAIGHT.HEIGHT).as("shape");

    private final DSLContext db;
    private final Eye eye;
    private final Pictures pictures;
    private final SheetBook sheets;
    private final Machines machines;
    private final Checks checks;
    private final Live live;
    private final Who who;
    private final JsonMapper json;
    private final Clock clock;

    Readings(
            DSLContext db,
            Eye eye,
            Pictures pictures,
            SheetBook sheets,
            Machines machines,
            Checks checks,
            Live live,
            Who who,
            JsonMapper json,
            Clock clock) {
        this.db = db;
        this.eye = eye;
        this.pictures = pictures;
        this.sheets = sheets;
        this.machines = machines;
        this.checks = checks;
        this.live = live;
        this.who = who;
        this.json = json;
        this.clock = clock;
    }

    /**
     * @param taken by the camera’s own clock; null if it did not say
     * @param shape width of the straightened picture by its height
     * @param machine null if the picture told of none
     * @param whyNot what to do, if nothing was read
     * @param corrected strokes missing by channel, as a person sees it
     * @param spots by channel, where each stroke is in the straightened picture: shares of its width and height
     * @param reference the one that foreign colour is held against
     */
    public record Reading(
            long id,
            Instant at,
            @Nullable LocalDateTime taken,
            UUID picture,
            @Nullable UUID straight,
            @Nullable Double shape,
            @Nullable Long machine,
            @Nullable SheetKind kind,
            @Nullable String whyNot,
            List<Look> looks,
            Map<String, List<Integer>> corrected,
            List<String> doubts,
            Map<String, List<Double>> spots,
            @Nullable Double pixelsPerMm,
            boolean reference,
            @Nullable Long entry) {}

    /**
     * A picture that was looked at, and is not filed yet. @param sheets what came of every sheet in it, at least one
     */
    public record Seen(Pictures.Sent sent, List<Sheet> sheets) {}

    /** @param straight the part that was read, to be looked at; none if nothing was */
    record Sheet(Result result, Optional<Pictures.Sent> straight) {

        /** Its number; null if the picture did not tell. */
        @Nullable
        Long number() {
            var code = switch (result) {
                case Result.Read read -> read.code();
                case Result.Unread unread -> unread.code();
            };
            return code.map(SheetCode::sheet).orElse(null);
        }
    }

    /** Reads a picture, outside any transaction. */
    public Seen look(byte[] bytes) {
        return eye.turn(bytes, () -> {
            var sent = pictures.receive(bytes);
            return seen(sent, eye.look(() -> SheetReader.read(sent.photo(), this::known)));
        });
    }

    /**
     * A picture without marks, after a person tapped its pattern's corners, outside any transaction. @param corners in
     * pixels, as for {@link SheetReader#tapped}
     */
    Seen look(long reading, long machine, double[] corners, boolean dark) {
        var picture = pictures.find(get(reading).picture()).orElseThrow();
        var profile = machines.get(machine).profile();
        var sent = pictures.receive(picture.bytes());
        for (int i = 0; i < corners.length; i++) {
            double most = i % 2 == 0 ? sent.photo().width() : sent.photo().height();
            if (!(corners[i] >= 0 && corners[i] <= most)) {
                throw Problem.atField("corners", "Tap the four corners inside the picture.");
            }
        }
        return seen(sent, eye.look(() -> List.of(SheetReader.tapped(sent.photo(), corners, profile, dark))));
    }

    private Seen seen(Pictures.Sent sent, List<Result> results) {
        return new Seen(
                sent,
                results.stream()
                        .map(result -> new Sheet(
                                result,
                                result instanceof Result.Read read
                                        ? Optional.of(
                                                pictures.receive(read.straight().jpeg()))
                                        : Optional.empty()))
                        .toList());
    }

    /**
     * Files what came of every sheet in a picture: first what was read, and of those first the machine's that was
     * looked at.
     *
     * @param looking at which machine the sender was; null for none. A picture that tells of another is filed there,
     *     and that is said
     * @param keep false if it counts as a check elsewhere: on a card, whose step keeps it
     */
    @Transactional
    public List<Reading> read(Seen seen, @Nullable Long looking, boolean keep) {
        var id = pictures.keep(seen.sent());
        return seen.sheets().stream()
                .map(sheet -> before(id, sheet, keep).map(this::get).orElseGet(() -> file(id, sheet, looking, keep)))
                .sorted(Comparator.comparing((Reading r) -> r.whyNot() != null)
                        .thenComparing(r -> looking != null && !looking.equals(r.machine())))
                .toList();
    }

    /** The same after its corners were tapped: it is read anew. */
    @Transactional
    public Reading tapped(Seen seen, long machine) {
        return file(pictures.keep(seen.sent()), seen.sheets().getFirst(), machine, true);
    }

    /** The same sheet in the same picture twice is one check. */
    private Optional<Long> before(UUID picture, Sheet sheet, boolean keep) {
        return db.select(READING.ID)
                .from(READING)
                .where(READING.PICTURE_ID.eq(picture))
                .and(READING.WHY_NOT.isNull())
                .and(sheet.number() == null ? DSL.noCondition() : READING.SHEET_ID.eq(sheet.number()))
                .and(
                        keep
                                ? READING.ENTRY_ID
                                        .isNotNull()
                                        .or(READING.KIND.notIn(SheetKind.FRAME.name(), SheetKind.DARK_FRAME.name()))
                                : DSL.noCondition())
                .orderBy(READING.ID.desc())
                .limit(1)
                .fetchOptional(READING.ID);
    }

    private Optional<SheetReader.Known> known(SheetCode code) {
        return sheets.look(code)
                .map(looked -> new SheetReader.Known(
                        looked.kind(),
                        looked.madeAt(),
                        looked.page(),
                        looked.machine().profile(),
                        clean(looked.machine().id())));
    }

    /** Of a reading: colours are held against it, and the machine has not been charged or laid to rest since. */
    private static final Condition HELD_AGAINST = DSL.condition(READING.REFERENCE)
            .and(DSL.notExists(DSL.selectOne()
                    .from(CONSEQUENCE)
                    .join(ENTRY)
                    .on(ENTRY.ID.eq(CONSEQUENCE.ENTRY_ID))
                    .where(CONSEQUENCE.KIND.eq(Consequence.Holds.class.getSimpleName()))
                    .and(ENTRY.MACHINE_ID.eq(READING.MACHINE_ID))
                    .and(ENTRY.AT.gt(READING.AT))
                    .and(ENTRY.CONTRA_OF.isNull())
                    .and(Journal.stands())));

    private static final Field<Boolean> IS_HELD_AGAINST =
            DSL.field(HELD_AGAINST).as("held_against");

    private Map<ChannelCode, List<Double>> clean(long machine) {
        var tints = new HashMap<ChannelCode, List<Double>>();
        db.select(READING.LOOKS)
                .from(READING)
                .where(READING.MACHINE_ID.eq(machine))
                .and(HELD_AGAINST)
                .fetchOptional(READING.LOOKS)
                .ifPresent(looks -> json.readValue(looks.data(), LOOKS).forEach(l -> {
                    if (l.solid() != null) {
                        tints.put(l.channel(), l.solid().tint());
                    }
                }));
        return tints;
    }

    private Reading file(UUID picture, Sheet seen, @Nullable Long looking, boolean keep) {
        var row = db.newRecord(READING);
        row.setAt(clock.instant().atOffset(ZoneOffset.UTC));
        row.setPersonId(who.id());
        row.setPictureId(picture);
        switch (seen.result()) {
            case Result.Unread(var code, var why) -> {
                row.setMachineId(
                        code.flatMap(sheets::look).map(l -> l.machine().id()).orElse(looking));
                code.ifPresent(c -> row.setKind(c.kind().name()));
                row.setWhyNot(why);
            }
            case Result.Read read -> {
                long machine = read.code()
                        .map(c -> c.machine())
                        .or(() -> Optional.ofNullable(looking))
                        .orElseThrow();
                row.setMachineId(machine);
                row.setSheetId(read.code().map(SheetCode::sheet).orElse(null));
                row.setKind(read.code().map(c -> c.kind().name()).orElse(null));
                boolean pattern = read.code()
                        .map(c -> c.kind().frame())
                        .orElse(true); // tapped corners are always the machine's own pattern's
                var found = machines.get(machine);
                var doubts = new ArrayList<>(read.doubts());
                if (looking != null && looking != machine) {
                    doubts.addFirst(
                            "This is %s’s sheet, so it was filed with %s.".formatted(found.name(), found.name()));
                }
                read.code().flatMap(this::old).ifPresent(doubts::add);
                row.setDoubts(write(doubts));
                row.setLooks(write(read.looks()));
                row.setTurned(read.turned());
                row.setPixelsPerMm(read.pixelsPerMm());
                var spots = new LinkedHashMap<String, List<Double>>();
                read.straight().spots().forEach((code, places) -> spots.put(code.code(), places));
                row.setSpots(write(spots));
                row.setStraightId(seen.straight().map(pictures::keep).orElseThrow());
                if (pattern && keep) {
                    var missing = new LinkedHashMap<ChannelCode, List<Integer>>();
                    // why: what is hidden may be missing; such a channel counts when somebody has looked
                    read.looks().stream().filter(Look::whollySeen).forEach(l -> missing.put(l.channel(), l.missing()));
                    row.setEntryId(checks.read(found, missing));
                } else if (!pattern) {
                    boolean first = !read.looks().isEmpty()
                            && read.code().flatMap(this::old).isEmpty()
                            && read.looks().stream()
                                    .allMatch(
                                            l -> l.solid() != null && l.solid().clean())
                            && !db.fetchExists(
                                    READING, READING.MACHINE_ID.eq(machine).and(HELD_AGAINST));
                    if (first) {
                        noReference(machine); // one of other ink
                    }
                    row.setReference(first);
                }
            }
        }
        row.store();
        live.changed("readings");
        if (row.getMachineId() != null) {
            live.changed("machine/" + row.getMachineId());
        }
        return get(row.getId());
    }

    /** What a sheet shows is of the day it was printed on; a frame is laid under a new strip each time. */
    private Optional<String> old(SheetCode code) {
        long days = Duration.between(code.minute(), clock.instant()).toDays();
        return code.kind().frame() || days < 2
                ? Optional.empty()
                : Optional.of("This sheet was made %d days ago: it shows the machine of that day, not of today."
                        .formatted(days));
    }

    private JSONB write(Object value) {
        return JSONB.valueOf(json.writeValueAsString(value));
    }

    /** @throws Problem if there is none of this number */
    public Reading get(long id) {
        return read().where(READING.ID.eq(id))
                .fetchOptional(this::of)
                .orElseThrow(() -> Problem.notFound("There is no reading of this number (%d).".formatted(id)));
    }

    /** Pages of a machine, the newest first. @param before only older than this one; null for the newest */
    List<Reading> pages(long machine, @Nullable Long before, int count) {
        var last = READING.as("last");
        return read().where(READING.MACHINE_ID.eq(machine))
                .and(
                        before == null
                                ? DSL.noCondition()
                                : DSL.row(READING.AT, READING.ID)
                                        .lessThan(DSL.select(last.AT, last.ID)
                                                .from(last)
                                                .where(last.ID.eq(before))))
                .orderBy(READING.AT.desc(), READING.ID.desc())
                .limit(count)
                .fetch(this::of);
    }

    /** @param machine null for all; newest first */
    public List<Reading> latest(@Nullable Long machine, int count) {
        return read().where(machine == null ? DSL.noCondition() : READING.MACHINE_ID.eq(machine))
                .orderBy(READING.AT.desc(), READING.ID.desc())
                .limit(count)
                .fetch(this::of);
    }

    private SelectOnConditionStep<? extends Record> read() {
        return db.select(READING.asterisk(), PICTURE.TAKEN, SHAPE, IS_HELD_AGAINST)
                .from(READING)
                .join(PICTURE)
                .on(PICTURE.ID.eq(READING.PICTURE_ID))
                .leftJoin(STRAIGHT)
                .on(STRAIGHT.ID.eq(READING.STRAIGHT_ID));
    }

    private Reading of(Record found) {
        var r = found.into(READING);
        return new Reading(
                r.getId(),
                r.getAt().toInstant(),
                found.get(PICTURE.TAKEN),
                r.getPictureId(),
                r.getStraightId(),
                found.get(SHAPE),
                r.getMachineId(),
                r.getKind() == null ? null : SheetKind.valueOf(r.getKind()),
                r.getWhyNot(),
                json.readValue(r.getLooks().data(), LOOKS),
                json.readValue(r.getCorrected().data(), CORRECTED),
                json.readValue(r.getDoubts().data(), DOUBTS),
                json.readValue(r.getSpots().data(), SPOTS),
                r.getPixelsPerMm(),
                found.get(IS_HELD_AGAINST),
                r.getEntryId());
    }

    /** @param missing strokes of that channel, as a person sees them */
    @Transactional
    public Reading correct(long id, String channel, List<Integer> missing) {
        var reading = get(id);
        var code = ChannelCode.of(channel);
        var look = reading.looks().stream()
                .filter(l -> l.channel().equals(code))
                .findFirst()
                .orElseThrow(() -> Problem.atField("channel", "This picture does not show %s.".formatted(channel)));
        if (missing.stream().anyMatch(s -> s < 0 || s >= look.strokes())) {
            throw Problem.atField("missing", "%s has %d strokes, numbered from 0.".formatted(channel, look.strokes()));
        }
        var corrected = new LinkedHashMap<>(reading.corrected());
        corrected.put(channel, missing.stream().sorted().distinct().toList());
        db.update(READING)
                .set(READING.CORRECTED, write(corrected))
                .where(READING.ID.eq(id))
                .execute();
        if (reading.entry() != null && reading.machine() != null) {
            checks.correct(reading.entry(), machines.get(reading.machine()), code, missing);
        }
        live.changed("readings");
        return get(id);
    }

    /** From now on foreign colour is held against this one. */
    @Transactional
    public Reading reference(long id) {
        var reading = get(id);
        if (reading.machine() == null || reading.looks().stream().noneMatch(l -> l.solid() != null)) {
            throw Problem.refused("Only a sheet with full areas can be the clean one.", List.of());
        }
        noReference(reading.machine());
        db.update(READING).set(READING.REFERENCE, true).where(READING.ID.eq(id)).execute();
        live.changed("readings");
        return get(id);
    }

    private void noReference(long machine) {
        db.update(READING)
                .set(READING.REFERENCE, false)
                .where(READING.MACHINE_ID.eq(machine))
                .and(READING.REFERENCE)
                .execute();
    }
}
