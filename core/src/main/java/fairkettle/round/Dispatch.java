package fairkettle.round;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * The first plan: always the most urgent of what can begin about now, by apparent tardiness per minute of hands
 * (Vepsalainen and Morton 1987), with a look at each machine whether another chain had better go first there.
 */
final class Dispatch {

    /**
     * One way of weighing. @param reach how far ahead lateness is felt; @param window minutes within which “about now”
     * lies; @param drop weight of what would not fit; @param noise spread of the dice
     */
    record Manner(double reach, int window, double drop, double noise) {
        Manner noisy() {
            return new Manner(reach, window, drop, 0.3);
        }
    }

    static final Manner[] MANNERS = {
        new Manner(1, 2, 1, 0),
        new Manner(0.3, 2, 4, 0),
        new Manner(3, 2, 16, 0),
        new Manner(3, 2, 1, 0),
        new Manner(0.3, 2, 16, 0),
        new Manner(1, 8, 0, 0)
    };

    // where a chain stands that cannot begin now
    private static final int NOWHERE = 1 << 17;
    private static final int LOCKED_OUT = 1 << 18;
    private static final int DEAD = 1 << 19;
    private static final int FAR = Board.NEVER;
    private static final double[] DELAY = new double[512];
    /** What a chain that had better wait for another on its machine keeps of its urgency. */
    private static final double YIELD = 0.02;

    static {
        for (int i = 0; i < DELAY.length; i++) {
            DELAY[i] = Math.exp(-i / 6.0);
        }
    }

    private final Layout day;
    private final Placer placer;
    private final Dice dice;
    private final int[] earliest;
    private final double[] urgency;
    private final double[] fuzz;
    private final boolean[] known;

    Dispatch(Placer placer, Dice dice) {
        day = placer.day;
        this.placer = placer;
        this.dice = dice;
        earliest = new int[day.chains];
        urgency = new double[day.chains];
        fuzz = new double[day.chains];
        known = new boolean[day.chains];
    }

    /** Fills the order of genes that say nothing yet. The plan is the placer's until its next. @return its cost */
    long run(Genes genes, Manner manner) {
        placer.reset(genes);
        double mean = Arrays.stream(day.hands).average().orElse(1) * manner.reach * 2 / day.people;
        Arrays.fill(known, false);
        for (int c = 0; c < day.chains; c++) {
            fuzz[c] = manner.noise == 0 ? 1 : Math.exp(manner.noise * (dice.share() + dice.share() - 1));
            earliest[c] = day.release[c];
            weigh(c, mean, manner);
        }
        int at = reserve(genes);
        for (int c = 0; c < day.chains; c++) {
            if (placer.next[c] > 0) {
                earliest[c] = placer.next[c] >= day.segmentsOf[c] ? FAR : placer.dead[c] ? DEAD : placer.soonest(c);
                weigh(c, mean, manner);
            }
        }
        while (at < day.segments) {
            int pick = mostUrgent(manner.window);
            if (pick < 0) {
                break;
            }
            if (!placer.dead[pick] && !known[pick]) {
                int was = earliest[pick];
                earliest[pick] = look(pick, was, genes.person);
                known[pick] = true;
                if (earliest[pick] != was) {
                    weigh(pick, mean, manner);
                    continue;
                }
            }
            genes.order[at++] = pick;
            placer.place(pick, genes.person);
            Arrays.fill(known, false); // what is earliest now only grows while the day fills, so it stays a bound
            for (int c = 0; c < day.chains; c++) {
                if (c == pick || earliest[c] == LOCKED_OUT) {
                    earliest[c] = placer.next[c] >= day.segmentsOf[c] ? FAR : placer.dead[c] ? DEAD : placer.soonest(c);
                    if (c == pick) {
                        weigh(c, mean, manner);
                    }
                }
            }
        }
        complete(genes, at);
        return Cost.PROMISE * placer.broken
                + placer.overdue
                + Cost.FINISH * placer.finish
                + placer.changes()
                + placer.moved();
    }

    /** Soaks that have begun, and whatever somebody pinned, have their time before anything else is placed. */
    private int reserve(Genes genes) {
        int at = 0;
        var fixed = IntStream.range(0, day.chains)
                .filter(c -> day.firstBy[c] != Task.OPEN)
                .boxed()
                .sorted(Comparator.comparingInt(c -> day.firstBy[c]))
                .toList();
        for (int chain : fixed) {
            genes.order[at++] = chain;
            placer.place(chain, genes.person);
        }
        return at;
    }

