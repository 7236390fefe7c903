package fairkettle.measure.rounds;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import fairkettle.round.Cost;
import fairkettle.round.Day;
import fairkettle.round.Due;
import fairkettle.round.Gloves;
import fairkettle.round.Plan;
import fairkettle.round.Task;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The whole day as a constraint model: optional tasks, intervals for machines and things, one circuit a person for
 * gloves and walking.
 */
public final class Proof {

    private static final int FAR = 6000;

    static {
        Loader.loadNativeLibraries();
    }

    private final Day day;
    private final CpModel model = new CpModel();
    private final LinearExprBuilder cost = LinearExpr.newBuilder();
    private final int tasks;
    private final int end;
    private final IntVar[] start;
    private final BoolVar[] done;
    private final BoolVar[][] by;
    private final Task[] task;
    private final int[] bench;
    private final List<List<IntervalVar>> persons = new ArrayList<>();
    private final Map<Integer, List<IntervalVar>> machines = new HashMap<>();
    private final Map<Integer, List<IntervalVar>> things = new HashMap<>();

    private Proof(Day day) {
        this.day = day;
        tasks = day.tasks();
        end = day.people().stream()
                .flatMap(p -> p.hours().stream())
                .mapToInt(Day.Span::to)
                .max()
                .orElse(0);
        start = new IntVar[tasks];
        done = new BoolVar[tasks];
        by = new BoolVar[tasks][day.people().size()];
        task = new Task[tasks];
        bench = new int[tasks];
        day.people().forEach(_ -> persons.add(new ArrayList<>()));
    }

    /** The best plan if it could be proven within the time, else empty. @param hint a plan to begin from */
    public static Optional<Plan> of(Day day, Plan hint, double seconds) {
        return new Proof(day).solve(hint, seconds);
    }

    private Optional<Plan> solve(Plan hint, double seconds) {
        var finish = model.newIntVar(0, end, "finish");
        cost.addTerm(finish, Cost.FINISH);
        int g = 0;
        var last = new int[day.chains().size()];
        for (int c = 0; c < day.chains().size(); c++) {
            var chain = day.chains().get(c);
            int first = g;
            int segment = 0;
            int soonest = Math.max(0, chain.release());
            for (int i = 0; i < chain.tasks().size(); i++, g++) {
                var t = chain.tasks().get(i);
                task[g] = t;
                bench[g] = day.machines().get(chain.machine()).bench();
                start[g] = model.newIntVar(0, end, "s" + g);
                done[g] = model.newBoolVar("x" + g);
                person(g, hint);
                model.addGreaterOrEqual(finish, LinearExpr.affine(start[g], 1, t.hands()))
                        .onlyEnforceIf(done[g]);
                if (i == 0) {
                    model.addGreaterOrEqual(start[g], chain.release()).onlyEnforceIf(done[g]);
                } else {
                    follow(g, chain.tasks().get(i - 1));
                }
                for (int thing : t.things()) {
                    things.computeIfAbsent(thing, _ -> new ArrayList<>())
                            .add(model.newOptionalFixedSizeIntervalVar(
                                    start[g], t.through() ? t.length() : t.hands(), done[g], ""));
                }
                soonest += t.length();
                if (i == chain.tasks().size() - 1 || t.open()) {
                    overdue(g, chain.dues().get(segment++), soonest);
                }
                soonest += t.waitMin();
            }
            machine(chain.machine(), first, g);
            last[c] = g - 1;
        }
        promises(last, hint);
        machines.values().forEach(l -> model.addNoOverlap(l));
        things.values().forEach(l -> model.addNoOverlap(l));
        persons.forEach(l -> model.addNoOverlap(l));
        for (int w = 0; w < day.people().size(); w++) {
            circuit(w);
        }
        model.minimize(cost.build());
        for (int i = 0; i < tasks; i++) {
            model.addHint(done[i], hint.planned(i) ? 1 : 0);
            if (hint.planned(i)) {
                model.addHint(start[i], hint.start()[i]);
            }
        }
        var solver = new CpSolver();
        solver.getParameters()
                .setNumWorkers(1)
                .setMaxTimeInSeconds(seconds)
                .setRandomSeed(1)
                .setLinearizationLevel(1);
        if (solver.solve(model) != CpSolverStatus.OPTIMAL) {
            return Optional.empty();
        }
        var starts = new int[tasks];
        var who = new int[tasks];
        for (int i = 0; i < tasks; i++) {
            boolean planned = solver.booleanValue(done[i]);
            starts[i] = planned ? (int) solver.value(start[i]) : Plan.NOT_TODAY;
            who[i] = Plan.NOT_TODAY;
            for (int w = 0; planned && w < day.people().size(); w++) {
                if (solver.booleanValue(by[i][w])) {
                    who[i] = w;
                }
            }
        }
        return Optional.of(new Plan(starts, who));
    }

