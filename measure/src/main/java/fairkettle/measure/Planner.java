package fairkettle.measure;

import fairkettle.measure.rounds.Known;
import fairkettle.measure.rounds.Proof;
import fairkettle.measure.rounds.Slip;
import fairkettle.round.Audit;
import fairkettle.round.Cost;
import fairkettle.round.Day;
import fairkettle.round.Effort;
import fairkettle.round.Plan;
import fairkettle.round.RoundPlanner;
import fairkettle.round.SeededDays;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

/**
 * {@code ./kettle measure planner}: made-up days of three sizes against proven optima (small days) and the best plans
 * known from long runs, then the same after slips. {@code -Dseed} makes fresh days, {@code -Dlong} the seconds of a
 * long run.
 */
public final class Planner {

    private static final long SEED = Long.getLong("seed", 500_003);
    private static final int DAYS = Integer.getInteger("days", 4);
    private static final int SMALL = Integer.getInteger("small", 18);
    private static final long LONG_MILLIS = 1000 * Long.getLong("long", 4);
    private static final double PROOF_SECONDS = Integer.getInteger("proof", 60);
    private static final long BUDGET_MILLIS = 470; // of the half second; the rest is for the machine’s noise
    private static final long REPLAN_MILLIS = 40;

    private Planner() {}

    private record Made(String name, Day day) {}

    public static void main(String[] args) throws IOException {
        for (int i = 0; i < 8; i++) { // warm
            RoundPlanner.better(SeededDays.day(12, 1 + i % 3, 77_000 + i, i % 2 == 0), Effort.millis(500, 1));
        }
        var known = new Known(Path.of("known", "rounds-" + SEED + ".txt"));
        small(known);
        for (boolean overfull : new boolean[] {false, true}) {
            for (int machines : new int[] {3, 12, 40}) {
                var days = new ArrayList<Made>();
                for (int people = 1; people <= (machines == 3 ? 2 : 3); people++) {
                    for (int d = 0; d < DAYS; d++) {
                        days.add(new Made(
                                "%dm%dp%d%s".formatted(machines, people, d, overfull ? "o" : ""),
                                SeededDays.day(machines, people, SEED + 31L * d, overfull)));
                    }
                }
                for (var made : days) {
                    for (int seed = 2; seed < 4; seed++) {
                        known.offer(
                                made.name,
                                made.day,
                                RoundPlanner.better(made.day, Effort.millis(LONG_MILLIS / 2, seed)),
                                false);
                    }
                }
                report("day", machines, overfull, days, known, 0);
            }
        }
        slips(known);
    }

    private static void small(Known known) throws IOException {
        var days = new ArrayList<Made>();
        int proven = 0;
        for (int d = 0; d < SMALL; d++) {
            var made = new Made(
                    "small" + d, SeededDays.small(d % 2 == 0 ? 3 : 12, 1 + d % 3 / 2, SEED + 17L * d, 8 + d % 11));
            if (made.day.tasks() > 18) {
                continue;
            }
            if (!known.proven(made.name, made.day)) {
                var best = Proof.of(made.day, RoundPlanner.better(made.day, Effort.millis(1000, 3)), PROOF_SECONDS);
                if (best.isPresent()) {
                    known.offer(made.name, made.day, best.get(), true);
                }
            }
            if (known.proven(made.name, made.day)) {
                proven++;
                days.add(made);
            }
        }
        report("small", 12, false, days, known, proven);
    }

