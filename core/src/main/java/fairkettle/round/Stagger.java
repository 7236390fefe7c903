package fairkettle.round;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Long holds side by side: a rest or a changeover takes a machine away, and one machine of each kind of ink should
 * always print.
 */
public final class Stagger {

    private Stagger() {}

    /** A machine that can print its kind of ink. @param group what it prints */
    public record Printer(long machine, String name, String group) {}

    /** A machine is away from then to then. @param why in words, "its card" */
    public record Away(long machine, Instant from, Instant to, String why) {}

    /** Work promised on a machine. */
    public record Promised(long machine, String words, Instant at, Duration takes) {}

    /**
     * @param clashes what stands against beginning at the wished moment; empty if nothing does
     * @param better the first moment without a clash, null if the wished one is as good as any in sight
     */
    public record HoldAnswer(List<String> clashes, @Nullable Instant better) {}

    /** @param hold of a machine, from the wished moment; {@code sight} how far ahead another moment may be */
    public static HoldAnswer of(
            Away hold, List<Printer> printers, List<Away> away, List<Promised> promises, Duration sight) {
        var clashes = clashes(hold, printers, away, promises);
        if (clashes.isEmpty()) {
            return new HoldAnswer(List.of(), null);
        }
        var length = Duration.between(hold.from, hold.to);
        var better = Stream.concat(
                        away.stream().map(Away::to),
                        promises.stream().filter(p -> p.machine == hold.machine).map(p -> p.at.plus(p.takes)))
                .filter(t -> t.isAfter(hold.from) && !t.isAfter(hold.from.plus(sight)))
                .sorted(Comparator.naturalOrder())
                .filter(t -> clashes(new Away(hold.machine, t, t.plus(length), hold.why), printers, away, promises)
                        .isEmpty())
                .findFirst();
        return new HoldAnswer(clashes, better.orElse(null));
    }

    private static List<String> clashes(Away hold, List<Printer> printers, List<Away> away, List<Promised> promises) {
        var words = new ArrayList<String>();
        promises.stream()
                .filter(p -> p.machine == hold.machine
                        && p.at.isBefore(hold.to)
                        && p.at.plus(p.takes).isAfter(hold.from))
                .forEach(p -> words.add("promised in that time: " + p.words));
        var own = printers.stream().filter(p -> p.machine == hold.machine).findFirst();
        own.ifPresent(mine -> {
            var others = printers.stream()
                    .filter(p -> p.machine != hold.machine && p.group.equals(mine.group))
                    .toList();
            var gone = others.stream()
                    .flatMap(p -> away.stream()
                            .filter(a -> a.machine == p.machine && a.from.isBefore(hold.to) && a.to.isAfter(hold.from))
                            .limit(1)
                            .map(a -> p.name + " (" + a.why + ")"))
                    .toList();
            if (!others.isEmpty() && gone.size() == others.size()) {
                words.add("no other machine prints %s meanwhile: %s".formatted(mine.group, String.join(", ", gone)));
            }
        });
        return words;
    }
}
