package fairkettle.books;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something scarce that is looked for in shops: a machine, mostly.
 *
 * @param engine what is inside, in the shop's words: two of one engine differ in price and support alone
 * @param ceiling most that is paid for it, minor units; {@code price} that was last seen
 * @param remote whether its seller helps over the wire; {@code spares} whether they keep parts
 * @param every days between two looks
 */
public record Watched(
        long id,
        String what,
        String engine,
        String seller,
        State state,
        @Nullable Long price,
        @Nullable Long ceiling,
        boolean remote,
        boolean spares,
        int every,
        @Nullable Instant lookedAt) {

    /** As it was last seen. */
    public enum State {
        THERE,
        GONE,
        NOT_LOOKED
    }

    /** Whether somebody should look again. */
    public boolean due(Instant now) {
        return lookedAt == null || !lookedAt.plus(Duration.ofDays(every)).isAfter(now);
    }

    /** Whether it is there, for no more than is paid for it. */
    public boolean toBuy() {
        return state == State.THERE && price != null && (ceiling == null || price <= ceiling);
    }

    /** What it differs in from others of its engine, as sentences; empty where it is the only one. */
    public List<String> besides(List<Watched> all) {
        var same = all.stream()
                .filter(o -> o.id != id && !engine.isBlank() && o.engine.strip().equalsIgnoreCase(engine.strip()))
                .toList();
        return same.stream().map(this::against).toList();
    }

    private String against(Watched other) {
        var price = this.price == null || other.price == null || this.price.equals(other.price)
                ? ""
                : this.price < other.price ? "cheaper" : "dearer";
        var help = support() == other.support() ? "" : support() > other.support() ? "better support" : "less support";
        var differs = List.of(price, help).stream().filter(w -> !w.isEmpty()).toList();
        return "Same engine as %s: %s."
                .formatted(other.what, differs.isEmpty() ? "nothing tells them apart" : String.join(", ", differs));
    }

    private int support() {
        return (remote ? 1 : 0) + (spares ? 1 : 0);
    }
}
