package fairkettle.round;

import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * Improves a plan by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) over its {@link Genes}. The temperature
 * begins in proportion to what the plan costs above its floor. Deterministic for a seed while the effort is counted in
 * placements.
 */
final class Search {

    private static final double HOT = 0.4;
    private static final double COLD = 0.01;
    /** Rounds between two tidyings of the genes. */
    private static final int TIDY = 128;

    private static final int STARTS = 3;
    /** Of the effort, for the descents from them. */
    private static final double DESCENTS = 0.3;
    /** Times that the best plan is heated anew. */
    private static final int HEATINGS = 6;

    private final Layout day;
    private final Placer placer;
    private final Dice dice;
    private final Moves moves;
    private final Effort effort;

    /** The plan in hand. */
    private final Genes genes;

    private final int[] start;
    private final int[] who;
    private long cost;

    private Plan best;
    private long bestCost = Long.MAX_VALUE;

    /** The best taken since the search began afresh. */
    private final Genes valley;

    private long valleyCost = Long.MAX_VALUE;

    Search(Layout day, Effort effort) {
        this.day = day;
        this.effort = effort;
        dice = new Dice(effort.seed());
        placer = new Placer(day);
        genes = new Genes(day);
        valley = new Genes(day);
        start = new int[day.tasks];
        who = new int[day.tasks];
        moves = new Moves(day, dice, start);
        best = new Plan(new int[0], new int[0]);
    }

    Plan best() {
        return best;
    }

    long bestCost() {
        return bestCost;
    }

    /** The first plan alone. */
    void first() {
        if (day.day.before() == null) {
            beginnings(Dispatch.MANNERS.length, 1);
        } else {
            standing();
        }
    }

    void run() {
        if (day.segments == 0) {
            first();
            return;
        }
        effort.begin();
        if (day.day.before() == null) {
            fresh();
        } else {
            standing();
            anneal(spent(), 0.6, 0.15, 0.5);
            var kept = genes.copy();
            long keptCost = cost;
            fresh(); // in case much is to be won from nothing
            if (keptCost <= cost) {
                genes.become(kept);
                take(genes);
            }
        }
    }

    /** Several short descents from different beginnings, then the best of them in earnest. */
    private void fresh() {
        var beginnings = beginnings(day.day.before() == null ? Dispatch.MANNERS.length + 6 : 2, 0.6).values().stream()
                .limit(STARTS)
                .toList();
        valleyCost = Long.MAX_VALUE;
        double from = spent();
        double share = beginnings.size() <= 1 ? 0 : DESCENTS * (1 - from) / beginnings.size();
        Genes chosen = null;
        long least = Long.MAX_VALUE;
        for (int k = 0; k < beginnings.size(); k++) {
            take(beginnings.get(k));
            tidyOrder(genes);
            take(genes);
            if (beginnings.size() > 1) {
                anneal(from + share * k, from + share * (k + 1), 0.6, 4);
            }
            if (cost < least) {
                least = cost;
                chosen = genes.copy();
            }
        }
        take(Objects.requireNonNull(chosen));
        double began = spent();
        for (int k = 1; k <= HEATINGS; k++) { // why: a valley is left by heating anew from the best there was
            anneal(spent(), began + (1 - began) * k / HEATINGS, 0.6, 1);
            take(valley);
        }
    }

    /**
     * Plans by several manners of dispatching, cheapest first: at most so many. @param until twice the share of the
     * effort that further tries may take
     */
    private TreeMap<Long, Genes> beginnings(int most, double until) {
        var found = new TreeMap<Long, Genes>();
        var manners = Dispatch.MANNERS;
        var dispatch = new Dispatch(placer, dice);
        var winner = manners[0];
        for (int r = 0; r < most && (r < manners.length || spent() <= until / 2); r++) {
            var manner = r < manners.length ? manners[r] : winner.noisy();
            var made = new Genes(day);
            long c = dispatch.run(made, manner);
            keepBest(c, placer.start, placer.who);
            if (r < manners.length && (found.isEmpty() || c < found.firstKey())) {
                winner = manner;
            }
            found.putIfAbsent(c, made);
        }
        return found;
    }

