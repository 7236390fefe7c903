package fairkettle.imaging;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferInt;
import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.jspecify.annotations.Nullable;

/**
 * The first page of a PDF as pixels. A PDF is a program that somebody else wrote: it is carried out in a process of its
 * own, with little memory, that is ended when it takes too long; in there forms within forms and operators are counted,
 * so that a page that draws itself is refused at once.
 */
final class PdfPage {

    private static final Duration LONGEST = Duration.ofSeconds(12);
    private static final int MOST_OPERATORS = 200_000; // a page that was scanned has a few dozen
    private static final int DEEPEST = 8; // forms within forms
    private static final int DPI = 300;
    private static final double PIXELS = 16e6;
    private static final double MM_PER_INCH = 25.4;

    private PdfPage() {}

    private static final String CLEAR = "clear";

    /** @throws Photo.Refused if it is damaged, or asks for more than a sheet can need */
    static Photo render(byte[] pdf) throws IOException, Photo.Refused {
        return drawn(pdf, "", PdfPage::answer);
    }

    /**
     * A page with what is bare on it left clear.
     *
     * @param widthMm of the page as it is looked at; @param heightMm likewise
     * @param alone the same page as a PDF of its own, with its strokes and nothing that could be carried out
     */
    record Clear(BufferedImage image, double widthMm, double heightMm, byte[] alone) {}

    /** @throws Photo.Refused likewise */
    static Clear renderClear(byte[] pdf) throws IOException, Photo.Refused {
        return drawn(pdf, CLEAR, PdfPage::clearAnswer);
    }

    private interface Answer<T> {
        T of(DataInputStream data) throws IOException, Photo.Refused;
    }

