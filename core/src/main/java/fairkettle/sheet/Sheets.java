package fairkettle.sheet;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.Page.Part;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Draws the sheets of a machine. Only channels that a page can reach are on them. */
public final class Sheets {

    /** mm, thickness of a fine stroke of a stair */
    public static final double FINE = 0.14;

    private static final double EDGE = 6; // mm that printers leave white
    private static final double CODE = 21; // mm: 21 modules of 1 mm
    private static final double TOP = 32;
    private static final double GAP = 4;
    private static final double A4_AREA = Paper.A4.width() * Paper.A4.height();
    private static final double BAR = 8.5;
    private static final double BARE = 3; // white on both sides of a bar: it is what paper looks like there
    private static final int RAMP = 10;
    private static final int STAIR_COLUMNS = 4;
    private static final double BESIDE = 4.2; // mm from a stair to its dots
    private static final double SMALL = 2.4; // mm, height of capitals
    private static final double WINDOW_WIDTH = 182;
    private static final double WINDOW_HEIGHT = 82;
    private static final int LINE = 82; // letters

    private final Profile profile;
    private final Made made;

    private Sheets(Profile profile, Made made) {
        this.profile = profile;
        this.made = made;
    }

    /** Who and when, for the codes and the words on the sheet. */
    public record Made(long machine, String name, long sheet, Instant at, String day, Paper paper) {}

    /** @param ink laid down by all pages, per channel */
    public record Drawn(List<Page> pages, Map<ChannelCode, Millilitres> ink) {
        public Drawn {
            pages = List.copyOf(pages);
        }
    }

    /** Channels that a page can lay down alone, in the order of the slots. */
    public static List<ChannelCode> reachable(Profile profile) {
        return profile.codes().stream()
                .filter(c -> Addressing.of(profile, c).byPage())
                .toList();
    }

    /**
     * Kinds of sheet that make sense for a machine: no white sheet without white, none of colour where a page reaches
     * no colour.
     */
    public static List<SheetKind> offered(Profile profile) {
        boolean white = profile.codes().stream().anyMatch(ChannelCode::white);
        boolean colour = reachable(profile).stream().anyMatch(c -> !c.white());
        return Arrays.stream(SheetKind.values())
                .filter(kind -> switch (kind) {
                    case FRAME, PROOF -> true;
                    case DARK_FRAME -> white;
                    case WHITE_HEALTH -> reachable(profile).stream().anyMatch(ChannelCode::white);
                    case PURGE, HEALTH -> colour;
                })
                .toList();
    }

    /**
     * Columns of full colour over the whole feed length, on as many pages as the wanted ink needs.
     *
     * @param wanted mL per channel
     * @throws IllegalArgumentException for a channel that no page reaches, or no ink at all
     */
    public static Drawn purge(Profile profile, Made made, Map<ChannelCode, Millilitres> wanted) {
        wanted.keySet().stream()
                .filter(c -> !reachable(profile).contains(c))
                .findFirst()
                .ifPresent(c -> {
                    throw new IllegalArgumentException(
                            Addressing.of(profile, profile.channel(c).code()).say(c));
                });
        if (wanted.values().stream().allMatch(Millilitres::isZero)) {
            throw new IllegalArgumentException("Choose at least one channel, and how much of it.");
        }
        return new Sheets(profile, made).purge(wanted);
    }

    /** @throws IllegalArgumentException if no page reaches any channel */
    public static Drawn of(SheetKind kind, Profile profile, Made made, Family family) {
        var sheets = new Sheets(profile, made);
        return switch (kind) {
            case HEALTH ->
                sheets.health(
                        kind,
                        reachable(profile).stream().filter(c -> !c.white()).toList());
            case WHITE_HEALTH ->
                sheets.health(
                        kind,
                        reachable(profile).stream().filter(ChannelCode::white).toList());
            case PROOF -> sheets.proof(family);
            case FRAME, DARK_FRAME -> new Drawn(List.of(sheets.frame(kind)), Map.of());
            case PURGE -> {
                var each = new LinkedHashMap<ChannelCode, Millilitres>();
                reachable(profile).forEach(c -> each.put(c, fillsPage(profile)));
                yield sheets.purge(each);
            }
        };
    }

    private double width() {
        return made.paper().width();
    }

    private double height() {
        return made.paper().height();
    }

    /** mL of one channel alone that fill one purge page, whichever the paper, and never begin a second. */
    public static Millilitres fillsPage(Profile profile) {
        double area = Arrays.stream(Paper.values())
                .mapToDouble(paper -> (paper.height() - 2 * TOP) * (paper.width() - 2 * EDGE))
                .min()
                .orElseThrow();
        return new Millilitres((long) (1000 * profile.draws().sheet().mL() * area / A4_AREA));
    }

