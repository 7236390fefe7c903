package fairkettle.server.papers;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;

/** A page to pin to the wall: large type, boxes to tick, page numbers. Lines break and pages turn by themselves. */
public final class Sheet implements AutoCloseable {

    private static final float MARGIN = 42;

    private final PDDocument document = new PDDocument();
    private final Faces faces = new Faces(document);
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
            faces.write(stream, faces.plain, 9, MARGIN, MARGIN - 18, footer + "   ·   " + pages);
            return stream;
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be drawn.", e);
        }
    }

    public void title(String words) {
        lines(faces.serif, 21, 26, 0, words);
        space(4);
    }

    public void heading(String words) {
        space(10);
        keep(60);
        lines(faces.serif, 14, 18, 0, words);
        rule();
    }

    public void text(String words) {
        lines(faces.plain, 11, 14.5f, 0, words);
    }

    /** With an open box before it. */
    public void tick(String words) {
        keep(18);
        frame(MARGIN + 2, y - 11, 10, 10);
        lines(faces.plain, 12, 16, 20, words);
        space(3);
    }

    public void small(String words, float indent) {
        lines(faces.plain, 9.5f, 12.5f, indent, words);
    }

    public void bold(String words, float indent) {
        keep(34);
        lines(faces.bold, 12, 16, indent, words);
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
        row(faces.bold, heads, shares);
        rule();
        rows.forEach(row -> row(faces.plain, row, shares));
    }

    private void row(PDFont font, List<String> cells, float... shares) {
        float width = paper.getWidth() - 2 * MARGIN;
        var broken = new ArrayList<List<String>>();
        int most = 1;
        for (int i = 0; i < cells.size(); i++) {
            var lines = faces.broken(font, 10, width * shares[i] - 6, cells.get(i));
            broken.add(lines);
            most = Math.max(most, lines.size());
        }
        keep(most * 13 + 4);
        float x = MARGIN;
        for (int i = 0; i < broken.size(); i++) {
            for (int line = 0; line < broken.get(i).size(); line++) {
                faces.write(page, font, 10, x, y - 11 - line * 13, broken.get(i).get(line));
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
                .map(head -> faces.broken(faces.plain, 8.5f, column - 6, head))
                .toList();
        int lines = told.stream().mapToInt(List::size).max().orElse(1);
        keep(3 + lines * 10 + rows.size() * (CELL + 5)); // a head on the page before is no head
        float x = MARGIN + indent + 34;
        for (int i = 0; i < told.size(); i++) {
            for (int line = 0; line < told.get(i).size(); line++) {
                int fromBelow = lines - told.get(i).size() + line;
                faces.write(
                        page,
                        faces.plain,
                        8.5f,
                        x + i * column,
                        y - 9 - fromBelow * 10,
                        told.get(i).get(line));
            }
        }
        y -= 3 + lines * 10;
        rows.forEach((code, cells) -> {
            keep(CELL + 5);
            faces.write(page, faces.bold, 11, MARGIN + indent, y - 12, code);
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
            float wide = CELL + 5 + faces.width(faces.plain, 10, faces.printable(faces.plain, word)) + 16;
            if (x + wide > paper.getWidth() - MARGIN) {
                x = MARGIN + indent;
                y -= CELL + 5;
                keep(CELL + 6);
            }
            frame(x, y - CELL, CELL, CELL);
            faces.write(page, faces.plain, 10, x + CELL + 5, y - 12, word);
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
        faces.write(page, faces.bold, 11, MARGIN + indent, y - 12, code);
        for (int i = 0; i < teeth; i++) {
            float x = left + (i + .5f) * pitch;
            line(x, y - 3, x, y - 13, i % 10 == 9 ? 1.6f : .8f);
        }
        line(left, y - 15, left + teeth * pitch, y - 15, .5f);
        faces.write(
                page,
                faces.plain,
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
        faces.write(page, faces.bold, 11, MARGIN, y - 20, codes);
        float x = left;
        for (var vessel : capacities.entrySet()) {
            if (x > left) {
                line(x - 16, y - 17, x, y - 17, 1);
            }
            frame(x, y - 26, width, 18);
            faces.write(page, faces.plain, 9, x + 5, y - 20, vessel.getKey());
            faces.write(page, faces.plain, 8.5f, x + 5, y - 37, vessel.getValue() + " mL");
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
            faces.write(
                    page,
                    faces.plain,
                    8,
                    x - faces.width(faces.plain, 8, faces.printable(faces.plain, words)),
                    at,
                    words);
            page.setNonStrokingColor(0f, 0f, 0f);
        } catch (IOException e) {
            throw new UncheckedIOException("The page could not be written.", e);
        }
    }

    private void lines(PDFont font, float size, float leading, float indent, String words) {
        for (var line : faces.broken(font, size, paper.getWidth() - 2 * MARGIN - indent, words)) {
            keep(leading);
            faces.write(page, font, size, MARGIN + indent, y - size, line);
            y -= leading;
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
