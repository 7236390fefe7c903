package fairkettle.server.backup;

import fairkettle.server.backup.Backups.Backup;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Copies of the shop: which there are, a new one, and one to take away. */
@RestController
class BackupController {

    private static final Duration OLD = Duration.ofHours(36);

    private final Backups backups;
    private final Clock clock;

    BackupController(Backups backups, Clock clock) {
        this.backups = backups;
        this.clock = clock;
    }

    /**
     * @param possible whether this server can make one
     * @param provedAt when the newest was read back whole; null if none ever was
     * @param old whether that is longer ago than a night and a half, or the last one failed
     */
    record BackupsJson(
            boolean possible, @Nullable Instant provedAt, boolean old, boolean making, List<Backup> backups) {}

    @GetMapping("/api/backups")
    BackupsJson backups() {
        var all = backups.all();
        var proved = all.stream()
                .map(Backup::provedAt)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
        boolean failed = !all.isEmpty() && all.getFirst().said() != null;
        boolean late = proved != null && proved.isBefore(clock.instant().minus(OLD));
        return new BackupsJson(
                backups.possible(),
                proved,
                failed || late,
                all.stream().anyMatch(b -> b.provedAt() == null && b.said() == null),
                all);
    }

    /** Begins one; it is made and proved meanwhile. */
    @PostMapping("/api/backups")
    BackupsJson askForBackup() {
        backups.ask();
        return backups();
    }

    /** One to be kept off this computer. */
    @GetMapping(value = "/api/backups/{backup}/file", produces = "application/x-tar")
    ResponseEntity<Resource> backupFile(@PathVariable long backup) {
        var file = backups.file(backup)
                .orElseThrow(() -> Problem.notFound("That copy is not beside this kettle. Take one from the list."));
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(file.getFileName().toString())
                                .build()
                                .toString())
                .body(new FileSystemResource(file));
    }
}
