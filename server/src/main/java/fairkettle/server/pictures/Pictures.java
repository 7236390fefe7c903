package fairkettle.server.pictures;

import static fairkettle.db.Tables.PICTURE;

import fairkettle.server.web.Problem;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import org.jooq.DSLContext;
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

    private static final Map<String, String> TYPES = Map.of("JPEG", "image/jpeg", "png", "image/png");

    private final DSLContext db;
    private final int maxBytes;
    private final long maxPixels;

    Pictures(
            DSLContext db,
            @Value("${kettle.pictures.max-bytes}") int maxBytes,
            @Value("${kettle.pictures.max-pixels}") long maxPixels) {
        this.db = db;
        this.maxBytes = maxBytes;
        this.maxPixels = maxPixels;
    }

    public record Picture(UUID id, String mediaType, byte[] bytes) {}

    private record Found(String mediaType, int width, int height) {}

    /** @return the picture's id; the same picture sent twice has one */
    @Transactional
    public UUID keep(byte[] bytes) {
        if (bytes.length == 0) {
            throw Problem.atField("picture", "The picture is empty. Take it again.");
        }
        if (bytes.length > maxBytes) {
            throw Problem.atField(
                    "picture",
                    "The picture has %d MB; at most %d MB are taken."
                            .formatted(bytes.length / 1_000_000, maxBytes / 1_000_000));
        }
        var found = look(bytes);
        return keep(bytes, found.mediaType(), found.width(), found.height());
    }

    /** Most bytes that are taken. */
    public int maxBytes() {
        return maxBytes;
    }

    /** Keeps what was decoded already. @return the picture's id; the same picture has one */
    @Transactional
    public UUID keep(byte[] bytes, String mediaType, int width, int height) {
        byte[] hash = sha256(bytes);
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
                            .execute();
                    return id;
                });
    }

    private Found look(byte[] bytes) {
        try (var input = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader = List.of("JPEG", "png").stream()
                    .map(f -> ImageIO.getImageReadersByFormatName(f).next())
                    .filter(r -> {
                        try {
                            return r.getOriginatingProvider().canDecodeInput(input);
                        } catch (IOException e) {
                            return false;
                        }
                    })
                    .findFirst()
                    .orElseThrow(() -> Problem.atField("picture", "This is no JPEG or PNG picture."));
            try {
                reader.setInput(input, true, true);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if ((long) width * height > maxPixels) {
                    throw Problem.atField(
                            "picture",
                            "The picture has %d × %d pixels; that is more than is taken.".formatted(width, height));
                }
                reader.read(0);
                return new Found(Objects.requireNonNull(TYPES.get(reader.getFormatName())), width, height);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            if (e instanceof Problem problem) {
                throw problem;
            }
            throw Problem.atField("picture", "The picture is damaged. Take it again.");
        }
    }

    public Optional<Picture> find(UUID id) {
        return db.select(PICTURE.ID, PICTURE.MEDIA_TYPE, PICTURE.BYTES)
                .from(PICTURE)
                .where(PICTURE.ID.eq(id))
                .fetchOptional(r -> new Picture(r.value1(), r.value2(), r.value3()));
    }

    private static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every JDK has SHA-256.", e);
        }
    }
}