    /** mL of a channel on so many mm². */
    private Millilitres laid(double area) {
        return Millilitres.rounded(profile.draws().sheet().mL() * area / A4_AREA);
    }

    private Drawn purge(Map<ChannelCode, Millilitres> wanted) {
        var open = new LinkedHashMap<ChannelCode, Double>(); // mm² still to be covered
        wanted.forEach((c, ml) -> {
            if (!ml.isZero()) {
                open.put(c, ml.mL() / profile.draws().sheet().mL() * A4_AREA);
            }
        });
        double length = height() - 2 * TOP;
        double room = width() - 2 * EDGE - GAP * (open.size() - 1);
        double column = room / open.size();
        var pages = new ArrayList<Page>();
        while (!open.isEmpty()) {
            var shapes = new ArrayList<Shape>();
            var parts = new ArrayList<Part>();
            double x = EDGE;
            for (var code : List.copyOf(wanted.keySet())) {
                if (!open.containsKey(code)) {
                    continue;
                }
                double wide = Math.min(column, open.get(code) / length);
                shapes.add(new Shape.Box(x, TOP, wide, length, ink(code, 1)));
                parts.add(new Part.Bar(code, x, TOP, wide, length));
                x += column + GAP;
                double left = open.get(code) - wide * length;
                if (left < 1) {
                    open.remove(code);
                } else {
                    open.put(code, left);
                }
            }
            pages.add(page(
                    SheetKind.PURGE,
                    String.join(
                            " ",
                            wanted.entrySet().stream()
                                    .filter(e -> !e.getValue().isZero())
                                    .map(e -> e.getKey().code())
                                    .toList()),
                    "Plain paper, full size. Good at the bottom only counts if the next page begins good. Three, then"
                            + " a nozzle check.",
                    shapes,
                    parts));
        }
        return new Drawn(pages, Map.copyOf(wanted));
    }

    private Shape.Ink ink(ChannelCode code, double amount) {
        return Shape.alone(code, Addressing.of(profile, code), amount);
    }

    /**
     * Per channel a full-length bar, a stair of fine strokes and a ramp; light beside dark, so that foreign colour
     * shows.
     */
    private Drawn health(SheetKind kind, List<ChannelCode> some) {
        var codes = lightBesideDark(some);
        if (codes.isEmpty()) {
            throw new IllegalArgumentException(
                    kind.inverted()
                            ? "This machine has no white."
                            : "No page reaches a channel of this machine alone. Print its own nozzle check.");
        }
        var marks = kind.inverted() ? ink(codes.getFirst(), 1) : Shape.Ink.BLACK;
        var shapes = new ArrayList<Shape>(ring(CODE));
        var parts = new ArrayList<Part>();
        var ink = new LinkedHashMap<ChannelCode, Millilitres>();
        double length = height() - 80;
        double x = 30;
        double block = length / codes.size();
        double right = x + codes.size() * (BAR + 2 * BARE) + 6;
        for (int i = 0; i < codes.size(); i++) {
            var code = codes.get(i);
            double left = x + i * (BAR + 2 * BARE) + BARE;
            shapes.add(new Shape.Box(left, 40, BAR, length, ink(code, 1)));
            parts.add(new Part.Bar(code, left, 40, BAR, length));
            shapes.add(new Shape.Words(left, 38, 3, code.code(), false));
            var stair = new Part.Stair(
                    code, right, 40 + i * block, STAIR_COLUMNS, 7, 0.25, 1, Math.min(24, (int) block - 12), 5.6);
            parts.add(stair);
            shapes.addAll(beside(stair));
            double area = BAR * length + stair(shapes, stair) + ramp(shapes, code, right, 40 + i * block + block - 9);
            ink.put(code, laid(area));
        }
        return new Drawn(
                List.of(page(
                        kind,
                        String.join(" ", codes.stream().map(ChannelCode::code).toList()),
                        kind.inverted()
                                ? "Clear film, full size. Lay it on dark card and photograph it flat, all four corners"
                                        + " in the picture."
                                : "Plain paper, full size, no enhancement. Photograph it flat, all four corners in the"
                                        + " picture.",
                        shapes,
                        parts,
                        marks)),
                ink);
    }

    private static List<ChannelCode> lightBesideDark(List<ChannelCode> codes) {
        var order = List.of("Y", "K", "LC", "C", "LM", "M", "GY", "PK");
        return codes.stream()
                .sorted(Comparator.comparingInt(c -> order.contains(c.code()) ? order.indexOf(c.code()) : 99))
                .toList();
    }

