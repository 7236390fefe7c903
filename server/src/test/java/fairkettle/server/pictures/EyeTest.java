package fairkettle.server.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.server.web.OnceFilter;
import fairkettle.server.web.Problem;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Pictures are looked at one after the other; each knows its place in the line, and the line has an end. */
@Timeout(60)
class EyeTest {

    private static final int LINE = 8;

    private final Eye eye = new Eye();
    private final ExecutorService hands = Executors.newCachedThreadPool();
    private final CountDownLatch held = new CountDownLatch(1);

    @AfterEach
    void close() {
        held.countDown();
        hands.shutdownNow();
        eye.destroy();
    }

    /** Comes once the ones before it stand in the line. */
    private Future<String> sends(String key) {
        var sent = hands.submit(() -> {
            var request = new MockHttpServletRequest();
            request.addHeader(OnceFilter.KEY, key);
            RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
            return eye.look(() -> {
                held.await();
                return key;
            });
        });
        while (eye.before(key).isEmpty() && !sent.isDone()) {
            Thread.onSpinWait();
        }
        return sent;
    }

    @Test
    void eachKnowsHowManyComeBeforeIt() throws Exception {
        var sent = new ArrayList<Future<String>>();
        for (var key : List.of("first", "second", "third")) {
            sent.add(sends(key));
        }
        assertThat(eye.before("first")).hasValue(0);
        assertThat(eye.before("third")).hasValue(2);
        assertThat(eye.before("of somebody else")).isEqualTo(OptionalInt.empty());
        held.countDown();
        for (var one : sent) {
            assertThat(one.get()).isNotEmpty();
        }
        assertThat(eye.before("third")).as("it was looked at").isEmpty();
    }

    @Test
    void allThatIsDoneWithOneIsOneTurn() throws Exception {
        var first = sends("first");
        var order = new ConcurrentLinkedQueue<String>();
        var second = hands.submit(() -> eye.turn(new byte[0], () -> {
            order.add("its first part");
            return eye.look(() -> order.add("its second part"));
        }));
        while (eye.before("").isEmpty()) {
            Thread.onSpinWait();
        }
        var third = hands.submit(() -> eye.look(() -> order.add("another one")));
        held.countDown();
        first.get();
        second.get();
        third.get();
        assertThat(order).containsSubsequence("its first part", "its second part");
        assertThat(List.copyOf(order).indexOf("its second part"))
                .as("nobody comes in between")
                .isEqualTo(List.copyOf(order).indexOf("its first part") + 1);
    }

    @Test
    void theLineHasAnEnd() {
        IntStream.rangeClosed(0, LINE).forEach(i -> sends("number " + i)); // one that is looked at, and a full line
        assertThatThrownBy(() -> eye.look(() -> "one more"))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("8 pictures wait");
        assertThat(eye.before("")).as("who is sent away does not stand in it").isEmpty();
    }
}
