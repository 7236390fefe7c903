package fairkettle.clinic;

import static fairkettle.clinic.Hidden.AIRS;
import static fairkettle.clinic.Hidden.CAPS;
import static fairkettle.clinic.Hidden.COLOURS;
import static fairkettle.clinic.Hidden.CONFIGS;
import static fairkettle.clinic.Hidden.FEEDS;
import static fairkettle.clinic.Hidden.NOZZLES;
import static fairkettle.clinic.Hidden.STATES;
import static fairkettle.clinic.Hidden.state;

import fairkettle.clinic.Hidden.Air;
import fairkettle.clinic.Hidden.Cap;
import fairkettle.clinic.Hidden.Colour;
import fairkettle.clinic.Hidden.Dryness;
import fairkettle.clinic.Hidden.Feed;
import fairkettle.clinic.Hidden.Nozzle;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How likely each cause is, exactly and in factors: what the channels share (dryness, cap, wiper) is a set of
 * configurations with weights; given one, every channel is on its own. Evidence on a channel multiplies its states, and
 * what is left of it (the normaliser) multiplies the weight of the configuration: so six channels that fail alike speak
 * of the cap, not of six causes. Bayes' rule throughout; acts are transitions.
 */
public final class Belief {

    private static final double SMEARS = .05; // a cleaning over a dirty wiper carries ink across

    final Situation situation;
    final Table table;
    final double[] weight = new double[CONFIGS];
    final double[][][] nozzles; // by configuration and channel, over the joint states
    final double[][][] colours;
    final double[][][]
            freed; // by configuration, channel and kind of nozzle: share of gaps that acts since the last look free
    final List<Set<Integer>> missing = new ArrayList<>();
    final boolean[] looked;
    final int[] confirmed; // looks in a row that showed the same, or nearly
    private final boolean[] touched; // since the last look
    double position;
    private final @Nullable Marginals[] marginals;
    private double[][][] initial; // every channel's states before anything was seen: the same in every copy

    private Belief(Situation situation, Table table) {
        this.situation = situation;
        this.table = table;
        initial = new double[0][0][0];
        int n = situation.channels().size();
        nozzles = new double[CONFIGS][n][STATES];
        colours = new double[CONFIGS][n][COLOURS];
        freed = new double[CONFIGS][n][NOZZLES];
        looked = new boolean[n];
        marginals = new Marginals[n];
        confirmed = new int[n];
        touched = new boolean[n];
        for (int i = 0; i < n; i++) {
            missing.add(Set.of());
        }
    }

    /** Before anything is looked at. */
    public static Belief of(Situation situation, Table table) {
        var belief = new Belief(situation, table);
        belief.prior();
        return belief;
    }

    private Belief copy() {
        var other = new Belief(situation, table);
        System.arraycopy(weight, 0, other.weight, 0, CONFIGS);
        for (int k = 0; k < CONFIGS; k++) {
            for (int c = 0; c < looked.length; c++) {
                System.arraycopy(nozzles[k][c], 0, other.nozzles[k][c], 0, STATES);
                System.arraycopy(colours[k][c], 0, other.colours[k][c], 0, COLOURS);
                System.arraycopy(freed[k][c], 0, other.freed[k][c], 0, NOZZLES);
            }
        }
        for (int c = 0; c < looked.length; c++) {
            other.missing.set(c, missing.get(c));
            other.looked[c] = looked[c];
            other.confirmed[c] = confirmed[c];
            other.touched[c] = touched[c];
        }
        other.position = position;
        other.initial = initial;
        return other;
    }

    // ---- before ---------------------------------------------------------------------------------------------------

    private static String idleKey(Family family) {
        return switch (family) {
            case SUBLIMATION -> "idle.sublimation";
            case FILM -> "idle.film";
            case EDIBLE -> "idle.edible";
            case MAKERS_DYE, MAKERS_PIGMENT -> "idle.maker";
        };
    }

