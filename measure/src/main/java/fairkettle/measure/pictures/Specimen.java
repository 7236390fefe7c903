package fairkettle.measure.pictures;

import fairkettle.imaging.SheetPdf;
import fairkettle.imaging.SheetReader;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.sheet.Page;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.Page.Part;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/**
 * One picture with the truth about it.
 *
 * @param strokes what became of every stroke, by channel
 * @param fades share of density lost down the page, by channel
 * @param foreign share of another ink, by channel
 * @param trap what is wrong with the picture itself; none for an ordinary one
 */
public record Specimen(
        String name,
        byte[] file,
        SheetKind kind,
        Profile profile,
        Page page,
        Map<String, List<Strip.State>> strokes,
        Map<String, Double> fades,
        Map<String, Double> foreign,
        Map<String, Integer> streaks,
        boolean scan,
        double pixelsPerMm,
        double megapixels,
        Trap trap,
        Scene.Trouble trouble,
        long sheet,
        Instant made,
        Map<ChannelCode, List<Double>> clean) {

    /**
     * What makes a picture lie, or unreadable, and a word of the reason that a person would give for not reading it.
     */
    public enum Trap {
        NONE(""),
        EMPTY("No pattern"),
        UPSIDE_DOWN(""),
        WRONG_PATTERN("not the pattern|another machine"),
        OFF_WINDOW("outside the window|strip inside|edge"),
        BLURRED("not sharp|shaken"),
        TINY("too small|[Cc]loser|four corners"),
        CODES_HIDDEN(""),
        TWO_SHEETS(""),
        TWO_COPIES("Two copies"),
        OLD("older"),
        FOREIGN("not made by this shop"),
        OTHER_KIND("under this number"),
        NIGHT("too dark");

        private final String reason;

        Trap(String reason) {
            this.reason = reason;
        }

        public boolean gives(String why) {
            return Pattern.compile(reason).matcher(why).find();
        }
    }

    /** Whether a stroke is missing, as a person would say. */
    public enum Seen {
        THERE,
        GONE,
        BENT
    }

    public static Seen seen(Strip.State state) {
        return state == Strip.State.MISSING ? Seen.GONE : state == Strip.State.BENT ? Seen.BENT : Seen.THERE;
    }

    /** By channel, what a person would see. */
    public Map<String, List<Seen>> truth() {
        var out = new HashMap<String, List<Seen>>();
        strokes.forEach((code, states) ->
                out.put(code, states.stream().map(Specimen::seen).toList()));
        return out;
    }

    private static final double DOTS = 14; // of rasters, per mm

    /** @param seed everything follows from it */
    public static Specimen of(long seed, Trap trap, SheetKind kind, boolean scan, double megapixels) {
        return of(seed, trap, Scene.Trouble.NONE, kind, scan, megapixels);
    }

    /** @param seed everything follows from it */
    public static Specimen of(
            long seed, Trap trap, Scene.Trouble trouble, SheetKind kind, boolean scan, double megapixels) {
        var random = new Random(seed * 7919 + 17);
        var profile = Profiles.ALL.get(random.nextInt(Profiles.ALL.size()));
        if (kind == SheetKind.DARK_FRAME || kind == SheetKind.WHITE_HEALTH) {
            profile = Profiles.named(random.nextBoolean() ? "film-rebuilt" : "film-dual-head");
        }
        var made = new Sheets.Made(
                1 + random.nextInt(400),
                "Sorrel",
                1 + random.nextInt(90_000),
                Instant.parse("2026-10-03T09:00:00Z").plusSeconds(60L * random.nextInt(50_000)),
                "3 Oct 2026",
                Paper.A4);
        var inks = Inks.some(random);
        return kind.frame()
                ? frame(seed, random, profile, made, inks, trap, trouble, kind, scan, megapixels)
                : health(seed, random, profile, made, inks, trap, trouble, kind, scan, megapixels);
    }

    private static Specimen frame(
            long seed,
            Random random,
            Profile profile,
            Sheets.Made made,
            Inks inks,
            Trap trap,
            Scene.Trouble trouble,
            SheetKind kind,
            boolean scan,
            double megapixels) {
        var page = Sheets.of(kind, profile, made, Family.MAKERS_DYE).pages().getFirst();
        var sheet = onPaper(Tools.rasterise(SheetPdf.of("frame", List.of(page)), DOTS * 25.4), inks, random);
        boolean white = kind == SheetKind.DARK_FRAME;
        var printed = profile;
        if (trap == Trap.WRONG_PATTERN) {
            do {
                printed = Profiles.ALL.get(random.nextInt(Profiles.ALL.size()));
            } while (seen(printed).equals(seen(profile)));
        }
        var strip = new Strip(printed, inks, random, random.nextInt(3), white);
        if (trap != Trap.EMPTY) {
            paste(sheet, strip, inks, random, trap);
        }
        if (trap == Trap.CODES_HIDDEN) {
            hide(sheet, random, 3);
        }
        boolean thumb = trap == Trap.NONE && trouble == Scene.Trouble.NONE && !scan && random.nextInt(3) == 0;
        var camera = new Camera(
                random,
                scan
                        ? Camera.Kind.SCAN
                        : trap == Trap.BLURRED
                                ? Camera.Kind.BLURRED
                                : trap == Trap.TINY ? Camera.Kind.TINY : Camera.Kind.PHOTO);
        var seen = switch (trap) {
            case TWO_SHEETS -> under(sheet, other(profile, made, inks, random));
            case TWO_COPIES -> under(sheet, sheet);
            default -> sheet;
        };
        var shot = camera.take(
                seen, DOTS, megapixels, thumb, scene(trap, trouble, random, seen.width / DOTS, seen.height / DOTS));
        return new Specimen(
                "%s %s %d".formatted(kind, profile.id(), seed),
                file(shot, scan, trouble, random),
                kind,
                profile,
                page,
                strip.truth,
                Map.of(),
                Map.of(),
                Map.of(),
                scan,
                shot.pixelsPerMm(),
                megapixels,
                trap,
                trouble,
                made.sheet(),
                made.at(),
                Map.of());
    }

    /** What of a machine's pattern shows on white paper: two that show the same are the same to any eye. */
    private static String seen(Profile profile) {
        var pattern = profile.pattern();
        return pattern.steps() + " " + pattern.pitch() + " "
                + profile.channels().getFirst().nozzles() + " "
                + profile.codes().stream().filter(c -> !c.white()).toList();
    }

    private static Scene scene(Trap trap, Scene.Trouble trouble, Random random, double width, double height) {
        var scene = Scene.of(trap == Trap.NIGHT ? Scene.Trouble.DARK : trouble, random, width, height);
        return trap == Trap.NIGHT ? scene.exposed(.006) : scene;
    }

    /** A frame of another machine's, empty. */
    private static Raster other(Profile profile, Sheets.Made made, Inks inks, Random random) {
        var other = Sheets.of(
                        SheetKind.FRAME,
                        profile,
                        new Sheets.Made(
                                made.machine() + 1, "Clover", made.sheet() + 1, made.at(), made.day(), Paper.A4),
                        Family.MAKERS_DYE)
                .pages()
                .getFirst();
        var second = onPaper(Tools.rasterise(SheetPdf.of("frame", List.of(other)), DOTS * 25.4), inks, random);
        paste(second, new Strip(profile, inks, random, 0, false), inks, random, Trap.NONE);
        return second;
    }

    private static Raster under(Raster sheet, Raster second) {
        var both = new Raster(sheet.width, sheet.height + second.height);
        System.arraycopy(sheet.rgb, 0, both.rgb, 0, sheet.rgb.length);
        System.arraycopy(
                second.rgb,
                0,
                both.rgb,
                sheet.rgb.length,
                Math.min(second.rgb.length, both.rgb.length - sheet.rgb.length));
        return both;
    }

    /** What the driver's RGB becomes in this machine's inks on this paper. */
    private static Raster onPaper(Raster sheet, Inks inks, Random random) {
        double[] black = inks.of("K");
        double dense = .93 + .07 * random.nextDouble();
        for (int i = 0; i < sheet.rgb.length; i += 3) {
            for (int c = 0; c < 3; c++) {
                double cover = (1 - sheet.rgb[i + c]) * dense;
                sheet.rgb[i + c] = (float) (inks.paper()[c] * (1 - cover) + cover * black[c] * inks.paper()[c]);
            }
        }
        return sheet;
    }

    private static void paste(Raster sheet, Strip strip, Inks inks, Random random, Trap trap) {
        var raster = strip.raster(inks, DOTS);
        double windowX = (210 - 182) / 2.0;
        double windowY = (148.5 - 82) / 2.0;
        double turn = Math.toRadians(random.nextGaussian() * 1.8 + (trap == Trap.UPSIDE_DOWN ? 180 : 0));
        double roomX = Math.max(0, 182 - strip.width) / 2;
        double roomY = Math.max(0, 82 - strip.height) / 2;
        double cx = windowX + 91 + (random.nextDouble() * 2 - 1) * roomX;
        double cy = windowY + 41 + (random.nextDouble() * 2 - 1) * roomY * .8;
        if (trap == Trap.OFF_WINDOW) {
            if (random.nextBoolean()) {
                cy = windowY + (random.nextBoolean() ? 0 : 82) + random.nextGaussian() * 2;
            } else {
                cx = windowX + (random.nextBoolean() ? 4 : 178);
            }
        }
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        var c = new float[3];
        for (int y = 0; y < sheet.height; y++) {
            for (int x = 0; x < sheet.width; x++) {
                double u = (x + .5) / DOTS - cx;
                double v = (y + .5) / DOTS - cy;
                double sx = cos * u + sin * v + strip.width / 2;
                double sy = -sin * u + cos * v + strip.height / 2;
                if (sx >= 0 && sy >= 0 && sx < strip.width && sy < strip.height) {
                    raster.mean(sx * DOTS, sy * DOTS, 1, c);
                    double edge = Math.min(Math.min(sx, strip.width - sx), Math.min(sy, strip.height - sy));
                    double shade = edge < .25 ? .8 : 1;
                    for (int k = 0; k < 3; k++) {
                        sheet.rgb[3 * (y * sheet.width + x) + k] = (float) (c[k] * shade);
                    }
                }
            }
        }
    }

    private static void hide(Raster sheet, Random random, int codes) {
        int kept = random.nextInt(4);
        int size = (int) (24 * DOTS);
        for (int corner = 0; corner < 4; corner++) {
            if (corner == kept || codes-- <= 0) {
                continue;
            }
            int x0 = corner == 1 || corner == 2 ? sheet.width - size : 0;
            int y0 = corner >= 2 ? sheet.height - size : 0;
            for (int y = y0; y < y0 + size; y++) {
                for (int x = x0; x < x0 + size; x++) {
                    int at = 3 * (y * sheet.width + x);
                    sheet.rgb[at] = .2f;
                    sheet.rgb[at + 1] = .25f;
                    sheet.rgb[at + 2] = .15f;
                }
            }
        }
    }

    // ---- the health sheet -------------------------------------------------------------------------------------

    private static Specimen health(
            long seed,
            Random random,
            Profile profile,
            Sheets.Made made,
            Inks inks,
            Trap trap,
            Scene.Trouble trouble,
            SheetKind kind,
            boolean scan,
            double megapixels) {
        if (Sheets.reachable(profile).isEmpty()) {
            return of(seed + 1, trap, trouble, kind, scan, megapixels);
        }
        var page = Sheets.of(kind, profile, made, Family.MAKERS_DYE).pages().getFirst();
        var sheet = onPaper(Tools.rasterise(SheetPdf.of("health", List.of(page)), DOTS * 25.4), inks, random);
        var fades = new HashMap<String, Double>();
        var foreign = new HashMap<String, Double>();
        var streaks = new HashMap<String, Integer>();
        var strokes = new HashMap<String, List<Strip.State>>();
        var clean = new HashMap<ChannelCode, List<Double>>();
        var codes = page.parts().stream()
                .filter(Part.Bar.class::isInstance)
                .map(p -> ((Part.Bar) p).channel())
                .toList();
        for (var part : page.parts()) {
            switch (part) {
                case Part.Bar bar -> {
                    double fade = random.nextInt(2) == 0 ? 0 : random.nextDouble() * .5;
                    boolean hides = bar.channel().code().equals("K"); // black swallows what is in it
                    double share =
                            random.nextInt(3) == 0 && codes.size() > 1 && !hides ? .08 + random.nextDouble() * .3 : 0;
                    var other =
                            codes.get((codes.indexOf(bar.channel()) + 1 + random.nextInt(Math.max(1, codes.size() - 1)))
                                    % codes.size());
                    if (other.equals(bar.channel()) || other.code().equals("K") && random.nextInt(3) > 0) {
                        share = 0;
                    }
                    int lines = random.nextInt(3) == 0 ? 1 + random.nextInt(4) : 0;
                    fades.put(bar.channel().code(), fade);
                    foreign.put(bar.channel().code(), share);
                    streaks.put(bar.channel().code(), lines);
                    bar(sheet, bar, inks, fade, share, other, lines, random);
                    clean.put(bar.channel(), clean(inks.of(bar.channel().code())));
                }
                case Part.Stair stair -> strokes.put(stair.channel().code(), stair(sheet, stair, inks, random));
                case Part.Strip _ -> {}
            }
        }
        var shot = new Camera(random, scan ? Camera.Kind.SCAN : Camera.Kind.PHOTO)
                .take(
                        sheet,
                        DOTS,
                        megapixels,
                        trouble == Scene.Trouble.NONE && !scan && random.nextInt(3) == 0,
                        Scene.of(trouble, random, sheet.width / DOTS, sheet.height / DOTS));
        return new Specimen(
                "%s %s %d".formatted(kind, profile.id(), seed),
                file(shot, scan, trouble, random),
                kind,
                profile,
                page,
                strokes,
                fades,
                foreign,
                streaks,
                scan,
                shot.pixelsPerMm(),
                megapixels,
                trap,
                trouble,
                made.sheet(),
                made.at(),
                clean);
    }

    private static List<Double> clean(double[] reflect) {
        double[] d = {
            -Math.log10(.04 + .96 * reflect[0]),
            -Math.log10(.04 + .96 * reflect[1]),
            -Math.log10(.04 + .96 * reflect[2])
        };
        double size = Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
        return List.of(d[0] / size, d[1] / size, d[2] / size);
    }

    /** Inks on top of each other: each lets through what it lets through. */
    private static void bar(
            Raster sheet,
            Part.Bar bar,
            Inks inks,
            double fade,
            double share,
            ChannelCode other,
            int lines,
            Random random) {
        double[] ink = inks.of(bar.channel().code());
        double[] mixed = inks.of(other.code());
        var at = new double[lines];
        var wide = new double[lines];
        for (int i = 0; i < lines; i++) {
            at[i] = 6 + random.nextDouble() * (bar.height() - 12);
            wide[i] = .2 + random.nextDouble() * .5;
        }
        for (int y = (int) (bar.y() * DOTS); y < (bar.y() + bar.height()) * DOTS; y++) {
            double v = (y + .5) / DOTS - bar.y();
            double cover = 1 - fade * v / bar.height();
            for (int i = 0; i < lines; i++) {
                if (Math.abs(v - at[i]) < wide[i] / 2) {
                    cover = .05;
                }
            }
            for (int x = (int) Math.round(bar.x() * DOTS); x < Math.round((bar.x() + bar.width()) * DOTS); x++) {
                for (int c = 0; c < 3; c++) {
                    double through = Math.pow(ink[c], 1 - share) * Math.pow(mixed[c], share);
                    sheet.rgb[3 * (y * sheet.width + x) + c] =
                            (float) (inks.paper()[c] * (1 - cover + cover * (.04 + .96 * through)));
                }
            }
        }
    }

    private static List<Strip.State> stair(Raster sheet, Part.Stair stair, Inks inks, Random random) {
        double[] ink = inks.of(stair.channel().code());
        double wrong = random.nextDouble() * random.nextDouble() * .4;
        var states = new ArrayList<Strip.State>();
        for (int column = 0; column < stair.columns(); column++) {
            for (int row = 0; row < stair.rows(); row++) {
                boolean gone = random.nextDouble() < wrong;
                states.add(gone ? Strip.State.MISSING : Strip.State.FULL);
                double x0 = stair.x() + column * stair.apart();
                double y0 = stair.y() + column * stair.step() + row * stair.pitch();
                int from = (int) Math.floor((y0 - .1) * DOTS);
                for (int y = from; y < (y0 + .3) * DOTS; y++) {
                    for (int x = (int) ((x0 - .15) * DOTS); x < (x0 + stair.length() + .15) * DOTS; x++) {
                        double mx = (x + .5) / DOTS;
                        double inside = mx < x0 || mx > x0 + stair.length()
                                ? 0
                                : Math.clamp((Math.min(y + 1, (y0 + .14) * DOTS) - Math.max(y, y0 * DOTS)), 0, 1);
                        double cover = gone ? 0 : inside * .95;
                        for (int c = 0; c < 3; c++) {
                            sheet.rgb[3 * (y * sheet.width + x) + c] =
                                    (float) (inks.paper()[c] * (1 - cover + cover * ink[c]));
                        }
                    }
                }
            }
        }
        return states;
    }

    private static byte[] file(Camera.Shot shot, boolean scan, Scene.Trouble trouble, Random random) {
        int kind = scan ? random.nextInt(5) : 4;
        int quality = trouble == Scene.Trouble.SQUEEZED
                ? 20 + random.nextInt(48)
                : scan ? 85 + random.nextInt(11) : 68 + random.nextInt(28);
        boolean crushed = !scan && random.nextInt(3) > 0;
        if (kind <= 1) {
            var image = new BufferedImage(shot.width(), shot.height(), BufferedImage.TYPE_INT_RGB);
            for (int i = 0; i < shot.width() * shot.height(); i++) {
                image.setRGB(
                        i % shot.width(),
                        i / shot.width(),
                        (shot.levels()[3 * i] & 0xff) << 16
                                | (shot.levels()[3 * i + 1] & 0xff) << 8
                                | shot.levels()[3 * i + 2] & 0xff);
            }
            try {
                var out = new ByteArrayOutputStream();
                ImageIO.write(image, kind == 0 ? "png" : "tiff", out);
                return out.toByteArray();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        byte[] jpeg = Tools.jpeg(shot.width(), shot.height(), shot.levels(), quality, crushed);
        return kind == 2 ? Tools.pdf(shot.width(), shot.height(), jpeg, shot.pixelsPerMm() * 25.4) : jpeg;
    }

    /** What the shop's book says under a code's number; empty if there is nothing. */
    public Optional<SheetReader.Known> lookup(SheetCode code) {
        return switch (trap) {
            case FOREIGN -> Optional.empty();
            case OLD -> Optional.of(new SheetReader.Known(kind, made.plusSeconds(86_400L * 30), page, profile, clean));
            case OTHER_KIND -> Optional.of(new SheetReader.Known(SheetKind.HEALTH, made, page, profile, clean));
            default -> Optional.of(new SheetReader.Known(kind, made, page, profile, clean));
        };
    }
}
