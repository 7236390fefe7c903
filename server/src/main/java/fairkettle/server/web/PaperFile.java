package fairkettle.server.web;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Files that people keep: told by their first bytes, and never shown in place. */
public final class PaperFile {

    private PaperFile() {}

    /** What a leaflet or a receipt is. @throws Problem if it is none of PDF, PNG and JPEG */
    public static String mediaType(byte[] bytes, String field) {
        if (starts(bytes, 0x25, 0x50, 0x44, 0x46, 0x2d)) {
            return "application/pdf";
        }
        if (starts(bytes, 0x89, 0x50, 0x4e, 0x47)) {
            return "image/png";
        }
        if (starts(bytes, 0xff, 0xd8, 0xff)) {
            return "image/jpeg";
        }
        throw Problem.atField(field, "Only PDF, PNG and JPEG are kept. Print it into a PDF first.");
    }

    private static boolean starts(byte[] bytes, int... with) {
        for (int i = 0; i < with.length; i++) {
            if (i >= bytes.length || (bytes[i] & 0xff) != with[i]) {
                return false;
            }
        }
        return true;
    }

    /** @throws Problem if it is empty or larger */
    public static void fits(byte[] bytes, int most, String field) {
        if (bytes.length == 0 || bytes.length > most) {
            throw Problem.atField(
                    field,
                    bytes.length == 0 ? "The file is empty." : "At most %d MB for one.".formatted(most / 1_000_000));
        }
    }

    /** To be saved: an uploaded file may hold anything. */
    public static ResponseEntity<byte[]> download(String name, String mediaType, byte[] bytes) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(mediaType))
                .header("X-Content-Type-Options", "nosniff")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(bytes);
    }
}
