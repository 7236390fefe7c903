package fairkettle.clinic;

import fairkettle.clinic.Hidden.Air;
import fairkettle.clinic.Hidden.Feed;
import fairkettle.clinic.Hidden.Nozzle;

/**
 * One machine as it might really be, for thinking ahead: made of the table alone, and coarse. The same luck gives the
 * same future, so that plans are compared and not dice.
 */
final class Imagined {

    private static final double[] SHARE = {0, .045, .18, .55, .92}; // of strokes, by bin of the table
    private static final double DIRTIES = .03;
    private static final double UNSEEN = .10;
    private static final double[] WANDERS = {0, .25, .30}; // gaps that air makes on the next page, by air

    final int channels;
    int cap;
    int wiper;
    int kind; // how it answers to treatment
    boolean parted;
    final int[] nozzle;
    final int[] air;
    final int[] feed;
    final int[] colour;
    final int[] standing; // gaps that stand
    final int[] seen; // gaps at the last look
    final boolean[] pageBad;
    private long luck;

    Imagined(int channels) {
        this.channels = channels;
        nozzle = new int[channels];
        air = new int[channels];
        feed = new int[channels];
        colour = new int[channels];
        standing = new int[channels];
        seen = new int[channels];
        pageBad = new boolean[channels];
    }

    void become(Imagined other) {
        cap = other.cap;
        wiper = other.wiper;
        kind = other.kind;
        parted = other.parted;
        luck = other.luck;
        System.arraycopy(other.nozzle, 0, nozzle, 0, channels);
        System.arraycopy(other.air, 0, air, 0, channels);
        System.arraycopy(other.feed, 0, feed, 0, channels);
        System.arraycopy(other.colour, 0, colour, 0, channels);
        System.arraycopy(other.standing, 0, standing, 0, channels);
        System.arraycopy(other.seen, 0, seen, 0, channels);
        System.arraycopy(other.pageBad, 0, pageBad, 0, channels);
    }

    /** Another way its luck may go from here. */
    void shake(int by) {
        luck += 0x9E3779B97F4A7C15L * (by + 1);
    }

    /**
     * Drawn from a belief.
     *
     * @param at where in the stack of configurations, 0 to 1: spread evenly over a set of draws, so that few of them
     *     say much
     */
    static Imagined of(Belief belief, boolean[] pageBad, double at, long seed) {
        var m = new Imagined(belief.looked.length);
        m.luck = seed;
        int k = pick(belief.weight, at);
        m.cap = Hidden.cap(k);
        m.wiper = Hidden.wiper(k);
        m.kind = Effects.kind(k);
        for (int c = 0; c < m.channels; c++) {
            int s = pick(belief.nozzles[k][c], m.dice());
            m.nozzle[c] = Hidden.nozzle(s);
            m.air[c] = Hidden.air(s);
            m.feed[c] = Hidden.feed(s);
            m.colour[c] = pick(belief.colours[k][c], m.dice());
            m.seen[c] = belief.gaps(c);
            m.standing[c] = m.nozzle[c] == 0
                    ? 0
                    : (int) Math.round(belief.standing(m.nozzle[c], m.air[c], m.feed[c]) * m.seen[c]);
            if (m.nozzle[c] != 0 && m.standing[c] == 0) {
                m.standing[c] = m.seen[c] == 0 ? 0 : 1;
                m.nozzle[c] = m.seen[c] == 0 ? 0 : m.nozzle[c];
            }
            if (m.nozzle[c] != 0 && m.dice() < UNSEEN / (1 + 2 * belief.confirmed[c])) {
                m.standing[c]++; // why: a reader takes a missing stroke for there now and then
            }
            m.pageBad[c] = pageBad[c];
        }
        return m;
    }

    private static int pick(double[] shares, double at) {
        double sum = 0;
        int last = 0;
        for (int i = 0; i < shares.length; i++) {
            if (shares[i] > 0) {
                sum += shares[i];
                last = i;
                if (at < sum) {
                    return i;
                }
            }
        }
        return last;
    }

    private double dice() {
        luck += 0x9E3779B97F4A7C15L;
        long z = luck;
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return ((z ^ z >>> 31) >>> 11) * 0x1.0p-53;
    }

