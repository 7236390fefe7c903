package fairkettle.imaging;

import fairkettle.check.Look;
import fairkettle.check.Solid;
import fairkettle.ink.ChannelCode;
import fairkettle.machine.Channel;
import fairkettle.machine.NozzlePattern;
import fairkettle.machine.Profile;
import fairkettle.sheet.Page;
import fairkettle.sheet.Page.Part;
import fairkettle.sheet.Shape;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Reads the picture of a sheet: finds it by its marks, whichever way it was turned, and says of every channel what can
 * be seen, how sure that is, and what to do where it cannot be seen. It never guesses: what it cannot tell it says.
 */
public final class SheetReader {

    private static final double FRAME_COARSEST = 4.2; // pixels per mm
    private static final double PAGE_COARSEST = 3.0;
    private static final double ROUGH = 0.25; // mm that marks may be off
    private static final int DOTS = 8;
    private static final double NIGHT = 40; // of 255, level of bare paper
    private static final double HIDDEN = 0.1; // of a window
    private static final double INKED = 0.008; // of a window: a pattern covers more
    private static final double WHOLE = 0.97; // of a full area's length
    private static final double BESIDE = 6; // mm around a stair in which its own dots stand
    private static final double FINE = 8; // points per mm
    private static final double TAPPED = 6; // mm around a pattern whose corners were tapped
    private static final int EDGE = 4; // strokes
    private static final double ALIKE = 0.86; // cosine between two inks
    private static final double WRONG = 0.5; // of a strong stroke, on average, one step outside

    private static final Map<String, double[]> COVERS = Map.of(
            "K",
            new double[] {1, 1, 1},
            "C",
            new double[] {1, .64, .3},
            "M",
            new double[] {.4, 1, .74},
            "Y",
            new double[] {.16, .25, 1},
            "LC",
            new double[] {.62, .34, .16},
            "LM",
            new double[] {.2, .58, .4},
            "GY",
            new double[] {1, 1, 1},
            "PK",
            new double[] {1, 1, 1});

    private SheetReader() {}

    /**
     * What a sheet's number stands for.
     *
     * @param made when, to the minute, as its code says it too
     * @param clean optical density of this machine's own clean inks, as an earlier reading found them
     */
    public record Known(
            SheetKind kind, Instant made, Page page, Profile profile, Map<ChannelCode, List<Double>> clean) {
        public Known {
            clean = Map.copyOf(clean);
        }
    }

    /** What came of a picture. */
    public sealed interface Result {

        /**
         * @param code which sheet; empty if its corners were tapped
         * @param doubts sentences that a person should know before believing it
         * @param turned true if the strip lay the other way round
         * @param pixelsPerMm of the picture, at the coarsest place
         */
        record Read(
                Optional<SheetCode> code,
                List<Look> looks,
                List<String> doubts,
                boolean turned,
                double pixelsPerMm,
                Straight straight)
                implements Result {
            public Read {
                looks = List.copyOf(looks);
                doubts = List.copyOf(doubts);
            }
        }

        /** @param code the sheet, if at least that was seen; @param why what to do, in a sentence */
        record Unread(Optional<SheetCode> code, String why) implements Result {}
    }

    /**
     * One result for every sheet in the picture, at least one.
     *
     * @param lookup what a code stands for; empty if there is no such sheet in this shop
     */
    public static List<Result> read(Photo photo, Function<SheetCode, Optional<Known>> lookup) {
        var codes = Marks.codes(photo);
        if (codes.seen().isEmpty()) {
            return List.of(new Result.Unread(Optional.empty(), Unseen.why(photo)));
        }
        var bySheet = new LinkedHashMap<String, List<Marks.Seen>>();
        codes.seen().stream()
                .sorted(Comparator.comparing(s -> s.corners()[0] + s.corners()[1]))
                .forEach(s -> bySheet.computeIfAbsent(
                                "%d %d %s"
                                        .formatted(
                                                s.code().machine(),
                                                s.code().sheet(),
                                                s.code().minute()),
                                _ -> new ArrayList<>())
                        .add(s));
        return bySheet.values().stream()
                .map(seen -> one(photo, seen, codes.inverted(), lookup))
                .toList();
    }

