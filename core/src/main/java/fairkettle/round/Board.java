package fairkettle.round;

import java.util.Arrays;

/**
 * Who and what is taken at which minute: one row of bits for each person, machine and single thing, and one of each
 * person's work alone (a break beside a task must not hide the task).
 */
final class Board {

    private static final int NOBODY = -1;

    private final Layout day;
    private final int words;
    private final long[] base;
    private final long[] bits;
    private final short[] owner;
    private final int machineRows;
    private final int thingRows;
    private final int workRows;
    private final int[] hoursFrom;

    Board(Layout day) {
        this.day = day;
        words = day.words;
        machineRows = day.people * words;
        thingRows = machineRows + day.machines * words;
        workRows = thingRows + day.day.things().size() * words;
        base = new long[workRows + day.people * words];
        bits = new long[base.length];
        owner = new short[day.people * words * 64];
        hoursFrom = new int[day.people];
        for (int w = 0; w < day.people; w++) {
            set(base, w * words, 0, words * 64);
            for (var hours : day.day.people().get(w).hours()) {
                clear(base, w * words, hours.from(), hours.to());
            }
            var hours = day.day.people().get(w).hours();
            hoursFrom[w] = hours.isEmpty() ? 0 : hours.getFirst().from();
        }
        for (var promise : day.day.promises()) {
            set(base, machine(promise.machine()), promise.at(), promise.at() + promise.minutes());
        }
        for (var taken : day.day.taken()) {
            if (taken.machine() >= 0) {
                set(base, machine(taken.machine()), taken.from(), taken.to());
            }
            if (taken.thing() >= 0) {
                set(base, thingRows + taken.thing() * words, taken.from(), taken.to());
            }
        }
        clear();
    }

    void clear() {
        System.arraycopy(base, 0, bits, 0, base.length);
        Arrays.fill(owner, (short) NOBODY);
    }

    int machine(int number) {
        return machineRows + number * words;
    }

    void take(int row, int from, int to) {
        set(bits, row, from, to);
    }

    /** A person's hands, and the things in them. */
    void work(int task, int person, int start) {
        int to = start + day.hands[task];
        set(bits, person * words, start, to);
        set(bits, workRows + person * words, start, to);
        Arrays.fill(owner, person * words * 64 + start, person * words * 64 + to, (short) task);
        int thingsTo = start + (day.through[task] ? day.length[task] : day.hands[task]);
        for (long m = day.things[task]; m != 0; m &= m - 1) {
            set(bits, thingRows + Long.numberOfTrailingZeros(m) * words, start, thingsTo);
        }
    }

    /** The task that a person does just before a minute, or the next from it on; -1 if there is none. */
    int neighbour(int person, int minute, boolean before) {
        int row = workRows + person * words;
        int at = before ? previousSet(row, minute) : nextSet(row, minute);
        return at < 0 || at >= words * 64 ? NOBODY : owner[person * words * 64 + at];
    }

    /**
     * Earliest minute at which a person can begin a task: hands free, gloves changed in time, things free, and the
     * machine where asked for.
     *
     * @param machineRow row of the machine that must be free for {@code own} minutes, or below 0
     * @return {@link #NEVER} if there is none up to {@code latest}
     */
    int earliest(int task, int person, int from, int latest, int machineRow, int own) {
        int row = person * words;
        int need = day.hands[task];
        int to = Math.min(latest, day.end - need);
        if (from > to) {
            return NEVER;
        }
        for (int k = from >> 6, last = to >> 6; k <= last; k++) {
            long free = candidates(task, row, k);
            if (k == from >> 6) {
                free &= -1L << (from & 63);
            }
            if (free != 0 && machineRow >= 0) {
                free &= erode(
                        ~bits[machineRow + k], k + 1 < words ? ~bits[machineRow + k + 1] : -1L, Math.min(own, 64));
            }
            for (; free != 0; free &= free - 1) {
                int t = (k << 6) + Long.numberOfTrailingZeros(free);
                if (t > to) {
                    return NEVER;
                }
                if (freeFor(task, row, t, need, machineRow, own) && glovesInTime(task, person, row, t, need)) {
                    return t;
                }
            }
        }
        return NEVER;
    }

    static final int NEVER = 1 << 20;

