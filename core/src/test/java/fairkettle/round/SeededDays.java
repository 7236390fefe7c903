package fairkettle.round;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/** Made-up days: the same numbers give the same day. Written for the planner's figures, and used by its tests. */
public final class SeededDays {

    private static final int SINK = 5;
    private static final int SCANNER = 6;
    private static final int TOMORROW = 1440;
    private static final List<String> SMALL =
            List.of("check", "purge", "wipe", "cap soak", "cap soak", "head rinse", "filter", "read check");
    private static final List<String> LARGE = List.of("dampers", "changeover", "power cleaning", "unpacking");

    private final Random dice;
    private final int machines;
    private final int people;
    private final boolean overfull;
    private final int mostTasks;
    private int length;
    private final List<Gloves> gloves = new ArrayList<>();

    private SeededDays(long seed, int machines, int people, boolean overfull, int mostTasks) {
        dice = new Random(
                seed * 7919 + 31L * machines + people + (overfull ? 500_009 : 0) + (mostTasks < 1000 ? 700_001 : 0));
        this.machines = machines;
        this.people = people;
        this.overfull = overfull;
        this.mostTasks = mostTasks;
    }

    /** @param overfull whether more is due than the people have minutes */
    public static Day day(int machines, int people, long seed, boolean overfull) {
        return new SeededDays(seed, machines, people, overfull, Integer.MAX_VALUE).make();
    }

    /** A short round, small enough to be proven. */
    public static Day small(int machines, int people, long seed, int tasks) {
        return new SeededDays(seed, machines, people, false, tasks).make();
    }

    private int in(int least, int most) {
        return least + dice.nextInt(most - least + 1);
    }

    private Day make() {
        length = in(16, 20) * 30;
        var persons = new ArrayList<Day.Person>();
        int capacity = 0;
        for (int i = 0; i < people; i++) {
            int from = i == 0 ? 0 : 30 * in(0, 4);
            int to = i == 0 ? length : length - 30 * in(0, 4);
            int lunch = 210 + 30 * in(0, 3);
            persons.add(new Day.Person(
                    "hand " + (char) ('A' + i),
                    List.of(new Day.Span(from, lunch), new Day.Span(lunch + 30, to)),
                    null,
                    -1));
            capacity += to - from - 30;
        }
        var stations = new ArrayList<Day.Machine>();
        for (int m = 0; m < machines; m++) {
            stations.add(new Day.Machine("machine " + (m + 1), m / 2));
            gloves.add(Gloves.values()[dice.nextInt(Gloves.values().length)]);
        }
        var chains = new ArrayList<Chain>();
        var promises = new ArrayList<Day.Promise>();
        var taken = new int[machines];
        var order = new ArrayList<Integer>();
        for (int m = 0; m < machines; m++) {
            order.add(m);
        }
        Collections.shuffle(order, dice);
        int hands = 0;
        int promised = mostTasks < 1000 ? 1 : machines <= 3 ? in(0, 1) : machines <= 12 ? in(1, 3) : in(2, 6);
        for (int k = 0; k < promised; k++) {
            int m = order.get(k);
            int at = 15 * in(6, length / 15 - 6);
            int minutes = 15 * in(2, 8);
            promises.add(new Day.Promise("order " + (k + 1), m, at, minutes, chains.size()));
            var fit = chain("fit", m, 0);
            chains.add(fit);
            hands += hands(fit);
            taken[m] += takes(fit) + minutes;
        }
        double share = overfull ? 1.0 + 0.25 * dice.nextDouble() : 0.40 + 0.45 * dice.nextDouble();
        for (int tries = 0;
                hands < share * capacity
                        && tries < 4000
                        && chains.stream().mapToInt(c -> c.tasks().size()).sum() < mostTasks;
                tries++) {
            int m = tries < machines ? order.get(tries) : dice.nextInt(machines);
            boolean large = dice.nextDouble() < (machines <= 3 ? 0.3 : 0.12);
            var kinds = large ? LARGE : SMALL;
            var kind = kinds.get(dice.nextInt(kinds.size()));
            var chain = chain(
                    kind.equals("head rinse") && gloves.get(m) == Gloves.WHITE ? "white" : kind,
                    m,
                    large ? in(0, 8) * 20 : 0);
            if (taken[m] + takes(chain) <= length * (overfull ? 0.95 : 0.8)) {
                chains.add(chain);
                hands += hands(chain);
                taken[m] += Math.min(takes(chain), length);
            }
        }
        return new Day(
                persons,
                stations,
                List.of("food kit", "dye kit", "sublimation kit", "film kit", "white kit", "sink", "scanner"),
                chains,
                promises,
                List.of(),
                null);
    }

    private static int hands(Chain chain) {
        return chain.tasks().stream().mapToInt(Task::hands).sum();
    }

    private static int takes(Chain chain) {
        return chain.tasks().stream()
                .mapToInt(t -> t.length() + (t.holds() && t.waitMin() < 700 ? t.waitMin() : 0))
                .sum();
    }