    /**
     * Columns of strokes, each a little lower than the one before: what a stroke lacks, the nozzles there lack. @return
     * mm²
     */
    private double stair(List<Shape> shapes, Part.Stair stair) {
        for (int column = 0; column < stair.columns(); column++) {
            for (int row = 0; row < stair.rows(); row++) {
                shapes.add(new Shape.Box(
                        stair.x() + column * stair.apart(),
                        stair.y() + column * stair.step() + row * stair.pitch(),
                        stair.length(),
                        FINE,
                        ink(stair.channel(), 1)));
            }
        }
        return stair.columns() * stair.rows() * stair.length() * FINE;
    }

    /** Dots close to a stair's corners: a sheet that is not flat lifts its middle, and the ring alone cannot tell. */
    private static List<Shape> beside(Part.Stair stair) {
        double high = (stair.rows() - 1) * stair.pitch();
        double wide = (stair.columns() - 1) * stair.apart() + stair.length();
        var dots = new ArrayList<Shape>();
        for (double x : List.of(stair.x() - BESIDE, stair.x() + wide + BESIDE)) {
            for (double y : List.of(stair.y() + 2, stair.y() + high - 2)) {
                dots.add(new Shape.Dot(x, y, 2.4));
            }
        }
        return dots;
    }

    private double ramp(List<Shape> shapes, ChannelCode code, double x, double y) {
        double area = 0;
        for (int i = 1; i <= RAMP; i++) {
            double amount = (double) i / RAMP;
            shapes.add(new Shape.Box(x + (i - 1) * 2.8, y, 2.8, 6, ink(code, amount)));
            area += 2.8 * 6 * amount;
        }
        return area;
    }

    /** A wheel of hues, skin-like and grey patches, and text; mirrored where it will be pressed. */
    private Drawn proof(Family family) {
        boolean mirrored = family == Family.SUBLIMATION || family == Family.FILM;
        var shapes = new ArrayList<Shape>();
        double cx = width() / 2;
        double cy = 105;
        for (int i = 0; i < 24; i++) {
            double from = Math.PI * 2 * i / 24;
            double to = Math.PI * 2 * (i + 1) / 24;
            var hue = hue(mirrored ? 23 - i : i);
            shapes.add(new Shape.Outline(
                    List.of(
                            cx,
                            cy,
                            cx + 55 * Math.cos(from),
                            cy + 55 * Math.sin(from),
                            cx + 55 * Math.cos(to),
                            cy + 55 * Math.sin(to)),
                    hue));
        }
        double[][] skins = {
            {.98, .86, .77}, {.93, .76, .63}, {.82, .6, .45}, {.62, .42, .3}, {.42, .28, .2}, {.27, .18, .13}
        };
        for (int i = 0; i < skins.length; i++) {
            int at = mirrored ? skins.length - 1 - i : i;
            shapes.add(new Shape.Box(
                    cx - 78 + i * 26, 175, 24, 18, new Shape.Ink.Rgb(skins[at][0], skins[at][1], skins[at][2])));
        }
        for (int i = 0; i < 11; i++) {
            double grey = (mirrored ? 10 - i : i) / 10.0;
            shapes.add(new Shape.Box(cx - 77 + i * 14, 198, 14, 14, new Shape.Ink.Rgb(grey, grey, grey)));
        }
        shapes.add(new Shape.Words(cx - 60, 228, 6, "Quick brown, slow grey", mirrored));
        var ink = new LinkedHashMap<ChannelCode, Millilitres>();
        profile.codes().forEach(c -> ink.put(c, profile.draws().healthSheet()));
        return new Drawn(
                List.of(page(
                        SheetKind.PROOF,
                        family.label(),
                        mirrored
                                ? "Already mirrored: leave the driver’s mirror off for this page. On paper the colours"
                                        + " are dull; press it on a scrap."
                                : "On the paper it will be printed on.",
                        shapes,
                        List.of())),
                ink);
    }

    private static Shape.Ink hue(int sector) {
        double h = sector / 24.0 * 6;
        double x = 1 - Math.abs(h % 2 - 1);
        return switch ((int) h) {
            case 0 -> new Shape.Ink.Rgb(1, x, 0);
            case 1 -> new Shape.Ink.Rgb(x, 1, 0);
            case 2 -> new Shape.Ink.Rgb(0, 1, x);
            case 3 -> new Shape.Ink.Rgb(0, x, 1);
            case 4 -> new Shape.Ink.Rgb(x, 0, 1);
            default -> new Shape.Ink.Rgb(1, 0, x);
        };
    }

