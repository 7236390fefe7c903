package fairkettle.server.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The start command, which knows how to save a shop and how to read one back: the server asks it rather than knowing it
 * too.
 */
@Component
class BackupCommand {

    private static final int LINES = 2;
    private static final Duration LONGEST = Duration.ofHours(2);

    private final String command;
    private final String folder;

    BackupCommand(@Value("${kettle.command:}") String command, @Value("${kettle.backups:}") String folder) {
        this.command = command;
        this.folder = folder;
    }

    /** @return nothing where the server was started by something else, which then has to see to it itself */
    Optional<Path> folder() {
        return command.isBlank() || folder.isBlank() ? Optional.empty() : Optional.of(Path.of(folder));
    }

    void save(Path file) throws IOException, InterruptedException, Refused {
        run("backup", file);
    }

    /** Reads it back into a database that is thrown away. */
    void prove(Path file) throws IOException, InterruptedException, Refused {
        run("prove", file);
    }

    /** What the command said instead of doing it. */
    static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        Refused(String said) {
            super(said);
        }
    }

    private void run(String act, Path file) throws IOException, InterruptedException, Refused {
        var said = Files.createTempFile("kettle-backup", ".said");
        try {
            var process = new ProcessBuilder(List.of(command, act, file.toString()))
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            if (!process.waitFor(LONGEST.toMinutes(), TimeUnit.MINUTES)) {
                process.descendants().forEach(ProcessHandle::destroyForcibly);
                process.destroyForcibly();
                throw new Refused("It was not through after %d h.".formatted(LONGEST.toHours()));
            }
            if (process.exitValue() != 0) {
                throw new Refused(endOf(said));
            }
        } finally {
            Files.deleteIfExists(said);
        }
    }

    /** What it said last, with what another program had said to it before: there stands why. */
    private static String endOf(Path said) throws IOException {
        var lines = Files.readAllLines(said).stream()
                .filter(line -> !line.isBlank())
                .map(line -> line.startsWith("kettle: ") ? line.substring("kettle: ".length()) : line)
                .toList();
        return lines.isEmpty()
                ? "It ended without a word."
                : String.join(" ", lines.subList(Math.max(0, lines.size() - LINES), lines.size()));
    }
}