    /** Treats it. @param treated channels, for acts on single ones */
    void act(Treatment treatment, boolean[] treated, Effects effects, Situation situation) {
        int t = treatment.ordinal();
        double risk = effects.risk[t];
        if (risk > 0) {
            int times = 1;
            if (treatment == Treatment.DRAW_AT_INLET) {
                times = 0;
                for (boolean one : treated) {
                    times += one ? 1 : 0;
                }
            }
            parted |= dice() < risk * times;
        }
        for (int c = 0; c < channels; c++) {
            if (treatment.perChannel() && !treated[c]) {
                continue;
            }
            if (nozzle[c] == Nozzle.HARD.ordinal() && effects.soften[t][kind] > 0 && dice() < effects.soften[t][kind]) {
                nozzle[c] = Nozzle.SOFT.ordinal();
            }
            double share = effects.frees[t][cap][kind][nozzle[c]];
            if (share > 0 && standing[c] > 0) {
                double kept = 1 - Math.pow(dice(), (1 - share) / share);
                standing[c] = (int) (kept * standing[c] + dice());
                if (standing[c] == 0) {
                    nozzle[c] = 0;
                }
            }
            if (air[c] > 0) {
                double u = dice();
                double clears = effects.air[t][cap][air[c] - 1];
                if (u < clears) {
                    air[c] = air[c] == 2 && u > clears * .65 ? 1 : 0;
                }
            } else if (effects.adds[t] > 0) {
                double u = dice();
                air[c] = u < effects.adds[t] * .4 ? 2 : u < effects.adds[t] ? 1 : 0;
            }
            if (feed[c] > 0 && effects.feed[t][feed[c]] > 0 && dice() < effects.feed[t][feed[c]]) {
                feed[c] = 0;
            }
            if (colour[c] > 0 && effects.colour[t][colour[c]] > 0 && dice() < effects.colour[t][colour[c]]) {
                colour[c] = 0;
            }
            if (treatment.cleans() && wiper == 1 && nozzle[c] == 0 && dice() < effects.dirt) {
                nozzle[c] = Nozzle.DIRT.ordinal();
                standing[c] =
                        Math.max(1, (int) (DIRTIES * situation.channels().get(c).strokes()));
            }
        }
        if (cap > 0 && effects.cap[t][cap] > 0 && dice() < effects.cap[t][cap]) {
            cap = 0;
        }
        if (wiper == 1 && effects.wiper[t] > 0 && dice() < effects.wiper[t]) {
            wiper = 0;
        }
        if (treatment == Treatment.PURGE_SHEET) {
            for (int c = 0; c < channels; c++) {
                pageBad[c] = treated[c] ? lays(c, effects) : pageBad[c];
            }
        } else {
            java.util.Arrays.fill(pageBad, false);
        }
        look(effects, situation, treatment, treated);
    }

    private void look(Effects effects, Situation situation, Treatment treatment, boolean[] treated) {
        for (int c = 0; c < channels; c++) {
            if (air[c] == 0 && feed[c] == 0) {
                seen[c] = standing[c];
                continue;
            }
            if (treatment.perChannel() && !treated[c]) {
                continue;
            }
            int strokes = situation.channels().get(c).strokes();
            int more = 0;
            if (air[c] > 0) {
                more += (int) (SHARE[under(effects.missing[1][air[c]], dice())] * strokes);
            }
            if (feed[c] > 0) {
                more += (int) (SHARE[under(effects.missing[2][feed[c]], dice())] * strokes);
            }
            seen[c] = Math.min(strokes, standing[c] + more);
        }
    }

    private static int under(double[] cumulative, double u) {
        for (int i = 0; i < cumulative.length - 1; i++) {
            if (u < cumulative[i]) {
                return i;
            }
        }
        return cumulative.length - 1;
    }

    boolean checkFit(Situation situation) {
        for (int c = 0; c < channels; c++) {
            if (pageBad[c] || seen[c] > situation.channels().get(c).tolerated()) {
                return false;
            }
        }
        return true;
    }

    /** Lays down a full page. @return whether it looks good */
    boolean page(Effects effects) {
        boolean good = true;
        for (int c = 0; c < channels; c++) {
            pageBad[c] = lays(c, effects);
            good &= !pageBad[c];
        }
        return good;
    }

    private boolean lays(int c, Effects effects) {
        return under(effects.fade[feed[c]][air[c]], dice()) == 2
                || colour[c] != 0 && dice() < effects.hueOff[colour[c]];
    }

    /** Whether air would show on another look. */
    boolean wandering() {
        for (int c = 0; c < channels; c++) {
            if (air[c] > 0 && dice() < WANDERS[air[c]]) {
                return true;
            }
        }
        return false;
    }

    /** Whether more gaps stand than the work forgives. */
    boolean beyond(Situation situation) {
        for (int c = 0; c < channels; c++) {
            if (standing[c] > situation.channels().get(c).tolerated()) {
                return true;
            }
        }
        return false;
    }

    /** What it costs to call it done now. */
    double closing(Situation situation, Effects effects) {
        double wrong = 0;
        double relapse = cap == 0 ? 0 : effects.relapseCap;
        for (int c = 0; c < channels; c++) {
            double unfit = standing[c] > situation.channels().get(c).tolerated()
                    ? 1
                    : feed[c] == 0 ? 0 : feed[c] == Feed.SETTLED.ordinal() ? .4 : .7;
            if (colour[c] > 0) {
                unfit = Math.max(unfit, colour[c] == 2 ? .9 : .6);
            }
            unfit = Math.max(unfit, WANDERS[air[c]]);
            wrong = 1 - (1 - wrong) * (1 - unfit);
            if (air[c] == Air.LINE.ordinal()) {
                relapse = 1 - (1 - relapse) * (1 - effects.relapseAir);
            }
            if (feed[c] == Feed.SETTLED.ordinal()) {
                relapse = 1 - (1 - relapse) * (1 - effects.relapseSettled);
            }
        }
        return wrong * situation.prices().falseDone()
                + (1 - wrong) * relapse * situation.prices().relapse();
    }
}