    /** Half a page, black only, so that any machine prints it; the strip is laid into its window. */
    private Page frame(SheetKind kind) {
        double wide = 210;
        double high = 148.5;
        double code = 17.85; // 21 modules of 0.85 mm
        boolean dark = kind == SheetKind.DARK_FRAME;
        var shapes = new ArrayList<Shape>(corners(kind, wide, high, code));
        dots(shapes, 9, wide, high, 15, code, 3); // outside the window: the strip must not cover them
        double x = (wide - WINDOW_WIDTH) / 2;
        double y = (high - WINDOW_HEIGHT) / 2;
        shapes.add(
                dark
                        ? new Shape.Box(x, y, WINDOW_WIDTH, WINDOW_HEIGHT, Shape.Ink.BLACK)
                        : new Shape.Window(x, y, WINDOW_WIDTH, WINDOW_HEIGHT));
        shapes.add(new Shape.Words(
                32,
                27,
                SMALL,
                "%s: its strip in here, the right way up. The whole frame in the picture.".formatted(made.name()),
                false));
        return new Page(
                wide, high, shapes, List.of(new Part.Strip(x, y, WINDOW_WIDTH, WINDOW_HEIGHT, dark)), Shape.Ink.BLACK);
    }

    private Page page(SheetKind kind, String what, String say, List<Shape> shapes, List<Part> parts) {
        return page(kind, what, say, shapes, parts, Shape.Ink.BLACK);
    }

    private Page page(SheetKind kind, String what, String say, List<Shape> shapes, List<Part> parts, Shape.Ink marks) {
        var all = new ArrayList<>(shapes);
        all.addAll(corners(kind, width(), height(), CODE));
        all.add(new Shape.Words(30, 14, 5, "%s: %s".formatted(made.name(), kind.label()), false));
        all.add(new Shape.Words(
                30, 21, 3, "%s   ·   %s   ·   no. %d".formatted(what, made.day(), made.sheet()), false));
        double y = height() - 23;
        for (var line : lines(say + " " + kind.shows())) {
            all.add(new Shape.Words(30, y, SMALL, line, false));
            y += 4.4;
        }
        return new Page(width(), height(), all, parts, marks);
    }

    /** Broken so that every line fits between the codes. */
    private static List<String> lines(String words) {
        var lines = new ArrayList<String>();
        var line = new StringBuilder();
        for (var word : words.split(" ")) {
            if (line.length() + word.length() > LINE) {
                lines.add(line.toString().strip());
                line.setLength(0);
            }
            line.append(word).append(' ');
        }
        lines.add(line.toString().strip());
        return lines;
    }

    private List<Shape> corners(SheetKind kind, double wide, double high, double side) {
        double[][] at = {
            {EDGE, EDGE},
            {wide - EDGE - side, EDGE},
            {wide - EDGE - side, high - EDGE - side},
            {EDGE, high - EDGE - side}
        };
        var codes = new ArrayList<Shape>();
        for (int corner = 0; corner < 4; corner++) {
            codes.add(new Shape.Code(
                    at[corner][0],
                    at[corner][1],
                    side,
                    new SheetCode(kind, corner, made.machine(), made.sheet(), made.at()).text()));
        }
        return codes;
    }

    /** Round a full page; the upper and lower rows stand clear of its words. */
    private List<Shape> ring(double code) {
        var shapes = new ArrayList<Shape>();
        double clear = EDGE + code + 6;
        for (double x : List.of(EDGE + code / 2, width() - EDGE - code / 2)) {
            along(clear, height() - clear, 18).forEach(y -> shapes.add(new Shape.Dot(x, y, 3.2)));
        }
        for (double y : List.of(31.0, height() - 33)) {
            along(clear, width() - clear, 18).forEach(x -> shapes.add(new Shape.Dot(x, y, 3.2)));
        }
        return shapes;
    }

    /** Dots between the codes, evenly and about so far apart: the codes give a start, the dots the precision. */
    private static void dots(
            List<Shape> shapes, double inset, double wide, double high, double apart, double code, double diameter) {
        double clear = EDGE + code + 6;
        for (double y : List.of(inset, high - inset)) {
            along(clear, wide - clear, apart).forEach(x -> shapes.add(new Shape.Dot(x, y, diameter)));
        }
        for (double x : List.of(inset, wide - inset)) {
            along(clear, high - clear, apart).forEach(y -> shapes.add(new Shape.Dot(x, y, diameter)));
        }
    }

    private static List<Double> along(double from, double to, double apart) {
        int count = Math.max(1, (int) Math.round((to - from) / apart));
        var places = new ArrayList<Double>();
        for (int i = 0; i <= count; i++) {
            places.add(from + (to - from) * i / count);
        }
        return places;
    }
}