    private void prior() {
        var clamp = table.row("dry.clamp");
        double idle = Math.clamp(
                situation.idleDays() * situation.drying() / table.one(idleKey(situation.family())), clamp[0], clamp[1]);
        boolean worse = situation.complaints().contains(Complaint.AFTER_CLEANING);
        double again = worse ? table.one("complaint.aftercleaning") : 1;
        var cap = table.row("cap").clone();
        for (int i = 0; i < CAPS; i++) {
            cap[i] *= situation.drying() > 1.3 ? table.row("cap.dryroom")[i] : 1;
            cap[i] *= situation.capMonths() > 18 ? table.row("cap.old")[i] : 1;
            cap[i] *= i > 0 ? Math.sqrt(again) : 1;
        }
        normalise(cap);
        double dirty =
                table.one("wiper.dirty") * (situation.cleanedOften() ? table.one("wiper.aftercleanings") : 1) * again;
        dirty = Math.min(.8, dirty);
        for (int k = 0; k < CONFIGS; k++) {
            double leak = Hidden.cap(k) == 0 ? 1 : table.one("dry.badcap");
            double[] dry = new double[Hidden.DRYNESSES];
            double sum = 0;
            for (int d = 1; d < dry.length; d++) {
                var row = table.row(
                        d == Dryness.YOUNG.ordinal()
                                ? "dry.young"
                                : d == Dryness.HARD.ordinal() ? "dry.hard" : "dry.stubborn");
                dry[d] = row[0] * Math.pow(idle, row[1]) * leak;
                sum += dry[d];
            }
            if (sum > .97) {
                for (int d = 1; d < dry.length; d++) {
                    dry[d] *= .97 / sum;
                }
                sum = .97;
            }
            dry[0] = 1 - sum;
            weight[k] = table.row("response.share")[Hidden.response(k)]
                    * cap[Hidden.cap(k)]
                    * (Hidden.wiper(k) == 1 ? dirty : 1 - dirty)
                    * dry[Hidden.dryness(k)];
            for (int c = 0; c < looked.length; c++) {
                channelPrior(k, c);
            }
        }
        normalise(weight);
        initial = new double[CONFIGS][looked.length][];
        for (int k = 0; k < CONFIGS; k++) {
            for (int c = 0; c < looked.length; c++) {
                initial[k][c] = nozzles[k][c].clone();
            }
        }
        position = situation.complaints().contains(Complaint.SHIFTED) ? .8 : table.one("position");
    }

    private void channelPrior(int k, int c) {
        var part = situation.channels().get(c);
        boolean dirty = Hidden.wiper(k) == 1;
        boolean fades = situation.complaints().contains(Complaint.FADES);
        boolean gone = situation.complaints().contains(Complaint.GONE);
        var dried =
                table.row("nozzle." + Dryness.values()[Hidden.dryness(k)].name().toLowerCase(java.util.Locale.ROOT));
        double[] nozzle = {0, dried[0], dried[1], table.one("nozzle.dead"), table.row("nozzle.dirt")[dirty ? 1 : 0]};
        rest(nozzle);
        double after = situation.changedLately() ? table.one("air.changeover") : 1;
        double[] air = {0, table.row("air")[0] * after, table.row("air")[1] * after};
        rest(air);
        var filter = table.row("filter");
        double more = fades ? table.one("complaint.fades") : 1;
        var growth = table.row("growth");
        double[] feed = {
            0,
            filter[0] * Math.clamp(part.filterMonths() / 6, filter[1], filter[2]) * more,
            part.code().white() ? Math.min(.5, table.one("settled") * situation.idleDays() / 2) * more : 0,
            table.one("shut")
                    * more
                    * (gone ? table.one("complaint.gone") : 1)
                    * (situation.simpleKnown() ? table.one("simple.miss") : 1),
            growth[0] * (situation.family().food() ? growth[1] : 1) * more
        };
        rest(feed);
        double hue = situation.complaints().contains(Complaint.HUE) ? table.one("complaint.hue") : 1;
        double[] colour = {0, table.row("smear")[dirty ? 1 : 0] * hue, table.one("mixed") * hue};
        rest(colour);
        colours[k][c] = colour;
        for (int s = 0; s < STATES; s++) {
            nozzles[k][c][s] = nozzle[Hidden.nozzle(s)] * air[Hidden.air(s)] * feed[Hidden.feed(s)];
        }
    }

