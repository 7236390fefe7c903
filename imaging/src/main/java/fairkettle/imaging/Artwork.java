package fairkettle.imaging;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Directory;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.icc.IccDirectory;
import com.drew.metadata.jfif.JfifDirectory;
import com.drew.metadata.png.PngDirectory;
import fairkettle.job.Separation;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentSampleModel;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.jspecify.annotations.Nullable;

/**
 * A customer's picture, as a print needs to know it. The file itself is kept as it came, with its colour profile.
 *
 * @param width pixels; @param height likewise
 * @param widthMm as the file says it is to be printed; 0 where it says nothing; @param heightMm likewise
 * @param transparent whether some of it is bare
 * @param profile the name of its colour profile; empty if it has none
 * @param asked what it asks of each ink
 * @param small a PNG for a screen, on a ground that shows what is bare
 * @param drawn a PDF's page, or a JPEG of four inks in the colours that a driver takes, as PNG; empty for the others,
 *     which are printed as they came
 * @param page a PDF's page by itself, with its strokes; empty for the others
 */
public record Artwork(
        Photo.Format format,
        int width,
        int height,
        double widthMm,
        double heightMm,
        boolean transparent,
        String profile,
        Separation asked,
        byte[] small,
        byte[] drawn,
        byte[] page) {

    /** More than a metre at what can be seen on cloth. */
    public static final long MAX_PIXELS = 40_000_000;

    private static final int SMALL = 420; // pixels
    private static final double MM_PER_INCH = 25.4;

    /** Looks at the size before it unpacks anything. @throws Photo.Refused with what to do */
    public static Artwork read(byte[] bytes) throws Photo.Refused {
        var format = Photo.Format.of(bytes)
                .orElseThrow(() -> new Photo.Refused("This is no PNG, JPEG, TIFF or PDF. Save the artwork as one."));
        try {
            if (format == Photo.Format.PDF) {
                var page = PdfPage.renderClear(bytes);
                return of(format, page.image(), page.widthMm(), page.heightMm(), "", png(page.image()), page.alone());
            }
            var image = decode(format, bytes);
            var said = ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes));
            double perMm = perMm(said);
            boolean inks = format == Photo.Format.JPEG && CmykJpeg.is(bytes);
            return of(
                    format,
                    image,
                    perMm > 0 ? image.getWidth() / perMm : 0,
                    perMm > 0 ? image.getHeight() / perMm : 0,
                    profile(said),
                    inks ? png(image) : new byte[0],
                    new byte[0]);
        } catch (IOException | ImageProcessingException | RuntimeException e) {
            throw new Photo.Refused(
                    "The %s is damaged, or written in a way that is not read. Save it anew as PNG.".formatted(format));
        }
    }

    private static Artwork of(
            Photo.Format format,
            BufferedImage image,
            double widthMm,
            double heightMm,
            String profile,
            byte[] drawn,
            byte[] page) {
        var asked = new Separation();
        boolean transparent = separate(image, asked);
        return new Artwork(
                format,
                image.getWidth(),
                image.getHeight(),
                widthMm,
                heightMm,
                transparent,
                profile,
                asked,
                small(image),
                drawn,
                page);
    }

    /** For the sheet and the screen; the caller has looked at its size. */
    static BufferedImage decode(Photo.Format format, byte[] bytes) throws IOException, Photo.Refused {
        ImageReader reader = ImageIO.getImageReadersByFormatName(format.name()).next();
        try (var input = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
            reader.setInput(input, true, true);
            long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
            if (pixels > MAX_PIXELS) {
                throw new Photo.Refused("The artwork has %d × %d pixels; at most %d million are taken. Save it smaller."
                        .formatted(reader.getWidth(0), reader.getHeight(0), MAX_PIXELS / 1_000_000));
            }
            return format == Photo.Format.JPEG && CmykJpeg.is(bytes) ? CmykJpeg.read(reader, bytes) : reader.read(0);
        } finally {
            reader.dispose();
        }
    }

    // ---- what the file says of itself --------------------------------------------------------------------------

    /** Pixels for a mm; 0 where nothing is said. */
    private static double perMm(Metadata said) {
        for (var jfif : said.getDirectoriesOfType(JfifDirectory.class)) {
            double per = per(jfif, JfifDirectory.TAG_RESX, jfif.getInteger(JfifDirectory.TAG_UNITS), 1, 2);
            if (per > 0) {
                return per;
            }
        }
        for (var exif : said.getDirectoriesOfType(ExifIFD0Directory.class)) {
            double per = per(
                    exif,
                    ExifDirectoryBase.TAG_X_RESOLUTION,
                    exif.getInteger(ExifDirectoryBase.TAG_RESOLUTION_UNIT),
                    2,
                    3);
            if (per > 0) {
                return per;
            }
        }
        for (var png : said.getDirectoriesOfType(PngDirectory.class)) {
            Integer per = png.getInteger(PngDirectory.TAG_PIXELS_PER_UNIT_X);
            if (per != null && per > 0 && Integer.valueOf(1).equals(png.getInteger(PngDirectory.TAG_UNIT_SPECIFIER))) {
                return per / 1000.0;
            }
        }
        return 0;
    }

    private static double per(Directory of, int tag, @Nullable Integer unit, int inch, int cm) {
        try {
            double value = of.containsTag(tag) ? of.getDouble(tag) : 0;
            return unit == null || value <= 1 ? 0 : unit == inch ? value / MM_PER_INCH : unit == cm ? value / 10 : 0;
        } catch (MetadataException _) {
            return 0;
        }
    }

    private static String profile(Metadata said) {
        for (var icc : said.getDirectoriesOfType(IccDirectory.class)) {
            var name = icc.getString(IccDirectory.TAG_TAG_desc);
            return name == null || name.isBlank() ? "of its own" : name.strip();
        }
        return "";
    }

    // ---- its pixels --------------------------------------------------------------------------------------------

    /**
     * Every pixel as the file holds it: colours are not changed into another space, since the driver does that.
     *
     * @return whether some of it is bare
     */
    private static boolean separate(BufferedImage image, Separation asked) {
        var raster = image.getRaster();
        if (raster.getDataBuffer() instanceof DataBufferByte bytes
                && raster.getSampleModel() instanceof ComponentSampleModel model
                && image.getColorModel().getColorSpace().getType() != ColorSpace.TYPE_CMYK
                && bytes.getNumBanks() == 1
                && raster.getParent() == null) {
            return separate(bytes.getData(), model, raster.getNumBands(), image, asked);
        }
        boolean bare = false;
        int[] row = new int[image.getWidth()];
        boolean plain =
                raster.getDataBuffer() instanceof DataBufferInt && image.getType() == BufferedImage.TYPE_INT_ARGB;
        for (int y = 0; y < image.getHeight(); y++) {
            if (plain) {
                raster.getDataElements(0, y, image.getWidth(), 1, row);
            } else {
                image.getRGB(0, y, image.getWidth(), 1, row, 0, image.getWidth());
            }
            for (int p : row) {
                bare |= p >>> 24 < 255;
                asked.add(p >> 16 & 255, p >> 8 & 255, p & 255, p >>> 24);
            }
        }
        return bare;
    }

    private static boolean separate(
            byte[] data, ComponentSampleModel model, int bands, BufferedImage image, Separation asked) {
        var at = model.getBandOffsets();
        boolean grey = bands < 3;
        int green = grey ? at[0] : at[1];
        int blue = grey ? at[0] : at[2];
        int alpha = bands == 2 ? at[1] : bands == 4 ? at[3] : -1;
        boolean bare = false;
        for (int y = 0; y < image.getHeight(); y++) {
            int i = y * model.getScanlineStride();
            for (int x = 0; x < image.getWidth(); x++, i += model.getPixelStride()) {
                int a = alpha < 0 ? 255 : data[i + alpha] & 255;
                bare |= a < 255;
                asked.add(data[i + at[0]] & 255, data[i + green] & 255, data[i + blue] & 255, a);
            }
        }
        return bare;
    }

    private static byte[] small(BufferedImage image) {
        double by = Math.min(1, (double) SMALL / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * by));
        int height = Math.max(1, (int) Math.round(image.getHeight() * by));
        var small = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D on = small.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        on.drawImage(image, 0, 0, width, height, null);
        on.dispose();
        return png(small);
    }

    private static byte[] png(BufferedImage image) {
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
