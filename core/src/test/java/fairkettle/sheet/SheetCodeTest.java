package fairkettle.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** What a corner says is read back whole, or not at all. */
class SheetCodeTest {

    @RepeatedTest(60)
    void whatIsWrittenIsReadAndADamagedOneIsNot(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        var kinds = SheetKind.values();
        var code = new SheetCode(
                kinds[random.nextInt(kinds.length)],
                random.nextInt(4),
                random.nextInt(1 << 20),
                random.nextInt(1 << 25),
                Instant.parse("2026-03-01T10:00:00Z").plusSeconds(random.nextInt(900_000_000)));
        var text = code.text();
        assertThat(text).hasSize(20).matches("[0-9A-Z]+");
        assertThat(SheetCode.read(text)).contains(code);
        int at = 2 + random.nextInt(16);
        char wrong = text.charAt(at) == 'X' ? '7' : 'X';
        assertThat(SheetCode.read(text.substring(0, at) + wrong + text.substring(at + 1)))
                .as("one wrong character")
                .isEmpty();
    }

    @Test
    void strangersAreNotRead() {
        assertThat(SheetCode.read("https://elsewhere.example")).isEmpty();
        assertThat(SheetCode.read("")).isEmpty();
        assertThatThrownBy(() -> new SheetCode(SheetKind.PURGE, 4, 1, 1, Instant.parse("2026-03-01T10:00:00Z")))
                .hasMessageContaining("corner (4)");
    }
}