    /** The first takes what the others leave, and never less than a little. */
    private static void rest(double[] shares) {
        double sum = 0;
        for (int i = 1; i < shares.length; i++) {
            sum += shares[i];
        }
        if (sum > .95) {
            for (int i = 1; i < shares.length; i++) {
                shares[i] *= .95 / sum;
            }
            sum = .95;
        }
        shares[0] = 1 - sum;
    }

    private static double normalise(double[] shares) {
        double sum = 0;
        for (double s : shares) {
            sum += s;
        }
        if (sum > 0) {
            for (int i = 0; i < shares.length; i++) {
                shares[i] /= sum;
            }
        }
        return sum;
    }

    // ---- evidence -------------------------------------------------------------------------------------------------

    /** What is believed when this is known too. */
    public Belief with(Evidence evidence) {
        var after = copy();
        switch (evidence) {
            case Evidence.Look(var seen) ->
                seen.forEach((code, gaps) -> after.look(situation.index(code), new HashSet<>(gaps)));
            case Evidence.Page(var seen) -> {
                after.act(Treatment.PURGE_SHEET, seen.keySet());
                seen.forEach((code, page) -> after.page(situation.index(code), page));
            }
            case Evidence.Done(var treatment, var channels, var _) -> after.act(treatment, channels);
            case Evidence.Simple(var found) -> after.simple(found);
            case Evidence.WasteRose(var rose) -> {
                var row = table.row("waste.rose");
                for (int k = 0; k < CONFIGS; k++) {
                    after.weight[k] *= rose ? row[Hidden.cap(k)] : 1 - row[Hidden.cap(k)];
                }
            }
            case Evidence.Bubbles(var code, var seen) ->
                after.likely(
                        situation.index(code), s -> chance(table.row("bubbles")[Hidden.air(s) == 0 ? 0 : 1], seen));
            case Evidence.Thread(var code, var seen) ->
                after.likely(
                        situation.index(code),
                        s -> chance(table.row("thread")[Hidden.feed(s) == Feed.GROWTH.ordinal() ? 1 : 0], seen));
            case Evidence.Crust(var code, var seen) ->
                after.likely(
                        situation.index(code),
                        s -> chance(table.row("crust")[Hidden.nozzle(s) == Nozzle.HARD.ordinal() ? 1 : 0], seen));
            case Evidence.Felt(var code, var feel) -> after.likely(situation.index(code), s -> felt(s, feel));
            case Evidence.Parted _, Evidence.Filled _ -> {}
            case Evidence.Tried(var remedy, var helped) -> {
                if (remedy.complaint() == Complaint.SHIFTED) {
                    after.position = helped ? .02 : position;
                }
            }
            case Evidence.Shifted(var shifted) -> {
                double yes = position * (shifted ? .95 : .05);
                after.position = yes / (yes + (1 - position) * (shifted ? .01 : .99));
            }
        }
        normalise(after.weight);
        return after;
    }

    private static double chance(double p, boolean seen) {
        return seen ? p : 1 - p;
    }

    private double felt(int s, Evidence.Feel feel) {
        double wrong = table.one("feel.wrong");
        var right = Hidden.air(s) == Air.LINE.ordinal()
                ? Evidence.Feel.NOTHING_EASY
                : Hidden.nozzle(s) == Nozzle.DEAD.ordinal()
                                || Hidden.nozzle(s) == Nozzle.HARD.ordinal()
                                || Hidden.feed(s) == Feed.SHUT.ordinal()
                        ? Evidence.Feel.NOTHING_HARD
                        : Hidden.nozzle(s) == Nozzle.SOFT.ordinal() ? Evidence.Feel.INK_EASING : Evidence.Feel.INK_HARD;
        return feel == right ? 1 - wrong : wrong / 3;
    }

    private interface Likelihood {
        double of(int state);
    }

