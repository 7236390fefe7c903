package fairkettle.job;

import fairkettle.job.Layout.Placed;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/**
 * Lays pieces out on sheets or on film: as little of it as can be found in the time that a person waits. Pieces of one
 * size are laid in blocks; different ones by a skyline whose order is searched.
 *
 * <p>All lengths are tenths of a millimetre. The same pieces always give the same layout.
 */
public final class Nesting {

    public static final long LOOKS = 16_000_000; // steps of one search: some tenths of a second
    private static final int A_HUNDRED_METRES = 1_000_000;
    private static final int PARTS = 40; // that pieces of the same size are searched in
    private static final int RESTS_AFTER = 400; // orders without a gain
    private static final int AIMS = 6; // tried in one search, at least
    private static final double AIM_FIRST = .5; // of the way from the best to what cannot be beaten

    private Nesting() {}

    /**
     * On sheets of one size.
     *
     * @param width that can be printed on, {@code length} likewise, along the feed; @param gap between pieces
     * @throws IllegalArgumentException for a piece that fits no sheet
     */
    public static Layout onSheets(List<Piece> pieces, int width, int length, int gap) {
        return onSheets(pieces, width, length, gap, LOOKS);
    }

    /** The same with more patience, or less. @param looks as of {@link #onFilm(List, int, int, long)} */
    public static Layout onSheets(List<Piece> pieces, int width, int length, int gap, long looks) {
        fit(pieces, width, length);
        var area = new Area(width + gap, length + gap, gap);
        if (pieces.size() == 1) {
            return new Layout(width, length, blocksOnSheets(pieces.getFirst(), area));
        }
        return new Layout(width, length, new Search(pieces, area, looks).best());
    }

    /** On film that is cut to length. @throws IllegalArgumentException for a piece that is wider than it */
    public static Layout onFilm(List<Piece> pieces, int width, int gap) {
        return onFilm(pieces, width, gap, LOOKS);
    }

    /** The same with more patience, or less. @param looks at pieces and edges; the usual search has {@link #LOOKS} */
    public static Layout onFilm(List<Piece> pieces, int width, int gap, long looks) {
        fit(pieces, width, Integer.MAX_VALUE - gap);
        var area = new Area(width + gap, Area.ENDLESS, gap);
        var placed = pieces.size() == 1
                ? blocksOnFilm(pieces.getFirst(), area, pieces.getFirst().count(), 0)
                : new Search(pieces, area, looks).best();
        return new Layout(
                width, placed.stream().mapToInt(p -> p.y() + p.height()).max().orElse(0), placed);
    }

    private static void fit(List<Piece> pieces, int width, int length) {
        if (pieces.isEmpty()) {
            throw new IllegalArgumentException("There is nothing to lay out.");
        }
        for (var piece : pieces) {
            boolean fits = piece.upright() && piece.width() <= width && piece.height() <= length
                    || piece.turned() && piece.height() <= width && piece.width() <= length;
            if (!fits) {
                throw new IllegalArgumentException(
                        "A piece of %s × %s mm does not fit (%s × %s mm can be printed on%s)."
                                .formatted(
                                        mm(piece.width()),
                                        mm(piece.height()),
                                        mm(width),
                                        length > A_HUNDRED_METRES ? "any" : mm(length),
                                        piece.turning() == Piece.Turning.FREE ? "" : ", and it may not be turned"));
            }
        }
    }

    private static String mm(int tenths) {
        return tenths % 10 == 0 ? String.valueOf(tenths / 10) : String.valueOf(tenths / 10.0);
    }

    /** What is laid out on, each side a gap longer, since every piece takes its gap along. */
    private record Area(int width, int length, int gap) {
        static final int ENDLESS = Integer.MAX_VALUE;

        Placed place(int piece, int sheet, int x, int y, int wide, int high, boolean turned) {
            return new Placed(piece, sheet, x, y, wide - gap, high - gap, turned);
        }
    }

    // ---- pieces of one size ------------------------------------------------------------------------------------

    private record Block(int x, int y, int columns, int rows, boolean turned) {}

    private static List<Placed> blocksOnSheets(Piece piece, Area area) {
        var full = fullSheet(piece, area);
        int each = full.stream().mapToInt(b -> b.columns() * b.rows()).sum();
        var placed = new ArrayList<Placed>();
        int sheets = piece.count() / each;
        for (int sheet = 0; sheet < sheets; sheet++) {
            lay(full, piece, area, sheet, each, placed);
        }
        int left = piece.count() - sheets * each;
        if (left > 0) {
            var last = blocksOnFilm(piece, area, left, sheets);
            if (last.stream().anyMatch(p -> p.y() + p.height() + area.gap() > area.length())) {
                last = new ArrayList<>();
                lay(full, piece, area, sheets, left, last);
            }
            placed.addAll(last);
        }
        return placed;
    }

