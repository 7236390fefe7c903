package fairkettle.server.papers;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** The faces of the screens, on one paper: how wide words are in them, where they break, and what they cannot write. */
final class Faces {

    final PDFont plain;
    final PDFont bold;
    final PDFont serif;
    private final Map<PDFont, Map<Integer, Boolean>> letters = new HashMap<>();

    Faces(PDDocument document) {
        plain = face(document, "AtkinsonHyperlegibleNext_400Regular");
        bold = face(document, "AtkinsonHyperlegibleNext_700Bold");
        serif = face(document, "Besley_600SemiBold");
    }

    private static PDFont face(PDDocument document, String name) {
        try (var file = Faces.class.getResourceAsStream("/fonts/" + name + ".ttf")) {
            return PDType0Font.load(
                    document, Objects.requireNonNull(file, () -> "The application has no face " + name + "."), true);
        } catch (IOException e) {
            throw new UncheckedIOException("The face (%s) cannot be read.".formatted(name), e);
        }
    }

    /** The words in lines of at most so many points; a single longer word stands alone. */
    List<String> broken(PDFont font, float size, float width, String words) {
        var lines = new ArrayList<String>();
        var line = new StringBuilder();
        for (var word : printable(font, words).split(" ")) {
            var longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && width(font, size, longer) > width) {
                lines.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** As large as fits into so many points, at most so large. */
    float fitting(PDFont font, float most, float width, String words) {
        return Math.min(most, most * width / Math.max(1, width(font, most, printable(font, words))));
    }

    float width(PDFont font, float size, String words) {
        try {
            return font.getStringWidth(words) / 1000 * size;
        } catch (IOException e) {
            throw new UncheckedIOException("The width of (%s) is unknown.".formatted(words), e);
        }
    }

    void write(PDPageContentStream stream, PDFont font, float size, float x, float at, String words) {
        try {
            stream.beginText();
            stream.setFont(font, size);
            stream.newLineAtOffset(x, at);
            stream.showText(printable(font, words));
            stream.endText();
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be written.", e);
        }
    }

    /** A letter that the face does not have is written without its mark, or as a question mark. */
    String printable(PDFont font, String words) {
        var written = new StringBuilder();
        Normalizer.normalize(words, Normalizer.Form.NFC)
                .replaceAll("\\s+", " ")
                .codePoints()
                .forEach(c -> written.append(printable(font, c)));
        return written.toString();
    }

    private String printable(PDFont font, int letter) {
        if (has(font, letter)) {
            return Character.toString(letter);
        }
        var bare = Normalizer.normalize(Character.toString(letter), Normalizer.Form.NFKD)
                .codePoints()
                .filter(c -> has(font, c))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        return !bare.isEmpty() ? bare : letter == '→' ? "to" : "?";
    }

    private boolean has(PDFont font, int letter) {
        return letters.computeIfAbsent(font, _ -> new HashMap<>()).computeIfAbsent(letter, _ -> {
            try {
                font.encode(Character.toString(letter));
                return true;
            } catch (IllegalArgumentException | IOException e) {
                return false;
            }
        });
    }
}