    private void likely(int c, Likelihood likelihood) {
        var l = new double[STATES];
        for (int s = 0; s < STATES; s++) {
            l[s] = likelihood.of(s);
        }
        for (int k = 0; k < CONFIGS; k++) {
            var v = nozzles[k][c];
            for (int s = 0; s < STATES; s++) {
                v[s] *= l[s];
            }
            weight[k] *= normalise(v);
        }
        guard();
    }

    /** Many channels multiply many small numbers: only their ratio counts. */
    private void guard() {
        double most = 0;
        for (double w : weight) {
            most = Math.max(most, w);
        }
        if (most > 0 && most < 1e-100) {
            for (int k = 0; k < CONFIGS; k++) {
                weight[k] /= most;
            }
        }
    }

    private void simple(Set<ChannelCode> found) {
        double miss = table.one("simple.miss");
        for (int c = 0; c < looked.length; c++) {
            boolean amiss = found.contains(situation.channels().get(c).code());
            likely(c, s -> Hidden.feed(s) == Feed.SHUT.ordinal() ? amiss ? 1 : miss : amiss ? .04 : 1);
            if (amiss) {
                feed(c, new double[] {0, 0, .97, 0});
            }
        }
    }

    private void page(int c, Evidence.Seen seen) {
        int bin = seen.fade() <= .15 ? 0 : seen.fade() <= .30 ? 1 : 2;
        likely(
                c,
                s -> fadeRow(Hidden.feed(s), Hidden.air(s))[bin]
                        * chance(table.row("band")[Hidden.air(s)], seen.band()));
        for (int k = 0; k < CONFIGS; k++) {
            for (int i = 0; i < COLOURS; i++) {
                colours[k][c][i] *= chance(table.row("hue")[i], seen.off());
                if (seen.off() && seen.clears() != null) {
                    colours[k][c][i] *= chance(table.row("clears")[i], seen.clears());
                }
            }
            weight[k] *= normalise(colours[k][c]);
        }
        guard();
    }

    double[] fadeRow(int feed, int air) {
        return table.row(
                switch (Feed.values()[feed]) {
                    case OK -> air == Air.LINE.ordinal() ? "fade.line" : "fade.ok";
                    case FILTER -> "fade.filter";
                    case SETTLED -> "fade.settled";
                    case SHUT -> "fade.shut";
                    case GROWTH -> "fade.growth";
                });
    }

    // ---- a check --------------------------------------------------------------------------------------------------

    private static final String[] NOZZLE_ROWS = {
        "missing.ok", "missing.soft", "missing.hard", "missing.dead", "missing.dirt"
    };
    private static final String[] AIR_ROWS = {"missing.ok", "missing.small", "missing.line"};
    private static final String[] FEED_ROWS = {
        "missing.ok", "missing.filter", "missing.settled", "missing.shut", "missing.growth"
    };
    private static final double[] TYPICAL = {.003, .04, .18, .52, .92}; // share of strokes, by bin

    static int bin(int missing, int strokes) {
        double share = (double) missing / strokes;
        return share <= .01 ? 0 : share <= .08 ? 1 : share <= .30 ? 2 : share <= .80 ? 3 : 4;
    }

    double[] missingRow(int kind, int which) {
        return table.row(kind == 0 ? NOZZLE_ROWS[which] : kind == 1 ? AIR_ROWS[which] : FEED_ROWS[which]);
    }

    double mean(int kind, int which) {
        if (which == 0) {
            return 0;
        }
        double sum = 0;
        var row = missingRow(kind, which);
        for (int b = 0; b < row.length; b++) {
            sum += row[b] * TYPICAL[b];
        }
        return sum;
    }

    private void look(int c, Set<Integer> now) {
        if (looked[c]) {
            confirmed[c] = nearly(now, missing.get(c)) ? confirmed[c] + 1 : 0;
            compare(c, now);
        } else {
            int bin = bin(now.size(), situation.channels().get(c).strokes());
            likely(c, s -> {
                var n = missingRow(0, Hidden.nozzle(s));
                var a = missingRow(1, Hidden.air(s));
                var f = missingRow(2, Hidden.feed(s));
                double upto = upTo(n, bin) * upTo(a, bin) * upTo(f, bin);
                double below = bin == 0 ? 0 : upTo(n, bin - 1) * upTo(a, bin - 1) * upTo(f, bin - 1);
                return Math.max(1e-6, upto - below);
            });
        }
        missing.set(c, Set.copyOf(now));
        looked[c] = true;
        touched[c] = false;
        for (int k = 0; k < CONFIGS; k++) {
            java.util.Arrays.fill(freed[k][c], 0);
        }
    }

