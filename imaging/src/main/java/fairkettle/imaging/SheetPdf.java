package fairkettle.imaging;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import fairkettle.ink.ChannelCode;
import fairkettle.sheet.Page;
import fairkettle.sheet.Shape;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.util.Matrix;

/**
 * Pages as vector PDF at exact size. Spot colours are Separation colour spaces (ISO 32000-1, 8.6.6.4) of the channels'
 * names.
 */
public final class SheetPdf {

    private static final float POINT = 72 / 25.4f; // points per mm
    private static final float CAPITAL = 0.718f; // of the font's size, for Helvetica
    private static final PDFont FONT = new PDType1Font(FontName.HELVETICA);
    private static final Map<String, float[]> ALTERNATE = Map.of(
            "C",
            new float[] {1, 0, 0, 0},
            "M",
            new float[] {0, 1, 0, 0},
            "Y",
            new float[] {0, 0, 1, 0},
            "K",
            new float[] {0, 0, 0, 1},
            "LC",
            new float[] {.4f, 0, 0, 0},
            "LM",
            new float[] {0, .4f, 0, 0});

    private final PDDocument document = new PDDocument();
    private final Map<ChannelCode, PDColorSpace> spots = new HashMap<>();

    private SheetPdf() {}

    public static byte[] of(String title, List<Page> pages) {
        var pdf = new SheetPdf();
        try (var document = pdf.document) {
            document.getDocumentInformation().setTitle(title);
            for (var page : pages) {
                pdf.draw(page);
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException | WriterException e) {
            throw new UncheckedIOException(
                    "The sheet could not be drawn.", e instanceof IOException io ? io : new IOException(e));
        }
    }

    private void draw(Page page) throws IOException, WriterException {
        var paper = new PDPage(new PDRectangle(pt(page.width()), pt(page.height())));
        document.addPage(paper);
        try (var on = new PDPageContentStream(document, paper)) {
            for (var shape : page.shapes()) {
                switch (shape) {
                    case Shape.Box(var x, var y, var width, var height, var ink) -> {
                        ink(on, ink);
                        on.addRect(pt(x), pt(page.height() - y - height), pt(width), pt(height));
                        on.fill();
                    }
                    case Shape.Outline(var points, var ink) -> {
                        ink(on, ink);
                        for (int i = 0; i < points.size(); i += 2) {
                            float x = pt(points.get(i));
                            float y = pt(page.height() - points.get(i + 1));
                            if (i == 0) {
                                on.moveTo(x, y);
                            } else {
                                on.lineTo(x, y);
                            }
                        }
                        on.fill();
                    }
                    case Shape.Dot(var x, var y, var diameter) -> {
                        ink(on, page.marks());
                        dot(on, pt(x), pt(page.height() - y), pt(diameter / 2));
                    }
                    case Shape.Code code -> {
                        ink(on, page.marks());
                        code(on, page, code);
                    }
                    case Shape.Window(var x, var y, var width, var height) -> {
                        on.setStrokingColor(0f, 0f, 0f);
                        on.setLineWidth(1);
                        on.addRect(pt(x), pt(page.height() - y - height), pt(width), pt(height));
                        on.stroke();
                    }
                    case Shape.Words words -> {
                        ink(on, page.marks());
                        words(on, page, words);
                    }
                }
            }
        }
    }

    private static float pt(double mm) {
        return (float) mm * POINT;
    }

    private void ink(PDPageContentStream on, Shape.Ink ink) throws IOException {
        switch (ink) {
            case Shape.Ink.Rgb(var red, var green, var blue) ->
                on.setNonStrokingColor((float) red, (float) green, (float) blue);
            case Shape.Ink.Spot(var channel, var amount) ->
                on.setNonStrokingColor(new PDColor(
                        new float[] {(float) amount}, spots.computeIfAbsent(channel, SheetPdf::separation)));
        }
    }

    /** On a screen white shows as a light grey; the program that separates it goes by the name. */
    private static PDColorSpace separation(ChannelCode channel) {
        return spot(channel.code());
    }

    /** The spot colour of a channel’s name. */
    static PDColorSpace spot(String name) {
        var function = new COSDictionary();
        function.setItem(COSName.FUNCTION_TYPE, COSInteger.TWO);
        function.setItem(COSName.DOMAIN, floats(0, 1));
        function.setItem(COSName.C0, floats(0, 0, 0, 0));
        function.setItem(COSName.C1, floats(ALTERNATE.getOrDefault(name, new float[] {0, 0, 0, .15f})));
        function.setItem(COSName.N, COSInteger.ONE);
        var space = new COSArray();
        space.add(COSName.SEPARATION);
        space.add(COSName.getPDFName(name));
        space.add(COSName.DEVICECMYK);
        space.add(function);
        try {
            return PDColorSpace.create(space);
        } catch (IOException e) {
            throw new UncheckedIOException("The spot colour %s could not be made.".formatted(name), e);
        }
    }

    private static COSArray floats(float... values) {
        var array = new COSArray();
        for (float value : values) {
            array.add(new COSFloat(value));
        }
        return array;
    }

    private static void dot(PDPageContentStream on, float x, float y, float r) throws IOException {
        float k = r * 0.5523f; // control points of a quarter circle
        on.moveTo(x + r, y);
        on.curveTo(x + r, y + k, x + k, y + r, x, y + r);
        on.curveTo(x - k, y + r, x - r, y + k, x - r, y);
        on.curveTo(x - r, y - k, x - k, y - r, x, y - r);
        on.curveTo(x + k, y - r, x + r, y - k, x + r, y);
        on.fill();
    }

    private static void code(PDPageContentStream on, Page page, Shape.Code code) throws WriterException, IOException {
        var bits = new QRCodeWriter()
                .encode(
                        code.text(),
                        BarcodeFormat.QR_CODE,
                        0,
                        0,
                        Map.of(EncodeHintType.MARGIN, 0, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M));
        double module = code.side() / bits.getWidth();
        for (int row = 0; row < bits.getHeight(); row++) {
            for (int from = 0; from < bits.getWidth(); from++) {
                int to = from;
                while (to < bits.getWidth() && bits.get(to, row)) {
                    to++;
                }
                if (to > from) {
                    on.addRect(
                            pt(code.x() + from * module),
                            pt(page.height() - code.y() - (row + 1) * module),
                            pt((to - from) * module),
                            pt(module));
                    from = to;
                }
            }
        }
        on.fill();
    }

    private static void words(PDPageContentStream on, Page page, Shape.Words words) throws IOException {
        float size = pt(words.size()) / CAPITAL;
        var plain = words.words().replace('\u2019', '\'');
        on.beginText();
        on.setFont(FONT, size);
        float width = FONT.getStringWidth(plain) / 1000 * size;
        on.setTextMatrix(
                words.mirrored()
                        ? new Matrix(-1, 0, 0, 1, pt(words.x()) + width, pt(page.height() - words.y()))
                        : Matrix.getTranslateInstance(pt(words.x()), pt(page.height() - words.y())));
        on.showText(plain);
        on.endText();
    }
}
