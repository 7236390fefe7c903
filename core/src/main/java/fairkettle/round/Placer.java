package fairkettle.round;

import java.util.Arrays;

/**
 * Turns an order of segments into a plan: each takes the earliest place that works (serial schedule generation, Kolisch
 * 1996), given who shall do it, what it shall wait for and how far its bounded waits are stretched.
 */
final class Placer {

    private static final int FAR = Board.NEVER;
    private static final int ANYBODY = -1;
    /** A hold this long is a night: what follows it need not find room behind it today. */
    private static final int NIGHT = 700;

    private static final long MUCH_DEARER = 8;

    final Layout day;
    final Board board;
    /** Of the plan being made: minute of each task, or {@link Plan#NOT_TODAY}; and its person. */
    final int[] start;

    final int[] who;
    /** By chain: segments placed so far, and whether the rest is left for another day. */
    final int[] next;

    final boolean[] dead;
    /** By machine: the chain that holds it between two of its segments, or -1. */
    final int[] lock;

    long placements;
    long overdue;
    int broken;
    int finish;
    private long floorsLeft;
    private int front;

    private final int[] heldTo;
    private final int[] workedTo;
    private final int[] candidateStart;
    private final int[] candidateWho;
    private int[] notBefore = new int[0];

    // what the plan in hand cost up to each place of its order, to give up early on a worse one
    private long[] cost;
    private long[] costInHand;
    private int[] fronts;
    private int[] frontsInHand;
    private final double[] rateInHand;

    Placer(Layout day) {
        this.day = day;
        board = new Board(day);
        start = new int[day.tasks];
        who = new int[day.tasks];
        next = new int[day.chains];
        dead = new boolean[day.chains];
        lock = new int[day.machines];
        heldTo = new int[day.chains];
        workedTo = new int[day.people];
        candidateStart = new int[day.tasks];
        candidateWho = new int[day.tasks];
        cost = new long[day.segments];
        costInHand = new long[day.segments];
        fronts = new int[day.segments];
        frontsInHand = new int[day.segments];
        rateInHand = new double[day.segments];
    }

    /** Everything free again. @param genes whose waits and persons the coming placements follow */
    void reset(Genes genes) {
        notBefore = genes.notBefore;
        board.clear();
        Arrays.fill(next, 0);
        Arrays.fill(dead, false);
        Arrays.fill(lock, -1);
        Arrays.fill(heldTo, 0);
        for (int c = 0; c < day.chains; c++) {
            if (day.begun[c]) {
                lock[day.machine[day.first[day.firstSegment[c]]]] = c;
                heldTo[c] = day.release[c];
            }
        }
        overdue = 0;
        finish = 0;
        broken = 0;
        front = 0;
        Arrays.fill(workedTo, 0);
        floorsLeft = day.floors;
    }

    private static final int[] NONE = {}; // no plan in hand: nothing of it is replayed

    /** Cost of the whole plan that these genes give. */
    long decode(Genes genes) {
        return decode(genes, Long.MAX_VALUE, Long.MAX_VALUE, 0, day.segments, NONE, NONE);
    }

    /**
     * The same, but giving up with {@link Long#MAX_VALUE} when it must exceed a limit.
     *
     * @param inHand cost of the plan in hand
     * @param same places of the order that decode as in the plan in hand, whose starts and persons are given
     * @param changedTo place of the order up to which it differs from that in hand
     */
    long decode(Genes genes, long limit, long inHand, int same, int changedTo, int[] startInHand, int[] whoInHand) {
        reset(genes);
        for (int k = 0; k < day.segments; k++) {
            int chain = genes.order[k];
            if (next[chain] < day.segmentsOf[chain]) {
                if (k < same) {
                    replayOrRelease(chain, startInHand, whoInHand);
                } else {
                    place(chain, genes.person);
                    long sure = soFar();
                    if (sure + Cost.FINISH * finish > limit || k >= changedTo && hopeless(k, sure, limit, inHand)) {
                        return Long.MAX_VALUE;
                    }
                }
            }
            cost[k] = soFar();
            fronts[k] = front;
        }
        return soFar() + Cost.FINISH * finish + changes() + moved();
    }

