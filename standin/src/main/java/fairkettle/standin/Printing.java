package fairkettle.standin;

import fairkettle.machine.NozzlePattern;
import fairkettle.standin.machine.SimMachine;
import java.awt.Color;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.ImageType;
import org.jspecify.annotations.Nullable;

/** Turns what is sent into ink on paper, as far as this machine's nozzles, air and supply allow. */
final class Printing {

    private static final double EDGE = 8; // mm round the own pattern
    private static final int MAX_PAGES = 40;
    private static final double LONGEST = 500; // mm of film that lie in the tray; of the rest only its ink is counted
    private static final double MOST_POINTS = 14e6; // of a page as it is drawn: a sheet of 13 × 19 inches whole
    private static final double FITTED = .97; // of its size, where margins of 3 mm are kept

    private Printing() {}

    /** The document is nothing this machine prints. */
    static final class Unprintable extends Exception {
        Unprintable(String message, @Nullable Throwable cause) {
            super(message, cause);
        }
    }

    /** The machine's own nozzle check. @param white the whites alone, on clear film; else the colours, on paper */
    static Paper check(SimMachine machine, boolean white) {
        var profile = machine.profile();
        NozzlePattern pattern = profile.pattern();
        var marks = new HashMap<String, SimMachine.Marks>();
        machine.check().forEach(m -> marks.put(m.code(), m));
        int most = profile.channels().stream().mapToInt(c -> c.nozzles()).max().orElseThrow();
        double wide = pattern.width() + 2 * EDGE;
        double high = pattern.height(most) + 2 * EDGE;
        var paper = white ? Paper.film(wide, high) : Paper.plain(wide, high);
        for (int block = 0; block < profile.channels().size(); block++) {
            var channel = profile.channels().get(pattern.order().get(block));
            if (channel.code().white() != white) {
                continue;
            }
            var m = Objects.requireNonNull(marks.get(channel.code().code()));
            for (int n = 0; n < channel.nozzles(); n++) {
                if (m.amount()[n] > 0) {
                    double y = EDGE + pattern.down(n) + m.aside()[n];
                    float amount = (float) (m.amount()[n] * m.strength());
                    paper.stroke(
                            EDGE + pattern.left(block, n),
                            y,
                            pattern.stroke(),
                            NozzlePattern.THICK,
                            m.code(),
                            amount * (float) (1 - m.foreign()));
                    if (m.foreign() > .01) {
                        paper.stroke(
                                EDGE + pattern.left(block, n),
                                y,
                                pattern.stroke(),
                                NozzlePattern.THICK,
                                "K",
                                amount * (float) m.foreign());
                    }
                }
            }
        }
        return paper;
    }

    /**
     * @param format the document's type as it was declared
     * @param fitted whether pages are made smaller, to lie within the printer’s own margins: what drivers do unasked
     */
    static List<Paper> document(SimMachine machine, byte[] bytes, String format, boolean fitted) throws Unprintable {
        var pages = new ArrayList<Paper>();
        try {
            if (format.equals("application/pdf")
                    || format.equals("application/octet-stream") && bytes.length > 4 && bytes[0] == '%') {
                try (var document = Loader.loadPDF(bytes)) {
                    if (document.getNumberOfPages() > MAX_PAGES) {
                        throw new Unprintable("Too many pages.", null);
                    }
                    var renderer = new WhiteApart(document);
                    for (int i = 0; i < document.getNumberOfPages(); i++) {
                        var box = document.getPage(i).getCropBox();
                        double inches = box.getWidth() / 72.0 * box.getHeight() / 72;
                        double dpi = Math.min(Paper.DENSE * 25.4, Math.sqrt(MOST_POINTS / inches));
                        pages.add(page(
                                machine,
                                renderer.renderImageWithDPI(i, (float) dpi, ImageType.RGB),
                                box.getWidth() / 72 * 25.4,
                                box.getHeight() / 72 * 25.4,
                                fitted,
                                renderer.white()));
                    }
                }
            } else if (format.equals("image/pwg-raster")) {
                for (var image : PwgRaster.pages(bytes)) {
                    pages.add(page(machine, image.image(), image.widthMm(), image.heightMm(), fitted, Map.of()));
                }
            } else {
                var image = ImageIO.read(new ByteArrayInputStream(bytes));
                if (image == null) {
                    throw new Unprintable("No picture.", null);
                }
                boolean lying = image.getWidth() > image.getHeight();
                pages.add(page(machine, image, lying ? 297 : 210, lying ? 210 : 297, fitted, Map.of()));
            }
        } catch (IOException | RuntimeException e) {
            throw new Unprintable("The document is damaged.", e);
        }
        return pages;
    }

    private static BufferedImage smaller(BufferedImage whole) {
        int width = whole.getWidth();
        int height = whole.getHeight();
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var on = image.createGraphics();
        on.setColor(Color.WHITE);
        on.fillRect(0, 0, width, height);
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        int w = (int) (FITTED * width);
        int h = (int) (FITTED * height);
        on.drawImage(whole, (width - w) / 2, (height - h) / 2, w, h, null);
        on.dispose();
        return image;
    }

