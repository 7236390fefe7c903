package fairkettle.round;

/** Small changes of an order of segments, of who does what, and of waits. */
final class Moves {

    private static final int RESCUES = 200; // of a thousand moves, while something is left out

    private final Layout day;
    private final Dice dice;
    /** Minutes of the plan in hand. */
    private final int[] start;

    private final int[] scratch;
    private int changedTo;
    private boolean somethingOut;

    Moves(Layout day, Dice dice, int[] start) {
        this.day = day;
        this.dice = dice;
        this.start = start;
        scratch = new int[day.segments];
    }

    /** Place of the order up to which the last change reaches. */
    int changedTo() {
        return changedTo;
    }

    /**
     * Changes the genes a little. @return first place of the order that may decode differently; the number of segments
     * if nothing changed
     */
    int change(Genes g) {
        changedTo = day.segments;
        if (somethingOut && dice.upTo(1000) < RESCUES) {
            return dice.oneIn(2) ? rescue(g.order) : exchange(g.order);
        }
        int kind = dice.upTo(1000);
        if (kind < 290) {
            return near(g.order);
        }
        if (kind < 530) {
            return costlyEarlier(g.order);
        }
        if (kind < 680) {
            return wholeChain(g.order);
        }
        if (kind < 760) {
            return swap(g.order);
        }
        if (kind < 830) {
            return block(g.order);
        }
        if (kind < 930) {
            return day.people > 1 ? person(g) : reinsert(g.order, dice.upTo(day.segments), dice.upTo(day.segments));
        }
        return day.stretchable.length > 0 && dice.oneIn(2) ? stretch(g) : notBefore(g);
    }

    /** The plan in hand is another. */
    void inHand() {
        somethingOut = false;
        for (int s = 0; s < day.segments && !somethingOut; s++) {
            somethingOut = start[day.first[s]] < 0;
        }
    }

    /** What is left out because its chain began too late: the whole chain begins earlier. */
    private int rescue(int[] order) {
        int out = leftOut();
        if (out < 0 || out == day.firstSegment[day.chainOf[out]]) {
            return out < 0 ? nothing() : exchange(order);
        }
        int chain = day.chainOf[out];
        int from = firstOf(order, chain);
        return from == 0 ? nothing() : shift(order, chain, from, dice.upTo(from), dice.oneIn(2));
    }

    private int nothing() {
        return day.segments;
    }

    private int inside(int place) {
        return Math.clamp(place, 0, day.segments - 1);
    }

    private int near(int[] order) {
        int i = dice.upTo(day.segments);
        int j = dice.oneIn(3) ? dice.upTo(day.segments) : inside(i + (dice.oneIn(2) ? 1 : -1) * (1 + dice.upTo(8)));
        return reinsert(order, i, j);
    }

    private int costlyEarlier(int[] order) {
        int i = costly(order);
        return i <= 0
                ? nothing()
                : reinsert(order, i, dice.oneIn(2) ? dice.upTo(i) : Math.max(0, i - 1 - dice.upTo(10)));
    }

    private int reinsert(int[] order, int from, int to) {
        if (from == to) {
            return nothing();
        }
        int chain = order[from];
        if (from < to) {
            System.arraycopy(order, from + 1, order, from, to - from);
        } else {
            System.arraycopy(order, to, order, to + 1, from - to);
        }
        order[to] = chain;
        changedTo = Math.max(from, to);
        return Math.min(from, to);
    }

    private int swap(int[] order) {
        int i = dice.upTo(day.segments);
        int j = dice.upTo(day.segments);
        if (order[i] == order[j]) {
            return nothing();
        }
        int chain = order[i];
        order[i] = order[j];
        order[j] = chain;
        changedTo = Math.max(i, j);
        return Math.min(i, j);
    }

    private int block(int[] order) {
        int length = 2 + dice.upTo(4);
        if (day.segments <= length + 1) {
            return nothing();
        }
        int i = dice.upTo(day.segments - length);
        int j = dice.upTo(day.segments - length);
        if (i == j) {
            return nothing();
        }
        System.arraycopy(order, i, scratch, 0, length);
        if (i < j) {
            System.arraycopy(order, i + length, order, i, j - i);
        } else {
            System.arraycopy(order, j, order, j + length, i - j);
        }
        System.arraycopy(scratch, 0, order, j, length);
        changedTo = Math.max(i, j) + length - 1;
        return Math.min(i, j);
    }

    private int person(Genes g) {
        int task = dice.upTo(day.tasks);
        int who = dice.upTo(day.people + 1) - 1;
        if (who == g.person[task] || who >= 0 && (day.allowed[task] >> who & 1) == 0) {
            return nothing();
        }
        g.person[task] = who;
        changedTo = place(g.order, day.segmentOf[task]);
        return changedTo;
    }

    /** So that something fits into a soak, or no longer. */
    private int stretch(Genes g) {
        int task = day.stretchable[dice.upTo(day.stretchable.length)];
        int by = dice.oneIn(2) ? 0 : 1 + dice.upTo(day.waitMax[task - 1] - day.wait[task - 1]);
        if (by == g.notBefore[day.segments + task]) {
            return nothing();
        }
        g.notBefore[day.segments + task] = by;
        changedTo = place(g.order, day.segmentOf[task]);
        return changedTo;
    }

