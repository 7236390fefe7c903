package fairkettle.round;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * Checks a plan against every rule and works out what it costs, from the day and the plan alone; shares no code with
 * the planner.
 */
public final class Audit {

    /** @param faults rules that are broken, in words; empty for a plan that can be carried out */
    public record Verdict(List<String> faults, Cost cost) {}

    private record Visit(int start, int hands, Gloves gloves, int bench) {}

    private record Held(int from, int to) {}

    private final Day day;
    private final Plan plan;
    private final List<String> faults = new ArrayList<>();
    private final List<List<Visit>> visits = new ArrayList<>();
    private final TreeMap<Integer, List<Held>> machines = new TreeMap<>();
    private final TreeMap<Integer, List<Held>> things = new TreeMap<>();
    private final int[] over;
    private long overdue;
    private int finish;
    private int dropped;

    private Audit(Day day, Plan plan) {
        this.day = day;
        this.plan = plan;
        over = new int[day.chains().size()];
    }

    public static Verdict of(Day day, Plan plan) {
        return new Audit(day, plan).verdict();
    }

    private Verdict verdict() {
        day.people().forEach(_ -> visits.add(new ArrayList<>()));
        int task = 0;
        for (int c = 0; c < day.chains().size(); c++) {
            chain(c, task);
            task += day.chains().get(c).tasks().size();
        }
        for (var promise : day.promises()) {
            hold(machines, promise.machine(), promise.at(), promise.at() + promise.minutes());
        }
        for (var taken : day.taken()) {
            if (taken.machine() >= 0) {
                hold(machines, taken.machine(), taken.from(), taken.to());
            }
            if (taken.thing() >= 0) {
                hold(things, taken.thing(), taken.from(), taken.to());
            }
        }
        machines.forEach((m, holds) -> clashes(day.machines().get(m).name(), holds));
        things.forEach((t, holds) -> clashes("the " + day.things().get(t), holds));
        long gloves = 0;
        long walk = 0;
        for (int w = 0; w < day.people().size(); w++) {
            var person = day.people().get(w);
            var mine = visits.get(w);
            mine.sort(Comparator.comparingInt(Visit::start));
            var wearing = person.wearing();
            int bench = person.bench();
            int free = wearing == null || person.hours().isEmpty()
                    ? Integer.MIN_VALUE / 2
                    : person.hours().getFirst().from();
            for (var visit : mine) {
                if (visit.start < free + Gloves.minutes(wearing, visit.gloves)) {
                    faults.add("%s at %d: in two places, or no time for gloves".formatted(person.name(), visit.start));
                }
                gloves += Gloves.points(wearing, visit.gloves);
                walk += bench < 0 ? 0 : Math.abs(bench - visit.bench);
                wearing = visit.gloves;
                bench = visit.bench;
                free = visit.start + visit.hands;
            }
        }
        int broken = (int) day.promises().stream()
                .filter(p -> p.fit() >= 0)
                .mapToInt(Day.Promise::fit)
                .distinct()
                .filter(fit -> over[fit]
                        > day.promises().stream()
                                .filter(p -> p.fit() == fit)
                                .mapToInt(Day.Promise::at)
                                .min()
                                .orElseThrow())
                .count();
        return new Verdict(faults, new Cost(broken, overdue, finish, gloves, walk, moved(), dropped));
    }