    /** Least cost of whatever the rest of the order becomes. */
    private long soFar() {
        return Cost.PROMISE * broken + overdue + floorsLeft;
    }

    /**
     * Past the change the same segments are placed as in the plan in hand: much dearer by now, and no time won, stays
     * dearer.
     */
    private boolean hopeless(int k, long sure, long limit, long inHand) {
        return sure - costInHand[k]
                > limit - inHand + Math.max(0, frontsInHand[k] - front) * rateInHand[k] + MUCH_DEARER;
    }

    /** The plan just decoded becomes the one in hand. */
    void keepInHand(Genes genes) {
        var costs = cost;
        cost = costInHand;
        costInHand = costs;
        var f = fronts;
        fronts = frontsInHand;
        frontsInHand = f;
        double rate = Cost.FINISH;
        var left = new int[day.chains];
        for (int chain : genes.order) {
            left[chain]++;
        }
        for (int k = day.segments - 1; k >= 0; k--) {
            rateInHand[k] = rate / day.people;
            int chain = genes.order[k];
            int s = day.firstSegment[chain] + --left[chain];
            int last = day.past[s] - 1;
            if (start[last] < 0) {
                rate += 20;
            } else {
                int done = start[last] + day.length[last];
                rate += (done > day.due[s].ideal() ? day.due[s].soft() : 0)
                        + (done > day.due[s].latest() ? day.due[s].hard() : 0);
            }
        }
    }

    /** Places the next segment of a chain; one that holds the machine meanwhile is brought to its end first. */
    void place(int chain, int[] person) {
        int machine = day.machine[day.first[day.firstSegment[chain]]];
        int holder = lock[machine];
        if (holder >= 0 && holder != chain) {
            while (next[holder] < day.segmentsOf[holder] && lock[machine] == holder) {
                placeNext(holder, person);
            }
            lock[machine] = -1;
        }
        if (next[chain] < day.segmentsOf[chain]) {
            placeNext(chain, person);
        }
    }

    private void placeNext(int chain, int[] person) {
        int s = day.firstSegment[chain] + next[chain];
        placements++;
        floorsLeft -= day.floor[s];
        if (!dead[chain]) {
            int from = Math.max(soonest(chain), notBefore[s]);
            int limit = limit(chain);
            int last = day.past[s] - 1;
            boolean found = day.tail[s] > 0
                            && day.holds[last]
                            && day.wait[last] < NIGHT
                            && fits(s, from, person, day.tail[s], limit)
                    || fits(s, from, person, 0, limit)
                    || notBefore[s] > 0 && fits(s, soonest(chain), person, 0, limit);
            if (found) {
                mark(s);
                account(s);
            } else {
                dead[chain] = true;
            }
        }
        if (dead[chain]) {
            leave(s);
        }
        next[chain]++;
    }

    /** Earliest minute that the chain's own past allows. */
    int soonest(int chain) {
        int s = day.firstSegment[chain] + next[chain];
        if (next[chain] == 0) {
            return day.release[chain];
        }
        int before = day.first[s] - 1;
        return start[before] + day.length[before] + day.wait[before];
    }

    /** Latest start at which the machine can still be held from the segment before to this one. */
    int limit(int chain) {
        int s = day.firstSegment[chain] + next[chain];
        boolean held = next[chain] > 0 ? day.holds[day.first[s] - 1] : day.begun[chain];
        return held ? board.nextSet(board.machine(day.machine[day.first[s]]), soonest(chain)) - 1 : FAR - 1;
    }

    /** Earliest start found by {@link #fits}. */
    int found(int segment) {
        return candidateStart[day.first[segment]];
    }