    private static void lay(List<Block> blocks, Piece piece, Area area, int sheet, int most, List<Placed> placed) {
        int left = most;
        for (var block : blocks) {
            int wide = (block.turned() ? piece.height() : piece.width()) + area.gap();
            int high = (block.turned() ? piece.width() : piece.height()) + area.gap();
            for (int row = 0; row < block.rows(); row++) {
                for (int column = 0; column < block.columns() && left > 0; column++, left--) {
                    placed.add(area.place(
                            0, sheet, block.x() + column * wide, block.y() + row * high, wide, high, block.turned()));
                }
            }
        }
    }

    /** Up to five blocks round a middle one: the usual way to load a pallet, here over every cut that pieces make. */
    private static List<Block> fullSheet(Piece piece, Area area) {
        int w = piece.width() + area.gap();
        int h = piece.height() + area.gap();
        var best = new ArrayList<Block>();
        int most = 0;
        var across = cuts(piece, w, h, area.width());
        var down = cuts(piece, h, w, area.length());
        for (int x1 : across) {
            for (int x2 : across) {
                for (int y1 : down) {
                    for (int y2 : down) {
                        if (x1 < x2 && y1 < y2 || x1 > x2 && y1 > y2) {
                            continue; // the corner blocks would overlap
                        }
                        int[][] corners = {
                            {0, 0, x1, y1},
                            {x1, 0, area.width(), y2},
                            {x2, y2, area.width(), area.length()},
                            {0, y1, x2, area.length()},
                            {Math.min(x1, x2), Math.min(y1, y2), Math.max(x1, x2), Math.max(y1, y2)}
                        };
                        int sum = 0;
                        for (var c : corners) {
                            sum += count(piece, w, h, c[2] - c[0], c[3] - c[1]);
                        }
                        if (sum > most) {
                            most = sum;
                            best.clear();
                            for (var c : corners) {
                                block(piece, w, h, c).ifPresent(best::add);
                            }
                        }
                    }
                }
            }
        }
        return best;
    }

    private static final int MOST_CUTS = 26;

    /** Where pieces side by side can end; the edge is one. */
    private static List<Integer> cuts(Piece piece, int one, int other, int room) {
        var cuts = new ArrayList<Integer>();
        int a = piece.upright() ? one : Integer.MAX_VALUE;
        int b = piece.turned() ? other : Integer.MAX_VALUE;
        for (long i = 0; i * a <= room; i++) {
            for (long j = 0; i * a + j * b <= room; j++) {
                cuts.add((int) (i * a + j * b));
                if (b == Integer.MAX_VALUE) {
                    break;
                }
            }
            if (a == Integer.MAX_VALUE) {
                break;
            }
        }
        cuts.add(room);
        var distinct = cuts.stream().distinct().sorted().toList();
        if (distinct.size() <= MOST_CUTS) {
            return distinct;
        }
        var some = new ArrayList<Integer>(); // small pieces: pieces of one kind from either edge
        for (int i = 0; i < MOST_CUTS; i++) {
            some.add(distinct.get(i * (distinct.size() - 1) / (MOST_CUTS - 1)));
        }
        return some;
    }

    private static int count(Piece piece, int w, int h, int wide, int high) {
        int up = piece.upright() ? (wide / w) * (high / h) : 0;
        return piece.turned() ? Math.max(up, (wide / h) * (high / w)) : up;
    }

    private static Optional<Block> block(Piece piece, int w, int h, int[] c) {
        int wide = c[2] - c[0];
        int high = c[3] - c[1];
        int up = piece.upright() ? (wide / w) * (high / h) : 0;
        int turned = piece.turned() ? (wide / h) * (high / w) : 0;
        if (up == 0 && turned == 0) {
            return Optional.empty();
        }
        return Optional.of(
                up >= turned
                        ? new Block(c[0], c[1], wide / w, high / h, false)
                        : new Block(c[0], c[1], wide / h, high / w, true));
    }