    private int notBefore(Genes g) {
        int s = dice.upTo(day.segments);
        int minute = dice.oneIn(3) ? 0 : Math.max(0, start[day.first[s]] + 1 + dice.upTo(dice.oneIn(2) ? 8 : 60));
        if (minute == g.notBefore[s]) {
            return nothing();
        }
        g.notBefore[s] = minute;
        changedTo = place(g.order, s);
        return changedTo;
    }

    /** A chain as a whole, often just before or behind another on its machine. */
    private int wholeChain(int[] order) {
        int chain = dice.oneIn(3) ? order[dice.upTo(day.segments)] : order[Math.max(0, costly(order))];
        int from = firstOf(order, chain);
        boolean tight = dice.oneIn(3);
        int to;
        var same = day.onMachine[day.machine[day.first[day.firstSegment[chain]]]];
        if (same.length > 1 && dice.oneIn(3)) {
            int other = same[dice.upTo(same.length)];
            if (other == chain) {
                return nothing();
            }
            to = firstOf(order, other);
            if (to < from) {
                tight = dice.oneIn(2);
            } else {
                to = lastOf(order, other);
            }
        } else {
            to = dice.oneIn(2)
                    ? dice.upTo(day.segments)
                    : inside(from + (dice.oneIn(3) ? 1 : -1) * (1 + dice.upTo(10)));
        }
        return to == from ? nothing() : shift(order, chain, from, to, tight);
    }

    /** @param tight its segments come close together, as far as others let them; else as far apart as they were */
    private int shift(int[] order, int chain, int from, int to, boolean tight) {
        var rest = new int[day.segments];
        var was = new int[day.segmentsOf[chain]];
        int others = 0;
        int mine = 0;
        for (int i = 0; i < day.segments; i++) {
            if (order[i] == chain) {
                was[mine++] = i;
            } else {
                rest[others++] = order[i];
            }
        }
        int put = 0;
        int taken = 0;
        int last = 0;
        for (int i = 0; i < day.segments; i++) {
            boolean now = put < mine && ((tight ? i >= to : i >= was[put] + to - from) || taken >= others);
            order[i] = now ? chain : rest[taken++];
            if (now) {
                put++;
                last = i;
            }
        }
        changedTo = Math.max(was[mine - 1], last);
        return Math.min(from, to);
    }

    /**
     * On a day too full: something left out comes in where something of little worth for its minutes stood, which goes
     * last.
     */
    private int exchange(int[] order) {
        int in = leftOut();
        int out = in < 0 ? -1 : leastWorth(day.chainOf[in]);
        if (out < 0) {
            return nothing();
        }
        int to = place(order, out);
        int from = place(order, in);
        if (to >= from) {
            return nothing();
        }
        int chain = order[from];
        System.arraycopy(order, to, order, to + 1, from - to);
        order[to] = chain;
        int gone = day.chainOf[out];
        int write = to + 1;
        int tail = 0;
        for (int i = to + 1; i < day.segments; i++) {
            if (order[i] == gone) {
                tail++;
            } else {
                order[write++] = order[i];
            }
        }
        while (tail-- > 0) {
            order[write++] = gone;
        }
        return to;
    }

    /** The dearest per minute of a few that are left out and could be done, or -1. */
    private int leftOut() {
        int found = -1;
        double most = -1;
        for (int t = 0; t < 12; t++) {
            int s = dice.upTo(day.segments);
            boolean could = start[day.first[s]] < 0
                    && day.floor[s] < day.due[s].drop()
                    && (s == day.firstSegment[day.chainOf[s]] || start[day.first[s] - 1] >= 0);
            if (could && (double) day.due[s].drop() / day.handsOf[s] > most) {
                most = (double) day.due[s].drop() / day.handsOf[s];
                found = s;
            }
        }
        return found;
    }

    private int leastWorth(int notOf) {
        int found = -1;
        double least = Double.MAX_VALUE;
        for (int t = 0; t < 4; t++) {
            int s = dice.upTo(day.segments);
            double worth = (double) day.due[s].drop() / day.handsOf[s];
            if (start[day.first[s]] >= 0 && day.chainOf[s] != notOf && worth < least) {
                least = worth;
                found = s;
            }
        }
        return found;
    }

    /** Place of the segment with most to win: the worst of four. */
    private int costly(int[] order) {
        int worst = -1;
        long most = -1;
        for (int t = 0; t < 4; t++) {
            int s = dice.upTo(day.segments);
            int last = day.past[s] - 1;
            long avoidable =
                    (start[day.first[s]] < 0 ? day.due[s].drop() : day.due[s].at(start[last] + day.length[last]))
                            - day.floor[s];
            if (avoidable > most) {
                most = avoidable;
                worst = s;
            }
        }
        return place(order, worst);
    }

    private int place(int[] order, int segment) {
        int chain = day.chainOf[segment];
        int count = segment - day.firstSegment[chain];
        for (int i = 0; i < order.length; i++) {
            if (order[i] == chain && count-- == 0) {
                return i;
            }
        }
        throw new IllegalStateException("Impossible state: a segment is missing from the order.");
    }

    private static int firstOf(int[] order, int chain) {
        int i = 0;
        while (order[i] != chain) {
            i++;
        }
        return i;
    }

    private static int lastOf(int[] order, int chain) {
        int i = order.length - 1;
        while (order[i] != chain) {
            i--;
        }
        return i;
    }
}
