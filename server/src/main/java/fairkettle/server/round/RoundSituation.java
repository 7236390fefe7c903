package fairkettle.server.round;

import fairkettle.ink.Family;
import fairkettle.round.Agenda;
import fairkettle.round.CardErrand;
import fairkettle.round.Day;
import fairkettle.round.Errand;
import fairkettle.round.Gloves;
import fairkettle.round.Skill;
import fairkettle.round.Task;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.routine.Routine;
import fairkettle.safety.Caution;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.cards.Cards;
import fairkettle.server.clinic.ClinicService;
import fairkettle.server.hob.Hob;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.People;
import fairkettle.server.promises.Promises;
import fairkettle.server.round.RoundBook.Hours;
import fairkettle.server.round.RoundBook.Kept;
import fairkettle.server.routines.Standings;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoField;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Everything open, gathered into a day that can be planned. */
@Component
class RoundSituation {

    /** A check before promised work; not asked for again so soon. */
    private static final Duration JUST_CHECKED = Duration.ofHours(6);

    private static final int A_DAY = 1440;
    private static final int CHECK_HANDS = 4;
    private static final int CHECK_MACHINE = 2;
    private static final int CASE_WEIGHT = 7;
    private static final int OWED_HANDS = 10;
    private static final int OWED_WEIGHT = 3;

    private final Standings standings;
    private final Cards cards;
    private final Owed owed;
    private final Promises promises;
    private final Hob hob;
    private final People people;
    private final Shop shop;
    private final ClinicService clinic;
    private final Clock clock;

    RoundSituation(
            Standings standings,
            Cards cards,
            Owed owed,
            Promises promises,
            Hob hob,
            People people,
            Shop shop,
            ClinicService clinic,
            Clock clock) {
        this.standings = standings;
        this.cards = cards;
        this.owed = owed;
        this.promises = promises;
        this.hob = hob;
        this.people = people;
        this.shop = shop;
        this.clinic = clinic;
        this.clock = clock;
    }

    /**
     * Minutes of one day as its clocks show them: nine is 540, also on the two days of the year on which nine hours
     * have not passed since midnight.
     */
    record Minutes(LocalDate day, ZoneId zone) {

        int of(Instant at) {
            var there = at.atZone(zone);
            return (int) ChronoUnit.DAYS.between(day, there.toLocalDate()) * A_DAY
                    + there.get(ChronoField.MINUTE_OF_DAY);
        }

        Instant at(int minute) {
            return day.plusDays(Math.floorDiv(minute, A_DAY))
                    .atTime(LocalTime.MIDNIGHT.plusMinutes(Math.floorMod(minute, A_DAY)))
                    .atZone(zone)
                    .toInstant();
        }
    }

    /**
     * What an errand is beyond its plan. @param kind routine, card, owed or check; @param channels that it is
     * for; @param id of the card or owed task
     */
    record About(
            String kind,
            long machine,
            String say,
            String skipping,
            List<String> channels,
            String routine,
            long id,
            List<String> cautions,
            List<String> whereFrom) {}

    /**
     * @param persons in the order of the day’s people
     * @param about by errand key
     * @param promised in the order of the day’s promises
     * @param atIt parts that somebody is at, by key
     */
    record Situation(
            LocalDate date,
            Minutes minutes,
            int now,
            List<People.Person> persons,
            List<Machine> machines,
            Agenda agenda,
            Map<String, About> about,
            List<Promises.Promise> promised,
            List<Standings.OfMachine> standings,
            Map<String, Errand.Part> atIt) {}

    /** What a day leaves for the next. */
    record Left(Errand errand, About about) {}

    /** Today as it is now. @param kept what is known of today’s round */
    Situation today(Kept kept) {
        var zone = shop.settings().zoneId();
        return on(LocalDate.ofInstant(clock.instant(), zone), kept, standings.all(), Map.of(), Map.of());
    }

