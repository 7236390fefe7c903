package fairkettle.round;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;

/**
 * Says why each task stands where it does, from the finished plan alone: what touches its beginning from the left, so
 * that it could not be a minute earlier; and where nothing does, what an earlier beginning would cost.
 */
public final class Reasons {

    /** How far back an earlier beginning is looked for, in minutes. */
    private static final int LOOK_BACK = 90;

    /** Minute at which the day is over; what is taken is told no further. */
    private static final int MIDNIGHT = 1440;

    private final Day day;
    private final Plan plan;
    private final IntFunction<String> clock;
    private final List<Task> tasks = new ArrayList<>();
    private final List<Chain> chains = new ArrayList<>();
    private final List<Integer> places = new ArrayList<>();

    /** @param clock turns a minute into words: “10:40” */
    public Reasons(Day day, Plan plan, IntFunction<String> clock) {
        this.day = day;
        this.plan = plan;
        this.clock = clock;
        for (var chain : day.chains()) {
            for (int i = 0; i < chain.tasks().size(); i++) {
                tasks.add(chain.tasks().get(i));
                chains.add(chain);
                places.add(i);
            }
        }
    }

    /** @return never empty; the most telling first */
    public List<String> of(int task) {
        if (!plan.planned(task)) {
            return List.of(leftOut(task));
        }
        var all = new ArrayList<String>();
        ownPast(task, all);
        person(task, all);
        others(task, all);
        if (all.isEmpty()) {
            nextInTime(task, all);
        }
        if (all.isEmpty()) {
            all.add(choice(task));
        }
        return all;
    }

    private String machine(int task) {
        return day.machines().get(chains.get(task).machine()).name();
    }

    private String who(int task) {
        return day.people().get(plan.person()[task]).name();
    }

    private void ownPast(int task, List<String> all) {
        int start = plan.start()[task];
        if (places.get(task) == 0) {
            if (chains.get(task).release() == start && start > 0) {
                all.add("%s rests until %s".formatted(machine(task), clock.apply(start)));
            }
            return;
        }
        var before = tasks.get(task - 1);
        if (plan.start()[task - 1] + before.length() + before.waitMin() == start) {
            all.add(
                    before.waitMin() > 0
                            ? "%s rests until %s".formatted(machine(task), clock.apply(start))
                            : before.machine() > 0
                                    ? "%s works by itself until %s".formatted(machine(task), clock.apply(start))
                                    : "straight on from “%s”".formatted(before.name()));
        }
    }

    private void person(int task, List<String> all) {
        int start = plan.start()[task];
        int who = plan.person()[task];
        if (day.people().get(who).hours().stream().anyMatch(h -> h.from() == start)) {
            all.add("first thing for %s".formatted(who(task)));
        }
        for (int u = 0; u < tasks.size(); u++) {
            if (u == task || !plan.planned(u) || plan.person()[u] != who || plan.start()[u] >= start) {
                continue;
            }
            int end = plan.start()[u] + tasks.get(u).hands();
            if (end == start) {
                all.add("%s comes from %s".formatted(who(task), machine(u)));
            } else if (end < start
                    && end
                                    + Gloves.minutes(
                                            tasks.get(u).gloves(),
                                            tasks.get(task).gloves())
                            == start) {
                all.add("fresh gloves after %s".formatted(machine(u)));
            }
        }
    }

