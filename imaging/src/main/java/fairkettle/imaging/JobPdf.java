package fairkettle.imaging;

import fairkettle.job.Layout;
import fairkettle.job.Media;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.apache.pdfbox.util.Matrix;
import org.jspecify.annotations.Nullable;

/**
 * A customer’s sheets as PDF at exact size: each artwork is kept once, as it came (a PDF with its strokes), and drawn
 * wherever it lies. For film the white lies over the colours as a spot colour of its channel’s name, printed over and
 * not instead of them.
 */
public final class JobPdf {

    private static final double POINT = 72 / 254.0; // points per tenth of a mm
    private static final int CUT = 30; // tenths of a mm, the arm of a cutting mark
    private static final int CUT_OFF = 10; // and its distance from the corner

    private final PDDocument document = new PDDocument();
    private final List<PDDocument> opened = new ArrayList<>();
    private final Map<Integer, PDXObject> pictures = new HashMap<>();
    private final Map<Integer, PDImageXObject> whites = new HashMap<>();
    private final Job job;

    private JobPdf(Job job) {
        this.job = job;
    }

    /**
     * What is put on the pages.
     *
     * @param artworks by piece; empty where a piece has none, which is drawn as a frame
     * @param mirrored whether each page is drawn the wrong way round, for what is pressed
     * @param white the channel’s name of the white under it; empty for none
     * @param choke how far white stays back from every edge of the colours, in tenths of a mm: what is beside them by a
     *     hair shows white
     */
    public record Job(
            String title,
            Media media,
            Layout layout,
            List<Optional<Art>> artworks,
            boolean mirrored,
            Optional<String> white,
            int choke) {
        public Job {
            artworks = List.copyOf(artworks);
        }
    }

    /**
     * @param pixels the file, or a PDF’s page as pixels; @param page a PDF’s page with its strokes; empty for others
     */
    public record Art(byte[] pixels, byte[] page) {}

