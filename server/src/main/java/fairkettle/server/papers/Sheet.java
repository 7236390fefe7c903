package fairkettle.server.papers;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** A page to pin to the wall: large type, boxes to tick, page numbers. Lines break and pages turn by themselves. */
public final class Sheet implements AutoCloseable {

    private static final float MARGIN = 42;

    private final PDDocument document = new PDDocument();
    /** The faces of the screens. */
    private final PDFont plain = face("AtkinsonHyperlegibleNext_400Regular");

    private final PDFont bold = face("AtkinsonHyperlegibleNext_700Bold");
    private final PDFont serif = face("Besley_600SemiBold");
    private final Map<PDFont, Map<Integer, Boolean>> letters = new HashMap<>();
    private final PDRectangle paper;
    private final String footer;
    private PDPageContentStream page;
    private float y;
    private int pages;

    public Sheet(PDRectangle paper, String footer) {
        this.paper = paper;
        this.footer = footer;
        this.page = turn();
    }

    private PDFont face(String name) {
        try (var file = Sheet.class.getResourceAsStream("/fonts/" + name + ".ttf")) {
            return PDType0Font.load(
                    document, Objects.requireNonNull(file, () -> "The application has no face " + name + "."), true);
        } catch (IOException e) {
            throw new UncheckedIOException("The face (%s) cannot be read.".formatted(name), e);
        }
    }

    public static PDRectangle paper(String name) {
        return name.equalsIgnoreCase("letter") ? PDRectangle.LETTER : PDRectangle.A4;
    }

    private PDPageContentStream turn() {
        try {
            if (pages > 0) {
                page.close();
            }
            var next = new PDPage(paper);
            document.addPage(next);
            pages++;
            y = paper.getHeight() - MARGIN;
            var stream = new PDPageContentStream(document, next);
            write(stream, plain, 9, MARGIN, MARGIN - 18, footer + "   ·   " + pages);
            return stream;
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    public void title(String words) {
        lines(serif, 21, 26, 0, words);
        space(4);
    }

    public void heading(String words) {
        space(10);
        keep(60);
        lines(serif, 14, 18, 0, words);
        rule();
    }

    public void text(String words) {
        lines(plain, 11, 14.5f, 0, words);
    }

    /** With an open box before it. */
    public void tick(String words) {
        keep(18);
        box(MARGIN + 2, y - 11, 10);
        lines(plain, 12, 16, 20, words);
        space(3);
    }

    public void small(String words, float indent) {
        lines(plain, 9.5f, 12.5f, indent, words);
    }

    public void bold(String words, float indent) {
        keep(34);
        lines(bold, 12, 16, indent, words);
    }

    public void space(float points) {
        y -= points;
    }

    /** Starts a new page rather than break what follows within so many points. */
    public void keep(float points) {
        if (y - points < MARGIN) {
            page = turn();
        }
    }

    /** Columns at fixed shares of the width; the first row is set bold. */
    public void table(List<String> heads, List<List<String>> rows, float... shares) {
        row(bold, heads, shares);
        rule();
        rows.forEach(row -> row(plain, row, shares));
    }

    private void row(PDFont font, List<String> cells, float... shares) {
        float width = paper.getWidth() - 2 * MARGIN;
        var broken = new ArrayList<List<String>>();
        int most = 1;
        for (int i = 0; i < cells.size(); i++) {
            var lines = broken(font, 10, width * shares[i] - 6, cells.get(i));
            broken.add(lines);
            most = Math.max(most, lines.size());
        }
        keep(most * 13 + 4);
        float x = MARGIN;
        for (int i = 0; i < broken.size(); i++) {
            for (int line = 0; line < broken.get(i).size(); line++) {
                write(page, font, 10, x, y - 11 - line * 13, broken.get(i).get(line));
            }
            x += width * shares[i];
        }
        y -= most * 13 + 3;
    }

    private void lines(PDFont font, float size, float leading, float indent, String words) {
        for (var line : broken(font, size, paper.getWidth() - 2 * MARGIN - indent, words)) {
            keep(leading);
            write(page, font, size, MARGIN + indent, y - size, line);
            y -= leading;
        }
    }

    private List<String> broken(PDFont font, float size, float width, String words) {
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

    private static float width(PDFont font, float size, String words) {
        try {
            return font.getStringWidth(words) / 1000 * size;
        } catch (IOException e) {
            throw new UncheckedIOException("The width of (%s) is unknown.".formatted(words), e);
        }
    }

    /** A letter that the face does not have is written without its mark, or as a question mark. */
    private String printable(PDFont font, String words) {
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

    private void write(PDPageContentStream stream, PDFont font, float size, float x, float at, String words) {
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

    private void box(float x, float at, float side) {
        try {
            page.setLineWidth(1);
            page.addRect(x, at, side, side);
            page.stroke();
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    private void rule() {
        try {
            page.setLineWidth(0.7f);
            page.moveTo(MARGIN, y - 1);
            page.lineTo(paper.getWidth() - MARGIN, y - 1);
            page.stroke();
            y -= 5;
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    public byte[] bytes() {
        try {
            page.close();
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The paper could not be made.", e);
        }
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