    /** @param seen codes of one sheet */
    private static Result one(
            Photo photo, List<Marks.Seen> seen, boolean inverted, Function<SheetCode, Optional<Known>> lookup) {
        var first = seen.getFirst().code();
        var code = Optional.of(first);
        var known = lookup.apply(first).orElse(null);
        if (known == null) {
            return new Result.Unread(code, "This sheet was not made by this shop, or its machine is gone.");
        }
        if (seen.stream().map(s -> s.code().corner()).distinct().count() < seen.size()) {
            return new Result.Unread(code, "Two copies of one sheet are in the picture. One of them, please.");
        }
        if (!known.made().truncatedTo(ChronoUnit.MINUTES).equals(first.minute())) {
            return new Result.Unread(
                    code,
                    "This is another sheet of the same number, %s than the one in the book. Take the one that was printed last."
                            .formatted(first.minute().isBefore(known.made()) ? "older" : "younger"));
        }
        if (seen.stream().anyMatch(s -> s.code().kind() != known.kind())) {
            return new Result.Unread(
                    code,
                    "Its code says %s, and under this number the book has a %s. Print the sheet anew."
                            .formatted(first.kind().label(), known.kind().label()));
        }
        var page = known.page();
        var fixed = Marks.fix(photo, seen, inverted, page);
        boolean ring =
                page.shapes().stream().filter(Shape.Dot.class::isInstance).count() >= DOTS;
        if (ring && fixed.dots().size() < DOTS || !ring && seen.size() < 3) {
            return new Result.Unread(
                    code,
                    Unseen.edge(photo, fixed.mapping(), page)
                            .orElse(
                                    "Too little of the sheet's edge can be seen (%d dots). The whole sheet in the picture, nothing on its edge."
                                            .formatted(fixed.dots().size())));
        }
        if (fixed.rms() > ROUGH) {
            return new Result.Unread(
                    code, "The sheet is not flat, or the picture is shaken. Lay it flat and take it again.");
        }
        double coarsest = fixed.mapping().coarsest(0, 0, page.width(), page.height());
        double least = first.kind().frame() ? FRAME_COARSEST : PAGE_COARSEST;
        if (coarsest < least) {
            return new Result.Unread(
                    code,
                    "The picture is too small: %.1f pixels per mm, and %.1f are needed. Closer, so that the sheet fills it."
                            .formatted(coarsest, least));
        }
        var strip = page.parts().stream()
                .filter(Part.Strip.class::isInstance)
                .map(Part.Strip.class::cast)
                .findFirst();
        return strip.isPresent()
                ? strip(photo, fixed.mapping(), strip.get(), known, code, coarsest)
                : parts(photo, fixed, known, first, coarsest, inverted);
    }

    /**
     * A picture without marks.
     *
     * @param corners of the pattern in the picture, as they were tapped: top left, top right, bottom right, bottom
     *     left; x and y in turn, pixels
     * @param dark true if it is white ink on a dark ground
     */
    public static Result tapped(Photo photo, double[] corners, Profile profile, boolean dark) {
        var pattern = profile.pattern();
        double high = pattern.height(
                profile.channels().stream().mapToInt(Channel::nozzles).max().orElseThrow());
        double width = pattern.width() + 2 * TAPPED;
        double height = high + 2 * TAPPED;
        var ties = List.of(
                new Mapping.Tie(TAPPED, TAPPED, corners[0], corners[1]),
                new Mapping.Tie(width - TAPPED, TAPPED, corners[2], corners[3]),
                new Mapping.Tie(width - TAPPED, height - TAPPED, corners[4], corners[5]),
                new Mapping.Tie(TAPPED, height - TAPPED, corners[6], corners[7]));
        var mapping = Mapping.through(ties, width, height);
        double coarsest = mapping.coarsest(TAPPED, TAPPED, width - 2 * TAPPED, high);
        if (!(coarsest >= FRAME_COARSEST)) {
            return new Result.Unread(
                    Optional.empty(),
                    "The pattern is too small in the picture: %.1f pixels per mm, and %.1f are needed. Closer."
                            .formatted(coarsest, FRAME_COARSEST));
        }
        return strip(
                photo,
                mapping,
                new Part.Strip(0, 0, width, height, dark),
                new Known(
                        dark ? SheetKind.DARK_FRAME : SheetKind.FRAME,
                        Instant.EPOCH,
                        new Page(width, height, List.of(), List.of(), Shape.Ink.BLACK),
                        profile,
                        Map.of()),
                Optional.empty(),
                coarsest);
    }

