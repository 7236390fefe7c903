package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.imaging.Mapping.Tie;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** From the page to the picture and how far one can trust it. */
class MappingTest {

    private static final double WIDTH = 210;
    private static final double HEIGHT = 148.5;

    @RepeatedTest(30)
    void fourCornersFixAPlaneSeenFromAside(RepetitionInfo run) {
        var truth = view(new Random(run.getCurrentRepetition()));
        var corners = List.of(truth.tie(0, 0), truth.tie(WIDTH, 0), truth.tie(WIDTH, HEIGHT), truth.tie(0, HEIGHT));
        var mapping = Mapping.through(corners, WIDTH, HEIGHT);
        for (double[] at : new double[][] {{105, 74}, {20, 130}, {199, 3}}) {
            assertThat(mapping.off(truth.tie(at[0], at[1]))).isLessThan(.02);
        }
    }

    @RepeatedTest(30)
    void aFewWrongTiesAreOutvoted(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        var truth = view(random);
        var ties = new ArrayList<>(grid(truth));
        for (int i = 0; i < 3; i++) {
            var tie = ties.get(random.nextInt(ties.size()));
            ties.add(new Tie(tie.x(), tie.y(), tie.px() + 60, tie.py() - 45));
        }
        assertThat(Mapping.through(ties, WIDTH, HEIGHT).off(truth.tie(80, 60))).isLessThan(1.5);
    }

    @Test
    void lensAndCurlAreTakenUpByTheCubic() {
        var truth = view(new Random(4));
        var ties = grid(truth).stream()
                .map(t -> {
                    double u = (t.x() - WIDTH / 2) / (WIDTH / 2);
                    return new Tie(t.x(), t.y(), t.px(), t.py() + 14 * u * u);
                })
                .toList();
        var straight = Mapping.through(ties, WIDTH, HEIGHT);
        var bent = straight.bent(ties);
        assertThat(straight.rms(ties)).isGreaterThan(2 * bent.rms(ties));
        assertThat(bent.rms(ties)).isLessThan(.12);
    }

    @Test
    void scaleIsPixelsPerMillimetre() {
        var ties = List.of(
                new Tie(0, 0, 100, 50),
                new Tie(WIDTH, 0, 100 + 8 * WIDTH, 50),
                new Tie(WIDTH, HEIGHT, 100 + 8 * WIDTH, 50 + 8 * HEIGHT),
                new Tie(0, HEIGHT, 100, 50 + 8 * HEIGHT));
        var mapping = Mapping.through(ties, WIDTH, HEIGHT);
        assertThat(mapping.scale(60, 40)).isCloseTo(8, within(1e-3));
        assertThat(mapping.coarsest(0, 0, WIDTH, HEIGHT)).isCloseTo(8, within(1e-3));
    }

    @RepeatedTest(20)
    void leastSquaresFindsWhatWasPutIn(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        double[] put = {random.nextGaussian(), random.nextGaussian(), random.nextGaussian()};
        var a = new double[12][];
        var b = new double[12];
        var weights = new double[12];
        for (int i = 0; i < a.length; i++) {
            a[i] = new double[] {1, random.nextGaussian(), random.nextGaussian()};
            b[i] = put[0] + put[1] * a[i][1] + put[2] * a[i][2];
            weights[i] = .1 + random.nextDouble();
        }
        assertThat(LeastSquares.solve(a, b, weights, 0))
                .usingComparatorWithPrecision(1e-9)
                .containsExactly(put);
    }

    /** A pinhole's view of the page. */
    private record View(double[] h) {

        Tie tie(double x, double y) {
            double w = h[6] * x + h[7] * y + 1;
            return new Tie(x, y, (h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w);
        }
    }

    private static View view(Random random) {
        double turn = random.nextDouble() * 6.28;
        double scale = 7 + 8 * random.nextDouble();
        return new View(new double[] {
            scale * Math.cos(turn),
            -scale * Math.sin(turn),
            2000,
            scale * Math.sin(turn),
            scale * Math.cos(turn),
            1500,
            (random.nextDouble() - .5) * 1e-3,
            (random.nextDouble() - .5) * 1e-3
        });
    }

    private static List<Tie> grid(View view) {
        var ties = new ArrayList<Tie>();
        for (double x = 10; x < WIDTH; x += 19) {
            for (double y = 10; y < HEIGHT; y += 32) {
                ties.add(view.tie(x, y));
            }
        }
        return ties;
    }
}
