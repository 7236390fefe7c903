package fairkettle.server.pictures;

import fairkettle.imaging.Photo;
import fairkettle.server.web.OnceFilter;
import fairkettle.server.web.Problem;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.FutureTask;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Decodes and reads pictures on threads of its own, outside any transaction, so that neither a connection nor the
 * threads that answer requests wait for one. A PDF waits beside the others, since its process may need its twelve
 * seconds; every queue has an end.
 */
@Component
public class Eye implements DisposableBean {

    private static final int WAITING = 8;
    private static final int PDFS = 2;
    private static final int LONGEST_S = 40; // a whole queue of large pictures, and one that is looked at

    /** One picture at a time: twelve megapixels take a tenth of the memory there is. */
    private final ExecutorService looking = threads("eye", 1);

    private final ExecutorService drawing = threads("pdf", PDFS);

    /** Who waits or is looked at, in the order in which they came. */
    private final Map<Long, Waiting> line = new ConcurrentSkipListMap<>();

    private final AtomicLong numbers = new AtomicLong();
    private final ThreadLocal<Boolean> inTurn = ThreadLocal.withInitial(() -> false);

    /** @param key by which whoever sent it knows it */
    private record Waiting(String key, ExecutorService at) {}

    private static ExecutorService threads(String name, int count) {
        return new ThreadPoolExecutor(
                count,
                count,
                0,
                TimeUnit.SECONDS,
                new ArrayBlockingQueue<>(WAITING),
                Thread.ofPlatform().daemon().name(name, 0).factory());
    }

    /**
     * One turn for all that is done with a picture, so that it stands in the line once. A PDF is drawn before its turn.
     *
     * @throws Problem if too many are waiting
     */
    public <T> T turn(byte[] bytes, Supplier<T> work) {
        return pdf(bytes) ? work.get() : look(work::get);
    }

    private static boolean pdf(byte[] bytes) {
        return Photo.Format.of(bytes).filter(f -> f == Photo.Format.PDF).isPresent();
    }

    /** @throws Problem if it is no picture, or too many are waiting */
    public Photo decode(byte[] bytes) {
        return pdf(bytes) ? submit(drawing, () -> Photo.decode(bytes)) : look(() -> Photo.decode(bytes));
    }

    /** Looks at a decoded picture, one after the other; at once within its turn. */
    public <T> T look(Callable<T> work) {
        if (inTurn.get()) {
            var now = new FutureTask<T>(work);
            now.run();
            return done(now);
        }
        return submit(looking, () -> {
            inTurn.set(true);
            try {
                return work.call();
            } finally {
                inTurn.remove();
            }
        });
    }

    /** How many come before what was sent with a key; empty if it does not wait here, or not any more. */
    public OptionalInt before(String key) {
        var ahead = new HashMap<ExecutorService, Integer>();
        for (var waiting : line.values()) {
            if (waiting.key.equals(key)) {
                return OptionalInt.of(ahead.getOrDefault(waiting.at, 0));
            }
            ahead.merge(waiting.at, 1, Integer::sum);
        }
        return OptionalInt.empty();
    }

    private <T> T submit(ExecutorService threads, Callable<T> work) {
        long number = numbers.incrementAndGet();
        line.put(number, new Waiting(keyOfTheRequest(), threads));
        try {
            return done(threads.submit(work));
        } catch (RejectedExecutionException e) {
            throw Problem.busy(
                    "%d pictures wait to be read already. Send this one again in a minute.".formatted(WAITING));
        } finally {
            line.remove(number);
        }
    }

    private static String keyOfTheRequest() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now
                        && now.getRequest().getHeader(OnceFilter.KEY) instanceof String key
                ? key
                : "";
    }

    private static <T> T done(Future<T> future) {
        try {
            return future.get(LONGEST_S, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            future.cancel(true);
            throw Problem.busy("This picture takes too long to read. Send a smaller one.");
        } catch (InterruptedException e) {
            future.cancel(true);
            Thread.currentThread().interrupt();
            throw Problem.busy("The kettle is being stopped. Send the picture again.");
        } catch (ExecutionException e) {
            throw switch (e.getCause()) {
                case Photo.Refused refused -> Problem.atField("picture", String.valueOf(refused.getMessage()));
                case RuntimeException own -> own;
                case null, default -> new IllegalStateException("Impossible state: a picture was not read.", e);
            };
        }
    }

    @Override
    public void destroy() {
        looking.shutdownNow();
        drawing.shutdownNow();
    }
}
