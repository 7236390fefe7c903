package fairkettle.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.sql.SQLException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The whole shop, to be read by any program or to begin anew with elsewhere. */
@RestController
class ArchiveController {

    private static final DateTimeFormatter NAME =
            DateTimeFormatter.ofPattern("'fair-kettle-'yyyyMMdd'.zip'").withZone(ZoneOffset.UTC);

    private final Archive archive;
    private final Clock clock;

    ArchiveController(Archive archive, Clock clock) {
        this.archive = archive;
        this.clock = clock;
    }

    /** Written whole first: what goes wrong is said, and nobody holds half of a shop. */
    @GetMapping(value = "/api/archive", produces = "application/zip")
    ResponseEntity<Resource> archive() throws IOException, SQLException {
        var file = Files.createTempFile("fair-kettle", ".zip");
        try {
            try (var out = Files.newOutputStream(file)) {
                archive.write(out);
            }
            return ResponseEntity.ok()
                    .contentLength(Files.size(file))
                    .header(
                            HttpHeaders.CONTENT_DISPOSITION,
                            ContentDisposition.attachment()
                                    .filename(NAME.format(clock.instant()))
                                    .build()
                                    .toString())
                    .body(new InputStreamResource(Files.newInputStream(file, StandardOpenOption.DELETE_ON_CLOSE)));
        } catch (IOException | SQLException | RuntimeException e) {
            Files.deleteIfExists(file);
            throw e;
        }
    }
}