    /** Whether two looks show the same but for what a reader takes otherwise now and then. */
    private static boolean nearly(Set<Integer> one, Set<Integer> other) {
        return Math.abs(one.size() - other.size()) <= 1
                && one.stream().filter(s -> !other.contains(s)).count() <= 1;
    }

    private static double upTo(double[] row, int bin) {
        double sum = 0;
        for (int i = 0; i <= bin; i++) {
            sum += row[i];
        }
        return sum;
    }

    /** What share of the gaps of a channel stand, when several causes make some. */
    double standing(int nozzle, int air, int feed) {
        double n = mean(0, nozzle);
        return n == 0 ? 0 : n / (n + mean(1, air) + mean(2, feed));
    }

    private void compare(int c, Set<Integer> now) {
        var before = missing.get(c);
        int strokes = situation.channels().get(c).strokes();
        int m = before.size();
        int stayed = 0;
        for (int stroke : now) {
            if (before.contains(stroke)) {
                stayed++;
            }
        }
        int fresh = now.size() - stayed;
        var freshNozzle = table.row("fresh");
        double spread = table.one("fresh.spread");
        double anewShare = table.one("fresh.cause");
        // why: a second look tells what stands from what moves; more of them, with nothing between, tell it again
        double weighs = touched[c] ? 1 : Math.pow(.5, Math.max(0, confirmed[c] - 1));
        var anew = new double[STATES];
        for (int s = 0; s < STATES; s++) {
            double rate = freshNozzle[Hidden.nozzle(s)]
                    + (Hidden.air(s) == 0 ? 0 : table.row("fresh.air")[Hidden.air(s) - 1])
                    + (Hidden.feed(s) == 0 ? 0 : table.row("fresh.feed")[Hidden.feed(s) - 1]);
            anew[s] = Math.pow(Chance.negativeBinomial(fresh, rate * (strokes - m), spread), weighs);
        }
        double[][] memo = new double[CONFIGS][];
        for (int k = 0; k < CONFIGS; k++) {
            double[] kept = null;
            for (int j = 0; j < k && kept == null; j++) {
                if (java.util.Arrays.equals(freed[j][c], freed[k][c])) {
                    kept = memo[j];
                }
            }
            memo[k] = kept != null ? kept : stays(m, stayed, freed[k][c], weighs);
            var v = nozzles[k][c];
            mix(v, 1 - anewShare, initial[k][c], anewShare); // why: what was sound yesterday may not be so today
            var after = new double[STATES];
            for (int s = 0; s < STATES; s++) {
                int nozzle = Hidden.nozzle(s);
                int without = state(0, Hidden.air(s), Hidden.feed(s));
                if (nozzle == 0) {
                    after[s] += v[s] * memo[k][s] * anew[s];
                    continue;
                }
                double all = gone(nozzle, s, m, freed[k][c][nozzle]);
                after[without] += v[s] * all * memo[k][without] * anew[without];
                if (stayed > 0 || nozzle == Nozzle.DEAD.ordinal()) {
                    after[s] += v[s] * memo[k][s] * anew[s];
                }
            }
            weight[k] *= normalise(after);
            nozzles[k][c] = after;
        }
        guard();
    }

    /** Chance that every standing gap of a channel came free. */
    private double gone(int nozzle, int s, int m, double free) {
        if (nozzle == Nozzle.DEAD.ordinal()) {
            return .002;
        }
        if (m == 0) {
            return 1;
        }
        int g = Math.max(1, (int) Math.round(standing(nozzle, Hidden.air(s), Hidden.feed(s)) * m));
        return free < .005 ? .01 : Chance.betaBinomial(0, g, 1 - free, table.one("stays.spread"));
    }

