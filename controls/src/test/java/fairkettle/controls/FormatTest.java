package fairkettle.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class FormatTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    @Test
    void everySourceIsInForm() throws IOException {
        assertThat(Format.unformatted(ROOT))
                .as("./kettle format brings these into form")
                .isEmpty();
    }

    @Test
    void aLongLineIsBrokenAndAnUnusedImportGoes() {
        var untidy = "import java.util.List;\nclass A { int sum(int first, int second) { return "
                + "first + second + ".repeat(20) + "0; } }\n";
        assertThat(Format.inForm(untidy).lines())
                .allMatch(line -> line.length() <= 120)
                .noneMatch(line -> line.startsWith("import"));
    }
}