    /**
     * A day to come.
     *
     * @param of where every machine's routines stand now
     * @param over what the day before left, by key
     * @param done what an earlier day does, and when it comes round again
     */
    Situation on(
            LocalDate date,
            Kept kept,
            List<Standings.OfMachine> of,
            Map<String, Left> over,
            Map<String, Instant> done) {
        var settings = shop.settings();
        var minutes = new Minutes(date, settings.zoneId());
        var instant = clock.instant();
        boolean isToday = date.equals(LocalDate.ofInstant(instant, settings.zoneId()));
        int now = isToday ? minutes.of(instant) : 0;
        var persons = people.all();
        var machines = of.stream().map(Standings.OfMachine::machine).toList();
        var index = new HashMap<Long, Integer>();
        for (int i = 0; i < machines.size(); i++) {
            index.put(machines.get(i).id(), i);
        }
        var errands = new LinkedHashMap<String, Errand>();
        var about = new LinkedHashMap<String, About>();
        var taken = new ArrayList<Day.Taken>();
        var end = minutes.at(A_DAY);
        var open = cards.open().keySet();
        for (var machine : of.stream()
                .filter(m -> !open.contains(m.machine().id()))
                .toList()) { // a machine that stands open is its card’s alone
            routines(machine, at(index, machine.machine().id()), minutes, end, persons, errands, about);
        }
        cards(minutes, instant, machines, index, errands, about);
        owed(date, minutes, machines, index, errands, about);
        cases(isToday, now, machines, index, persons, errands, about);
        done.forEach((key, again) -> {
            if (again.isBefore(end)) {
                errands.computeIfPresent(key, (_, e) -> e.due(minutes.of(again)));
            } else {
                errands.remove(key);
            }
        });
        over.forEach((key, left) -> {
            errands.put(key, left.errand());
            about.put(key, left.about());
        });
        hob.waits().stream()
                .filter(w -> w.card() == null && w.machine() != null && index.containsKey(w.machine()))
                .forEach(w -> taken.add(new Day.Taken(
                        at(index, w.machine()),
                        -1,
                        Math.max(0, minutes.of(w.startedAt())),
                        Math.min(A_DAY, minutes.of(w.readyAt())))));
        var promised = promises.until(end).stream()
                .filter(p -> minutes.of(p.due()) + p.minutes() > now
                        && minutes.of(p.due()) >= 0
                        && index.containsKey(p.machine()))
                .toList();
        var fits = new ArrayList<String>();
        for (var promise : promised) {
            fits.add(fit(
                    promise,
                    of.get(at(index, promise.machine())),
                    at(index, promise.machine()),
                    minutes,
                    instant,
                    errands,
                    about));
        }
        errands.replaceAll((_, e) -> {
            var pin = kept.pins().get(e.parts().getFirst().key());
            return pin == null ? e : e.pinned(pin.at(), only(pin, persons));
        });
        var atIt = errands.values().stream()
                .map(e -> e.parts().getFirst())
                .filter(p -> kept.begun().containsKey(p.key()))
                .collect(Collectors.toMap(Errand.Part::key, p -> p));
        var free = begun(kept, errands, minutes, now, taken);
        var benches = machines.stream().map(Machine::bench).distinct().toList();
        var stations = machines.stream()
                .map(m -> new Day.Machine(m.name(), benches.indexOf(m.bench())))
                .toList();
        var staff = persons.isEmpty()
                ? List.of(new Day.Person("somebody", hours(null, kept, date, now), null, -1))
                : IntStream.range(0, persons.size())
                        .mapToObj(i -> person(
                                persons.get(i),
                                hours(
                                        persons.get(i),
                                        kept,
                                        date,
                                        Math.max(
                                                now,
                                                free.getOrDefault(persons.get(i).id(), 0))),
                                kept,
                                machines,
                                benches))
                        .toList();
        var agenda = Agenda.of(
                staff,
                stations,
                List.copyOf(errands.values()),
                promised.stream()
                        .map(p -> new Day.Promise(
                                p.words(), at(index, p.machine()), Math.max(0, minutes.of(p.due())), p.minutes(), -1))
                        .toList(),
                fits,
                taken,
                isToday ? kept.slots() : Map.of());
        return new Situation(date, minutes, now, persons, machines, agenda, about, promised, of, atIt);
    }