    // ---- the machine's own pattern -------------------------------------------------------------------------------

    private static Result strip(
            Photo photo, Mapping mapping, Part.Strip strip, Known known, Optional<SheetCode> code, double coarsest) {
        double edge = code.isPresent() ? 1 : 0; // the window's own line is no ink
        var plane = Plane.of(
                photo,
                mapping,
                strip.x() + edge,
                strip.y() + edge,
                strip.width() - 2 * edge,
                strip.height() - 2 * edge,
                FINE,
                strip.dark(),
                List.of());
        var profile = known.profile();
        var pattern = profile.pattern();
        int blocks = profile.channels().size();
        var channels = pattern.order().stream().map(profile.channels()::get).toList();
        var nozzles = channels.stream().mapToInt(Channel::nozzles).toArray();
        var visible = new boolean[blocks];
        boolean any = false;
        for (int b = 0; b < blocks; b++) {
            visible[b] = channels.get(b).code().white() == strip.dark();
            any |= visible[b];
        }
        if (!any) {
            return new Result.Unread(code, "This machine has no white, and the frame is the one for white.");
        }
        if (plane.burnt > .5 && !strip.dark()) {
            return new Result.Unread(code, "The paper is burnt out to white. Less light, or a little darker exposure.");
        }
        var doubts = new ArrayList<String>();
        var expected = channels.stream().map(c -> cover(c.code())).toArray(double[][]::new);
        var placement = Placement.find(plane, pattern, nozzles, visible, expected);
        var measured = measure(photo, plane, placement, pattern, channels, visible, coarsest);
        double usual = usual(measured.all());
        var seen = measured.all().stream()
                .filter(m -> m.error < 1.0 / 8 && m.strength() > .25 * usual && m.strength() > .02)
                .toList();
        if (seen.isEmpty() || usual < .02) {
            return new Result.Unread(code, nothing(plane, profile));
        }
        double agreement = agree(seen);
        boolean flipped = placement.flipped();
        if (placement.doubtful() && blocks > 1) {
            doubts.add("It cannot be seen which way round the strip lies; it was read as the right way up.");
        } else if (flipped) {
            doubts.add("The strip lay upside down; it was read that way.");
        }
        if (placement.astray()) {
            return new Result.Unread(
                    code, "Too few blocks can be seen to tell which channel is which. Enter this check by tapping.");
        }
        if (placement.outside() > WRONG || placement.stray()) {
            return new Result.Unread(
                    code,
                    "This is not the pattern of this machine: there is ink where a “%s” prints none. Is the strip from another machine?"
                            .formatted(profile.name()));
        }
        if (agreement < ALIKE) {
            doubts.add("The colours are not where this machine prints them. Is the strip from another machine?");
        }
        if (placement.lead() < 2) {
            doubts.add(
                    "The pattern may be one step off: too many strokes are missing at its edge. Look at the first and"
                            + " last rows.");
        }
        if (plane.burnt > .2) {
            doubts.add("Parts of the paper are burnt out to white; faint strokes may be lost there. Less light.");
        }
        var looks = new ArrayList<Look>();
        for (int b = 0; b < blocks; b++) {
            var channel = channels.get(b);
            if (!visible[b]) {
                looks.add(Look.unreadable(
                        channel.code(),
                        channel.nozzles(),
                        strip.dark()
                                ? "Colours do not show on a dark ground. Read them in the white frame."
                                : "White does not show on white paper. Print it on clear film and read it in"
                                        + " the frame for white."));
            } else {
                var m = measured.of(channel.code());
                looks.add(
                        measured.strokes().covers(m)
                                ? measured.strokes().judge(m, usual)
                                : Look.unreadable(
                                        channel.code(),
                                        channel.nozzles(),
                                        "%s lies outside the window. Lay the whole strip inside it."
                                                .formatted(Strokes.name(channel.code()))));
            }
        }
        hidden(measured.all(), looks).ifPresent(doubts::add);
        var read = looks.stream().filter(Look::readable).toList();
        var gone = read.stream()
                .filter(l -> l.missing().size() == l.strokes())
                .map(l -> l.channel().code())
                .sorted()
                .toList();
        if (gone.size() > 1) {
            doubts.add("%s are gone altogether. Or is the strip from a machine that has none of them?"
                    .formatted(String.join(" and ", gone)));
        }
        if (read.size() > 1
                && (read.stream().allMatch(l -> edge(l, true)) || read.stream().allMatch(l -> edge(l, false)))) {
            doubts.add("Every channel lacks its first or its last strokes. Is the strip from another machine, or cut"
                    + " off?");
        }
        looks.sort(Comparator.comparing(Look::channel));
        if (looks.stream().noneMatch(Look::readable)) {
            return unread(code, looks);
        }
        return new Result.Read(
                code,
                looks,
                doubts,
                flipped,
                coarsest,
                new Straight(photo, mapping, strip, measured.places(plane, strip, edge)));
    }

