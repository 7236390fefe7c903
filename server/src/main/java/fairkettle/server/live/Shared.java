package fairkettle.server.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Something dear that every screen asks for, made once for each change of the shop and each minute, however many ask.
 *
 * @param <K> what is asked for; few of them
 */
public final class Shared<K, V> implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Shared.class);
    /**
     * Of its own length, that a making behind the askers rests: a busy shop changes faster than a week is worked out.
     */
    private static final int RESTS = 9;

    private final Live live;
    private final Clock clock;
    private final Function<K, V> make;
    private final Map<K, Slot<V>> slots = new ConcurrentHashMap<>();
    private final AtomicInteger made = new AtomicInteger();
    private final ScheduledExecutorService behind;

    /** @param make outside any transaction of the asker's */
    public Shared(String name, Live live, Clock clock, Function<K, V> make) {
        this.live = live;
        this.clock = clock;
        this.make = make;
        behind = Executors.newSingleThreadScheduledExecutor(
                Thread.ofPlatform().name(name).daemon().factory());
    }

    private static final class Slot<V> {
        final ReentrantLock making = new ReentrantLock(); // one makes it, the others wait for that one
        volatile @Nullable Made<V> last;
        volatile boolean forgotten;
        volatile long restsUntil = System.nanoTime();
        volatile CompletableFuture<@Nullable Void> coming = CompletableFuture.completedFuture(null);
        final AtomicLong asked = new AtomicLong();
        final ReentrantLock checking = new ReentrantLock();

        @Nullable
        Checked<V> checked; // guarded by checking
    }

    /** @param asked how many had asked when this was looked up: it is true for each of them */
    private record Checked<V>(Made<V> made, long asked, boolean unchanged) {}

    private record Made<V>(V value, Live.Point point, Instant minute) {}

    /**
     * As it is now: the last one if nothing changed since, else a new one.
     *
     * @throws IllegalStateException within a transaction: it would be made of what nobody else sees yet, and wait for
     *     who waits for that transaction
     */
    public V now(K key) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("Impossible state: what is shared was asked for within a transaction.");
        }
        var slot = slots.computeIfAbsent(key, _ -> new Slot<>());
        var last = slot.last;
        if (last != null && fresh(slot, last)) {
            return last.value();
        }
        slot.making.lock();
        try {
            var meanwhile = slot.last;
            if (meanwhile != null && meanwhile != last && fresh(slot, meanwhile)) {
                return meanwhile.value();
            }
            var point = live.point(); // why first: what changes while it is made must not be taken for known
            var minute = minute();
            slot.forgotten = false;
            long began = System.nanoTime();
            V value;
            try {
                value = make.apply(key);
            } finally { // why: one that fails would be begun again at once by whoever waits
                long ended = System.nanoTime();
                slot.restsUntil = ended + RESTS * (ended - began);
            }
            made.incrementAndGet();
            slot.last = new Made<>(value, point, minute);
            return value;
        } finally {
            slot.making.unlock();
        }
    }

    /** The last one at once, and behind it a new one if something changed since. @param then told when that is there */
    public V last(K key, Runnable then) {
        return soon(key, Duration.ZERO, then);
    }

    /**
     * As it is now if that is there within a while, else the last one, and behind it the new one.
     *
     * @param patience how long the asker waits for it
     * @param then told when the newer one is there
     */
    public V soon(K key, Duration patience, Runnable then) {
        var slot = slots.computeIfAbsent(key, _ -> new Slot<>());
        if (slot.last == null) {
            if (!TransactionSynchronizationManager.isActualTransactionActive()) {
                return now(key);
            }
            begin(slot, key, null, then); // what the next ones get: this asker’s own holds what nobody else sees yet
            return make.apply(key);
        }
        long until = System.nanoTime() + patience.toNanos();
        while (true) { // why again: one that was begun before the asker's own change may come first
            var last = Objects.requireNonNull(slot.last);
            var coming = slot.coming;
            if (coming.isDone()) {
                if (fresh(slot, last)) {
                    return last.value();
                }
                coming = begin(slot, key, last, then);
            }
            long left = until - Math.max(System.nanoTime(), slot.restsUntil);
            if (left <= 0 || !await(coming, until - System.nanoTime())) {
                return Objects.requireNonNull(slot.last).value();
            }
        }
    }

    /** Forty who ask at once begin one. */
    private CompletableFuture<@Nullable Void> begin(Slot<V> slot, K key, @Nullable Made<V> told, Runnable then) {
        synchronized (slot) {
            if (slot.coming.isDone()) {
                var coming = new CompletableFuture<@Nullable Void>();
                slot.coming = coming;
                try {
                    behind.schedule(
                            () -> again(slot, key, told, then, coming),
                            slot.restsUntil - System.nanoTime(),
                            TimeUnit.NANOSECONDS);
                } catch (RejectedExecutionException _) {
                    coming.complete(null); // the server stops
                }
            }
            return slot.coming;
        }
    }

    /** Whether it came in time. */
    private static boolean await(CompletableFuture<@Nullable Void> coming, long nanos) {
        try {
            coming.get(nanos, TimeUnit.NANOSECONDS);
            return true;
        } catch (TimeoutException | ExecutionException _) {
            return false;
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** @param told what the asker was given: whoever made the newer one, the asker must hear of it */
    private void again(
            Slot<V> slot, K key, @Nullable Made<V> told, Runnable then, CompletableFuture<@Nullable Void> coming) {
        try {
            now(key);
            coming.complete(null); // why first: who waits for it need not wait until all others are told
            if (slot.last != told) {
                then.run();
            }
        } catch (RuntimeException e) {
            LOG.warn("It was not made anew: {}", e.getMessage());
        } finally {
            coming.complete(null);
        }
    }

    /** The next to ask gets a new one. */
    public void forget() {
        slots.values().forEach(slot -> slot.forgotten = true);
    }

    /** How often it was made. */
    public int made() {
        return made.get();
    }

    private boolean fresh(Slot<V> slot, Made<V> made) {
        return !slot.forgotten && made.minute().equals(minute()) && unchanged(slot, made);
    }

    /** Those who asked before the database was asked share what it says: forty at once cost two questions. */
    private boolean unchanged(Slot<V> slot, Made<V> made) {
        long mine = slot.asked.incrementAndGet();
        slot.checking.lock();
        try {
            var checked = slot.checked;
            if (checked == null || checked.asked() < mine || checked.made() != made) {
                long asked = slot.asked.get();
                checked = new Checked<>(made, asked, live.unchanged(made.point()));
                slot.checked = checked;
            }
            return checked.unchanged();
        } finally {
            slot.checking.unlock();
        }
    }

    private Instant minute() {
        return clock.instant().truncatedTo(ChronoUnit.MINUTES);
    }

    @Override
    public void close() {
        behind.shutdownNow();
    }
}