    private static Paper page(
            SimMachine machine,
            BufferedImage whole,
            double widthMm,
            double heightMm,
            boolean fitted,
            Map<String, Double> white) {
        var paper = Paper.plain(widthMm, Math.min(heightMm, LONGEST));
        int rows = (int) Math.round(heightMm * Paper.DENSE);
        var image = fitted ? smaller(whole) : whole;
        var codes = machine.profile().codes().stream().map(c -> c.code()).toList();
        boolean light = codes.contains("LC");
        int[] row = new int[image.getWidth()];
        // first how much of each ink the page asks for, then what comes of it
        var cover = new float[5][paper.width];
        var asked = new HashMap<String, Double>();
        double perPoint = machine.profile().draws().sheet().mL() / (210 * 297 * Paper.DENSE * Paper.DENSE);
        for (int y = 0; y < rows; y += 4) {
            separate(image, y, rows, paper, row, cover);
            for (int x = 0; x < paper.width; x += 4) {
                for (int k = 0; k < 4; k++) {
                    add(asked, codes, light, k, cover[k][x], 16 * perPoint);
                }
            }
        }
        // white lies under or over it, and shows on no plain paper: it is only gone from its tank
        white.forEach((code, mm2) -> asked.merge(code, mm2 * Paper.DENSE * Paper.DENSE * perPoint, Double::sum));
        Map<String, float[]> came = machine.supply(asked, rows);
        Map<String, float[]> firing = machine.firing();
        Map<String, Double> foreign = machine.foreign();
        double pitch = machine.profile().pattern().pitch();
        var laid = new float[paper.width];
        for (int y = 0; y < paper.height; y++) {
            separate(image, y, rows, paper, row, cover);
            int nozzle = (int) (y / Paper.DENSE / pitch);
            for (int k = 0; k < 4; k++) {
                lay(paper, y, light, k, cover[k], laid, came, firing, foreign, nozzle);
            }
        }
        return paper;
    }

    /** RGB into cyan, magenta, yellow and black, as an ordinary driver does it on plain paper. */
    private static void separate(BufferedImage image, int y, int rows, Paper paper, int[] row, float[][] cover) {
        int iy = (int) Math.min(image.getHeight() - 1, (long) y * image.getHeight() / rows);
        int wide = image.getWidth();
        read(image, iy, row);
        for (int x = 0; x < paper.width; x++) {
            int p = row[Math.min(wide - 1, x * wide / paper.width)];
            float c = 1 - (p >> 16 & 255) / 255f;
            float m = 1 - (p >> 8 & 255) / 255f;
            float yy = 1 - (p & 255) / 255f;
            float k = Math.min(c, Math.min(m, yy));
            boolean grey = Math.max(c, Math.max(m, yy)) - k < .04f;
            float taken = grey ? k : k * .6f;
            cover[0][x] = taken;
            cover[1][x] = c - taken;
            cover[2][x] = m - taken;
            cover[3][x] = yy - taken;
        }
    }

    private static void read(BufferedImage image, int y, int[] row) {
        if (image.getType() == BufferedImage.TYPE_INT_RGB
                && image.getRaster().getDataBuffer() instanceof DataBufferInt of) {
            System.arraycopy(
                    of.getData(), y * row.length, row, 0, row.length); // why: point by point it takes far longer
        } else {
            image.getRGB(0, y, row.length, 1, row, 0, row.length);
        }
    }

    private static final String[] INKS = {"K", "C", "M", "Y"};

    /**
     * Pale cyan and magenta go to the light inks where there are some. @return what the dark or the light ink covers
     */
    private static float split(boolean light, int k, float cover, boolean pale) {
        if (!light || k == 0 || k == 3) {
            return pale ? 0 : cover;
        }
        return cover < .5f ? pale ? cover * 2 : 0 : pale ? 2 - cover * 2 : cover * 2 - 1;
    }

    private static void add(
            Map<String, Double> asked, List<String> codes, boolean light, int k, float cover, double perPoint) {
        if (cover <= .01f) {
            return;
        }
        asked.merge(INKS[k], split(light, k, cover, false) * perPoint, Double::sum);
        float pale = split(light, k, cover, true);
        if (pale > 0 && codes.contains("L" + INKS[k])) {
            asked.merge("L" + INKS[k], pale * perPoint, Double::sum);
        }
    }

    private static void lay(
            Paper paper,
            int y,
            boolean light,
            int k,
            float[] cover,
            float[] laid,
            Map<String, float[]> came,
            Map<String, float[]> firing,
            Map<String, Double> foreign,
            int nozzle) {
        for (int pale = 0; pale < 2; pale++) {
            String code = pale == 1 ? "L" + INKS[k] : INKS[k];
            var fires = firing.get(code);
            if (fires == null) {
                continue;
            }
            float share = fires[nozzle % fires.length] * Objects.requireNonNull(came.get(code))[y];
            float strange = (float) (double) Objects.requireNonNull(foreign.get(code));
            for (int x = 0; x < paper.width; x++) {
                float s = cover[x] <= .01f ? 0 : split(light, k, cover[x], pale == 1) * share;
                laid[x] = s > .004f ? s : 0;
            }
            paper.lay(y, code, laid, 1 - strange);
            if (strange > .01f) {
                paper.lay(y, code.equals("K") ? "Y" : "K", laid, strange);
            }
        }
    }
}
