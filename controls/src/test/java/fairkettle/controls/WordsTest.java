package fairkettle.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** One thing has one name: what the list of words says is never said is said nowhere that a person reads. */
class WordsTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final Pattern LITERAL =
            Pattern.compile("\"\"\".*?\"\"\"|\"(?:\\\\.|[^\"\\\\\\n])*\"", Pattern.DOTALL);
    private static final Pattern SCRIPT_LITERAL =
            Pattern.compile("'(?:\\\\.|[^'\\\\\\n])*'|`[^`]*`|\"(?:\\\\.|[^\"\\\\\\n])*\"");
    private static final Pattern TEMPLATE = Pattern.compile("(?s)<template>.*</template>");

    /** What must not be said, and what is said instead. */
    private record Never(String words, String instead) {}

    private static List<Never> never() throws IOException {
        var all = new ArrayList<Never>();
        for (var line : Files.readAllLines(ROOT.resolve("docs/words.md"))) {
            var cells = line.split("\\|");
            if (cells.length >= 4 && !cells[1].isBlank() && !cells[3].isBlank() && !cells[3].contains("---")) {
                Arrays.stream(cells[3].split(","))
                        .map(String::strip)
                        .filter(words -> !words.equals("never"))
                        .forEach(words -> all.add(new Never(words, cells[1].strip())));
            }
        }
        return all;
    }

    private static Stream<Path> files(String under, String ending) {
        try (var found = Files.walk(ROOT.resolve(under))) {
            return found
                    .filter(p -> p.toString().endsWith(ending))
                    .filter(p ->
                            !p.toString().contains(".spec.") && !p.toString().endsWith(".d.ts"))
                    .toList()
                    .stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> matches(Pattern pattern, String text) {
        return pattern.matcher(text).results().map(m -> m.group()).toList();
    }

    /** What a person may come to read of a source. */
    private static List<String> said(Path file) {
        var text = read(file);
        if (file.toString().endsWith(".java")) {
            return matches(LITERAL, text);
        }
        var said = new ArrayList<>(matches(TEMPLATE, text));
        said.addAll(matches(SCRIPT_LITERAL, TEMPLATE.matcher(text).replaceAll("")));
        return said;
    }

    private static List<String> broken(List<Never> never, Path file, List<String> said) {
        var found = new ArrayList<String>();
        for (var words : never) {
            var pattern = Pattern.compile("\\b" + Pattern.quote(words.words()) + "\\b", Pattern.CASE_INSENSITIVE);
            said.stream()
                    .filter(s -> !s.equals(s.toUpperCase(Locale.ROOT)))
                    .filter(s -> pattern.matcher(s.replaceAll("\\s+", " ")).find())
                    .findFirst()
                    .ifPresent(s -> found.add(
                            "%s says “%s”, not “%s”".formatted(ROOT.relativize(file), words.words(), words.instead())));
        }
        return found;
    }

    @Test
    void nothingIsCalledByTwoNames() throws IOException {
        var never = never();
        assertThat(never).hasSizeGreaterThan(15);
        var broken = Stream.of(
                        files("core/src/main/java", ".java"),
                        files("server/src/main/java", ".java"),
                        files("ui/src", ".vue"),
                        files("ui/src", ".ts"))
                .flatMap(files -> files)
                .flatMap(file -> broken(never, file, said(file)).stream())
                .toList();
        assertThat(broken).isEmpty();
    }

    @Test
    void aWrongWordIsFoundInWhatIsSaidAndNotInCode() {
        var never = List.of(new Never("timer", "wait"));
        var java = Path.of("x.java");
        assertThat(broken(never, ROOT.resolve(java), matches(LITERAL, "int timer; say(\"Start the timer.\");")))
                .hasSize(1);
        assertThat(broken(never, ROOT.resolve(java), matches(LITERAL, "int timer = 3; // a timer")))
                .isEmpty();
    }
}