    /** Nothing could be read: the reason of the first channel that could have been. */
    private static Result.Unread unread(Optional<SheetCode> code, List<Look> looks) {
        return new Result.Unread(
                code,
                looks.stream()
                        .map(Look::unreadable)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(""));
    }

    /** Why no stroke of this machine's pattern was found. */
    private static String nothing(Plane plane, Profile profile) {
        if (!plane.dark && plane.ground[1] < NIGHT) {
            return "The picture is too dark. More light, from two sides, and take it again.";
        }
        var hidden = plane.sight.flatMap(sight -> sight.hidden(HIDDEN));
        if (hidden.isPresent()) {
            return "A part of the window %s. %s"
                    .formatted(hidden.get().where(), hidden.get().act());
        }
        return plane.inked() > INKED
                ? "There is ink in the window, and it is not the pattern of this machine (%s). Is the strip from another machine?"
                        .formatted(profile.name())
                : "No pattern of this machine can be seen in the window. Lay its strip inside, printed side up.";
    }

    /** Whether the outermost strokes are missing side by side. */
    private static boolean edge(Look look, boolean last) {
        for (int i = 0; i < EDGE; i++) {
            if (!look.missing().contains(last ? look.strokes() - 1 - i : i)) {
                return false;
            }
        }
        return true;
    }

    /** All channels of a pattern, measured at one placement. */
    private record Measures(Strokes strokes, List<Strokes.Measured> all) {

        Strokes.Measured of(ChannelCode code) {
            return all.stream().filter(m -> m.channel.equals(code)).findFirst().orElseThrow();
        }

        Map<ChannelCode, List<Straight.Place>> places(Plane plane, Part.Strip strip, double edge) {
            var places = new HashMap<ChannelCode, List<Straight.Place>>();
            all.forEach(m -> places.put(
                    m.channel,
                    m.sites.stream()
                            .map(s -> new Straight.Place(
                                    strip.x() + edge + s.x() / plane.resolution,
                                    strip.y() + edge + s.y() / plane.resolution))
                            .toList()));
            return places;
        }
    }

    private static Measures measure(
            Photo photo,
            Plane plane,
            Placement placement,
            NozzlePattern pattern,
            List<Channel> channels,
            boolean[] visible,
            double coarsest) {
        var strokes = new Strokes(plane, photo.loss, coarsest, pattern.stair());
        var all = new ArrayList<Strokes.Measured>();
        double[] u = placement.along();
        double half = pattern.stroke() / 2 * Math.hypot(u[0], u[1]);
        for (int b = 0; b < channels.size(); b++) {
            if (!visible[b]) {
                continue;
            }
            var channel = channels.get(b);
            var sites = new ArrayList<Strokes.Site>();
            var bare = new ArrayList<Strokes.Site>();
            int steps = pattern.steps();
            double aside = (pattern.stroke() + pattern.gap()) / 2;
            for (int n = 0; n < channel.nozzles(); n++) {
                double[] p = placement.middle(b, n);
                sites.add(new Strokes.Site(p[0], p[1], u[0], u[1], half));
                if (n % steps == 0) {
                    double[] q = placement.middle(b, n, -aside);
                    bare.add(new Strokes.Site(q[0], q[1], u[0], u[1], half));
                }
                if (n % steps == steps - 1) {
                    double[] q = placement.middle(b, n, aside);
                    bare.add(new Strokes.Site(q[0], q[1], u[0], u[1], half));
                }
            }
            all.add(strokes.measure(channel.code(), sites, bare, cover(channel.code())));
        }
        strokes.learn(all);
        return new Measures(strokes, all);
    }

