package fairkettle.clinic;

import fairkettle.clinic.Hidden.Dryness;
import fairkettle.clinic.Hidden.Nozzle;

/** The table's figures for acts, laid out so that thousands of imagined machines can be treated in a moment. */
final class Effects {

    private static final int KINDS = 2 * Hidden.RESPONSES; // of machines: stubborn or not, by how readily it lets go

    final double[][][][] frees =
            new double[Treatment.values().length][Hidden.CAPS][KINDS][Hidden.NOZZLES]; // by cap, machine, nozzle
    final double[][] soften = new double[Treatment.values().length][KINDS]; // by machine
    final double[][][] air = new double[Treatment.values().length][Hidden.CAPS][2]; // small, line
    final double[] adds = new double[Treatment.values().length];
    final double[][] feed = new double[Treatment.values().length][Hidden.FEEDS];
    final double[][] colour = new double[Treatment.values().length][Hidden.COLOURS];
    final double[][] cap = new double[Treatment.values().length][Hidden.CAPS];
    final double[] wiper = new double[Treatment.values().length];
    final double[] risk = new double[Treatment.values().length];
    final double[][][] missing = {new double[Hidden.NOZZLES][], new double[Hidden.AIRS][], new double[Hidden.FEEDS][]
    }; // cumulative
    final double[][][] fade = new double[Hidden.FEEDS][Hidden.AIRS][];
    final double[] hueOff;
    final double dirt;
    final double relapseCap;
    final double relapseAir;
    final double relapseSettled;

    Effects(Belief belief) {
        var table = belief.table;
        for (var t : Treatment.values()) {
            int i = t.ordinal();
            var row = table.row("act." + t.name());
            for (int c = 0; c < Hidden.CAPS; c++) {
                double pull = belief.suction(t, c);
                for (int kind = 0; kind < KINDS; kind++) {
                    for (int n = 1; n < Hidden.NOZZLES; n++) {
                        frees[i][c][kind][n] =
                                n == Nozzle.DEAD.ordinal() ? 0 : belief.frees(row, n, config(kind, c), pull);
                    }
                }
                air[i][c][0] = 1 - Math.pow(1 - row[4], pull);
                air[i][c][1] = 1 - Math.pow(1 - row[5], pull);
            }
            for (int kind = 0; kind < KINDS; kind++) {
                soften[i][kind] = belief.softens(row, config(kind, 0));
            }
            adds[i] = belief.adds(t);
            copy(belief.feedRow(t), feed[i]);
            copy(belief.colourRow(t), colour[i]);
            copy(belief.capRow(t), cap[i]);
        }
        wiper[Treatment.WIPE.ordinal()] = table.one("wiper.wipe");
        risk[Treatment.DRAW_AT_INLET.ordinal()] = table.one("risk.DRAW_AT_INLET");
        risk[Treatment.HEAD_OUT.ordinal()] = table.one("risk.HEAD_OUT");
        risk[Treatment.POWER_CLEANING.ordinal()] = table.one("risk.POWER_CLEANING");
        for (int kind = 0; kind < 3; kind++) {
            for (int which = 0; which < missing[kind].length; which++) {
                missing[kind][which] = cumulative(belief.missingRow(kind, which));
            }
        }
        for (int f = 0; f < Hidden.FEEDS; f++) {
            for (int a = 0; a < Hidden.AIRS; a++) {
                fade[f][a] = cumulative(belief.fadeRow(f, a));
            }
        }
        hueOff = table.row("hue");
        dirt = table.one("dirt.cleaning");
        relapseCap = table.one("relapse.cap");
        relapseAir = table.one("relapse.air");
        relapseSettled = table.one("relapse.settled");
    }

    /** What makes one machine treat alike to another. */
    static int kind(int config) {
        return Hidden.response(config) * 2 + (Hidden.dryness(config) == Dryness.STUBBORN.ordinal() ? 1 : 0);
    }

    private static int config(int kind, int cap) {
        return Hidden.config(kind / 2, kind % 2 == 1 ? Dryness.STUBBORN.ordinal() : 0, cap, 0);
    }

    private static void copy(double @org.jspecify.annotations.Nullable [] row, double[] to) {
        if (row != null) {
            System.arraycopy(row, 0, to, 1, row.length);
        }
    }

    private static double[] cumulative(double[] row) {
        var sums = new double[row.length];
        double sum = 0;
        for (int i = 0; i < row.length; i++) {
            sum += row[i];
            sums[i] = sum;
        }
        return sums;
    }
}