    private void person(int g, Plan hint) {
        var ways = new ArrayList<LinearArgument>();
        for (int w = 0; w < day.people().size(); w++) {
            by[g][w] = model.newBoolVar("w" + g + "_" + w);
            if ((task[g].people() >> w & 1) == 0) {
                model.addEquality(by[g][w], 0);
            }
            persons.get(w).add(model.newOptionalFixedSizeIntervalVar(start[g], task[g].hands(), by[g][w], ""));
            ways.add(by[g][w]);
            var inside = new ArrayList<Literal>();
            for (var span : day.people().get(w).hours()) {
                if (span.to() - span.from() >= task[g].hands()) {
                    var in = model.newBoolVar("");
                    model.addGreaterOrEqual(start[g], span.from()).onlyEnforceIf(in);
                    model.addLessOrEqual(start[g], span.to() - task[g].hands()).onlyEnforceIf(in);
                    inside.add(in);
                }
            }
            inside.add(by[g][w].not());
            model.addBoolOr(inside.toArray(Literal[]::new));
            model.addHint(by[g][w], hint.planned(g) && hint.person()[g] == w ? 1 : 0);
        }
        model.addEquality(LinearExpr.sum(ways.toArray(LinearArgument[]::new)), done[g]);
    }

    private void follow(int g, Task before) {
        model.addImplication(done[g], done[g - 1]);
        var apart = LinearExpr.newBuilder()
                .addTerm(start[g], 1)
                .addTerm(start[g - 1], -1)
                .build();
        model.addGreaterOrEqual(apart, before.length() + before.waitMin()).onlyEnforceIf(done[g]);
        if (!before.open()) {
            model.addEquality(done[g], done[g - 1]);
            model.addLessOrEqual(apart, before.length() + before.waitMax()).onlyEnforceIf(done[g]);
        }
    }

    /** Lateness counts from its own floor, so that what is left out can stand at its earliest for nothing. */
    private void overdue(int g, Due due, int soonest) {
        if (soonest > end + 60) {
            model.addEquality(done[g], 0);
            cost.add(due.drop());
            return;
        }
        long floor = 0;
        int[] from = {due.ideal(), due.latest()};
        int[] rate = {due.soft(), due.hard()};
        for (int h = 0; h < 2; h++) {
            if (rate[h] > 0 && from[h] < end + task[g].machine()) {
                int least = Math.max(0, soonest - from[h]);
                floor += (long) rate[h] * least;
                var late = model.newIntVar(least, FAR, "");
                model.addGreaterOrEqual(late, LinearExpr.affine(start[g], 1, task[g].length() - from[h]));
                cost.addTerm(late, rate[h]);
            }
        }
        cost.addTerm(done[g], -(due.drop() - floor));
        cost.add(due.drop() - floor);
    }

    private void machine(int number, int first, int past) {
        var list = machines.computeIfAbsent(number, _ -> new ArrayList<>());
        for (int g = first; g < past; g++) {
            int own = task[g].length() + (task[g].holds() ? task[g].waitMin() : 0);
            if (g + 1 < past && task[g].holds()) {
                var size = model.newIntVar(own, FAR, "");
                var until = model.newIntVar(0, FAR, "");
                model.addEquality(
                        LinearExpr.newBuilder()
                                .addTerm(start[g], 1)
                                .addTerm(size, 1)
                                .build(),
                        until);
                model.addEquality(until, start[g + 1]).onlyEnforceIf(done[g + 1]);
                model.addEquality(size, own).onlyEnforceIf(new Literal[] {done[g], done[g + 1].not()});
                list.add(model.newOptionalIntervalVar(start[g], size, until, done[g], ""));
            } else {
                list.add(model.newOptionalFixedSizeIntervalVar(start[g], own, done[g], ""));
            }
        }
    }

    private void promises(int[] last, Plan hint) {
        for (var promise : day.promises()) {
            machines.computeIfAbsent(promise.machine(), _ -> new ArrayList<>())
                    .add(model.newFixedInterval(promise.at(), promise.minutes(), ""));
            if (promise.fit() >= 0) {
                int g = last[promise.fit()];
                int over = task[g].length() + task[g].waitMin();
                var broken = model.newBoolVar("broken");
                model.addLessOrEqual(start[g], promise.at() - over).onlyEnforceIf(broken.not());
                model.addImplication(broken.not(), done[g]);
                cost.addTerm(broken, Cost.PROMISE);
                model.addHint(broken, hint.planned(g) && hint.start()[g] + over <= promise.at() ? 0 : 1);
            }
        }
    }

    private void circuit(int w) {
        var circuit = model.addCircuit();
        circuit.addArc(0, 0, model.newBoolVar(""));
        for (int u = 0; u < tasks; u++) {
            if ((task[u].people() >> w & 1) == 0) {
                continue;
            }
            circuit.addArc(u + 1, u + 1, by[u][w].not());
            circuit.addArc(0, u + 1, model.newBoolVar(""));
            circuit.addArc(u + 1, 0, model.newBoolVar(""));
            for (int v = 0; v < tasks; v++) {
                if (u != v && (task[v].people() >> w & 1) != 0) {
                    var then = model.newBoolVar("");
                    circuit.addArc(u + 1, v + 1, then);
                    model.addGreaterOrEqual(
                                    start[v],
                                    LinearExpr.affine(
                                            start[u],
                                            1,
                                            task[u].hands() + Gloves.minutes(task[u].gloves(), task[v].gloves())))
                            .onlyEnforceIf(then);
                    long points = Gloves.points(task[u].gloves(), task[v].gloves()) + Math.abs(bench[u] - bench[v]);
                    if (points != 0) {
                        cost.addTerm(then, points);
                    }
                }
            }
        }
    }
}