    /** The plan so far: as it stands, nothing earlier than before; or closed up, if that is cheaper. */
    private void standing() {
        var before = Objects.requireNonNull(day.day.before());
        var still = new Genes(day);
        System.arraycopy(before.start(), 0, start, 0, day.tasks);
        for (int c = 0; c < day.chains; c++) {
            if (day.firstBy[c] != Task.OPEN) {
                start[day.first[day.firstSegment[c]]] = 0; // what has its time is placed before the rest
            }
        }
        tidyOrder(still);
        for (int i = 0; i < day.tasks; i++) {
            still.person[i] = before.planned(i) ? before.person()[i] : -1;
        }
        var closed = still.copy();
        for (int s = 0; s < day.segments; s++) {
            still.notBefore[s] =
                    day.firstBy[day.chainOf[s]] == Task.OPEN ? Math.max(0, before.start()[day.first[s]]) : 0;
        }
        take(still);
        long asItStood = cost;
        take(closed);
        if (cost > asItStood) {
            take(still);
        }
    }

    private void anneal(double from, double to, double hot, double cold) {
        var other = genes.copy();
        double perSegment = Math.max(20, (double) (cost % Cost.PROMISE - day.floors) / Math.max(1, day.segments));
        double highest = hot * HOT * perSegment;
        double lowest = cold * COLD * perSegment;
        double temperature = highest;
        for (int round = 0; ; round++) {
            if ((round & 15) == 0) {
                double done = (spent() - from) / Math.max(1e-9, to - from);
                if (done >= 1) {
                    return;
                }
                temperature = highest * Math.pow(lowest / highest, Math.max(0, done));
            }
            if ((round & TIDY - 1) == TIDY - 1) {
                tidy();
            }
            other.become(genes);
            int same = moves.change(other);
            if (same >= day.segments) {
                continue;
            }
            long limit = cost + (long) (-temperature * Math.log(dice.share() + 1e-12));
            long c = placer.decode(other, limit, cost, same, moves.changedTo(), start, who);
            if (c <= limit) {
                accept(other, c);
            }
        }
    }

    /** The order by starting times and as few genes as give the same: so that moves mean what they say. */
    private void tidy() {
        for (int way = 0; way < 3; way++) {
            var plain = new Genes(day);
            tidyOrder(plain);
            if (way > 0) {
                System.arraycopy(way == 1 ? genes.person : who, 0, plain.person, 0, day.tasks);
            }
            long c = placer.decode(plain);
            if (c <= cost) {
                accept(plain, c);
                return;
            }
        }
    }

    /** Segments in the order in which the plan in hand begins them; what is left out comes last. */
    private void tidyOrder(Genes into) {
        var keys = IntStream.range(0, day.segments)
                .mapToLong(s -> {
                    int t = start[day.first[s]];
                    return (long) (t < 0 ? Day.LONGEST + 5000 + s - day.firstSegment[day.chainOf[s]] : t) << 32 | s;
                })
                .sorted()
                .toArray();
        for (int i = 0; i < day.segments; i++) {
            into.order[i] = day.chainOf[(int) keys[i]];
        }
    }

    private void take(Genes from) {
        accept(from, placer.decode(from));
    }

    private void accept(Genes from, long c) {
        cost = c;
        if (from != genes) {
            genes.become(from);
        }
        System.arraycopy(placer.start, 0, start, 0, day.tasks);
        System.arraycopy(placer.who, 0, who, 0, day.tasks);
        placer.keepInHand(genes);
        moves.inHand();
        if (c < valleyCost) {
            valleyCost = c;
            valley.become(from);
        }
        keepBest(c, start, who);
    }

    private void keepBest(long c, int[] starts, int[] persons) {
        if (c < bestCost) {
            bestCost = c;
            best = new Plan(starts.clone(), persons.clone());
        }
    }

    private double spent() {
        return effort.spent(placer.placements);
    }
}
