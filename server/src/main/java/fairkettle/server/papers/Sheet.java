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
        frame(MARGIN + 2, y - 11, 10, 10);
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

    /**
     * One box to be written into, or none.
     *
     * @param width points; a square one is to be ticked
     * @param planned what is expected in it, printed small beside where the pen goes; empty for nothing
     */
    record Cell(float width, String planned) {

        static final Cell NONE = new Cell(0, "");

        static Cell tick() {
            return new Cell(CELL, "");
        }
    }

    private static final float CELL = 16; // points: a pen in a wet hand
    private static final float GREY = .45f;

    /** Boxes in columns under their heads, a line for each slot. @param rows by their slot’s code, in order */
    void boxes(float indent, List<String> heads, Map<String, List<Cell>> rows) {
        float column = Math.min(130, (paper.getWidth() - 2 * MARGIN - indent - 34) / Math.max(1, heads.size()));
        var told = heads.stream()
                .map(head -> broken(plain, 8.5f, column - 6, head))
                .toList();
        int lines = told.stream().mapToInt(List::size).max().orElse(1);
        keep(3 + lines * 10 + rows.size() * (CELL + 5)); // a head on the page before is no head
        float x = MARGIN + indent + 34;
        for (int i = 0; i < told.size(); i++) {
            for (int line = 0; line < told.get(i).size(); line++) {
                int fromBelow = lines - told.get(i).size() + line;
                write(
                        page,
                        plain,
                        8.5f,
                        x + i * column,
                        y - 9 - fromBelow * 10,
                        told.get(i).get(line));
            }
        }
        y -= 3 + lines * 10;
        rows.forEach((code, cells) -> {
            keep(CELL + 5);
            write(page, bold, 11, MARGIN + indent, y - 12, code);
            for (int i = 0; i < cells.size(); i++) {
                var cell = cells.get(i);
                float width = Math.min(cell.width(), column - 8);
                if (width > 0) {
                    frame(x + i * column, y - CELL, width, CELL);
                    grey(x + i * column + width - 3, y - 12, cell.planned());
                }
            }
            y -= CELL + 5;
        });
    }

    /** A part of a step, with a box of its own. */
    void item(float indent, String words) {
        keep(15);
        frame(MARGIN + indent, y - 11, 9, 9);
        small(words, indent + 16);
        space(2);
    }

    /** A box to tick before each of some short words, side by side. */
    void ticks(float indent, String say, List<String> words) {
        small(say, indent);
        float x = MARGIN + indent;
        keep(CELL + 6);
        for (var word : words) {
            float wide = CELL + 5 + width(plain, 10, printable(plain, word)) + 16;
            if (x + wide > paper.getWidth() - MARGIN) {
                x = MARGIN + indent;
                y -= CELL + 5;
                keep(CELL + 6);
            }
            frame(x, y - CELL, CELL, CELL);
            write(page, plain, 10, x + CELL + 5, y - 12, word);
            x += wide;
        }
        y -= CELL + 6;
    }

    /** A comb to strike missing teeth out of. @param strokes that the slot has: a tooth stands for some of them */
    void comb(float indent, String code, int strokes) {
        int each = Math.ceilDiv(strokes, 60);
        int teeth = Math.ceilDiv(strokes, each);
        float left = MARGIN + indent + 34;
        float pitch = Math.min(8, (paper.getWidth() - MARGIN - left - 110) / teeth);
        keep(20);
        write(page, bold, 11, MARGIN + indent, y - 12, code);
        for (int i = 0; i < teeth; i++) {
            float x = left + (i + .5f) * pitch;
            line(x, y - 3, x, y - 13, i % 10 == 9 ? 1.6f : .8f);
        }
        line(left, y - 15, left + teeth * pitch, y - 15, .5f);
        write(
                page,
                plain,
                8.5f,
                left + teeth * pitch + 6,
                y - 12,
                strokes + " strokes" + (each > 1 ? ", %d a tooth".formatted(each) : ""));
        y -= 20;
    }

    /** The way of the ink from its first vessel to the head. @param capacities mL, by the vessels’ names, in order */
    void path(String codes, Map<String, String> capacities) {
        float left = MARGIN + 70;
        float pitch = (paper.getWidth() - MARGIN - left) / Math.max(1, capacities.size());
        float width = Math.min(pitch - 16, 92);
        keep(46);
        write(page, bold, 11, MARGIN, y - 20, codes);
        float x = left;
        for (var vessel : capacities.entrySet()) {
            if (x > left) {
                line(x - 16, y - 17, x, y - 17, 1);
            }
            frame(x, y - 26, width, 18);
            write(page, plain, 9, x + 5, y - 20, vessel.getKey());
            write(page, plain, 8.5f, x + 5, y - 37, vessel.getValue() + " mL");
            x += width + 16;
        }
        line(x - width - 16, y - 26, x - 16, y - 26, 3); // the plate
        y -= 46;
    }

    private void frame(float x, float at, float width, float height) {
        try {
            page.setLineWidth(.9f);
            page.addRect(x, at, width, height);
            page.stroke();
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    private void line(float x, float at, float toX, float to, float width) {
        try {
            page.setLineWidth(width);
            page.moveTo(x, at);
            page.lineTo(toX, to);
            page.stroke();
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    /** Small and light, ending at x. */
    private void grey(float x, float at, String words) {
        try {
            page.setNonStrokingColor(GREY, GREY, GREY);
            write(page, plain, 8, x - width(plain, 8, printable(plain, words)), at, words);
            page.setNonStrokingColor(0f, 0f, 0f);
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be written.", e);
        }
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

    private void rule() {
        line(MARGIN, y - 1, paper.getWidth() - MARGIN, y - 1, .7f);
        y -= 5;
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