    /** With the gloves and at the bench of what they did last. */
    private static Day.Person person(
            People.Person person, List<Day.Span> hours, Kept kept, List<Machine> machines, List<Long> benches) {
        var last = kept.done().reversed().stream()
                .filter(d -> Objects.equals(d.person(), person.id()))
                .findFirst();
        var at = last.flatMap(
                d -> machines.stream().filter(m -> m.name().equals(d.machine())).findFirst());
        return new Day.Person(
                person.name(),
                hours,
                at.map(RoundSituation::gloves).orElse(null),
                at.map(m -> benches.indexOf(m.bench())).orElse(-1));
    }

    /** Bits of those who do such work; 0, for everybody, if nobody leaves it or all of them do. */
    private static int only(Set<Skill> needs, List<People.Person> persons) {
        int bits = 0;
        for (int i = 0; i < persons.size(); i++) {
            if (Collections.disjoint(needs, persons.get(i).own().leaves())) {
                bits |= 1 << i;
            }
        }
        return bits == (1 << persons.size()) - 1 ? 0 : bits;
    }

    private static int only(RoundBook.Pin pin, List<People.Person> persons) {
        int bits = 0;
        for (int i = 0; i < persons.size(); i++) {
            if (pin.person() != null && persons.get(i).id() == pin.person()) {
                bits |= 1 << i;
            }
        }
        return bits;
    }

    /**
     * Parts that somebody is at leave the errands, and keep their machine and their person. @return minute from which
     * each of those is free
     */
    private static Map<Long, Integer> begun(
            Kept kept, Map<String, Errand> errands, Minutes minutes, int now, List<Day.Taken> taken) {
        var free = new HashMap<Long, Integer>();
        kept.begun().forEach((key, begun) -> {
            var errand = errands.values().stream()
                    .filter(e -> e.parts().getFirst().key().equals(key))
                    .findFirst();
            errand.ifPresent(e -> {
                var part = e.parts().getFirst();
                int hands = Math.max(minutes.of(begun.at()) + part.hands(), now);
                int over = hands + part.machine();
                free.merge(begun.person(), hands, Math::max);
                taken.add(new Day.Taken(
                        e.machine(), -1, Math.max(0, Math.min(now, minutes.of(begun.at()))), over + part.rest()));
                errands.remove(e.key());
                if (e.parts().size() > 1) {
                    errands.put(
                            e.key(),
                            new Errand(
                                    e.key(),
                                    e.title(),
                                    e.machine(),
                                    e.gloves(),
                                    e.parts().subList(1, e.parts().size()),
                                    over + part.rest(),
                                    part.restMax() == Task.OPEN ? Task.OPEN : over + part.restMax(),
                                    true,
                                    e.ideal(),
                                    e.latest(),
                                    e.weight()));
                }
            });
        });
        return free;
    }

    private List<Day.Span> hours(People.@Nullable Person person, Kept kept, LocalDate date, int from) {
        var today = person == null ? null : kept.people().get(person.id());
        var span = shop.settings().hours().on(date);
        var own = person == null ? null : person.own().on(date.getDayOfWeek());
        var hours = today != null
                ? today
                : span == null
                        ? new Hours(0, 0) // nobody has hours of their own on a holiday
                        : own == null
                                ? new Hours(
                                        span.open().toSecondOfDay() / 60,
                                        span.close().toSecondOfDay() / 60)
                                : own.map(d -> new Hours(
                                                d.open().toSecondOfDay() / 60,
                                                d.close().toSecondOfDay() / 60))
                                        .orElse(new Hours(0, 0));
        int begin = Math.max(hours.from(), from);
        return begin < hours.to() ? List.of(new Day.Span(begin, hours.to())) : List.of();
    }

    private static Gloves gloves(Machine machine) {
        return UpkeepBook.family(machine).map(RoundSituation::gloves).orElse(Gloves.DYE);
    }

    private static Gloves gloves(Family family) {
        return switch (family) {
            case EDIBLE -> Gloves.FOOD;
            case SUBLIMATION -> Gloves.SUBLIMATION;
            case FILM -> Gloves.FILM;
            case MAKERS_DYE, MAKERS_PIGMENT -> Gloves.DYE;
        };
    }

