package fairkettle.server.pictures;

import static fairkettle.db.Tables.PICTURE;

import fairkettle.imaging.BarePicture;
import fairkettle.imaging.Photo;
import fairkettle.server.web.Problem;
import fairkettle.server.web.Sha256;
import java.time.LocalDateTime;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * Photos. What is no picture, too large, or would unpack to too many pixels is refused from its first bytes, before it
 * is decoded; what remains is decoded once to see that it is whole, and served with the type that was found, not
 * claimed.
 */
@Repository
public class Pictures {

    private static final Set<String> BY_BROWSERS = Set.of("image/jpeg", "image/png");

    private final DSLContext db;
    private final Eye eye;
    private final int maxBytes;

    Pictures(DSLContext db, Eye eye, @Value("${kettle.pictures.max-bytes}") int maxBytes) {
        this.db = db;
        this.eye = eye;
        this.maxBytes = maxBytes;
    }

    public record Picture(UUID id, String mediaType, byte[] bytes) {}

    /**
     * A picture that was decoded, and is not kept yet.
     *
     * @param bytes without the place and whatever else a camera wrote beside it
     * @param taken when, by the camera's own clock; null if it did not say
     */
    public record Sent(
            byte[] bytes,
            String mediaType,
            Photo photo,
            @Nullable LocalDateTime taken) {

        public Sent(byte[] bytes, String mediaType, Photo photo) {
            this(bytes, mediaType, photo, null);
        }
    }

    /** Decodes what was sent, outside any transaction. @throws Problem if it is no picture, or more than is taken */
    public Sent receive(byte[] bytes) {
        if (bytes.length == 0) {
            throw Problem.atField("picture", "The picture is empty. Take it again.");
        }
        if (bytes.length > maxBytes) {
            throw Problem.atField(
                    "picture",
                    "The picture has %d MB; at most %d MB are taken."
                            .formatted(bytes.length / 1_000_000, maxBytes / 1_000_000));
        }
        var photo = eye.decode(bytes);
        var bare = BarePicture.of(bytes);
        return new Sent(
                bare.bytes(),
                Photo.Format.of(bytes).orElseThrow().mediaType(),
                photo,
                bare.taken().orElse(null));
    }

    /** @return the picture's id; the same picture sent twice has one */
    @Transactional
    public UUID keep(Sent sent) {
        return keep(
                sent.bytes(),
                sent.mediaType(),
                sent.photo().width(),
                sent.photo().height(),
                sent.taken());
    }

    private UUID keep(byte[] bytes, String mediaType, int width, int height, @Nullable LocalDateTime taken) {
        byte[] hash = Sha256.of(bytes);
        return db.select(PICTURE.ID)
                .from(PICTURE)
                .where(PICTURE.SHA256.eq(hash))
                .fetchOptional(PICTURE.ID)
                .orElseGet(() -> {
                    var id = UUID.randomUUID();
                    db.insertInto(PICTURE)
                            .set(PICTURE.ID, id)
                            .set(PICTURE.SHA256, hash)
                            .set(PICTURE.MEDIA_TYPE, mediaType)
                            .set(PICTURE.WIDTH, width)
                            .set(PICTURE.HEIGHT, height)
                            .set(PICTURE.BYTES, bytes)
                            .set(PICTURE.TAKEN, taken)
                            .execute();
                    return id;
                });
    }

    /**
     * A picture that every browser can show: a TIFF or a PDF as a JPEG. Those that were kept with their place, before
     * it was left out, are shown without it.
     */
    public Optional<Picture> shown(UUID id) {
        return find(id).map(found -> BY_BROWSERS.contains(found.mediaType())
                ? new Picture(
                        id, found.mediaType(), BarePicture.of(found.bytes()).bytes())
                : new Picture(id, "image/jpeg", eye.decode(found.bytes()).jpeg()));
    }

    public Optional<Picture> find(UUID id) {
        return db.select(PICTURE.ID, PICTURE.MEDIA_TYPE, PICTURE.BYTES)
                .from(PICTURE)
                .where(PICTURE.ID.eq(id))
                .fetchOptional(r -> new Picture(r.value1(), r.value2(), r.value3()));
    }
}
