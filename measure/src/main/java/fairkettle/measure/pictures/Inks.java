package fairkettle.measure.pictures;

import java.util.Map;
import java.util.Objects;
import java.util.Random;

/** How much light each ink lets back from paper, and how papers and inks differ from shop to shop. */
record Inks(Map<String, double[]> reflect, double[] paper) {

    static Inks some(Random random) {
        return new Inks(
                Map.of(
                        "K",
                        vary(random, .035, .035, .04),
                        "C",
                        vary(random, .05, .36, .68),
                        "M",
                        vary(random, .60, .05, .27),
                        "Y",
                        vary(random, .84, .74, .07),
                        "LC",
                        vary(random, .38, .66, .84),
                        "LM",
                        vary(random, .80, .42, .60),
                        "W",
                        new double[] {.86, .86, .85}),
                new double[] {
                    .80 + random.nextDouble() * .08, .80 + random.nextDouble() * .08, .79 + random.nextDouble() * .1
                });
    }

    private static double[] vary(Random random, double... of) {
        var out = new double[3];
        for (int c = 0; c < 3; c++) {
            out[c] = Math.max(.015, Math.min(.95, of[c] * (1 + .16 * (random.nextDouble() - .5))));
        }
        return out;
    }

    double[] of(String code) {
        return Objects.requireNonNull(reflect.get(code.startsWith("W") ? "W" : code), code);
    }
}
