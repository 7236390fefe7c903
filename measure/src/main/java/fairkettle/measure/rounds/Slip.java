package fairkettle.measure.rounds;

import fairkettle.round.Agenda;
import fairkettle.round.Chain;
import fairkettle.round.Day;
import fairkettle.round.Due;
import fairkettle.round.Gloves;
import fairkettle.round.Plan;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Optional;

/**
 * A day on which something took a quarter of an hour longer: what has begun stays, the rest is planned again from then
 * on.
 */
public final class Slip {

    private static final int LONGER = 15;
    /** Leaving a soak that has begun for another day is no choice. */
    private static final long BEGUN = 1_000_000;

    private Slip() {}

    /** The rest of the day after the task that was in hand at a minute took longer; empty if nobody was at anything. */
    public static Optional<Day> at(Day day, Plan plan, int minute) {
        int slipped = -1;
        var tasks = day.chains().stream().flatMap(c -> c.tasks().stream()).toList();
        for (int g = 0; g < tasks.size(); g++) {
            int start = plan.start()[g];
            if (start >= 0
                    && start < minute
                    && start + tasks.get(g).hands() > minute - 10
                    && (slipped < 0 || start > plan.start()[slipped])) {
                slipped = g;
            }
        }
        if (slipped < 0) {
            return Optional.empty();
        }
        int now = Math.max(minute, plan.start()[slipped] + tasks.get(slipped).hands());
        return Optional.of(rest(day, plan, now, slipped, now - plan.start()[slipped] + LONGER))
                .filter(d -> !d.chains().isEmpty());
    }

    private static Day rest(Day day, Plan plan, int now, int slipped, int took) {
        int people = day.people().size();
        var busy = new int[people];
        Arrays.fill(busy, now);
        var gloves = new Gloves[people];
        var bench = new int[people];
        Arrays.fill(bench, -1);
        var latest = new int[people];
        Arrays.fill(latest, -1);
        var chains = new ArrayList<Chain>();
        var taken = new ArrayList<>(day.taken());
        var starts = new ArrayList<Integer>();
        var persons = new ArrayList<Integer>();
        var newNumber = new int[day.chains().size()];
        Arrays.fill(newNumber, -1);
        int g = 0;
        for (int c = 0; c < day.chains().size(); c++) {
            var chain = day.chains().get(c);
            int begun = 0;
            int end = 0;
            int segments = 0;
            int first = g;
            for (int i = 0; i < chain.tasks().size(); i++, g++) {
                int start = plan.start()[g];
                if (start < 0 || start >= now) {
                    continue;
                }
                var task = chain.tasks().get(i);
                int hands = g == slipped ? took : task.hands();
                begun = i + 1;
                end = start + hands + task.machine();
                int who = plan.person()[g];
                busy[who] = Math.max(busy[who], start + hands);
                if (start > latest[who]) {
                    latest[who] = start;
                    gloves[who] = task.gloves();
                    bench[who] = day.machines().get(chain.machine()).bench();
                }
                taken.add(new Day.Taken(
                        chain.machine(), -1, Math.min(now, start), end + (task.holds() ? task.waitMin() : 0)));
                for (int thing : task.things()) {
                    taken.add(new Day.Taken(-1, thing, start, task.through() ? end : start + hands));
                }
                if (task.open() || i == chain.tasks().size() - 1) {
                    segments++;
                }
            }
            if (begun < chain.tasks().size()) {
                newNumber[c] = chains.size();
                chains.add(left(chain, begun, segments, end, now));
                for (int i = begun; i < chain.tasks().size(); i++) {
                    starts.add(plan.start()[first + i]);
                    persons.add(plan.person()[first + i]);
                }
            }
        }
        var promises = new ArrayList<Day.Promise>();
        for (var promise : day.promises()) {
            if (promise.fit() >= 0 && newNumber[promise.fit()] >= 0) {
                promises.add(new Day.Promise(
                        promise.words(), promise.machine(), promise.at(), promise.minutes(), newNumber[promise.fit()]));
            } else {
                taken.add(new Day.Taken(promise.machine(), -1, promise.at(), promise.at() + promise.minutes()));
            }
        }
        var staff = new ArrayList<Day.Person>();
        for (int w = 0; w < people; w++) {
            var person = day.people().get(w);
            int from = busy[w];
            var hours = person.hours().stream()
                    .filter(h -> h.to() > from)
                    .map(h -> new Day.Span(Math.max(h.from(), from), h.to()))
                    .toList();
            staff.add(new Day.Person(person.name(), hours, gloves[w], bench[w]));
        }
        var before = new Plan(
                starts.stream().mapToInt(i -> i).toArray(),
                persons.stream().mapToInt(i -> i).toArray());
        return new Day(staff, day.machines(), day.things(), chains, promises, Agenda.merged(taken), before);
    }

    private static Chain left(Chain chain, int begun, int segments, int end, int now) {
        if (begun == 0) {
            return new Chain(
                    chain.name(),
                    chain.machine(),
                    Math.max(now, chain.release()),
                    chain.firstBy(),
                    false,
                    chain.tasks(),
                    chain.dues());
        }
        var last = chain.tasks().get(begun - 1);
        var dues = new ArrayList<>(chain.dues().subList(segments, chain.dues().size()));
        if (!last.open()) {
            var d = dues.getFirst();
            dues.set(0, new Due(d.ideal(), d.latest(), d.soft(), d.hard(), d.drop() + BEGUN));
        }
        return new Chain(
                chain.name(),
                chain.machine(),
                Math.max(now, end + last.waitMin()),
                last.open() ? chain.firstBy() : end + last.waitMax(),
                last.holds(),
                chain.tasks().subList(begun, chain.tasks().size()),
                dues);
    }
}