    private void others(int task, List<String> all) {
        int start = plan.start()[task];
        int machine = chains.get(task).machine();
        for (int u = 0; u < tasks.size(); u++) {
            if (u == task
                    || !plan.planned(u)
                    || plan.start()[u] >= start
                    || chains.get(u).equals(chains.get(task))) {
                continue;
            }
            int end = plan.start()[u] + tasks.get(u).length();
            if (chains.get(u).machine() == machine) {
                boolean goesOn = places.get(u) + 1 < chains.get(u).tasks().size() && plan.planned(u + 1);
                int held = !tasks.get(u).holds()
                        ? end
                        : goesOn ? plan.start()[u + 1] : end + tasks.get(u).waitMin();
                if (held == start) {
                    all.add(
                            held > end
                                    ? "%s rests after “%s” until %s"
                                            .formatted(
                                                    machine(task), tasks.get(u).name(), clock.apply(held))
                                    : "%s is taken by “%s” until %s"
                                            .formatted(
                                                    machine(task), tasks.get(u).name(), clock.apply(held)));
                }
            }
            int other = u;
            int used = plan.start()[u]
                    + (tasks.get(u).through()
                            ? tasks.get(u).length()
                            : tasks.get(u).hands());
            if (used == start) {
                tasks.get(u).things().stream()
                        .filter(tasks.get(task).things()::contains)
                        .findFirst()
                        .ifPresent(thing -> all.add("the %s is in use at %s until %s"
                                .formatted(day.things().get(thing), machine(other), clock.apply(used))));
            }
        }
        day.promises().stream()
                .filter(p -> p.machine() == machine && p.at() + p.minutes() == start)
                .forEach(
                        p -> all.add("%s prints until %s: %s".formatted(machine(task), clock.apply(start), p.words())));
        day.taken().stream()
                .filter(t -> t.machine() == machine && t.to() == start)
                .forEach(_ -> all.add("%s is busy until %s".formatted(machine(task), clock.apply(start))));
    }

    private void nextInTime(int task, List<String> all) {
        var t = tasks.get(task);
        if (!t.open() && places.get(task) + 1 < chains.get(task).tasks().size() && plan.planned(task + 1)) {
            all.add("so late that “%s” can follow within %d min"
                    .formatted(tasks.get(task + 1).name(), t.waitMax()));
        }
    }

    /** Nothing binds: the first earlier minute that is allowed tells what the later place saves. */
    private String choice(int task) {
        var base = Audit.of(day, plan).cost();
        var starts = plan.start().clone();
        for (int t = plan.start()[task] - 1; t >= Math.max(0, plan.start()[task] - LOOK_BACK); t--) {
            starts[task] = t;
            var other = Audit.of(day, new Plan(starts, plan.person()));
            if (other.faults().isEmpty()) {
                if (other.cost().total() <= base.total()) {
                    return "it does not matter when: %s would do as well".formatted(clock.apply(t));
                }
                return other.cost().gloves() > base.gloves()
                        ? "earlier would take another change of gloves"
                        : other.cost().walk() > base.walk()
                                ? "earlier would take more walking"
                                : "something more pressing goes first";
            }
        }
        return "the gaps before it are too short for %d min"
                .formatted(tasks.get(task).hands());
    }

    private String leftOut(int task) {
        int hands = tasks.get(task).hands();
        int last = day.people().stream()
                .flatMap(p -> p.hours().stream())
                .mapToInt(Day.Span::to)
                .max()
                .orElse(0);
        boolean follows = places.get(task) > 0;
        if (follows && plan.planned(task - 1)) {
            var before = tasks.get(task - 1);
            int end = plan.start()[task - 1] + before.length() + before.waitMin();
            if (end + hands > last) {
                return "%s rests until %s".formatted(machine(task), clock.apply(end));
            }
        }
        if (follows && !plan.planned(task - 1)) {
            return "what comes before it does not fit either";
        }
        int machine = chains.get(task).machine();
        int first = day.people().stream()
                .flatMap(p -> p.hours().stream())
                .mapToInt(Day.Span::from)
                .min()
                .orElse(0);
        return day.taken().stream()
                .filter(taken ->
                        taken.machine() == machine && taken.from() - first < hands && taken.to() + hands > last)
                .findFirst()
                .map(taken -> taken.to() < MIDNIGHT
                        ? "%s rests until %s".formatted(machine(task), clock.apply(taken.to()))
                        : "%s rests over night".formatted(machine(task)))
                .orElse("every gap long enough for %d min holds something more pressing".formatted(hands));
    }
}
