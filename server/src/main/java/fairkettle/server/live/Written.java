package fairkettle.server.live;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.GZIPOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import tools.jackson.databind.json.JsonMapper;

/**
 * An answer that every screen asks for: worked out once, and put into words and packed once as well.
 *
 * @param plain as JSON; @param packed the same, with gzip
 */
public record Written<T>(T value, byte[] plain, byte[] packed) {

    public static <T> Written<T> of(T value, JsonMapper json) {
        var plain = json.writeValueAsBytes(value);
        var packed = new ByteArrayOutputStream(plain.length / 4);
        try (var gzip = new GZIPOutputStream(packed)) {
            gzip.write(plain);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Written<>(value, plain, packed.toByteArray());
    }

    /** @param accepted what the asker can unpack: the request's {@code Accept-Encoding} */
    public ResponseEntity<byte[]> answer(@Nullable String accepted) {
        var answer = ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.VARY, HttpHeaders.ACCEPT_ENCODING);
        return accepted != null && accepted.contains("gzip")
                ? answer.header(HttpHeaders.CONTENT_ENCODING, "gzip").body(packed)
                : answer.body(plain);
    }
}