    private static <T> T drawn(byte[] pdf, String how, Answer<T> answer) throws IOException, Photo.Refused {
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx400m",
                        "-Xss512k",
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-Djava.awt.headless=true",
                        "-cp",
                        System.getProperty("java.class.path"),
                        PdfPage.class.getName(),
                        how)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        var watch = Thread.ofVirtual().name("pdf").start(() -> endWhenLate(process));
        try (var in = process.getInputStream();
                var data = new DataInputStream(new BufferedInputStream(in))) {
            try (var out = process.getOutputStream()) {
                out.write(pdf);
            }
            return answer.of(data);
        } catch (IOException e) {
            throw new Photo.Refused("The PDF takes too long to draw, or is damaged. Scan the sheet to a JPEG instead.");
        } finally {
            process.destroyForcibly();
            watch.interrupt();
        }
    }

    private static void endWhenLate(Process process) {
        try {
            if (!process.waitFor(LONGEST.toMillis(), TimeUnit.MILLISECONDS)) {
                process.destroyForcibly();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static Photo answer(DataInputStream data) throws IOException, Photo.Refused {
        int width = data.readInt();
        if (width == 0) {
            throw new Photo.Refused(data.readUTF());
        }
        int height = data.readInt();
        byte[] bgr = data.readNBytes(3 * width * height);
        if (bgr.length < 3 * width * height) {
            throw new IOException("The picture broke off.");
        }
        return new Photo(width, height, bgr, Optional.empty());
    }

    private static Clear clearAnswer(DataInputStream data) throws IOException, Photo.Refused {
        int width = data.readInt();
        if (width == 0) {
            throw new Photo.Refused(data.readUTF());
        }
        int height = data.readInt();
        double widthMm = data.readDouble();
        double heightMm = data.readDouble();
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        var row = new byte[4 * width];
        for (int y = 0; y < height; y++) {
            data.readFully(row);
            ByteBuffer.wrap(row)
                    .asIntBuffer()
                    .get(((DataBufferInt) image.getRaster().getDataBuffer()).getData(), y * width, width);
        }
        var alone = data.readNBytes(data.readInt());
        return new Clear(image, widthMm, heightMm, alone);
    }

    private static void writeClear(DataOutputStream out, Clear page) throws IOException {
        var pixels = ((DataBufferInt) page.image().getRaster().getDataBuffer()).getData();
        int width = page.image().getWidth();
        out.writeInt(width);
        out.writeInt(page.image().getHeight());
        out.writeDouble(page.widthMm());
        out.writeDouble(page.heightMm());
        var row = ByteBuffer.allocate(4 * width);
        for (int at = 0; at < pixels.length; at += width) {
            row.asIntBuffer().put(pixels, at, width);
            out.write(row.array());
        }
        out.writeInt(page.alone().length);
        out.write(page.alone());
    }

    private static byte[] alone(PDDocument document) throws IOException {
        try (var one = new PDDocument()) {
            var form = new LayerUtility(one).importPageAsForm(document, 0);
            var box = form.getBBox();
            var page = new PDPage(box);
            one.addPage(page);
            try (var on = new PDPageContentStream(one, page)) {
                on.drawForm(form);
            }
            var out = new ByteArrayOutputStream();
            one.save(out, CompressParameters.NO_COMPRESSION);
            return out.toByteArray();
        }
    }

    /** The process of its own: a PDF on standard input, its first page on standard output. */
    public static void main(String[] args) throws IOException {
        var out = new DataOutputStream(System.out);
        try {
            var pdf = System.in.readAllBytes();
            if (args.length > 0 && args[0].equals(CLEAR)) {
                writeClear(out, clear(pdf));
                out.flush();
                return;
            }
            var image = image(pdf);
            out.writeInt(image.getWidth());
            out.writeInt(image.getHeight());
            out.write(((DataBufferByte) image.getRaster().getDataBuffer()).getData());
        } catch (Photo.Refused | TooMuch e) {
            refuse(out, String.valueOf(e.getMessage()));
        } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
            refuse(out, "The PDF is damaged. Take it again.");
        }
        out.flush();
    }

    private static void refuse(DataOutputStream out, String why) throws IOException {
        out.writeInt(0);
        out.writeUTF(why);
    }

    private static BufferedImage image(byte[] bytes) throws IOException, Photo.Refused {
        try (PDDocument document = Loader.loadPDF(bytes)) {
            return image(document, ImageType.BGR);
        }
    }

    private static Clear clear(byte[] bytes) throws IOException, Photo.Refused {
        try (PDDocument document = Loader.loadPDF(bytes)) {
            var image = image(document, ImageType.ARGB);
            var page = document.getPage(0);
            boolean lies = page.getRotation() % 180 != 0;
            double width = page.getCropBox().getWidth() / 72 * MM_PER_INCH;
            double height = page.getCropBox().getHeight() / 72 * MM_PER_INCH;
            return new Clear(image, lies ? height : width, lies ? width : height, alone(document));
        }
    }

    private static BufferedImage image(PDDocument document, ImageType type) throws IOException, Photo.Refused {
        if (document.getNumberOfPages() == 0) {
            throw new Photo.Refused("The PDF has no page.");
        }
        var box = document.getPage(0).getCropBox();
        double inches = box.getWidth() / 72.0 * box.getHeight() / 72.0;
        if (!(inches > 0.5)) {
            throw new Photo.Refused("The PDF's first page is too small to be a sheet.");
        }
        measure(document.getPage(0).getResources(), 0);
        float dpi = (float) Math.min(DPI, Math.sqrt(PIXELS / inches));
        return new Renderer(document).renderImageWithDPI(0, dpi, type);
    }

    /** A small page may hold a picture that would unpack to more than there is memory. */
    private static void measure(@Nullable PDResources resources, int depth) throws IOException, Photo.Refused {
        if (resources == null || depth > DEEPEST / 2) {
            return;
        }
        for (var name : resources.getXObjectNames()) {
            var stream = resources.getCOSObject().getCOSDictionary(COSName.XOBJECT);
            var found = stream == null ? null : stream.getCOSStream(name);
            if (found != null
                    && COSName.IMAGE.equals(found.getCOSName(COSName.SUBTYPE))
                    && (long) found.getInt(COSName.WIDTH) * found.getInt(COSName.HEIGHT) > Photo.MAX_PIXELS) {
                throw new Photo.Refused(
                        "The PDF holds a picture of %d × %d pixels, more than is taken. Scan it smaller."
                                .formatted(found.getInt(COSName.WIDTH), found.getInt(COSName.HEIGHT)));
            }
            if (found != null
                    && COSName.FORM.equals(found.getCOSName(COSName.SUBTYPE))
                    && found.getCOSDictionary(COSName.RESOURCES) != null) {
                measure(new PDResources(found.getCOSDictionary(COSName.RESOURCES)), depth + 1);
            }
        }
    }

    /** Unchecked, because the library logs an {@link IOException} of a form and draws on. */
    private static final class TooMuch extends RuntimeException {
        private static final long serialVersionUID = 1;

        TooMuch(String message) {
            super(message);
        }
    }

    private static final class Renderer extends PDFRenderer {
        Renderer(PDDocument document) {
            super(document);
        }

        @Override
        protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
            return new Counted(parameters);
        }
    }

    private static final class Counted extends PageDrawer {
        private int operators;
        private int depth;

        Counted(PageDrawerParameters parameters) throws IOException {
            super(parameters);
        }

        @Override
        protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
            if (++operators > MOST_OPERATORS) {
                throw new TooMuch(
                        "The PDF's page is drawn in more strokes than a sheet has. Scan it to a JPEG instead.");
            }
            super.processOperator(operator, operands);
        }

        @Override
        public void showForm(PDFormXObject form) throws IOException {
            deeper();
            super.showForm(form);
            depth--;
        }

        @Override
        public void showTransparencyGroup(PDTransparencyGroup form) throws IOException {
            deeper();
            super.showTransparencyGroup(form);
            depth--;
        }

        private void deeper() {
            if (++depth > DEEPEST) {
                throw new TooMuch("The PDF's page draws itself without end. Scan the sheet to a JPEG instead.");
            }
        }
    }
}