    private Chain chain(String kind, int machine, int release) {
        var g = gloves.get(machine);
        int kit = g.ordinal();
        var tasks = new ArrayList<Task>();
        switch (kind) {
            case "fit" -> {
                tasks.add(task("purge", in(3, 5), in(4, 8), 0, Task.OPEN, g));
                tasks.add(task("check", in(3, 5), in(2, 4), 0, Task.OPEN, g));
                tasks.add(task("scan", in(2, 4), 0, 0, Task.OPEN, g, SCANNER));
            }
            case "check" -> tasks.add(task("check", in(4, 7), in(2, 4), 0, Task.OPEN, g));
            case "read check" -> {
                tasks.add(task("print", in(3, 5), in(2, 5), 0, Task.OPEN, g));
                tasks.add(task("scan", in(3, 6), 0, 0, Task.OPEN, g, SCANNER));
            }
            case "purge" -> {
                tasks.add(task("purge", in(3, 6), in(5, 12), 0, Task.OPEN, g));
                tasks.add(task("look", in(2, 4), 0, 0, Task.OPEN, g));
            }
            case "wipe" ->
                tasks.add(
                        dice.nextBoolean()
                                ? task("wipe", in(8, 15), 0, 0, Task.OPEN, g, SINK)
                                : task("wipe", in(8, 15), 0, 0, Task.OPEN, g));
            case "cap soak" -> {
                tasks.add(
                        dice.nextBoolean()
                                ? task("flood", in(5, 9), 0, 5, 10, g, kit)
                                : task("flood", in(5, 9), 0, 5, 10, g));
                tasks.add(task("draw off", in(4, 8), in(3, 6), 0, Task.OPEN, g, kit));
                tasks.add(task("check", in(3, 5), in(2, 3), 0, Task.OPEN, g));
            }
            case "head rinse" -> {
                tasks.add(task("rinse", in(8, 14), 0, 10, 15, g, SINK));
                tasks.add(task("dry and fit", in(6, 10), in(3, 6), 0, Task.OPEN, g));
            }
            case "white" -> {
                tasks.add(task("shake", in(5, 9), 0, 0, Task.OPEN, g));
                tasks.add(task("move the line", in(4, 8), in(4, 8), 0, Task.OPEN, g, kit));
            }
            case "filter" -> tasks.add(task("change the filter", in(10, 18), in(3, 6), 0, Task.OPEN, g, SINK));
            case "dampers" -> {
                tasks.add(task("change the dampers", in(15, 25), in(4, 8), 120, Task.OPEN, g, kit));
                tasks.add(task("check", in(4, 7), in(2, 4), 0, Task.OPEN, g));
            }
            case "changeover" -> {
                tasks.add(
                        dice.nextBoolean()
                                ? task("drain", in(15, 25), 0, 0, 30, g, kit, SINK)
                                : task("drain", in(15, 25), 0, 0, 30, g, kit));
                int rinses = in(1, 3);
                for (int i = 1; i <= rinses; i++) {
                    tasks.add(task("rinse " + i, in(7, 12), 0, 5, 10, g, kit));
                }
                tasks.add(task("charge", in(8, 14), in(6, 12), 120, Task.OPEN, g, kit));
                tasks.add(task("check", in(4, 6), in(2, 4), 0, Task.OPEN, g));
                tasks.add(task("scan", in(3, 5), 0, 0, Task.OPEN, g, SCANNER));
            }
            case "power cleaning" -> {
                tasks.add(task("power cleaning", in(3, 6), in(6, 12), 720, Task.OPEN, g));
                tasks.add(task("check", in(4, 6), 3, 0, Task.OPEN, g));
            }
            default -> {
                tasks.add(task("unpack", in(8, 14), 0, 5, 10, g, SINK));
                tasks.add(task("draw", in(5, 9), in(4, 8), 0, 20, g, kit));
                tasks.add(task("check", in(4, 6), 3, 0, Task.OPEN, g));
            }
        }
        return new Chain(
                kind + " of " + (machine + 1),
                machine,
                kind.equals("unpacking") ? release : 0,
                Task.OPEN,
                false,
                tasks,
                dues(kind, tasks));
    }

    private Task task(String name, int hands, int machine, int wait, int waitMax, Gloves g, Integer... things) {
        int everybody = (1 << people) - 1;
        int may = people > 1 && dice.nextDouble() < 0.12 ? everybody & ~(1 << in(1, people - 1)) : everybody;
        return new Task(
                name,
                hands,
                machine,
                wait,
                waitMax,
                true,
                List.of(things),
                things.length > 0 && dice.nextDouble() < 0.15,
                may,
                g);
    }

    private List<Due> dues(String kind, List<Task> tasks) {
        int weight = in(1, 10);
        int ideal;
        int latest;
        double u = dice.nextDouble();
        if (u < 0.15) { // overdue already
            latest = -60 * in(0, 24);
            ideal = latest - 300;
        } else if (u < 0.45) { // within today
            ideal = 15 * in(0, length / 15 - 6);
            latest = ideal + 15 * in(2, 12);
        } else if (u < 0.80) { // today by choice
            ideal = 15 * in(length / 30, length / 15);
            latest = TOMORROW;
        } else { // can wait
            ideal = TOMORROW;
            latest = 2 * TOMORROW;
        }
        if (kind.equals("fit")) {
            ideal = TOMORROW;
            latest = TOMORROW;
            weight = 10;
        }
        var dues = new ArrayList<Due>();
        int shift = 0;
        for (int i = 0; i < tasks.size(); i++) {
            if (tasks.get(i).open() || i == tasks.size() - 1) {
                dues.add(new Due(
                        ideal + shift,
                        latest + shift,
                        weight,
                        10 * weight,
                        10L * weight * Math.max(120, TOMORROW - latest)));
                shift += tasks.get(i).waitMin() + 15;
            }
        }
        return dues;
    }
}