    private void chain(int number, int first) {
        var chain = day.chains().get(number);
        int segment = 0;
        boolean gone = false;
        over[number] = Integer.MAX_VALUE;
        for (int i = 0; i < chain.tasks().size(); i++) {
            var task = chain.tasks().get(i);
            int start = plan.start()[first + i];
            var name = chain.name() + ", " + task.name();
            boolean last = i == chain.tasks().size() - 1;
            if (start < 0) {
                if (i > 0 && !gone && chain.tasks().get(i - 1).waitMax() >= 0) {
                    faults.add(name + ": left out inside a bounded wait");
                }
                gone = true;
                if (last || task.waitMax() < 0) {
                    overdue += chain.dues().get(segment++).drop();
                    dropped++;
                }
                continue;
            }
            if (gone) {
                faults.add(name + ": done though an earlier task is not");
            }
            begin(chain, i, first, name);
            int end = start + task.hands() + task.machine();
            boolean goesOn = !last && plan.start()[first + i + 1] >= 0;
            hold(
                    machines,
                    chain.machine(),
                    start,
                    !task.holds() ? end : goesOn ? plan.start()[first + i + 1] : end + task.waitMin());
            task.things().forEach(t -> hold(things, t, start, task.through() ? end : start + task.hands()));
            person(task, first + i, chain.machine(), name);
            finish = Math.max(finish, start + task.hands());
            if (last || task.waitMax() < 0) {
                var due = chain.dues().get(segment++);
                overdue += (long) due.soft() * Math.max(0, end - due.ideal())
                        + (long) due.hard() * Math.max(0, end - due.latest());
            }
            if (last) {
                over[number] = end + task.waitMin();
            }
        }
    }

    private void begin(Chain chain, int i, int first, String name) {
        int start = plan.start()[first + i];
        if (i == 0) {
            if (start < chain.release()) {
                faults.add(name + ": before its machine is free");
            }
            if (chain.begun()) {
                hold(machines, chain.machine(), chain.release(), start);
            }
            if (chain.firstBy() >= 0) {
                overdue += Cost.OVERRUN * Math.max(0, start - chain.firstBy());
            }
        } else if (plan.start()[first + i - 1] >= 0) {
            var before = chain.tasks().get(i - 1);
            int end = plan.start()[first + i - 1] + before.hands() + before.machine();
            if (start < end + before.waitMin()) {
                faults.add(name + ": the wait before it is too short");
            }
            if (before.waitMax() >= 0 && start > end + before.waitMax()) {
                faults.add(name + ": the wait before it is too long");
            }
        }
    }

    private void person(Task task, int number, int machine, String name) {
        int who = plan.person()[number];
        int start = plan.start()[number];
        if (who < 0 || who >= day.people().size() || (task.people() & 1 << who) == 0) {
            faults.add(name + ": by nobody who may do it");
            return;
        }
        if (day.people().get(who).hours().stream()
                .noneMatch(h -> h.from() <= start && start + task.hands() <= h.to())) {
            faults.add(name + ": outside the hours of " + day.people().get(who).name());
        }
        visits.get(who)
                .add(new Visit(
                        start,
                        task.hands(),
                        task.gloves(),
                        day.machines().get(machine).bench()));
    }

    private long moved() {
        var before = day.before();
        if (before == null) {
            return 0;
        }
        long points = 0;
        for (int i = 0; i < before.start().length; i++) {
            boolean was = before.start()[i] >= 0;
            boolean is = plan.start()[i] >= 0;
            if (before.start()[i] == Plan.NEW) {
                continue;
            }
            if (was != is) {
                points += Cost.COMES_OR_GOES;
            } else if (was && before.person()[i] != plan.person()[i]) {
                points += Cost.OTHER_PERSON;
            }
            int follower = -1;
            for (int j = 0; was && j < before.start().length; j++) {
                boolean later =
                        before.start()[j] > before.start()[i] || before.start()[j] == before.start()[i] && j > i;
                boolean nearer = follower < 0 || before.start()[j] < before.start()[follower];
                if (before.start()[j] >= 0 && before.person()[j] == before.person()[i] && later && nearer) {
                    follower = j;
                }
            }
            if (follower >= 0 && is && plan.start()[follower] >= 0 && plan.start()[i] > plan.start()[follower]) {
                points += Cost.OTHER_ORDER;
            }
        }
        return points;
    }

    private static void hold(TreeMap<Integer, List<Held>> all, int number, int from, int to) {
        all.computeIfAbsent(number, _ -> new ArrayList<>()).add(new Held(from, to));
    }

    private void clashes(String what, List<Held> holds) {
        int until = Integer.MIN_VALUE;
        for (var held : holds.stream()
                .filter(h -> h.to > h.from)
                .sorted(Comparator.comparingInt(Held::from))
                .toList()) {
            if (held.from < until) {
                faults.add("%s twice at %d".formatted(what, held.from));
            }
            until = Math.max(until, held.to);
        }
    }
}