    /** What is due by the end of the day: one errand for each routine, with the channels that want it. */
    private void routines(
            Standings.OfMachine machine,
            int number,
            Minutes minutes,
            Instant end,
            List<People.Person> persons,
            Map<String, Errand> errands,
            Map<String, About> about) {
        var due = machine.all().stream()
                .filter(s -> s.dueBy(end))
                .collect(Collectors.groupingBy(s -> s.key().routine(), LinkedHashMap::new, Collectors.toList()));
        due.forEach((id, standings) -> {
            var first = standings.getFirst();
            var routine = first.routine();
            var channels = standings.stream()
                    .filter(s -> s.key().channel() != null)
                    .map(s -> Objects.requireNonNull(s.key().channel()).code())
                    .toList();
            int times = routine.credit() == Routine.Credit.INK_LAID
                    ? 1
                    : Math.max(1, channels.size()); // one sheet purges every channel
            var title = channels.isEmpty()
                    ? routine.title()
                    : "%s, %s".formatted(routine.title(), String.join(" ", channels));
            var key = "r/%d/%s".formatted(machine.machine().id(), id);
            int latest = standings.stream()
                    .map(Standing::latest)
                    .filter(java.util.Objects::nonNull)
                    .mapToInt(minutes::of)
                    .min()
                    .orElse(2 * A_DAY);
            boolean white = routine.scope() == Routine.Scope.WHITE;
            var part = new Errand.Part(
                    key,
                    title,
                    routine.hands() * times,
                    routine.machine() * times,
                    routine.rest(),
                    Task.OPEN,
                    routine.thing().isEmpty() ? null : routine.thing(),
                    only(
                            Skill.of(
                                    routine.cautions(),
                                    UpkeepBook.family(machine.machine())
                                            .filter(Family::food)
                                            .isPresent()),
                            persons));
            errands.put(
                    key,
                    new Errand(
                            key,
                            title,
                            number,
                            white ? Gloves.WHITE : gloves(machine.machine()),
                            List.of(part),
                            Math.max(0, minutes.of(first.notBefore())),
                            Task.OPEN,
                            false,
                            minutes.of(Objects.requireNonNull(first.ask())),
                            latest,
                            routine.weight()));
            about.put(
                    key,
                    new About(
                            "routine",
                            machine.machine().id(),
                            routine.say(),
                            routine.skipping(),
                            channels,
                            id,
                            0,
                            routine.cautions().stream().map(Caution::say).toList(),
                            standings.stream()
                                    .flatMap(s -> s.whereFrom().stream()
                                            .map(w -> s.key().channel() == null
                                                    ? w
                                                    : s.key().channel() + ": " + w))
                                    .toList()));
        });
    }

    private void cards(
            Minutes minutes,
            Instant now,
            List<Machine> machines,
            Map<Long, Integer> index,
            Map<String, Errand> errands,
            Map<String, About> about) {
        for (var card : cards.carried()) {
            var machine = machines.get(at(index, card.machine()));
            CardErrand.of(
                            card.id(),
                            card.title(),
                            card.card(),
                            at(index, card.machine()),
                            gloves(card.family()),
                            minutes::of,
                            now)
                    .ifPresent(errand -> {
                        errands.put(errand.key(), errand);
                        about.put(
                                errand.key(),
                                new About(
                                        "card",
                                        machine.id(),
                                        "Go on with its card.",
                                        "The machine stays open and prints nothing.",
                                        List.of(),
                                        "",
                                        card.id(),
                                        List.of(),
                                        List.of()));
                    });
        }
    }

    /** The next thing of each open case; what its card does is the card's own errand. */
    private void cases(
            boolean isToday,
            int now,
            List<Machine> machines,
            Map<Long, Integer> index,
            List<People.Person> persons,
            Map<String, Errand> errands,
            Map<String, About> about) {
        clinic.waiting().stream()
                .filter(c -> c.card() == 0 && index.containsKey(c.machine()))
                .forEach(c -> {
                    var key = "k/%d/%d".formatted(c.id(), c.step());
                    var machine = machines.get(at(index, c.machine()));
                    if (isToday) { // later days have it only if today left it over
                        errands.put(
                                key,
                                new Errand(
                                        key,
                                        c.title(),
                                        at(index, c.machine()),
                                        gloves(machine),
                                        List.of(new Errand.Part(
                                                key,
                                                c.title(),
                                                (int) Math.max(2, Math.round(c.minutes())),
                                                0,
                                                c.rest(),
                                                Task.OPEN,
                                                null,
                                                only(Set.of(Skill.CASES), persons))),
                                        0,
                                        Task.OPEN,
                                        false,
                                        now,
                                        now + A_DAY,
                                        CASE_WEIGHT));
                    }
                    about.put(
                            key,
                            new About(
                                    "case",
                                    machine.id(),
                                    "Its case says what to do, and why.",
                                    "It stays ill.",
                                    List.of(),
                                    "",
                                    c.id(),
                                    List.of(),
                                    List.of("the next step of its case")));
                });
    }