    private int mostUrgent(int window) {
        int soonest = FAR;
        for (int c = 0; c < day.chains; c++) {
            if (placer.next[c] < day.segmentsOf[c]) {
                soonest = Math.min(soonest, earliest[c]);
            }
        }
        int pick = -1;
        double most = Double.NEGATIVE_INFINITY;
        for (int c = 0; c < day.chains; c++) {
            if (placer.next[c] < day.segmentsOf[c]) {
                int later = earliest[c] - soonest;
                double value =
                        later > window ? -1e6 - earliest[c] : urgency[c] * DELAY[Math.min(DELAY.length - 1, later)];
                if (value > most) {
                    most = value;
                    pick = c;
                }
            }
        }
        return pick;
    }

    /** Where the chain's next segment would really go. */
    private int look(int chain, int was, int[] person) {
        int s = day.firstSegment[chain] + placer.next[chain];
        int holder = placer.lock[day.machine[day.first[s]]];
        if (holder >= 0 && holder != chain) {
            return LOCKED_OUT;
        }
        placer.placements++;
        return placer.fits(s, Math.max(placer.soonest(chain), was < NOWHERE ? was : 0), person, 0, placer.limit(chain))
                ? placer.found(s)
                : NOWHERE;
    }

    /**
     * Segments that came along when a machine was let go stand behind; the k-th time a chain comes is still its k-th
     * segment.
     */
    private void complete(Genes genes, int at) {
        var count = new int[day.chains];
        for (int i = 0; i < at; i++) {
            count[genes.order[i]]++;
        }
        for (int c = 0; c < day.chains; c++) {
            for (; count[c] < day.segmentsOf[c]; count[c]++) {
                genes.order[at++] = c;
            }
        }
    }

    private void weigh(int chain, double mean, Manner manner) {
        urgency[chain] = fuzz[chain] * urgency(chain, earliest[chain], mean, manner.drop);
    }

    /** Urgency of what is left of a chain if it begins at a minute. */
    private double urgency(int chain, int from, double mean, double drop) {
        double value = 0;
        double hands = 0;
        int end = from;
        for (int s = day.firstSegment[chain] + placer.next[chain];
                s < day.firstSegment[chain] + day.segmentsOf[chain];
                s++) {
            end += day.alone(s);
            if (end > day.end + 30) {
                break;
            }
            hands += day.handsOf[s] + 0.1 * day.alone(s);
            var due = day.due[s];
            value += due.soft() * Math.exp(Math.min(0, end - due.ideal()) / mean)
                    + due.hard() * Math.exp(Math.min(0, end - due.latest()) / mean)
                    + 0.02 * due.drop() / 1440
                    + drop * due.drop() / 1440 * Math.exp(Math.min(0, end - day.end) / (4 * mean));
            end += day.wait[day.past[s] - 1];
        }
        double perMinute = value / Math.max(1, hands);
        if (placer.next[chain] == 0 && yields(chain, from)) {
            perMinute *= YIELD;
        }
        return day.promisedAt[chain] == Layout.NO_PROMISE
                ? perMinute
                : perMinute + 300 * Math.exp(Math.min(0, end + 20 - day.promisedAt[chain]) / 30.0);
    }

    /** Whether another chain had better go first on this machine: a long hold must not shut it out. */
    private boolean yields(int chain, int from) {
        for (int other : day.onMachine[day.machine[day.first[day.firstSegment[chain]]]]) {
            if (other != chain && placer.next[other] == 0 && !placer.dead[other]) {
                int begin = Math.max(day.release[other], from);
                double mine = whole(chain, from) + whole(other, Math.max(day.release[other], from + day.takes[chain]));
                double theirs = whole(other, begin) + whole(chain, begin + day.takes[other]);
                if (theirs < mine) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Cost of a whole chain that begins at a minute and is never kept waiting. */
    private double whole(int chain, int from) {
        double value = 0;
        int end = from;
        for (int s = day.firstSegment[chain]; s < day.firstSegment[chain] + day.segmentsOf[chain]; s++) {
            end += day.alone(s);
            value += end > day.end ? day.due[s].drop() : day.due[s].at(end);
            if (s == day.firstSegment[chain] + day.segmentsOf[chain] - 1 && end > day.promisedAt[chain]) {
                value += Cost.PROMISE;
            }
            end += day.wait[day.past[s] - 1];
        }
        return value;
    }
}
