package fairkettle.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The one command says at which step it is, and for how long. */
@Timeout(60)
class ProgressTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    @TempDir
    private Path dir;

    private Path log;

    @BeforeEach
    void aLog() {
        log = dir.resolve("log");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[INFO] Building What is asked of the sources 0.1.0          [5/9] | What is asked of the sources,"
                        + " part 5 of 9",
                "[INFO] Building core 0.1.0                                 [2/9] | core, part 2 of 9",
                "[INFO] Running fairkettle.e2e.papers.LabelIT               | tests: e2e.papers.LabelIT",
                "2026-12-01 INFO 7 --- demo.DemoDays : day 12 of 65 is lived | day 12 of 65 is lived",
                "[INFO] Compiling 214 source files                          | ''",
            })
    void aStepIsReadFromALog(String line, String step) throws IOException, InterruptedException {
        Files.writeString(log, line + "\n");
        assertThat(run("step_in " + log)).isEqualTo(step);
    }

    @Test
    void whatLastsSaysItsStepsMeanwhileAndHowLongItTook() throws IOException, InterruptedException {
        var said = run(("two() { echo '[INFO] Building core 1 [1/2]'; until_told 'core, part 1'; echo 'Running"
                        + " fairkettle.DrillTest'; until_told Drill; }; until_told() { until grep -q \"$1\" SAID; do :;"
                        + " done; }; telling Building LOG into LOG two 2> SAID; cat SAID")
                .replace("LOG", log.toString())
                .replace("SAID", dir.resolve("told").toString()));
        assertThat(said)
                .contains("Building … core, part 1 of 2, after ")
                .contains("Building … tests: DrillTest, after ")
                .containsPattern("Building: \\d+ s\\.$");
    }

    @Test
    void whatFailsFailsTheCommand() throws IOException, InterruptedException {
        assertThat(run("telling Building " + log + " false || echo failed")).endsWith("failed");
    }

    @Test
    void aTestRunSaysAfterHowLongEachStepBegan() throws IOException, InterruptedException {
        assertThat(run("printf '[INFO] Building core 1 [1/2]\\n[INFO] Compiling\\n' | with_time"))
                .isEqualTo("[0 s] [INFO] Building core 1 [1/2]\n[INFO] Compiling");
    }

    private String run(String line) throws IOException, InterruptedException {
        var said = dir.resolve("said");
        new ProcessBuilder("bash", "-c", "source ./kettle >/dev/null; " + line)
                .directory(ROOT.toFile())
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start()
                .waitFor();
        return Files.readString(said).strip();
    }
}