    /** Cover of a full stroke in its main colour: the middle of the stronger half of the channels. */
    private static double usual(List<Strokes.Measured> all) {
        var strengths = all.stream()
                .filter(m -> m.error < .2)
                .mapToDouble(m -> Math.max(m.full[0], Math.max(m.full[1], m.full[2])))
                .sorted()
                .toArray();
        return strengths.length == 0 ? 0 : strengths[strengths.length - 1 - (strengths.length - 1) / 4];
    }

    /** How alike the colours are to what should be there: 1 for the same. */
    private static double agree(List<Strokes.Measured> seen) {
        return seen.stream()
                .mapToDouble(m -> Placement.alike(m.full, m.expected))
                .average()
                .orElse(0);
    }

    private static double[] cover(ChannelCode channel) {
        return COVERS.getOrDefault(channel.code(), new double[] {1, 1, 1});
    }

    // ---- our own sheets ------------------------------------------------------------------------------------------

    private static Result parts(
            Photo photo, Marks.Fixed fixed, Known known, SheetCode code, double coarsest, boolean dark) {
        var mapping = fixed.mapping();
        var page = known.page();
        var stairs = page.parts().stream()
                .filter(Part.Stair.class::isInstance)
                .map(Part.Stair.class::cast)
                .toList();
        var bars = page.parts().stream()
                .filter(Part.Bar.class::isInstance)
                .map(Part.Bar.class::cast)
                .toList();
        if (bars.isEmpty()) {
            return new Result.Unread(
                    Optional.of(code),
                    "A %s is for your eyes: nothing on it is measured."
                            .formatted(code.kind().label()));
        }
        var others = known.profile().codes();
        var solids = new HashMap<ChannelCode, Solid>();
        var doubts = new ArrayList<String>();
        for (var bar : bars) {
            var reference = Optional.ofNullable(known.clean().get(bar.channel()))
                    .filter(t -> t.size() == 3)
                    .map(t -> new double[] {t.get(0), t.get(1), t.get(2)});
            var read = Bars.read(photo, mapping, bar, dark, reference, others);
            read.solid().ifPresent(s -> solids.put(bar.channel(), s));
            if (read.seen() < WHOLE) {
                doubts.add(
                        read.solid().isEmpty()
                                ? "Of %s's full area too little can be seen: fade and streaks are not told."
                                        .formatted(bar.channel().colour())
                                : "Of %s's full area a part cannot be seen: what is told is of the rest."
                                        .formatted(bar.channel().colour()));
            }
        }
        var looks = new ArrayList<Look>();
        var places = new HashMap<ChannelCode, List<Straight.Place>>();
        if (stairs.isEmpty()) {
            bars.forEach(b -> looks.add(
                    solids.containsKey(b.channel())
                            ? look(Look.tapped(b.channel(), 0, List.of()), solids.get(b.channel()))
                            : Look.unreadable(
                                    b.channel(),
                                    0,
                                    "%s's full area cannot be seen. Get the whole sheet in, nothing on it."
                                            .formatted(Strokes.name(b.channel())))));
        } else {
            stairs(photo, fixed, page, stairs, dark, coarsest, solids, looks, places, doubts);
        }
        if (looks.stream().noneMatch(l -> l.readable() || l.solid() != null)) {
            return unread(Optional.of(code), looks);
        }
        if (looks.stream().noneMatch(Look::readable)) {
            doubts.add("No stroke can be read: only the full areas are told. "
                    + unread(Optional.of(code), looks).why());
        }
        return new Result.Read(
                Optional.of(code),
                looks,
                doubts,
                false,
                coarsest,
                new Straight(photo, mapping, new Part.Strip(0, 0, page.width(), page.height(), dark), places));
    }

    private static Look look(Look look, @Nullable Solid solid) {
        return new Look(
                look.channel(),
                look.strokes(),
                look.missing(),
                look.faint(),
                look.partial(),
                look.bent(),
                look.unsure(),
                look.unseen(),
                look.limit(),
                solid,
                look.unreadable());
    }