    private double[] stays(int m, int stayed, double[] free, double weighs) {
        var all = new double[STATES];
        var nozzle = table.row("stays");
        double spread = table.one("stays.spread");
        for (int s = 0; s < STATES; s++) {
            if (m == 0) {
                all[s] = 1;
                continue;
            }
            int n = Hidden.nozzle(s);
            int a = Hidden.air(s);
            int f = Hidden.feed(s);
            double ofN = mean(0, n);
            double ofA = mean(1, a);
            double ofF = mean(2, f);
            double sum = ofN + ofA + ofF;
            double share = sum == 0
                    ? nozzle[0]
                    : (ofN * nozzle[n] * (1 - free[n])
                                    + (a == 0 ? 0 : ofA * table.row("stays.air")[a - 1])
                                    + (f == 0 ? 0 : ofF * table.row("stays.feed")[f - 1]))
                            / sum;
            double strength = sum == 0 ? 8 : n != 0 && free[n] < .01 && a == 0 && f == 0 ? 12 : spread;
            all[s] = Math.pow(Chance.betaBinomial(stayed, m, share, strength), weighs);
        }
        return all;
    }

    // ---- an act ---------------------------------------------------------------------------------------------------

    private void act(Treatment treatment, Set<ChannelCode> channels) {
        var row = table.row("act." + treatment.name());
        for (int c = 0; c < looked.length; c++) {
            if (!treatment.perChannel()
                    || channels.contains(situation.channels().get(c).code())) {
                actOn(c, treatment, row);
            }
        }
        shared(treatment);
    }

    /** How much of the pull of an act arrives, by the cap. */
    double suction(Treatment treatment, int cap) {
        return treatment.cleans()
                ? table.row("suction.cleaning")[cap]
                : treatment == Treatment.DRAW_AT_WASTE_LINE ? table.row("suction.wasteline")[cap] : 1;
    }

    /** The share of gaps of a kind that an act frees. */
    double frees(double[] row, int nozzle, int config, double suction) {
        double share = nozzle == Nozzle.SOFT.ordinal()
                ? row[0]
                : nozzle == Nozzle.HARD.ordinal() ? row[1] : nozzle == Nozzle.DIRT.ordinal() ? row[2] : 0;
        if (nozzle == Nozzle.HARD.ordinal() && Hidden.dryness(config) == Dryness.STUBBORN.ordinal()) {
            share *= table.one("stubborn");
        }
        return 1 - Math.pow(1 - share, nozzle == Nozzle.DIRT.ordinal() ? suction : suction * response(config));
    }

    private double response(int config) {
        return table.row("response")[Hidden.response(config)];
    }

    /** The share of hard crusts that an act softens. */
    double softens(double[] row, int config) {
        double share = row[3] * (Hidden.dryness(config) == Dryness.STUBBORN.ordinal() ? table.one("stubborn") : 1);
        return 1 - Math.pow(1 - share, response(config));
    }

    double adds(Treatment treatment) {
        return switch (treatment) {
            case NEW_DAMPER -> table.one("adds.damper");
            case FLUSH_LINE -> table.one("adds.line");
            case RENEW -> table.one("adds.renew");
            case HEAD_OUT -> table.one("adds.headout");
            default -> 0;
        };
    }

