package fairkettle.measure.pictures;

import fairkettle.machine.Channel;
import fairkettle.machine.NozzlePattern;
import fairkettle.machine.Profile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/** A machine's own nozzle check as PostScript, with a head's faults, and the truth about them. */
final class Strip {

    /** What became of one stroke. */
    enum State {
        FULL,
        FAINT,
        PARTIAL,
        BENT,
        MISSING
    }

    static final double EDGE = 7; // mm of paper round the pattern

    final Map<String, List<State>> truth = new HashMap<>();
    final double width;
    final double height;
    final boolean film;
    private final StringBuilder postScript = new StringBuilder();

    /**
     * @param sick how many strokes go wrong: 0 few, 1 many, 2 whole channels; @param white true for the whites alone,
     *     on clear film
     */
    Strip(Profile profile, Inks inks, Random random, int sick, boolean white) {
        NozzlePattern pattern = profile.pattern();
        film = white;
        width = pattern.width() + 2 * EDGE;
        height = pattern.height(profile.channels().stream()
                        .mapToInt(Channel::nozzles)
                        .max()
                        .orElseThrow())
                + 2 * EDGE;
        double feed = 1 + (random.nextDouble() - .5) * .012;
        double skew = (random.nextDouble() - .5) * .006;
        for (int block = 0; block < profile.channels().size(); block++) {
            var channel = profile.channels().get(pattern.order().get(block));
            if (channel.code().white() != white) {
                continue;
            }
            var states = states(channel.nozzles(), random, sick);
            truth.put(channel.code().code(), states);
            double[] ink = inks.of(channel.code().code());
            double[] paper = white ? new double[] {.05, .05, .055} : inks.paper();
            double lane = (random.nextDouble() - .5) * .08;
            for (int n = 0; n < channel.nozzles(); n++) {
                draw(pattern, block, n, states.get(n), ink, paper, feed, skew, lane, random);
            }
        }
    }

    private static List<State> states(int nozzles, Random random, int sick) {
        var states = new ArrayList<State>();
        boolean gone = sick == 2 && random.nextInt(4) == 0;
        double wrong =
                gone ? 0 : sick == 0 ? random.nextDouble() * .02 : random.nextDouble() * random.nextDouble() * .5;
        for (int n = 0; n < nozzles; n++) {
            double dice = random.nextDouble();
            if (gone || dice < wrong * .6) {
                states.add(State.MISSING);
            } else if (dice < wrong * .75) {
                states.add(State.FAINT);
            } else if (dice < wrong * .85) {
                states.add(State.PARTIAL);
            } else if (dice < wrong) {
                states.add(State.BENT);
            } else {
                states.add(State.FULL);
            }
        }
        if (sick >= 1 && !gone && random.nextInt(3) == 0) { // a run of neighbours
            int from = random.nextInt(nozzles);
            for (int n = from; n < Math.min(nozzles, from + 2 + random.nextInt(nozzles / 5)); n++) {
                states.set(n, State.MISSING);
            }
        }
        return states;
    }

    private void draw(
            NozzlePattern pattern,
            int block,
            int n,
            State state,
            double[] ink,
            double[] paper,
            double feed,
            double skew,
            double lane,
            Random random) {
        if (state == State.MISSING) {
            return;
        }
        double strength = (state == State.FAINT ? .32 + .22 * random.nextDouble() : .9 + .1 * random.nextDouble());
        double thick = NozzlePattern.THICK * (.9 + .25 * random.nextDouble());
        double x = EDGE + pattern.left(block, n) + (random.nextDouble() - .5) * .03;
        double y = EDGE + pattern.down(n) * feed + lane + (x - width / 2) * skew + (random.nextDouble() - .5) * .035;
        if (state == State.BENT) {
            y += (random.nextBoolean() ? 1 : -1) * (.14 + .16 * random.nextDouble());
        }
        double from = 0;
        double to = pattern.stroke();
        if (state == State.PARTIAL) {
            double cut = pattern.stroke() * (.36 + .26 * random.nextDouble());
            if (random.nextBoolean()) {
                from = cut;
            } else {
                to -= cut;
            }
        }
        for (int c = 0; c < 3; c++) {
            double light = (paper[c] * (1 - strength) + strength * ink[c] * (film ? 1 : paper[c]));
            postScript.append(String.format(Locale.ROOT, "%.3f ", Math.pow(Math.clamp(light, 0, 1), 1 / 2.2)));
        }
        postScript.append("setrgbcolor ");
        // a jet's line is a row of drops: it wavers
        int pieces = 4;
        for (int k = 0; k < pieces; k++) {
            double a = from + (to - from) * k / pieces;
            double w = (to - from) / pieces;
            postScript.append(String.format(
                    Locale.ROOT,
                    "%.3f %.3f %.3f %.3f rectfill ",
                    x + a,
                    height - y - thick / 2 + (random.nextDouble() - .5) * .02,
                    w + .01,
                    thick));
        }
        postScript.append('\n');
    }

    /** @param dotsPerMm of the raster; @return on bare paper (or clear over dark) */
    Raster raster(Inks inks, double dotsPerMm) {
        double[] paper = film ? new double[] {.05, .05, .055} : inks.paper();
        var page = String.format(
                Locale.ROOT,
                "<</PageSize [%.4f %.4f]>> setpagedevice %.6f dup scale %.3f %.3f %.3f setrgbcolor 0 0 %.3f %.3f"
                        + " rectfill\n"
                        + "%s showpage\n",
                width * 72 / 25.4,
                height * 72 / 25.4,
                72 / 25.4,
                Math.pow(paper[0], 1 / 2.2),
                Math.pow(paper[1], 1 / 2.2),
                Math.pow(paper[2], 1 / 2.2),
                width,
                height,
                postScript);
        return Tools.rasterise(page.getBytes(StandardCharsets.US_ASCII), dotsPerMm * 25.4);
    }
}
