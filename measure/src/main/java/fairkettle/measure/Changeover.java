package fairkettle.measure;

import fairkettle.changeover.Answer;
import fairkettle.changeover.AutomaticHand;
import fairkettle.changeover.Job;
import fairkettle.changeover.Plan;
import fairkettle.changeover.Planner;
import fairkettle.changeover.Shops;
import fairkettle.procedure.RouteProof;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * {@code ./kettle measure changeover}: every profile, as built and with what can be fitted to it, in every state, to
 * every ink, renewed and parked. Each plan is proved, and carried out twice by an automatic hand: straight through, and
 * taking every branch that leads back.
 */
public final class Changeover {

    private static final int RUNS = 3; // the quickest counts: what else the machine does is not the planner's

    private Changeover() {}

    public static void main(String[] args) {
        var jobs = Shops.everyJob().toList();
        var terms = Shops.terms(Map.of());
        for (int warm = 0; warm < 2; warm++) {
            jobs.forEach(job -> Planner.plan(job, terms));
        }
        var planned = new ArrayList<Map.Entry<Job, Plan>>();
        double[] times = new double[jobs.size()];
        int plans = 0;
        for (var job : jobs) {
            double took = Double.MAX_VALUE;
            Answer answer = Planner.plan(job, terms);
            for (int run = 0; run < RUNS; run++) {
                long start = System.nanoTime();
                answer = Planner.plan(job, terms);
                took = Math.min(took, (System.nanoTime() - start) / 1e6);
            }
            if (answer instanceof Answer.Planned(var plan)) {
                times[plans++] = took;
                planned.add(Map.entry(job, plan));
            }
        }
        times = Arrays.copyOf(times, plans);
        Arrays.sort(times);
        var order = new AtomicInteger();
        var conservation = new AtomicInteger();
        var capacity = new AtomicInteger();
        var said = ConcurrentHashMap.<String>newKeySet();
        planned.parallelStream().forEach(each -> {
            var plan = each.getValue();
            var name = "%s, %s".formatted(plan.route(), each.getKey().profile().architecture());
            var violations = RouteProof.violations(plan.procedure());
            order.addAndGet(violations.size());
            say(said, name, violations);
            for (boolean branches : List.of(false, true)) {
                var hand = new AutomaticHand(each.getKey(), plan, branches);
                try {
                    hand.carryOut();
                    conservation.addAndGet(hand.unbalanced().size());
                    capacity.addAndGet(hand.overfull().size());
                    say(said, name, hand.unbalanced());
                    say(said, name, hand.overfull());
                } catch (AssertionError refused) {
                    order.incrementAndGet();
                    say(said, name, List.of(String.valueOf(refused.getMessage())));
                } catch (RuntimeException broken) {
                    conservation.incrementAndGet();
                    say(said, name, List.of(broken.toString()));
                }
            }
        });
        System.out.printf(
                java.util.Locale.ROOT,
                "{\"measure\":\"changeover\",\"jobs\":%d,\"plans\":%d,\"refusals\":%d,\"ms_p50\":%.3f,\"ms_max\":%.3f,\"order_violations\":%d,\"conservation_violations\":%d,\"capacity_violations\":%d}%n",
                jobs.size(),
                plans,
                jobs.size() - plans,
                times[plans / 2],
                times[plans - 1],
                order.get(),
                conservation.get(),
                capacity.get());
    }

    /** What is wrong, once per route and machine. */
    private static void say(java.util.Set<String> said, String name, List<?> wrong) {
        if (!wrong.isEmpty() && said.add(name)) {
            System.err.println(name + ": " + wrong.getFirst());
        }
    }
}