    /** @throws Photo.Refused if an artwork cannot be drawn any more */
    public static byte[] of(Job job) throws Photo.Refused {
        var pdf = new JobPdf(job);
        try (var document = pdf.document) {
            document.getDocumentInformation().setTitle(job.title());
            for (int sheet = 0; sheet < job.layout().sheets(); sheet++) {
                pdf.page(sheet);
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The sheets could not be drawn.", e);
        } finally {
            pdf.opened.forEach(IOUtils::closeQuietly);
        }
    }

    private void page(int sheet) throws IOException, Photo.Refused {
        var media = job.media();
        int length = media.roll() ? job.layout().length() + 2 * media.edge() : media.length();
        var page = new PDPage(new PDRectangle(pt(media.width()), pt(length)));
        document.addPage(page);
        try (var on = new PDPageContentStream(document, page)) {
            if (job.mirrored()) {
                on.transform(new Matrix(-1, 0, 0, 1, pt(media.width()), 0));
            }
            var placed = job.layout().on(sheet);
            for (var p : placed) {
                draw(on, p, length);
            }
            if (job.white().isPresent()) {
                var over = new PDExtendedGraphicsState();
                over.setNonStrokingOverprintControl(true);
                over.setStrokingOverprintControl(true);
                over.setOverprintMode(1);
                over.setBlendMode(BlendMode.MULTIPLY);
                on.saveGraphicsState();
                on.setGraphicsStateParameters(over);
                for (var p : placed) {
                    var white = white(p.piece());
                    if (white.isPresent()) {
                        on.drawImage(white.get(), where(p, length));
                    }
                }
                on.restoreGraphicsState();
            }
            cuttingMarks(on, placed, length);
        }
    }

    private static float pt(int tenths) {
        return (float) (tenths * POINT);
    }

    private void draw(PDPageContentStream on, Layout.Placed p, int length) throws IOException, Photo.Refused {
        switch (picture(p.piece())) {
            case PDImageXObject image -> on.drawImage(image, where(p, length));
            case PDFormXObject page -> {
                on.saveGraphicsState();
                on.transform(where(p, length));
                on.transform(whole(page));
                on.drawForm(page);
                on.restoreGraphicsState();
            }
            case null, default -> {
                on.setStrokingColor(.4f, .4f, .4f);
                on.setLineWidth(.5f);
                on.addRect(pt(left(p)), pt(length - top(p) - p.height()), pt(p.width()), pt(p.height()));
                on.stroke();
            }
        }
    }

    private int left(Layout.Placed p) {
        return job.media().edge() + p.x();
    }

    private int top(Layout.Placed p) {
        return job.media().edge() + p.y();
    }

    /** Where a square of one by one comes to lie. */
    private Matrix where(Layout.Placed p, int length) {
        float x = pt(left(p));
        float y = pt(length - top(p) - p.height());
        float w = pt(p.width());
        float h = pt(p.height());
        // a quarter turn clockwise: what was its left edge is its upper one
        return p.turned() ? new Matrix(0, -h, w, 0, x, y + h) : new Matrix(w, 0, 0, h, x, y);
    }

    /** Brings a page to a square of one by one. */
    private static Matrix whole(PDFormXObject page) {
        var box = page.getBBox().transform(page.getMatrix()).getBounds2D();
        float w = (float) box.getWidth();
        float h = (float) box.getHeight();
        return new Matrix(1 / w, 0, 0, 1 / h, (float) -box.getX() / w, (float) -box.getY() / h);
    }

    private Optional<Art> art(int piece) {
        return piece < job.artworks().size() ? job.artworks().get(piece) : Optional.empty();
    }

    /** Pieces with the same artwork share it. */
    private int first(int piece) {
        return IntStream.range(0, piece)
                .filter(i -> art(i).isPresent() && art(i).get() == art(piece).orElse(null))
                .findFirst()
                .orElse(piece);
    }

    private @Nullable PDXObject picture(int piece) throws IOException, Photo.Refused {
        var art = art(piece);
        if (art.isEmpty()) {
            return null;
        }
        int key = first(piece);
        var known = pictures.get(key);
        if (known == null) {
            known = art.get().page().length > 0
                    ? page(art.get().page())
                    : image(art.get().pixels());
            pictures.put(key, known);
        }
        return known;
    }

    private PDXObject page(byte[] alone) throws IOException {
        var from = Loader.loadPDF(alone);
        opened.add(from); // why: its streams are copied when the sheet is written
        return new LayerUtility(document).importPageAsForm(from, 0);
    }

    private PDXObject image(byte[] file) throws IOException, Photo.Refused {
        return Photo.Format.of(file).filter(f -> f == Photo.Format.TIFF).isPresent()
                ? LosslessFactory.createFromImage(document, Artwork.decode(Photo.Format.TIFF, file))
                : PDImageXObject.createFromByteArray(document, file, "artwork");
    }

    /** How much white lies where, as its own spot colour: as much as the picture is not bare. */
    private Optional<PDImageXObject> white(int piece) throws IOException, Photo.Refused {
        var art = art(piece);
        if (art.isEmpty()) {
            return Optional.empty();
        }
        int key = first(piece);
        var known = whites.get(key);
        if (known == null) {
            var file = art.get().pixels();
            var image = Artwork.decode(Photo.Format.of(file).orElse(Photo.Format.PNG), file);
            // by its longer side, which a turn does not change
            var size = job.layout().placed().stream()
                    .filter(p -> first(p.piece()) == key)
                    .findFirst()
                    .orElseThrow();
            int longer = Math.max(image.getWidth(), image.getHeight());
            int back = Math.round((float) job.choke() * longer / Math.max(size.width(), size.height()));
            known = LosslessFactory.createFromImage(document, Choke.of(cover(image), back));
            known.setColorSpace(spot());
            whites.put(key, known);
        }
        return Optional.of(known);
    }

    private PDColorSpace spot() {
        return SheetPdf.spot(job.white().orElseThrow());
    }

    private static BufferedImage cover(BufferedImage image) {
        var cover = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        var alpha = image.getAlphaRaster();
        var out = cover.getRaster();
        int[] row = new int[image.getWidth()];
        Arrays.fill(row, 255);
        for (int y = 0; y < image.getHeight(); y++) {
            if (alpha != null) {
                alpha.getSamples(0, y, image.getWidth(), 1, 0, row);
            }
            out.setSamples(0, y, image.getWidth(), 1, 0, row);
        }
        return cover;
    }

    /** Short lines outside the corners, never on a piece beside it. */
    private void cuttingMarks(PDPageContentStream on, List<Layout.Placed> placed, int length) throws IOException {
        on.setStrokingColor(.55f, .55f, .55f);
        on.setLineWidth(.25f);
        var lines = new ArrayList<int[]>();
        for (var p : placed) {
            int l = left(p);
            int t = top(p);
            int r = l + p.width();
            int b = t + p.height();
            for (int x : new int[] {l, r}) {
                lines.add(new int[] {x, t - CUT_OFF - CUT, x, t - CUT_OFF});
                lines.add(new int[] {x, b + CUT_OFF, x, b + CUT_OFF + CUT});
            }
            for (int y : new int[] {t, b}) {
                lines.add(new int[] {l - CUT_OFF - CUT, y, l - CUT_OFF, y});
                lines.add(new int[] {r + CUT_OFF, y, r + CUT_OFF + CUT, y});
            }
        }
        for (var line : lines) {
            boolean clear = placed.stream()
                    .noneMatch(p -> line[0] <= left(p) + p.width()
                            && line[2] >= left(p)
                            && line[1] <= top(p) + p.height()
                            && line[3] >= top(p));
            if (clear) {
                on.moveTo(pt(line[0]), pt(length - line[1]));
                on.lineTo(pt(line[2]), pt(length - line[3]));
                on.stroke();
            }
        }
    }
}