    private void owed(
            LocalDate date,
            Minutes minutes,
            List<Machine> machines,
            Map<Long, Integer> index,
            Map<String, Errand> errands,
            Map<String, About> about) {
        owed.all()
                .forEach((id, tasks) -> tasks.stream()
                        .filter(t -> !t.due().isAfter(date) && index.containsKey(id))
                        .forEach(task -> {
                            var key = "o/" + task.id();
                            int due = minutes.of(task.due()
                                    .plusDays(1)
                                    .atStartOfDay(minutes.zone())
                                    .toInstant());
                            errands.put(
                                    key,
                                    new Errand(
                                            key,
                                            task.words(),
                                            at(index, id),
                                            gloves(machines.get(at(index, id))),
                                            List.of(new Errand.Part(
                                                    key, task.words(), OWED_HANDS, 0, 0, Task.OPEN, null, 0)),
                                            0,
                                            Task.OPEN,
                                            false,
                                            due,
                                            due + 7 * A_DAY,
                                            OWED_WEIGHT));
                            about.put(
                                    key,
                                    new About(
                                            "owed",
                                            id,
                                            task.why(),
                                            "It stays owed.",
                                            List.of(),
                                            "",
                                            task.id(),
                                            List.of(),
                                            List.of("owed since it was left out or came round; due %s"
                                                    .formatted(task.due()))));
                        }));
    }

    /**
     * Before promised work a machine is looked at. @return the key of the errand that makes it fit; empty if it was
     * looked at just now
     */
    private static String fit(
            Promises.Promise promise,
            Standings.OfMachine machine,
            int number,
            Minutes minutes,
            Instant now,
            Map<String, Errand> errands,
            Map<String, About> about) {
        var card = errands.values().stream()
                .filter(e -> e.key().startsWith("c/") && e.machine() == number)
                .findFirst();
        if (card.isPresent()) {
            return card.get().key();
        }
        var check = "r/%d/check".formatted(machine.machine().id());
        boolean fresh = machine.all().stream()
                .anyMatch(s -> s.key().routine().equals("check")
                        && s.mark().entry() != null
                        && s.mark().since().isAfter(now.minus(JUST_CHECKED)));
        if (fresh || machine.all().isEmpty()) {
            return "";
        }
        var due = errands.get(check);
        if (due != null) { // why: for promised work it may come sooner after the last one
            errands.put(
                    check,
                    due.from(Math.min(due.release(), minutes.of(promise.due().minus(JUST_CHECKED)))));
            return check;
        }
        var title = "Nozzle check before the work";
        errands.put(
                check,
                new Errand(
                        check,
                        title,
                        number,
                        gloves(machine.machine()),
                        List.of(new Errand.Part(check, title, CHECK_HANDS, CHECK_MACHINE, 0, Task.OPEN, null, 0)),
                        0,
                        Task.OPEN,
                        false,
                        minutes.of(promise.due()),
                        minutes.of(promise.due()),
                        6));
        about.put(
                check,
                new About(
                        "routine",
                        machine.machine().id(),
                        "Print a check sheet and look, so that what is promised can begin.",
                        "A gap is found in the customer’s print.",
                        List.of(),
                        "check",
                        0,
                        List.of(),
                        List.of("promised: " + promise.words())));
        return check;
    }

    /** Its place among the machines of the day. */
    private static int at(Map<Long, Integer> index, long machine) {
        return Objects.requireNonNull(index.get(machine));
    }
}
