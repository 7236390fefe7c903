package fairkettle.round;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Everything the round is planned from. All times are whole minutes from one start, which may lie before the people's
 * hours.
 *
 * @param things single things: priming kits, the sink, the scanner; at most 63
 * @param taken what is fixed already: what has begun, what goes on by itself
 * @param before the plan that people have in their heads, or null; moving away from it costs
 */
public record Day(
        List<Person> people,
        List<Machine> machines,
        List<String> things,
        List<Chain> chains,
        List<Promise> promises,
        List<Taken> taken,
        @Nullable Plan before) {

    private static final int MOST_PEOPLE = 30;
    private static final int MOST_THINGS = 63;
    static final int LONGEST = 4 * 1440;

    public Day {
        people = List.copyOf(people);
        machines = List.copyOf(machines);
        things = List.copyOf(things);
        chains = List.copyOf(chains);
        promises = List.copyOf(promises);
        taken = List.copyOf(taken);
        if (people.isEmpty() || people.size() > MOST_PEOPLE || things.size() > MOST_THINGS) {
            throw new IllegalArgumentException(
                    "A round needs 1 to %d people and at most %d single things.".formatted(MOST_PEOPLE, MOST_THINGS));
        }
        int known = machines.size();
        if (chains.stream().anyMatch(c -> c.machine() >= known)) {
            throw new IllegalArgumentException("A chain is of a machine that is not there.");
        }
    }

    /** Half open. */
    public record Span(int from, int to) {}

    /**
     * @param hours sorted and disjoint; hands-on work lies wholly inside one of them
     * @param wearing gloves of what was touched last, or null for clean hands
     * @param bench where they stand, or -1
     */
    public record Person(
            String name, List<Span> hours, @Nullable Gloves wearing, int bench) {
        public Person {
            hours = List.copyOf(hours);
            if (hours.stream().anyMatch(h -> h.from() < 0 || h.to() > LONGEST)) {
                throw new IllegalArgumentException("The hours of %s leave the days that are planned.".formatted(name));
            }
        }
    }

    /** @param bench place in walking order */
    public record Machine(String name, int bench) {}

    /**
     * The machine prints for somebody from a minute on, whatever comes. @param fit number of the chain that must be
     * over by then, or -1
     */
    public record Promise(String words, int machine, int at, int minutes, int fit) {}

    /** @param machine number, or -1; @param thing number, or -1 */
    public record Taken(int machine, int thing, int from, int to) {}

    public int tasks() {
        return chains.stream().mapToInt(c -> c.tasks().size()).sum();
    }

    Day unhurried() {
        return new Day(people, machines, things, chains, promises, taken, null);
    }
}