    /**
     * Looks for the earliest place of a whole segment with its bounded waits.
     *
     * @param room minutes that the machine must be free behind it
     * @param latest latest start
     */
    boolean fits(int segment, int from, int[] person, int room, int latest) {
        int a = day.first[segment];
        int z = day.past[segment];
        int row = board.machine(day.machine[a]);
        int t1 = from;
        while (true) {
            int own = z - a == 1 ? day.length[a] + (day.holds[a] ? day.wait[a] : 0) + room : day.length[a];
            int t = choose(a, t1, latest, person[a], row, own);
            if (t >= FAR || t > latest) {
                return false;
            }
            int later = follow(segment, t, person);
            if (later == FAR) {
                return false;
            }
            if (later > t) {
                t1 = later;
                continue;
            }
            int last = z - 1;
            int free = candidateStart[last] + day.length[last] + (day.holds[last] ? day.wait[last] : 0) + room;
            int taken = board.nextSet(row, t);
            if (taken >= Math.min(free, day.words * 64)) {
                return true;
            }
            t1 = board.nextClear(row, taken);
        }
    }

    /** The tasks behind the first, each in time. @return t if all found somebody; a later minute to try; or FAR */
    private int follow(int segment, int t, int[] person) {
        int a = day.first[segment];
        int end = t + day.length[a];
        int back = day.length[a];
        int slack = 0;
        for (int i = a + 1; i < day.past[segment]; i++) {
            slack += day.waitMax[i - 1];
            int soonest = end + day.wait[i - 1] + notBefore[day.segments + i];
            int x = choose(i, soonest, end + day.waitMax[i - 1], person[i], -1, 0);
            if (x >= FAR) { // nobody in time: when at all? then everything starts so much later
                int y = choose(i, soonest, FAR - 1, person[i], -1, 0);
                return y >= FAR ? FAR : Math.max(t + 1, y - back - slack);
            }
            end = x + day.length[i];
            back += day.length[i];
        }
        return t;
    }

    /** Who does a task: the earliest to be free, then whom it costs the least change of gloves and walking. */
    private int choose(int task, int from, int latest, int forced, int row, int own) {
        if (forced != ANYBODY && (day.allowed[task] >> forced & 1) != 0) {
            candidateWho[task] = forced;
            candidateStart[task] = board.earliest(task, forced, from, latest, row, own);
            return candidateStart[task];
        }
        int best = FAR;
        int by = ANYBODY;
        long least = Long.MAX_VALUE;
        for (int w = 0; w < day.people; w++) {
            if ((day.allowed[task] >> w & 1) == 0) {
                continue;
            }
            int t = board.earliest(task, w, from, latest, row, own);
            if (t < FAR) {
                long points = Cost.FINISH * t + (day.people > 1 ? disturbance(task, w, t) : 0);
                if (points < least) {
                    least = points;
                    best = t;
                    by = w;
                }
            }
        }
        candidateWho[task] = by;
        candidateStart[task] = best;
        return best;
    }

    /** Points that doing a task then adds to its person's changes. */
    private long disturbance(int task, int person, int t) {
        int before = board.neighbour(person, t, true);
        int after = board.neighbour(person, t + day.hands[task], false);
        long d = change(person, before, task);
        return after < 0 ? d : d + change(person, task, after) - change(person, before, after);
    }

    /** Points for going from one task to another. @param from -1 for the start of the day */
    private long change(int person, int from, int to) {
        var p = day.day.people().get(person);
        var gloves = from < 0 ? p.wearing() : day.gloves[from];
        int bench = from < 0 ? p.bench() : day.bench[from];
        return Gloves.points(gloves, day.gloves[to]) + Cost.walk(bench, day.bench[to]);
    }