    /** Minutes of one word from which hands and things are free, as far as two words can tell. */
    private long candidates(int task, int row, int k) {
        boolean edge = k + 1 >= words;
        long a = bits[row + k];
        long b = edge ? -1L : bits[row + k + 1];
        if (day.things[task] == 0) {
            return erode(~a, ~b, Math.min(64, day.hands[task]));
        }
        long c = 0;
        long d = 0;
        for (long m = day.things[task]; m != 0; m &= m - 1) {
            int thing = thingRows + Long.numberOfTrailingZeros(m) * words;
            c |= bits[thing + k];
            if (!edge) {
                d |= bits[thing + k + 1];
            }
        }
        return day.through[task]
                ? erode(~a, ~b, Math.min(64, day.hands[task])) & erode(~c, ~d, Math.min(64, day.length[task]))
                : erode(~(a | c), ~(b | d), Math.min(64, day.hands[task]));
    }

    /** What is longer than a word is looked at to its end. */
    private boolean freeFor(int task, int row, int t, int need, int machineRow, int own) {
        if (need > 64 && nextSet(row, t) < t + need) {
            return false;
        }
        if (machineRow >= 0 && own > 64 && nextSet(machineRow, t) < Math.min(words * 64, t + own)) {
            return false;
        }
        int held = day.through[task] ? day.length[task] : need;
        if (held > 64) {
            for (long m = day.things[task]; m != 0; m &= m - 1) {
                if (nextSet(thingRows + Long.numberOfTrailingZeros(m) * words, t) < Math.min(words * 64, t + held)) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean glovesInTime(int task, int person, int row, int t, int need) {
        var mine = day.gloves[task];
        int before = previousSet(row, t);
        if (before >= 0 && before > t - 4) {
            int u = owner[person * words * 64 + before];
            if (u >= 0) {
                if (t < before + 1 + Gloves.minutes(day.gloves[u], mine)) {
                    return false;
                }
            } else if (t
                    < hoursFrom[person]
                            + Gloves.minutes(day.day.people().get(person).wearing(), mine)) {
                return false;
            }
        }
        int after = nextSet(row, t + need);
        if (after < words * 64 && after < t + need + 4) {
            int v = owner[person * words * 64 + after];
            return v < 0 || after - t - need >= Gloves.minutes(mine, day.gloves[v]);
        }
        return true;
    }

    /** Bits from which {@code need} minutes on are set, by doubling shifts. */
    private static long erode(long low, long high, int need) {
        for (int have = 1; have < need; ) {
            int shift = Math.min(have, need - have);
            low &= low >>> shift | high << (64 - shift);
            high &= high >>> shift;
            have += shift;
        }
        return low;
    }

    int nextSet(int row, int t) {
        if (t >= words * 64) {
            return words * 64;
        }
        int w = t >> 6;
        long x = bits[row + w] >>> (t & 63);
        if (x != 0) {
            return t + Long.numberOfTrailingZeros(x);
        }
        while (++w < words) {
            x = bits[row + w];
            if (x != 0) {
                return (w << 6) + Long.numberOfTrailingZeros(x);
            }
        }
        return words * 64;
    }

    int nextClear(int row, int t) {
        if (t >= words * 64) {
            return words * 64;
        }
        int w = t >> 6;
        long x = ~bits[row + w] >>> (t & 63);
        if (x != 0) {
            return t + Long.numberOfTrailingZeros(x);
        }
        while (++w < words) {
            x = ~bits[row + w];
            if (x != 0) {
                return (w << 6) + Long.numberOfTrailingZeros(x);
            }
        }
        return words * 64;
    }

    /** Last set bit before t, or -1. */
    private int previousSet(int row, int t) {
        if (t <= 0) {
            return -1;
        }
        int last = Math.min(t, words * 64) - 1;
        int w = last >> 6;
        long x = bits[row + w] << (63 - (last & 63));
        if (x != 0) {
            return last - Long.numberOfLeadingZeros(x);
        }
        while (--w >= 0) {
            x = bits[row + w];
            if (x != 0) {
                return (w << 6) + 63 - Long.numberOfLeadingZeros(x);
            }
        }
        return -1;
    }

    private void set(long[] row, int offset, int from, int to) {
        for (int t = Math.max(0, from), end = Math.min(words * 64, to); t < end; ) {
            int w = t >> 6;
            int stop = Math.min(end, (w + 1) << 6);
            row[offset + w] |= span(t & 63, stop - t);
            t = stop;
        }
    }

    private void clear(long[] row, int offset, int from, int to) {
        for (int t = Math.max(0, from), end = Math.min(words * 64, to); t < end; ) {
            int w = t >> 6;
            int stop = Math.min(end, (w + 1) << 6);
            row[offset + w] &= ~span(t & 63, stop - t);
            t = stop;
        }
    }

    private static long span(int low, int length) {
        return length >= 64 ? -1L : ((1L << length) - 1) << low;
    }
}