    private static void report(String what, int machines, boolean overfull, List<Made> days, Known known, int proven)
            throws IOException {
        var gaps = new ArrayList<Double>();
        double first = 0;
        double full = 0;
        var firstMs = new ArrayList<Double>();
        var ms = new ArrayList<Double>();
        int faults = 0;
        int broken = 0;
        int optimal = 0;
        for (var made : days) {
            long t0 = System.nanoTime();
            var atOnce = RoundPlanner.first(made.day);
            firstMs.add((System.nanoTime() - t0) / 1e6);
            long t1 = System.nanoTime();
            var better = RoundPlanner.better(made.day, Effort.millis(BUDGET_MILLIS, 1));
            ms.add((System.nanoTime() - t1) / 1e6);
            known.offer(made.name, made.day, better, known.proven(made.name, made.day));
            var reference = Audit.of(made.day, known.of(made.name, made.day).orElseThrow())
                    .cost();
            var seen = Audit.of(made.day, better);
            var seenFirst = Audit.of(made.day, atOnce);
            faults += seen.faults().size() + seenFirst.faults().size();
            broken += Math.max(0, seen.cost().broken() - reference.broken());
            gaps.add(gap(made.day, seen.cost(), reference));
            first += gap(made.day, seenFirst.cost(), reference);
            full += (seen.cost().total() - reference.total()) / (double) Math.max(1, reference.total());
            optimal += seen.cost().total() == reference.total() ? 1 : 0;
        }
        gaps.sort(null);
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"planner\",\"days_of\":\"%s\",\"machines\":%d,\"overfull\":%b,\"days\":%d,\"rule_breaks\":%d,\"avoidable_promise_breaks\":%d,\"mean_gap\":%.5f,\"median_gap\":%.5f,\"worst_gap\":%.5f,\"first_gap\":%.4f,\"full_cost_gap\":%.5f,\"proven\":%d,\"optimal\":%d,\"first_ms_p95\":%.1f,\"ms_p95\":%.0f}%n",
                what,
                machines,
                overfull,
                days.size(),
                faults,
                broken,
                gaps.stream().mapToDouble(d -> d).average().orElse(0),
                gaps.get(gaps.size() / 2),
                gaps.getLast(),
                first / days.size(),
                full / days.size(),
                proven,
                optimal,
                p95(firstMs),
                p95(ms));
    }

    /** What the plan costs above the reference, of what the reference costs above what nobody can avoid. */
    private static double gap(Day day, Cost cost, Cost reference) {
        return (cost.total() - reference.total()) / (double) Math.max(1, reference.soft() - RoundPlanner.floor(day));
    }

    private static void slips(Known known) {
        var ms = new ArrayList<Double>();
        double moves = 0;
        double fresh = 0;
        int slips = 0;
        int faults = 0;
        for (int machines : new int[] {3, 12, 40}) {
            for (int people = 1; people <= (machines == 3 ? 2 : 3); people++) {
                for (int d = 0; d < DAYS; d++) {
                    var day = SeededDays.day(machines, people, SEED + 31L * d, false);
                    var plan = known.of("%dm%dp%d".formatted(machines, people, d), day)
                            .orElseThrow();
                    for (int minute : new int[] {120, 210, 320}) {
                        var rest = Slip.at(day, plan, minute);
                        if (rest.isPresent()) {
                            var r = rest.get();
                            long t0 = System.nanoTime();
                            var again = RoundPlanner.better(r, Effort.millis(REPLAN_MILLIS, 1));
                            ms.add((System.nanoTime() - t0) / 1e6);
                            var free = new Day(
                                    r.people(), r.machines(), r.things(), r.chains(), r.promises(), r.taken(), null);
                            Plan scratch = RoundPlanner.better(free, Effort.millis(BUDGET_MILLIS, 1));
                            var before = Objects.requireNonNull(r.before());
                            faults += faultsOf(r, again);
                            moves += again.movesFrom(before);
                            fresh += scratch.movesFrom(before);
                            slips++;
                        }
                    }
                }
            }
        }
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"planner\",\"slips\":%d,\"rule_breaks\":%d,\"replan_moves_ratio\":%.3f,\"replan_ms_p95\":%.1f}%n",
                slips,
                faults,
                moves / Math.max(1, fresh),
                p95(ms));
    }

    /** But for what happened and no plan can mend: a task that ran into a promised time. */
    private static int faultsOf(Day day, Plan plan) {
        var left = new int[day.tasks()];
        Arrays.fill(left, Plan.NOT_TODAY);
        var given = Audit.of(day, new Plan(left, left)).faults();
        return (int) Audit.of(day, plan).faults().stream()
                .filter(fault -> !given.contains(fault))
                .count();
    }

    private static double p95(List<Double> values) {
        values.sort(null);
        return values.isEmpty() ? 0 : values.get(Math.min(values.size() - 1, (int) (values.size() * 0.95)));
    }
}
