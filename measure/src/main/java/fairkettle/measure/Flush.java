package fairkettle.measure;

import fairkettle.changeover.Planner;
import fairkettle.changeover.RandomTasks;
import fairkettle.changeover.RinseOptimiser;
import fairkettle.changeover.Rinses;
import fairkettle.changeover.Shops;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profiles;
import fairkettle.path.Dilution;
import fairkettle.path.FlowThrough;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;

/**
 * {@code ./kettle measure flush}: dilution against its closed forms, the optimiser against exhaustive search, a plan's
 * time.
 */
public final class Flush {

    private static final int CASES = 10_000;
    private static final int RUNS =
            3; // of each plan the quickest counts: what else the machine does is not the planner's

    private Flush() {}

    public static void main(String[] args) {
        double plan =
                planMicroseconds(); // first: ten thousand searches would leave the compiler a picture of something else
        double worst = 0;
        int beaten = 0;
        for (int seed = 0; seed < CASES; seed++) {
            var random = new Random(seed);
            worst = Math.max(worst, Math.max(dilutionError(random), flowError(random)));
            beaten += beaten(random) ? 1 : 0;
        }
        System.out.printf(
                java.util.Locale.ROOT,
                "{\"measure\":\"flush\",\"cases\":%d,\"max_rel_err\":%.2e,\"beaten_by_search\":%d,\"plan_us_p50\":%.1f}%n",
                CASES,
                worst,
                beaten,
                plan);
    }

    /** n equal rinses of one vessel against {@code (h/(h+v))^n}. */
    private static double dilutionError(Random random) {
        double heel = 0.05 + 5 * random.nextDouble();
        double volume = 0.1 + 60 * random.nextDouble();
        int rinses = 1 + random.nextInt(8);
        double exact = Math.pow(heel / (heel + volume), rinses);
        return Math.abs(Dilution.residueAfter(new double[] {heel}, heel, new int[] {0}, rinses, volume) - exact)
                / exact;
    }

    /** Two different vessels in series against the closed form of the outlet. */
    private static double flowError(Random random) {
        double a = 0.3 + 90 * random.nextDouble();
        double b = a * (1.2 + 3 * random.nextDouble());
        double drawn = 4 * b * random.nextDouble();
        // dc2/du = (c1 − c2)/b with c1 = e^(−u/a): c2 = (a·e^(−u/a) − b·e^(−u/b))/(a − b), both at 1 in the beginning
        double exact = (a * Math.exp(-drawn / a) - b * Math.exp(-drawn / b)) / (a - b);
        return Math.abs(FlowThrough.after(new double[] {a, b}, new double[] {1, 1}, drawn)[1] - exact) / exact;
    }

    private static boolean beaten(Random random) {
        var task = RandomTasks.task(random);
        double search = RandomTasks.exhaustive(task);
        return switch (RinseOptimiser.cheapest(task)) {
            case Rinses.Found found -> search < found.cost() - 1e-9 * (1 + found.cost());
            case Rinses.OutOfReach _ -> Double.isFinite(search);
        };
    }

    private static double planMicroseconds() {
        var terms = Shops.terms(Map.of());
        var jobs = Profiles.ALL.stream()
                .filter(p -> p.id().endsWith("tank"))
                .map(p -> Shops.job(p, new Holding.Inked(Family.MAKERS_DYE, "own", false), Family.SUBLIMATION, 0.005))
                .toList();
        double[] times = new double[2000];
        for (int i = -3000; i < times.length; i++) { // the first are for the compiler
            var job = jobs.get(Math.floorMod(i, jobs.size()));
            double took = Double.MAX_VALUE;
            var plan = Shops.planned(Planner.plan(job, terms));
            for (int run = 0; run < RUNS; run++) {
                long start = System.nanoTime();
                plan = Shops.planned(Planner.plan(job, terms));
                took = Math.min(took, (System.nanoTime() - start) / 1000.0);
            }
            if (i >= 0 && plan.total().minor() > 0) {
                times[i] = took;
            }
        }
        Arrays.sort(times);
        return times[times.length / 2];
    }
}
