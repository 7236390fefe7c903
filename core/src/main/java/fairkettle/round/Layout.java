package fairkettle.round;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** A day as flat arrays, numbered by task, segment and chain: what the planner asks a million times. */
final class Layout {

    /** No promise hangs on the chain. */
    static final int NO_PROMISE = Integer.MAX_VALUE;

    final Day day;
    final int tasks;
    final int segments;
    final int chains;
    final int people;
    final int machines;
    /** The minute after the last hours. */
    final int end;
    /** Longs in a row of minutes. */
    final int words;

    // by task
    final int[] hands;
    final int[] length;
    final int[] wait;
    final int[] waitMax;
    final Gloves[] gloves;
    final int[] bench;
    final int[] machine;
    final int[] allowed;
    final int[] segmentOf;
    final long[] things;
    final boolean[] holds;
    final boolean[] through;
    /** The task that its person did next in the plan before, or -1. */
    final int[] followerBefore;
    /** Tasks behind a bounded wait that can be stretched. */
    final int[] stretchable;

    // by segment
    final int[] first;
    final int[] past;
    final int[] chainOf;
    final Due[] due;
    /** Least conceivable points of overdue. */
    final long[] floor;
    /** Minutes that the rest of the chain needs at least after this segment's hold. */
    final int[] tail;

    final int[] handsOf;

    // by chain
    final int[] firstSegment;
    final int[] segmentsOf;
    final int[] release;
    final int[] firstBy;
    final boolean[] begun;
    final int[] promisedAt;
    /** Minutes that the chain takes its machine. */
    final int[] takes;

    /** Chains by machine. */
    final int[][] onMachine;

    final long floors;

    Layout(Day day) {
        this.day = day;
        tasks = day.tasks();
        chains = day.chains().size();
        people = day.people().size();
        machines = day.machines().size();
        segments = day.chains().stream().mapToInt(c -> c.dues().size()).sum();
        end = day.people().stream()
                .flatMap(p -> p.hours().stream())
                .mapToInt(Day.Span::to)
                .max()
                .orElse(0);
        words = (end >> 6) + 1;
        hands = new int[tasks];
        length = new int[tasks];
        wait = new int[tasks];
        waitMax = new int[tasks];
        gloves = new Gloves[tasks];
        bench = new int[tasks];
        machine = new int[tasks];
        allowed = new int[tasks];
        segmentOf = new int[tasks];
        things = new long[tasks];
        holds = new boolean[tasks];
        through = new boolean[tasks];
        first = new int[segments];
        past = new int[segments];
        chainOf = new int[segments];
        due = new Due[segments];
        floor = new long[segments];
        tail = new int[segments];
        handsOf = new int[segments];
        firstSegment = new int[chains];
        segmentsOf = new int[chains];
        release = new int[chains];
        firstBy = new int[chains];
        begun = new boolean[chains];
        promisedAt = new int[chains];
        takes = new int[chains];
        Arrays.fill(promisedAt, NO_PROMISE);
        int task = 0;
        int segment = 0;
        for (int c = 0; c < chains; c++) {
            var chain = day.chains().get(c);
            firstSegment[c] = segment;
            segmentsOf[c] = chain.dues().size();
            release[c] = Math.max(0, chain.release());
            firstBy[c] = chain.firstBy();
            begun[c] = chain.begun();
            boolean inside = false;
            for (int i = 0; i < chain.tasks().size(); i++, task++) {
                lay(task, segment, chain, chain.tasks().get(i));
                if (!inside) {
                    first[segment] = task;
                    chainOf[segment] = c;
                    inside = true;
                }
                handsOf[segment] += hands[task];
                takes[c] += length[task] + (holds[task] ? wait[task] : 0);
                if (chain.endsSegment(i)) {
                    past[segment] = task + 1;
                    due[segment] = chain.dues().get(segment - firstSegment[c]);
                    segment++;
                    inside = false;
                }
            }
            floors(c);
        }
        for (var promise : day.promises()) {
            if (promise.fit() >= 0) {
                promisedAt[promise.fit()] = Math.min(promisedAt[promise.fit()], promise.at());
            }
        }
        floors = Arrays.stream(floor).sum();
        stretchable = IntStream.range(1, tasks)
                .filter(i -> segmentOf[i] == segmentOf[i - 1] && waitMax[i - 1] > wait[i - 1])
                .toArray();
        onMachine = byMachine();
        followerBefore = followers();
    }

    private int[] followers() {
        var follower = new int[tasks];
        Arrays.fill(follower, -1);
        var before = day.before();
        if (before != null) {
            var last = new int[people];
            Arrays.fill(last, -1);
            for (int task : before.order()) {
                int who = before.person()[task];
                if (last[who] >= 0) {
                    follower[last[who]] = task;
                }
                last[who] = task;
            }
        }
        return follower;
    }

    private void lay(int task, int segment, Chain chain, Task t) {
        hands[task] = t.hands();
        length[task] = t.length();
        wait[task] = t.waitMin();
        waitMax[task] = t.waitMax();
        gloves[task] = t.gloves();
        machine[task] = chain.machine();
        bench[task] = day.machines().get(chain.machine()).bench();
        allowed[task] = t.people();
        for (int thing : t.things()) {
            things[task] |= 1L << thing;
        }
        holds[task] = t.holds();
        through[task] = t.through();
        segmentOf[task] = segment;
    }

    private void floors(int chain) {
        int at = release[chain];
        int last = firstSegment[chain] + segmentsOf[chain];
        for (int s = firstSegment[chain]; s < last; s++) {
            at += alone(s);
            floor[s] = at <= end + 60 ? Math.min(due[s].drop(), due[s].at(at)) : due[s].drop();
            at += wait[past[s] - 1];
        }
        int room = 0;
        for (int s = last - 2; s >= firstSegment[chain]; s--) {
            room += alone(s + 1);
            tail[s] = room;
            room += wait[past[s] - 1];
        }
    }

    /** Minutes of a segment that is never kept waiting. */
    int alone(int segment) {
        int sum = 0;
        for (int i = first[segment]; i < past[segment]; i++) {
            sum += length[i] + (i < past[segment] - 1 ? wait[i] : 0);
        }
        return sum;
    }

    private int[][] byMachine() {
        var lists = new ArrayList<List<Integer>>();
        for (int m = 0; m < machines; m++) {
            lists.add(new ArrayList<>());
        }
        for (int c = 0; c < chains; c++) {
            lists.get(day.chains().get(c).machine()).add(c);
        }
        return lists.stream().map(l -> l.stream().mapToInt(i -> i).toArray()).toArray(int[][]::new);
    }
}