    /** Columns of upright pieces beside columns of turned ones: the split and the length that are shortest. */
    private static List<Placed> blocksOnFilm(Piece piece, Area area, int count, int sheet) {
        int w = piece.width() + area.gap();
        int h = piece.height() + area.gap();
        int bestUp = 0;
        long shortest = Long.MAX_VALUE;
        for (int up = piece.upright() ? area.width() / w : 0; up >= 0; up--) {
            int turned = piece.turned() ? (area.width() - up * w) / h : 0;
            if (up + turned > 0) {
                long length = length(up, turned, w, h, count);
                if (length < shortest) {
                    shortest = length;
                    bestUp = up;
                }
            }
        }
        int turned = piece.turned() ? (area.width() - bestUp * w) / h : 0;
        var placed = new ArrayList<Placed>();
        int rows = (int) (shortest / h);
        int left = count;
        // why the side with longer columns first: what is missing of the count is missing at the end of one column
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < bestUp && left > 0; column++, left--) {
                placed.add(area.place(0, sheet, column * w, row * h, w, h, false));
            }
        }
        for (int row = 0; turned > 0 && row < shortest / w; row++) {
            for (int column = 0; column < turned && left > 0; column++, left--) {
                placed.add(area.place(0, sheet, bestUp * w + column * h, row * w, h, w, true));
            }
        }
        return placed;
    }

    private static long length(int up, int turned, int w, int h, int count) {
        long low = 0;
        long high = (long) count * Math.max(w, h);
        while (low < high) {
            long middle = (low + high) / 2;
            if (up * (middle / h) + turned * (middle / w) >= count) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    // ---- pieces of several sizes -------------------------------------------------------------------------------

    /** So many of one piece, as they stand in the order. */
    private record Part(int piece, int count) {}

    private static final class Search {

        private final Area area;
        private final int[] wide;
        private final int[] high;
        private final boolean[] upright;
        private final boolean[] turned;
        private final int total;
        private final long covered;
        private final long patience;
        private long looks;

        Search(List<Piece> pieces, Area area, long patience) {
            this.area = area;
            this.patience = patience;
            int n = pieces.size();
            wide = new int[n];
            high = new int[n];
            upright = new boolean[n];
            turned = new boolean[n];
            long sum = 0;
            int all = 0;
            for (int i = 0; i < n; i++) {
                var p = pieces.get(i);
                wide[i] = p.width() + area.gap();
                high[i] = p.height() + area.gap();
                upright[i] = p.upright();
                turned[i] = p.turned();
                sum += (long) wide[i] * high[i] * p.count();
                all = Math.addExact(all, p.count());
            }
            covered = sum;
            total = all;
            counts = pieces.stream().mapToInt(Piece::count).toArray();
        }

        private final int[] counts;

        List<Placed> best() {
            var parts = parts();
            List<Comparator<Part>> orders = List.of(
                    Comparator.comparingInt((Part p) -> -Math.max(wide[p.piece()], high[p.piece()])),
                    Comparator.comparingLong((Part p) -> -(long) wide[p.piece()] * high[p.piece()]),
                    Comparator.comparingInt((Part p) -> -wide[p.piece()] - high[p.piece()]),
                    Comparator.comparingInt((Part p) -> -wide[p.piece()]),
                    Comparator.comparingInt((Part p) -> -high[p.piece()]));
            List<Part> best = parts;
            long cost = Long.MAX_VALUE;
            for (var order : orders) {
                var sorted = new ArrayList<>(parts);
                sorted.sort(order);
                long c = new Skyline(this, sorted, null).lay();
                if (c < cost) {
                    cost = c;
                    best = sorted;
                }
            }
            best = search(best, cost);
            var placed = new ArrayList<Placed>();
            var skyline = new Skyline(this, best, placed);
            if (bestAim > 0) {
                skyline.under(bestAim);
            } else {
                skyline.lay();
            }
            return placed;
        }

        private List<Part> parts() {
            int most = Math.max(1, PARTS / counts.length);
            var parts = new ArrayList<Part>();
            for (int i = 0; i < counts.length; i++) {
                int lots = Math.min(counts[i], most);
                for (int k = 0; k < lots; k++) {
                    parts.add(new Part(i, counts[i] / lots + (k < counts[i] % lots ? 1 : 0)));
                }
            }
            return parts;
        }

        /**
         * Two change places, or one goes elsewhere. On film it aims below the best: what does not fit under that length
         * is what an order costs, which tells two orders of one length apart. The aim comes down as it is met, and goes
         * up when it is not.
         */
        private List<Part> search(List<Part> from, long cost) {
            var dice = new Random(total * 31L + covered);
            List<Part> best = from;
            long bestCost = cost;
            boolean film = area.length() == Area.ENDLESS;
            var now = new ArrayList<>(from);
            long aim = film ? aim(bestCost, AIM_FIRST) : 0;
            long nowCost = film ? new Skyline(this, now, null).under(aim) : cost;
            double nearer = AIM_FIRST;
            long until = looks + patience / AIMS;
            int idle = 0;
            while (looks < patience && bestCost > bound() && now.size() > 1) {
                var next = new ArrayList<>(now);
                int changes = idle > RESTS_AFTER ? 4 : 1;
                for (int i = 0; i < changes; i++) {
                    int a = dice.nextInt(next.size());
                    int b = dice.nextInt(next.size());
                    if (dice.nextBoolean()) {
                        Collections.swap(next, a, b);
                    } else {
                        next.add(b, next.remove(a));
                    }
                }
                var skyline = new Skyline(this, next, null);
                long c = film ? skyline.under(aim) : skyline.lay();
                if (c <= nowCost || idle > RESTS_AFTER) {
                    idle = c < nowCost || idle > RESTS_AFTER ? 0 : idle + 1;
                    now = next;
                    nowCost = c;
                } else {
                    idle++;
                }
                if (film && c == 0) {
                    bestCost = aim;
                    best = List.copyOf(next);
                    bestAim = aim;
                    aim = aim(bestCost, nearer);
                    nowCost = new Skyline(this, now, null).under(aim);
                    until = looks + patience / AIMS;
                } else if (film && looks > until) {
                    nearer /= 2;
                    aim = aim(bestCost, nearer);
                    nowCost = new Skyline(this, now, null).under(aim);
                    until = looks + patience / AIMS;
                } else if (!film && c < bestCost) {
                    bestCost = c;
                    best = List.copyOf(next);
                }
            }
            return best;
        }

        /** The aim under which {@code best} was found; 0 for none. */
        private long bestAim;

        private long aim(long best, double nearer) {
            return Math.max(bound(), best - Math.max(1, Math.round((best - bound()) * nearer)));
        }

        /** No layout costs less: of film the covered area, of sheets as many as that needs. */
        private long bound() {
            if (area.length() == Area.ENDLESS) {
                return Math.ceilDiv(covered, (long) area.width());
            }
            long sheet = (long) area.width() * area.length();
            long full = (covered - 1) / sheet;
            return full * SHEET + Math.ceilDiv(covered - full * sheet, (long) area.width());
        }
    }

    /** What a sheet weighs against the length of the last one. */
    private static final long SHEET = 1L << 32;

    /** Places one order of parts: always where the skyline is lowest, what fits there best. */
    private static final class Skyline {

        private static final int WALL = Integer.MAX_VALUE;

        private final Search search;
        private final List<Part> order;
        private final @Nullable List<Placed> placed;
        private final int[] left;
        private final int[] x;
        private final int[] y;
        private int segments;
        private int sheet;
        private int cap;
        private int narrowest;
        private final int[] heads;
        private int kinds;

        Skyline(Search search, List<Part> order, @Nullable List<Placed> placed) {
            this.search = search;
            this.order = order;
            this.placed = placed;
            this.left = order.stream().mapToInt(Part::count).toArray();
            this.x = new int[search.total + 3];
            this.y = new int[search.total + 3];
            this.cap = search.area.length();
            this.heads = new int[search.counts.length];
            begin();
        }

        private void begin() {
            segments = 1;
            x[0] = 0;
            y[0] = 0;
            x[1] = search.area.width();
        }

        /** On film of that length. @return the area of what does not fit there, 0 if all of it does */
        long under(long aim) {
            cap = (int) Math.min(Integer.MAX_VALUE, aim);
            lay();
            long area = 0;
            for (int part = 0; part < left.length; part++) {
                int piece = order.get(part).piece();
                area += (long) left[part] * search.wide[piece] * search.high[piece];
            }
            return area;
        }

        /** @return what it costs: the length of film, or sheets and the length of the last */
        long lay() {
            int open = search.total;
            int length = 0;
            remaining();
            while (open > 0) {
                int s = lowest();
                int room = x[s + 1] - x[s];
                int wallLeft = s == 0 ? WALL : y[s - 1] - y[s];
                int wallRight = s == segments - 1 ? WALL : y[s + 1] - y[s];
                long best = fitting(room, y[s], wallLeft, wallRight);
                if (best < 0) {
                    if (segments == 1 && cap < WALL && search.area.length() == Area.ENDLESS) {
                        break; // what is left fits nowhere below the aim
                    } else if (segments == 1) { // the sheet is full
                        sheet++;
                        length = 0;
                        begin();
                    } else {
                        raise(s, Math.min(wallLeft, wallRight));
                    }
                    continue;
                }
                int part = (int) (best >> 1);
                boolean turned = (best & 1) == 1;
                int piece = order.get(part).piece();
                int w = turned ? search.high[piece] : search.wide[piece];
                int h = turned ? search.wide[piece] : search.high[piece];
                boolean atLeft = w == room || atLeft(h, wallLeft, wallRight);
                if (placed != null) {
                    placed.add(search.area.place(piece, sheet, atLeft ? x[s] : x[s + 1] - w, y[s], w, h, turned));
                }
                length = Math.max(length, y[s] + h);
                put(s, w, h, room, atLeft);
                left[part]--;
                open--;
                if (left[part] == 0) {
                    remaining();
                }
            }
            return search.area.length() == Area.ENDLESS ? length : sheet * SHEET + length;
        }

        /**
         * What is left: of each piece the part that comes first, since a later one of the same piece never fits better,
         * and the shortest side.
         */
        private void remaining() {
            narrowest = WALL;
            kinds = 0;
            search.looks += left.length;
            boolean[] seen = new boolean[heads.length];
            for (int part = 0; part < left.length; part++) {
                int piece = order.get(part).piece();
                if (left[part] > 0 && !seen[piece]) {
                    seen[piece] = true;
                    heads[kinds++] = part;
                    narrowest = Math.min(narrowest, Math.min(search.wide[piece], search.high[piece]));
                }
            }
        }

        /** Beside the wall that it makes even, else beside the higher one. */
        private static boolean atLeft(int h, int wallLeft, int wallRight) {
            return h == wallLeft || h != wallRight && wallLeft >= wallRight;
        }

        private int lowest() {
            int lowest = 0;
            search.looks += segments;
            for (int i = 1; i < segments; i++) {
                if (y[i] < y[lowest]) {
                    lowest = i;
                }
            }
            return lowest;
        }

        /** The part that fits best, twice its place, and one more if it lies turned; -1 if none fits. */
        private long fitting(int room, int base, int wallLeft, int wallRight) {
            int best = -2;
            long found = -1;
            int tallest = cap == WALL ? WALL : cap - base;
            for (int kind = 0; kind < kinds; kind++) {
                int part = heads[kind];
                int piece = order.get(part).piece();
                for (int turn = 0; turn < 2; turn++) {
                    if (turn == 0 ? !search.upright[piece] : !search.turned[piece]) {
                        continue;
                    }
                    search.looks++;
                    int w = turn == 0 ? search.wide[piece] : search.high[piece];
                    int h = turn == 0 ? search.high[piece] : search.wide[piece];
                    if (w > room || h > tallest) {
                        continue;
                    }
                    int score = score(w == room, h, wallLeft, wallRight, tallest);
                    if (w < room && room - w < narrowest) {
                        score -= 1; // nothing fits beside it any more
                    }
                    if (score > best) {
                        best = score;
                        found = 2L * part + turn;
                    }
                }
                if (best == 6) {
                    break;
                }
            }
            return found;
        }

        private static int score(boolean fills, int h, int wallLeft, int wallRight, int tallest) {
            boolean even = h == wallLeft || h == wallRight || h == tallest;
            if (!fills) {
                return even ? 2 : 0;
            }
            return h == wallLeft && h == wallRight ? 6 : even ? 5 : 3;
        }

        private void put(int s, int w, int h, int room, boolean atLeft) {
            if (w == room) {
                y[s] += h;
                merge(s);
                return;
            }
            for (int i = segments; i > s; i--) {
                x[i + 1] = x[i];
                y[i] = y[i - 1];
            }
            segments++;
            if (atLeft) {
                x[s + 1] = x[s] + w;
                y[s] += h;
                merge(s);
            } else {
                x[s + 1] = x[s + 2] - w;
                y[s + 1] += h;
                merge(s + 1);
            }
        }

        private void raise(int s, int by) {
            y[s] += by;
            merge(s);
        }

        /** Joins a segment with neighbours of its height. */
        private void merge(int s) {
            if (s + 1 < segments && y[s + 1] == y[s]) {
                close(s + 1);
            }
            if (s > 0 && y[s - 1] == y[s]) {
                close(s);
            }
        }

        private void close(int s) {
            for (int i = s; i < segments; i++) {
                x[i] = x[i + 1];
                y[i] = y[Math.min(i + 1, segments - 1)];
            }
            segments--;
        }
    }
}
