package fairkettle.server.jobs;

import static fairkettle.db.Tables.ARTWORK;

import fairkettle.imaging.Artwork;
import fairkettle.imaging.JobPdf;
import fairkettle.job.Separation.Tone;
import fairkettle.server.pictures.Eye;
import fairkettle.server.web.Problem;
import fairkettle.server.web.Sha256;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Customers’ pictures. They are kept byte for byte, with the colour profile that they came with. */
@Repository
public class Artworks {

    private static final TypeReference<Map<String, Tone>> TONES = new TypeReference<>() {};
    private static final int MOST = 25_000_000; // bytes
    private static final int SHOWN = 60;
    private static final int LONGEST_NAME = 80;

    private final DSLContext db;
    private final Eye eye;
    private final JsonMapper json;
    private final Clock clock;

    Artworks(DSLContext db, Eye eye, JsonMapper json, Clock clock) {
        this.db = db;
        this.eye = eye;
        this.json = json;
        this.clock = clock;
    }

    /** Read, and not kept yet. */
    public record Sent(byte[] bytes, Artwork artwork) {}

    /** @param widthMm as the file says it is printed; 0 where it says nothing */
    record Art(
            long id,
            String name,
            String mediaType,
            int width,
            int height,
            double widthMm,
            double heightMm,
            boolean transparent,
            String profile,
            Map<String, Tone> tones) {}

    /** Reads what was sent, outside any transaction. @throws Problem with what to do */
    public Sent receive(byte[] bytes) {
        if (bytes.length == 0) {
            throw Problem.atField("artwork", "The file is empty. Send it again.");
        }
        if (bytes.length > MOST) {
            throw Problem.atField(
                    "artwork",
                    "The artwork has %d MB; at most %d MB are taken."
                            .formatted(bytes.length / 1_000_000, MOST / 1_000_000));
        }
        return eye.turn(bytes, () -> new Sent(bytes, eye.look(() -> Artwork.read(bytes))));
    }

    /** @return its number; the same file sent twice has one */
    @Transactional
    public long keep(Sent sent, String name) {
        byte[] hash = Sha256.of(sent.bytes());
        var art = sent.artwork();
        var called = name.strip().isEmpty() ? "artwork" : name.strip();
        return db.insertInto(ARTWORK)
                .set(ARTWORK.SHA256, hash)
                .set(ARTWORK.NAME, called.length() > LONGEST_NAME ? called.substring(0, LONGEST_NAME) : called)
                .set(ARTWORK.MEDIA_TYPE, art.format().mediaType())
                .set(ARTWORK.BYTES, sent.bytes())
                .set(ARTWORK.DRAWN, art.drawn().length == 0 ? null : art.drawn())
                .set(ARTWORK.PAGE, art.page().length == 0 ? null : art.page())
                .set(ARTWORK.SMALL, art.small())
                .set(ARTWORK.WIDTH, art.width())
                .set(ARTWORK.HEIGHT, art.height())
                .set(ARTWORK.WIDTH_MM, art.widthMm())
                .set(ARTWORK.HEIGHT_MM, art.heightMm())
                .set(ARTWORK.TRANSPARENT, art.transparent())
                .set(ARTWORK.PROFILE, art.profile())
                .set(
                        ARTWORK.TONES,
                        JSONB.valueOf(json.writeValueAsString(art.asked().tones())))
                .set(ARTWORK.KEPT_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .onConflict(ARTWORK.SHA256)
                .doUpdate()
                .set(ARTWORK.NAME, ARTWORK.NAME) // why: so that its number comes back
                .returningResult(ARTWORK.ID)
                .fetchSingle()
                .value1();
    }

    /** The latest first. */
    List<Art> all() {
        return find(DSL.trueCondition());
    }

    Art get(long id) {
        return find(ARTWORK.ID.eq(id)).stream()
                .findFirst()
                .orElseThrow(() -> Problem.notFound("There is no artwork of this number (%d).".formatted(id)));
    }

    private List<Art> find(Condition which) {
        return db.select(
                        ARTWORK.ID,
                        ARTWORK.NAME,
                        ARTWORK.MEDIA_TYPE,
                        ARTWORK.WIDTH,
                        ARTWORK.HEIGHT,
                        ARTWORK.WIDTH_MM,
                        ARTWORK.HEIGHT_MM,
                        ARTWORK.TRANSPARENT,
                        ARTWORK.PROFILE,
                        ARTWORK.TONES)
                .from(ARTWORK)
                .where(which)
                .orderBy(ARTWORK.ID.desc())
                .limit(SHOWN)
                .fetch(r -> new Art(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7(),
                        r.value8(),
                        r.value9(),
                        json.readValue(r.value10().data(), TONES)));
    }

    byte[] small(long id) {
        return db.select(ARTWORK.SMALL)
                .from(ARTWORK)
                .where(ARTWORK.ID.eq(id))
                .fetchOptional(ARTWORK.SMALL)
                .orElseThrow(() -> Problem.notFound("There is no artwork of this number (%d).".formatted(id)));
    }

    /** What a sheet draws: the file itself, or a PDF’s page. */
    JobPdf.Art drawn(long id) {
        return db.select(ARTWORK.BYTES, ARTWORK.DRAWN, ARTWORK.PAGE)
                .from(ARTWORK)
                .where(ARTWORK.ID.eq(id))
                .fetchOptional(r -> new JobPdf.Art(
                        r.value2() == null ? r.value1() : r.value2(), r.value3() == null ? new byte[0] : r.value3()))
                .orElseThrow(() -> Problem.notFound("There is no artwork of this number (%d).".formatted(id)));
    }
}
