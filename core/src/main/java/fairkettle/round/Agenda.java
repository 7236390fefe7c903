package fairkettle.round;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.ToIntFunction;

/** A day made of errands, and which task of it is whose. */
public final class Agenda {

    private final Day day;
    private final List<Errand> errands;
    private final List<String> keys = new ArrayList<>();

    private Agenda(Day day, List<Errand> errands) {
        this.day = day;
        this.errands = errands;
        errands.forEach(e -> e.parts().forEach(p -> keys.add(p.key())));
    }

    /**
     * @param fits for each promise the key of the errand that must be over by then, or an empty string
     * @param before where each part stood in the plan so far, by its key; empty if there was none
     */
    public static Agenda of(
            List<Day.Person> people,
            List<Day.Machine> machines,
            List<Errand> errands,
            List<Day.Promise> promises,
            List<String> fits,
            List<Day.Taken> taken,
            Map<String, Slot> before) {
        var things = errands.stream()
                .flatMap(e -> e.parts().stream())
                .map(Errand.Part::thing)
                .filter(Objects::nonNull)
                .distinct()
                .sorted()
                .toList();
        int everybody = (1 << people.size()) - 1;
        var index = new HashMap<String, Integer>();
        for (int i = 0; i < errands.size(); i++) {
            index.put(errands.get(i).key(), i);
        }
        var fitted = new ArrayList<Day.Promise>();
        for (int i = 0; i < promises.size(); i++) {
            var p = promises.get(i);
            fitted.add(
                    new Day.Promise(p.words(), p.machine(), p.at(), p.minutes(), index.getOrDefault(fits.get(i), -1)));
        }
        var bare = new Day(
                people,
                machines,
                things,
                errands.stream().map(e -> e.chain(things, everybody)).toList(),
                fitted,
                merged(taken),
                null);
        var agenda = new Agenda(bare, errands);
        if (before.isEmpty()) {
            return agenda;
        }
        int[] start = agenda.keys.stream()
                .mapToInt(k -> before.containsKey(k) ? before.get(k).start() : Plan.NEW)
                .toArray();
        int[] person = agenda.keys.stream()
                .mapToInt(k -> before.containsKey(k) ? before.get(k).person() : 0)
                .toArray();
        return new Agenda(
                new Day(people, machines, things, bare.chains(), fitted, bare.taken(), new Plan(start, person)),
                errands);
    }

    /** @param start minute, or {@link Plan#NOT_TODAY} */
    public record Slot(int start, int person) {}

    public Day day() {
        return day;
    }

    public List<Errand> errands() {
        return errands;
    }

    /** Keys of the parts by the number of their task. */
    public List<String> keys() {
        return keys;
    }

    public Map<String, Slot> slots(Plan plan) {
        var slots = new HashMap<String, Slot>();
        for (int i = 0; i < keys.size(); i++) {
            slots.put(keys.get(i), new Slot(plan.start()[i], plan.person()[i]));
        }
        return slots;
    }

    /** The plan that these slots were; empty slots are not today. */
    public Plan plan(Map<String, Slot> slots) {
        ToIntFunction<String> start = k -> slots.containsKey(k) ? slots.get(k).start() : Plan.NOT_TODAY;
        ToIntFunction<String> person = k -> slots.containsKey(k) ? slots.get(k).person() : Plan.NOT_TODAY;
        return new Plan(
                keys.stream().mapToInt(start).toArray(),
                keys.stream().mapToInt(person).toArray());
    }

    /** What is taken twice over is taken once: a slip may push one act into the next reservation. */
    public static List<Day.Taken> merged(List<Day.Taken> taken) {
        var out = new ArrayList<Day.Taken>();
        taken.stream()
                .filter(t -> t.to() > t.from())
                .sorted((a, b) -> a.machine() != b.machine()
                        ? a.machine() - b.machine()
                        : a.thing() != b.thing() ? a.thing() - b.thing() : a.from() - b.from())
                .forEach(t -> {
                    var last = out.isEmpty() ? null : out.getLast();
                    if (last != null
                            && last.machine() == t.machine()
                            && last.thing() == t.thing()
                            && t.from() <= last.to()) {
                        out.set(
                                out.size() - 1,
                                new Day.Taken(t.machine(), t.thing(), last.from(), Math.max(last.to(), t.to())));
                    } else {
                        out.add(t);
                    }
                });
        return out;
    }
}