    private void actOn(int c, Treatment treatment, double[] row) {
        double adds = adds(treatment);
        touched[c] = true;
        for (int k = 0; k < CONFIGS; k++) {
            double pull = suction(treatment, Hidden.cap(k));
            for (int n = 1; n < NOZZLES; n++) {
                freed[k][c][n] = 1 - (1 - freed[k][c][n]) * (1 - frees(row, n, k, pull));
            }
            double soften = softens(row, k);
            double small = 1 - Math.pow(1 - row[4], pull);
            double line = 1 - Math.pow(1 - row[5], pull);
            var v = nozzles[k][c];
            for (int a = 0; a < AIRS; a++) {
                for (int f = 0; f < FEEDS; f++) {
                    move(v, state(Nozzle.HARD.ordinal(), a, f), state(Nozzle.SOFT.ordinal(), a, f), soften);
                }
            }
            for (int n = 0; n < NOZZLES; n++) {
                for (int f = 0; f < FEEDS; f++) {
                    move(v, state(n, 1, f), state(n, 0, f), small);
                    move(v, state(n, 2, f), state(n, 1, f), line * .35);
                    move(v, state(n, 2, f), state(n, 0, f), line * .65 / Math.max(.01, 1 - line * .35));
                    move(v, state(n, 0, f), state(n, 1, f), adds * .6);
                    move(v, state(n, 0, f), state(n, 2, f), adds * .4);
                }
            }
            if (treatment.cleans() && Hidden.wiper(k) == 1) {
                for (int a = 0; a < AIRS; a++) {
                    for (int f = 0; f < FEEDS; f++) {
                        move(v, state(0, a, f), state(Nozzle.DIRT.ordinal(), a, f), table.one("dirt.cleaning"));
                    }
                }
                move(colours[k][c], 0, 1, SMEARS);
            }
            var colour = colourRow(treatment);
            if (colour != null) {
                move(colours[k][c], Colour.SMEAR.ordinal(), 0, colour[0]);
                move(colours[k][c], Colour.MIXED.ordinal(), 0, colour[1]);
            }
        }
        var feed = feedRow(treatment);
        if (feed != null) {
            feed(c, feed);
        }
    }

    double @org.jspecify.annotations.Nullable [] colourRow(Treatment treatment) {
        return switch (treatment) {
            case PURGE_SHEET -> table.row("colour.purge");
            case WIPE -> table.row("colour.wipe");
            case RENEW -> table.row("colour.renew");
            default -> null;
        };
    }

    double @org.jspecify.annotations.Nullable [] feedRow(Treatment treatment) {
        return switch (treatment) {
            case PURGE_SHEET -> table.row("feed.purge");
            case CLEANING -> table.row("feed.cleaning");
            case POWER_CLEANING -> table.row("feed.power");
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> table.row("feed.cartridge");
            case DRAW_AT_WASTE_LINE -> table.row("feed.wasteline");
            case NEW_DAMPER -> table.row("feed.damper");
            case FLUSH_LINE -> table.row("feed.line");
            case RENEW -> table.row("feed.renew");
            case AGITATE -> table.row("feed.agitate");
            case LOOK_AGAIN -> table.row("feed.look");
            default -> null;
        };
    }

    double @org.jspecify.annotations.Nullable [] capRow(Treatment treatment) {
        return switch (treatment) {
            case WIPE -> table.row("cap.wipe");
            case FLUSH_CAP -> table.row("cap.flush");
            case NEW_CAP -> table.row("cap.new");
            default -> null;
        };
    }

    private void feed(int c, double[] cured) {
        for (int k = 0; k < CONFIGS; k++) {
            for (int n = 0; n < NOZZLES; n++) {
                for (int a = 0; a < AIRS; a++) {
                    for (int f = 1; f < FEEDS; f++) {
                        move(nozzles[k][c], state(n, a, f), state(n, a, 0), cured[f - 1]);
                    }
                }
            }
        }
    }

    private static void move(double[] v, int from, int to, double share) {
        double moved = v[from] * share;
        v[from] -= moved;
        v[to] += moved;
    }

    private void shared(Treatment treatment) {
        var cap = capRow(treatment);
        if (cap != null) {
            for (int k = 0; k < CONFIGS; k++) {
                if (Hidden.cap(k) != 0) {
                    merge(
                            k,
                            Hidden.config(Hidden.response(k), Hidden.dryness(k), 0, Hidden.wiper(k)),
                            cap[Hidden.cap(k) - 1]);
                }
            }
        }
        if (treatment == Treatment.WIPE) {
            for (int k = 0; k < CONFIGS; k++) {
                if (Hidden.wiper(k) == 1) {
                    merge(k, k - 1, table.one("wiper.wipe"));
                }
            }
        }
    }

