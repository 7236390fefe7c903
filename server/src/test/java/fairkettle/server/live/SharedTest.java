package fairkettle.server.live;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.MorningTest;
import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** What is dear is made once for all who ask, and nobody waits longer for it than they like. */
@MorningTest
@Timeout(60)
class SharedTest {

    private static final Duration LONG = Duration.ofSeconds(30);

    @Autowired
    private Live live;

    @Autowired
    private Clock clock;

    @Autowired
    private TransactionTemplate transaction;

    private final AtomicInteger made = new AtomicInteger();
    private final Semaphore hands = new Semaphore(0);
    private Shared<String, Integer> shared;

    @AfterEach
    void close() {
        shared.close();
    }

    private void shared() {
        shared = new Shared<>("of the test", live, clock, _ -> {
            hands.acquireUninterruptibly();
            return made.incrementAndGet();
        });
        hands.release();
        assertThat(shared.soon("it", LONG, () -> {}))
                .as("the first waits for it")
                .isEqualTo(1);
    }

    private void somethingChanges() {
        transaction.executeWithoutResult(_ -> live.changed("of the test"));
    }

    @Test
    void whileNothingChangesItIsMadeOnce() {
        shared();
        assertThat(shared.soon("it", LONG, () -> {})).isEqualTo(1);
        assertThat(shared.last("it", () -> {})).isEqualTo(1);
        assertThat(shared.made()).isEqualTo(1);
    }

    @Test
    void withinATransactionTheFirstIsMadeForItsAskerAndAnotherForAllWhoCome() throws InterruptedException {
        shared = new Shared<>("of the test", live, clock, _ -> made.incrementAndGet());
        var told = new CountDownLatch(1);

        Integer own = transaction.execute(_ -> shared.last("it", told::countDown));

        assertThat(told.await(30, TimeUnit.SECONDS)).isTrue();
        int forAll = shared.last("it", () -> {});
        assertThat(forAll).isNotEqualTo(own);
        assertThat(transaction.<Integer>execute(_ -> shared.last("it", () -> {})))
                .isEqualTo(forAll);
        assertThat(shared.made()).as("shared ones").isEqualTo(1);
    }

    @Test
    void whoHasPatienceGetsItAsItIsNow() {
        shared();
        somethingChanges();
        hands.release();
        assertThat(shared.soon("it", LONG, () -> {})).isEqualTo(2);
    }

    @Test
    void whoHasNoneGetsTheLastOneAndIsToldOfTheNext() throws InterruptedException {
        shared();
        somethingChanges();
        var told = new CountDownLatch(1);
        assertThat(shared.soon("it", Duration.ofMillis(5), told::countDown))
                .as("it is still being made")
                .isEqualTo(1);
        assertThat(shared.last("it", told::countDown))
                .as("and one who asks meanwhile begins no second")
                .isEqualTo(1);
        hands.release();
        assertThat(told.await(30, TimeUnit.SECONDS)).isTrue();
        assertThat(shared.soon("it", LONG, () -> {})).isEqualTo(2);
        assertThat(shared.made()).isEqualTo(2);
    }

    @Test
    void oneThatCannotBeMadeIsNotTriedWithoutEnd() {
        shared();
        somethingChanges();
        var tries = new AtomicInteger();
        try (var failing = new Shared<String, Integer>("failing", live, clock, _ -> {
            if (tries.getAndIncrement() > 0) {
                LockSupport.parkNanos(2_000_000);
                throw new IllegalStateException("it cannot be made");
            }
            return 1;
        })) {
            failing.soon("it", LONG, () -> {});
            somethingChanges();
            assertThat(failing.soon("it", Duration.ofMillis(200), () -> {}))
                    .as("the last one")
                    .isEqualTo(1);
            assertThat(tries.get()).as("it rests in between").isBetween(2, 12);
        }
    }

    @Test
    void whatOnlyTellsThatSomethingWasWorkedOutIsNoChange() {
        shared();
        transaction.executeWithoutResult(_ -> live.changed(Live.WORKED_OUT + "round"));
        assertThat(shared.soon("it", LONG, () -> {})).isEqualTo(1);
        assertThat(shared.made()).isEqualTo(1);
    }
}
