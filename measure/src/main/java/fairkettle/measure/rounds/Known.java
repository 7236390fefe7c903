package fairkettle.measure.rounds;

import fairkettle.round.Audit;
import fairkettle.round.Day;
import fairkettle.round.Plan;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The best plan known of each day, in a file that only ever gets better; every one is checked again when it is read.
 */
public final class Known {

    private final Path file;
    private final Map<String, Entry> entries = new TreeMap<>();

    private record Entry(Plan plan, boolean proven) {}

    public Known(Path file) throws IOException {
        this.file = file;
        if (Files.exists(file)) {
            for (var line : Files.readAllLines(file)) {
                var parts = line.split(" ");
                entries.put(
                        parts[0], new Entry(new Plan(numbers(parts[2]), numbers(parts[3])), parts[1].equals("proven")));
            }
        }
    }

    private static int[] numbers(String text) {
        return Arrays.stream(text.split(",")).mapToInt(Integer::parseInt).toArray();
    }

    /** Empty if none is known, or the one that is known does not stand up to the audit any more. */
    public Optional<Plan> of(String name, Day day) {
        return Optional.ofNullable(entries.get(name))
                .map(Entry::plan)
                .filter(p -> p.start().length == day.tasks()
                        && Audit.of(day, p).faults().isEmpty());
    }

    public boolean proven(String name, Day day) {
        var known = entries.get(name);
        return known != null && known.proven() && of(name, day).isPresent();
    }

    /** Kept if it is better than what is known. */
    public void offer(String name, Day day, Plan plan, boolean proven) throws IOException {
        if (!Audit.of(day, plan).faults().isEmpty()) {
            throw new IllegalStateException("A plan of %s breaks rules: %s"
                    .formatted(name, Audit.of(day, plan).faults()));
        }
        var known = of(name, day);
        if (proven
                || known.isEmpty()
                || Audit.of(day, plan).cost().total()
                        < Audit.of(day, known.get()).cost().total()) {
            entries.put(name, new Entry(plan, proven));
            Files.createDirectories(file.getParent());
            Files.write(
                    file,
                    entries.entrySet().stream()
                            .map(e -> "%s %s %s %s"
                                    .formatted(
                                            e.getKey(),
                                            e.getValue().proven() ? "proven" : "known",
                                            words(e.getValue().plan().start()),
                                            words(e.getValue().plan().person())))
                            .toList());
        }
    }

    private static String words(int[] numbers) {
        return Arrays.stream(numbers).mapToObj(String::valueOf).collect(Collectors.joining(","));
    }
}