    private void mark(int s) {
        int a = day.first[s];
        int z = day.past[s];
        int machine = day.machine[a];
        int chain = day.chainOf[s];
        for (int i = a; i < z; i++) {
            start[i] = candidateStart[i];
            who[i] = candidateWho[i];
            int done = start[i] + day.hands[i];
            if (done > workedTo[who[i]]) {
                front += done - workedTo[who[i]];
                workedTo[who[i]] = done;
            }
            board.work(i, who[i], start[i]);
        }
        int last = z - 1;
        int from = start[a];
        if ((next[chain] > 0 || day.begun[chain]) && heldTo[chain] > 0) { // held since the segment before
            from = Math.min(from, heldTo[chain]);
        }
        int to = start[last] + day.length[last] + (day.holds[last] ? day.wait[last] : 0);
        board.take(board.machine(machine), from, to);
        heldTo[chain] = day.holds[last] ? to : 0;
        boolean more = next[chain] + 1 < day.segmentsOf[chain];
        if (more && day.holds[last]) {
            lock[machine] = chain;
        } else if (lock[machine] == chain) {
            lock[machine] = -1;
        }
    }

    private void account(int s) {
        int chain = day.chainOf[s];
        int last = day.past[s] - 1;
        int done = start[last] + day.length[last];
        overdue += day.due[s].at(done);
        for (int i = day.first[s]; i <= last; i++) {
            finish = Math.max(finish, start[i] + day.hands[i]);
        }
        if (next[chain] == 0 && day.firstBy[chain] != Task.OPEN) {
            overdue += Cost.OVERRUN * Math.max(0, start[day.first[s]] - day.firstBy[chain]);
        }
        if (next[chain] == day.segmentsOf[chain] - 1 && done + day.wait[last] > day.promisedAt[chain]) {
            broken++;
        }
    }

    private void leave(int s) {
        int chain = day.chainOf[s];
        overdue += day.due[s].drop();
        for (int i = day.first[s]; i < day.past[s]; i++) {
            start[i] = Plan.NOT_TODAY;
            who[i] = Plan.NOT_TODAY;
        }
        if (next[chain] == day.segmentsOf[chain] - 1 && day.promisedAt[chain] != Layout.NO_PROMISE) {
            broken++;
        }
        int machine = day.machine[day.first[s]];
        if (lock[machine] == chain) {
            lock[machine] = -1;
        }
    }

    private void replayOrRelease(int chain, int[] starts, int[] persons) {
        int machine = day.machine[day.first[day.firstSegment[chain]]];
        int holder = lock[machine];
        if (holder >= 0 && holder != chain) {
            while (next[holder] < day.segmentsOf[holder] && lock[machine] == holder) {
                replay(holder, starts, persons);
            }
            lock[machine] = -1;
        }
        replay(chain, starts, persons);
    }

    private void replay(int chain, int[] starts, int[] persons) {
        int s = day.firstSegment[chain] + next[chain];
        floorsLeft -= day.floor[s];
        if (starts[day.first[s]] >= 0) {
            for (int i = day.first[s]; i < day.past[s]; i++) {
                candidateStart[i] = starts[i];
                candidateWho[i] = persons[i];
            }
            mark(s);
            account(s);
        } else {
            dead[chain] = true;
            leave(s);
        }
        next[chain]++;
    }

    /** Gloves and walking of everybody. */
    long changes() {
        long sum = 0;
        for (int w = 0; w < day.people; w++) {
            int before = -1;
            int t = 0;
            for (int task = board.neighbour(w, t, false); task >= 0; task = board.neighbour(w, t, false)) {
                sum += change(w, before, task);
                before = task;
                t = start[task] + day.hands[task];
            }
        }
        return sum;
    }

    /** What departing from the plan before costs. */
    long moved() {
        var before = day.day.before();
        if (before == null) {
            return 0;
        }
        long sum = 0;
        for (int i = 0; i < day.tasks; i++) {
            int was = before.start()[i];
            if (was != Plan.NEW) {
                sum += was >= 0 != start[i] >= 0
                        ? Cost.COMES_OR_GOES
                        : was >= 0 && who[i] != before.person()[i] ? Cost.OTHER_PERSON : 0;
                int follower = day.followerBefore[i];
                if (follower >= 0 && start[i] >= 0 && start[follower] >= 0 && start[i] > start[follower]) {
                    sum += Cost.OTHER_ORDER;
                }
            }
        }
        return sum;
    }
}
