package fairkettle.measure.clinic;

import fairkettle.clinic.Belief;
import fairkettle.standin.machine.Bedside;
import fairkettle.standin.machine.SickMachine.Fault;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Whether what is believed at 70 % is so in 70 of 100. Each event on its own: the error is the weighted mean gap
 * between belief and truth over ten bins, after a monotone correction learned on the other half of the cases (pool
 * adjacent violators).
 */
final class Calibration {

    private static final int BINS = 10;

    private record Said(long which, double believed, boolean so) {}

    private final Map<Fault, List<Said>> said = new EnumMap<>(Fault.class);

    synchronized void see(Bedside bed, Belief belief) {
        var faults = bed.machine().faults();
        long which = System.identityHashCode(bed) * 0x9E3779B97F4A7C15L >>> 40;
        int c = 0;
        for (var code : bed.machine().codes()) {
            var has = faults.getOrDefault(code, Set.of());
            var chances = belief.causes(code);
            add(Fault.DRIED, which, chances.dried(), has);
            add(Fault.DEAD, which, chances.dead(), has);
            add(Fault.AIR, which, chances.air(), has);
            add(
                    Fault.FILTER,
                    which,
                    chances.filter() + chances.growth(),
                    has.contains(Fault.FILTER) || has.contains(Fault.CRUST) || has.contains(Fault.GROWTH)
                            ? Set.of(Fault.FILTER)
                            : Set.of());
            add(Fault.SHUT, which, chances.shut(), has);
            add(
                    Fault.SMEAR,
                    which,
                    chances.smear() + chances.mixed(),
                    has.contains(Fault.SMEAR) || has.contains(Fault.MIXED) ? Set.of(Fault.SMEAR) : Set.of());
            if (c++ == 0) {
                add(Fault.CAP, which, chances.cap(), has);
                add(Fault.WIPER, which, chances.wiper(), has);
            }
        }
    }

    private void add(Fault event, long which, double believed, Set<Fault> has) {
        said.computeIfAbsent(event, _ -> new ArrayList<>()).add(new Said(which, believed, has.contains(event)));
    }

    synchronized String figures(List<Long> nanos) {
        double worst = 0;
        double skill = 1;
        var each = new StringBuilder();
        for (var event : said.keySet()) {
            var all = said.get(event);
            var even = all.stream().filter(s -> s.which() % 2 == 0).toList();
            var odd = all.stream().filter(s -> s.which() % 2 == 1).toList();
            double error = (error(odd, fit(even)) + error(even, fit(odd))) / 2;
            worst = Math.max(worst, error);
            double base = all.stream().filter(Said::so).count() / (double) all.size();
            double brier = (brier(odd, fit(even)) + brier(even, fit(odd))) / 2;
            double s = 1 - brier / Math.max(1e-9, base * (1 - base));
            skill = Math.min(skill, s);
            each.append(String.format(
                    Locale.ROOT,
                    "%s%s:%.3f/%.2f",
                    each.isEmpty() ? "" : " ",
                    event.name().toLowerCase(Locale.ROOT),
                    error,
                    s));
        }
        var sorted = nanos.stream().mapToLong(n -> n).sorted().toArray();
        return String.format(
                Locale.ROOT,
                "\"ece_worst\":%.3f,\"brier_skill_worst\":%.3f,\"decision_ms_p95\":%.1f,\"decisions\":%d,\"calibration\":\"%s\"",
                worst,
                skill,
                sorted.length == 0 ? 0 : sorted[(int) (sorted.length * .95)] / 1e6,
                sorted.length,
                each);
    }

    /** Isotonic regression over a hundred cells. */
    private static double[] fit(List<Said> learned) {
        int cells = 100;
        var sum = new double[cells];
        var n = new double[cells];
        for (var s : learned) {
            int i = (int) Math.min(cells - 1, s.believed() * cells);
            sum[i] += s.so() ? 1 : 0;
            n[i]++;
        }
        var means = new ArrayList<double[]>(); // mean, weight, cells
        for (int i = 0; i < cells; i++) {
            means.add(new double[] {(sum[i] + (i + .5) / cells) / (n[i] + 1), n[i] + 1, 1});
            while (means.size() > 1 && means.get(means.size() - 2)[0] > means.getLast()[0]) {
                var b = means.removeLast();
                var a = means.removeLast();
                means.add(new double[] {(a[0] * a[1] + b[0] * b[1]) / (a[1] + b[1]), a[1] + b[1], a[2] + b[2]});
            }
        }
        var map = new double[cells];
        int i = 0;
        for (var m : means) {
            for (int k = 0; k < m[2]; k++) {
                map[i++] = m[0];
            }
        }
        return map;
    }

    private static double corrected(double[] map, double believed) {
        return map[(int) Math.min(map.length - 1, believed * map.length)];
    }

    private static double error(List<Said> all, double[] map) {
        var sum = new double[BINS];
        var so = new double[BINS];
        var n = new int[BINS];
        for (var s : all) {
            double p = corrected(map, s.believed());
            int b = (int) Math.min(BINS - 1, p * BINS);
            sum[b] += p;
            so[b] += s.so() ? 1 : 0;
            n[b]++;
        }
        double error = 0;
        for (int b = 0; b < BINS; b++) {
            error += n[b] == 0 ? 0 : Math.abs(sum[b] - so[b]) / all.size();
        }
        return error;
    }

    private static double brier(List<Said> all, double[] map) {
        return all.stream()
                .mapToDouble(s -> Math.pow(corrected(map, s.believed()) - (s.so() ? 1 : 0), 2))
                .average()
                .orElse(0);
    }
}