    private static void stairs(
            Photo photo,
            Marks.Fixed fixed,
            Page page,
            List<Part.Stair> stairs,
            boolean dark,
            double coarsest,
            Map<ChannelCode, Solid> solids,
            List<Look> looks,
            Map<ChannelCode, List<Straight.Place>> places,
            List<String> doubts) {
        double left = stairs.getFirst().x() - 7;
        double top = stairs.getFirst().y() - 5;
        var last = stairs.getLast();
        double width = 7 + last.columns() * last.apart() + 7;
        double height = last.y() + last.rows() * last.pitch() + 5 - top;
        var plane = Plane.of(photo, fixed.mapping(), left, top, width, height, FINE, dark, printed(page, left, top));
        var strokes = new Strokes(plane, photo.loss, coarsest, last.pitch());
        var lies = new Stairs(plane, left, top)
                .find(stairs.stream()
                        .map(s -> new Stairs.Asked(s, cover(s.channel()), marked(fixed, s, page)))
                        .toList());
        var all = new ArrayList<Strokes.Measured>();
        for (int i = 0; i < stairs.size(); i++) {
            var stair = stairs.get(i);
            var lie = lies.get(i);
            var sites = new ArrayList<Strokes.Site>();
            var bare = new ArrayList<Strokes.Site>();
            double half = stair.length() / 2 * FINE;
            for (int column = 0; column < stair.columns(); column++) {
                for (int row = 0; row < stair.rows(); row++) {
                    double mm = stair.y() + column * stair.step() + row * stair.pitch() + Sheets.FINE / 2;
                    double y = (mm + lie.dy() - top) * FINE;
                    double x = stair.x() + column * stair.apart() + stair.length() / 2 + lie.dx();
                    sites.add(new Strokes.Site((x - left) * FINE, y, 1, 0, half));
                    boolean first = column == 0;
                    if ((first || column == stair.columns() - 1) && clear(page, stair, mm)) {
                        double beside = first ? -stair.length() - .4 : stair.length() + .4;
                        bare.add(new Strokes.Site((x + beside - left) * FINE, y, 1, 0, half));
                    }
                }
            }
            all.add(strokes.measure(stair.channel(), sites, bare, cover(stair.channel())));
            places.put(
                    stair.channel(),
                    sites.stream()
                            .map(s -> new Straight.Place(left + s.x() / FINE, top + s.y() / FINE))
                            .toList());
        }
        strokes.learn(all);
        double usual = usual(all);
        for (int i = 0; i < all.size(); i++) {
            var m = all.get(i);
            var look = strokes.judge(m, usual);
            if (look.readable() && !lies.get(i).certain() && look.missing().size() < look.strokes()) {
                look = Look.unreadable(
                        m.channel,
                        look.strokes(),
                        "It cannot be told in which row %s begins. Lay the sheet flat and take it again."
                                .formatted(m.channel.colour()));
            }
            looks.add(look(look, solids.get(m.channel)));
        }
        hidden(all, looks).ifPresent(doubts::add);
    }

    private static boolean marked(Marks.Fixed fixed, Part.Stair stair, Page page) {
        double wide = (stair.columns() - 1) * stair.apart() + stair.length();
        double high = (stair.rows() - 1) * stair.pitch();
        return fixed.marked(stair.x(), stair.y(), wide, high, BESIDE, page);
    }

    /** Whether no dot stands beside a stair in that row. */
    private static boolean clear(Page page, Part.Stair stair, double y) {
        return page.shapes().stream()
                .noneMatch(s -> s instanceof Shape.Dot d
                        && Math.abs(d.y() - y) < d.diameter() / 2 + 1.2
                        && Math.abs(d.x() - stair.x()) < 50);
    }

    private static List<Sight.Printed> printed(Page page, double left, double top) {
        return page.shapes().stream()
                .filter(Shape.Box.class::isInstance)
                .map(Shape.Box.class::cast)
                .filter(b -> b.width() > 1 && b.height() > 1)
                .map(b -> new Sight.Printed(b.x() - left, b.y() - top, b.width(), b.height()))
                .toList();
    }

    /** Which strokes could not be seen, in a sentence. */
    private static Optional<String> hidden(List<Strokes.Measured> all, List<Look> looks) {
        var some = all.stream()
                .filter(m -> m.unseen() > 0
                        && looks.stream().anyMatch(l -> l.channel().equals(m.channel) && l.readable()))
                .toList();
        return some.stream()
                .max(Comparator.comparingInt(Strokes.Measured::unseen))
                .flatMap(Strokes.Measured::mostly)
                .map(why -> "Not seen is not missing: %s %s and were not judged. Tap them, or take it again."
                        .formatted(
                                some.stream()
                                        .map(m -> "%d of %s".formatted(m.unseen(), m.channel.colour()))
                                        .collect(Collectors.joining(", ")),
                                why.strokes()));
    }
}