    /** A share of one configuration becomes another, with all that its channels are. */
    private void merge(int from, int to, double share) {
        double moved = weight[from] * share;
        double sum = weight[to] + moved;
        if (sum <= 0) {
            return;
        }
        for (int c = 0; c < looked.length; c++) {
            mix(nozzles[to][c], weight[to], nozzles[from][c], moved);
            mix(colours[to][c], weight[to], colours[from][c], moved);
        }
        weight[to] = sum;
        weight[from] -= moved;
    }

    private static void mix(double[] to, double a, double[] from, double b) {
        for (int i = 0; i < to.length; i++) {
            to[i] = (to[i] * a + from[i] * b) / (a + b);
        }
    }

    // ---- what it says ---------------------------------------------------------------------------------------------

    double cap(Cap which) {
        double sum = 0;
        for (int k = 0; k < CONFIGS; k++) {
            sum += Hidden.cap(k) == which.ordinal() ? weight[k] : 0;
        }
        return sum;
    }

    /** How readily dried ink lets go here. */
    double response(Hidden.Response which) {
        double sum = 0;
        for (int k = 0; k < CONFIGS; k++) {
            sum += Hidden.response(k) == which.ordinal() ? weight[k] : 0;
        }
        return sum;
    }

    double wiperDirty() {
        double sum = 0;
        for (int k = 0; k < CONFIGS; k++) {
            sum += Hidden.wiper(k) * weight[k];
        }
        return sum;
    }

    double nozzle(int c, Nozzle which) {
        return marginals(c).nozzle()[which.ordinal()];
    }

    double air(int c, Air which) {
        return marginals(c).air()[which.ordinal()];
    }

    double feed(int c, Feed which) {
        return marginals(c).feed()[which.ordinal()];
    }

    double colour(int c, Colour which) {
        return marginals(c).colour()[which.ordinal()];
    }

    /** What is believed of one channel, each part on its own. */
    private record Marginals(double[] nozzle, double[] air, double[] feed, double[] colour) {}

    private Marginals marginals(int c) {
        var known = marginals[c];
        if (known == null) { // why: asked for hundreds of times, and a belief that was given away does not change
            known = new Marginals(new double[NOZZLES], new double[AIRS], new double[FEEDS], new double[COLOURS]);
            for (int k = 0; k < CONFIGS; k++) {
                for (int s = 0; s < STATES; s++) {
                    double share = weight[k] * nozzles[k][c][s];
                    known.nozzle()[Hidden.nozzle(s)] += share;
                    known.air()[Hidden.air(s)] += share;
                    known.feed()[Hidden.feed(s)] += share;
                }
                for (int i = 0; i < COLOURS; i++) {
                    known.colour()[i] += weight[k] * colours[k][c][i];
                }
            }
            marginals[c] = known;
        }
        return known;
    }

    /** What ails one channel, and the machine it belongs to: how likely each. */
    public record Causes(
            double dried,
            double dead,
            double dirt,
            double air,
            double filter,
            double settled,
            double shut,
            double growth,
            double smear,
            double mixed,
            double cap,
            double wiper) {}

    /** @throws IllegalArgumentException for a channel the machine does not have */
    public Causes causes(ChannelCode code) {
        int c = situation.index(code);
        return new Causes(
                nozzle(c, Nozzle.SOFT) + nozzle(c, Nozzle.HARD),
                nozzle(c, Nozzle.DEAD),
                nozzle(c, Nozzle.DIRT),
                air(c, Air.SMALL) + air(c, Air.LINE),
                feed(c, Feed.FILTER),
                feed(c, Feed.SETTLED),
                feed(c, Feed.SHUT),
                feed(c, Feed.GROWTH),
                colour(c, Colour.SMEAR),
                colour(c, Colour.MIXED),
                1 - cap(Cap.SOUND),
                wiperDirty());
    }

    int gaps(int c) {
        return missing.get(c).size();
    }

    /** Whether a channel's last look is good enough for the work in hand. */
    boolean fit(int c) {
        return looked[c] && gaps(c) <= situation.channels().get(c).tolerated();
    }
}
