package fairkettle.controls;

import com.palantir.javaformat.java.Formatter;
import com.palantir.javaformat.java.FormatterException;
import com.palantir.javaformat.java.JavaFormatterOptions;
import com.palantir.javaformat.java.StringWrapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** Brings every Java source of the project into its one form: lines of at most 120, imports in order. */
public final class Format {

    private static final int MOST = 120; // characters in a line

    private static final Formatter FORMATTER = Formatter.createFormatter(JavaFormatterOptions.builder()
            .style(JavaFormatterOptions.Style.PALANTIR)
            .formatJavadoc(true)
            .build());

    private Format() {}

    /** Rewrites what is not in form. @param args the project's folder */
    public static void main(String[] args) throws IOException {
        var root = Path.of(args[0]);
        for (var source : unformatted(root)) {
            Files.writeString(source, inForm(Files.readString(source)));
            System.out.println("Formatted " + root.relativize(source));
        }
    }

    /** Sources that the formatter would change. */
    static List<Path> unformatted(Path root) throws IOException {
        return sources(root).parallelStream()
                .filter(source -> !isInForm(source))
                .sorted()
                .toList();
    }

    private static boolean isInForm(Path source) {
        try {
            var text = Files.readString(source);
            return inForm(text).equals(text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static String inForm(String text) {
        try {
            return reflowed(FORMATTER.formatSourceAndFixImports(text));
        } catch (FormatterException e) {
            throw new IllegalArgumentException("The source cannot be read as Java: " + e.getMessage(), e);
        }
    }

    /** Strings that are too long for a line are broken between words. */
    private static String reflowed(String text) throws FormatterException {
        var result = new StringBuilder(text);
        StringWrapper.getReflowReplacements(MOST, text)
                .asDescendingMapOfRanges()
                .forEach((range, words) -> result.replace(range.lowerEndpoint(), range.upperEndpoint(), words));
        return result.toString();
    }

    static List<Path> sources(Path root) throws IOException {
        try (Stream<Path> modules = Files.list(root)) {
            return modules.map(module -> module.resolve("src"))
                    .filter(Files::isDirectory)
                    .flatMap(Format::javaIn)
                    .toList();
        }
    }

    private static Stream<Path> javaIn(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(".java")).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
