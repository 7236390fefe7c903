package fairkettle.server.demo;

import fairkettle.changeover.Experience;
import fairkettle.check.Work;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.routine.Air;
import fairkettle.routine.DueTimes;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.cards.CardService;
import fairkettle.server.cards.Cards;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.checks.Readings;
import fairkettle.server.climate.Room;
import fairkettle.server.clinic.ClinicService;
import fairkettle.server.clinic.Ending;
import fairkettle.server.hob.Hob;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.people.People;
import fairkettle.server.people.Who;
import fairkettle.server.refills.Refills;
import fairkettle.server.round.RoundService;
import fairkettle.server.routines.RoutineService;
import fairkettle.server.routines.Standings;
import fairkettle.server.sheets.SheetBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.web.Problem;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.SheetKind;
import fairkettle.standin.Snapshot;
import fairkettle.standin.Standins;
import fairkettle.standin.machine.Act;
import fairkettle.standin.machine.SimMachine;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * How the demo’s people spend their working days: they look at the machines as those really print, do what is due,
 * print, fill up, read the air. Everything goes through the services that people use, at its own hour.
 */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoDays {

    private static final Logger LOG = LoggerFactory.getLogger(DemoDays.class);
    private static final int LATELY = 10; // working days of which everything was written down
    private static final int MOST = 8; // routines done at one machine in a day
    private static final int A_MONTH = 30; // working days, rather; a shop of fewer has no pictures yet
    /** Whose checks were photographed so many working days ago. */
    private static final Map<Integer, List<String>> PICTURES =
            Map.of(A_MONTH, List.of("Sorrel"), 8, List.of("Sorrel"), 0, List.of("Sorrel", "Bramble"));

    private static final int SPOILED = 4; // working days ago: what went wrong since stands
    private static final double LOW = .4; // of a vessel: it is filled up on the next filling day
    private static final double TO_THE_LINE = .92;
    private static final int TOLERATED = 3; // gaps in one channel that nobody cleans for
    private static final Map<String, Integer> SHEETS =
            Map.of("Bramble", 9, "Sorrel", 6, "Teasel", 6, "Clover", 4, "Juniper", 3, "Thistle", 3, "Bryony", 3);
    private static final Set<String> LOOKED_AT_DAILY = Set.of("Bramble", "Sorrel", "Teasel");

    private final Machines machines;
    private final Checks checks;
    private final Shelf shelf;
    private final Refills refills;
    private final Standings standings;
    private final RoutineService routines;
    private final RoundService round;
    private final Room room;
    private final SheetBook sheets;
    private final Readings readings;
    private final ClinicService clinic;
    private final CardService cards;
    private final Cards open;
    private final Hob hob;
    private final Ledger ledger;
    private final People people;
    private final Who who;
    private final DemoHands hands;
    private final DemoHand hand;
    private final DemoClock clock;
    private final DemoBench trays;
    private final TransactionTemplate whole;
    private final TransactionTemplate attempt;

    DemoDays(
            Machines machines,
            Checks checks,
            Shelf shelf,
            Refills refills,
            Standings standings,
            RoutineService routines,
            RoundService round,
            Room room,
            SheetBook sheets,
            Readings readings,
            ClinicService clinic,
            CardService cards,
            Cards open,
            Hob hob,
            Ledger ledger,
            People people,
            Who who,
            DemoHands hands,
            DemoHand hand,
            DemoClock clock,
            DemoBench trays,
            PlatformTransactionManager transactions) {
        this.machines = machines;
        this.checks = checks;
        this.shelf = shelf;
        this.refills = refills;
        this.standings = standings;
        this.routines = routines;
        this.round = round;
        this.room = room;
        this.sheets = sheets;
        this.readings = readings;
        this.clinic = clinic;
        this.cards = cards;
        this.open = open;
        this.hob = hob;
        this.ledger = ledger;
        this.people = people;
        this.who = who;
        this.hands = hands;
        this.hand = hand;
        this.clock = clock;
        this.trays = trays;
        whole = new TransactionTemplate(transactions);
        attempt = new TransactionTemplate(transactions);
        attempt.setPropagationBehavior(TransactionDefinition.PROPAGATION_NESTED);
    }

    /** One working day at the benches, as far as it has gone. */
    private final class Day {

        private final LocalDate date;
        private final Instant until;
        private final Standins bench;
        private final SplittableRandom dice;
        private final Map<String, Long> persons;
        private Instant now;

        Day(LocalDate date, Instant until, Standins bench) {
            this.date = date;
            this.until = until;
            this.bench = bench;
            dice = new SplittableRandom(date.toEpochDay());
            persons = people.all().stream().collect(Collectors.toMap(People.Person::name, People.Person::id));
            now = at(DemoClock.OPENS).plus(Duration.ofSeconds(90 + dice.nextInt(300)));
        }

        private Instant at(LocalTime hour) {
            return hour.atDate(date).atZone(DemoClock.ZONE).toInstant();
        }

        /** Somebody does something that takes so long, unless the day has not come to it yet. */
        private boolean does(String name, double minutes, Runnable work) {
            return does(persons.getOrDefault(name, persons.values().iterator().next()), minutes, work);
        }

        private boolean does(long person, double minutes, Runnable work) {
            now = now.plusSeconds(Math.round(60 * minutes * (.7 + .6 * dice.nextDouble())));
            if (!now.isBefore(until)) {
                return false;
            }
            clock.at(
                    now,
                    () -> who.acting(person, () -> {
                        try {
                            attempt.executeWithoutResult(_ -> work.run());
                            hand.copy(bench);
                        } catch (Problem | IllegalArgumentException e) {
                            LOG.debug("At {}: {}", now, e.getMessage()); // why: people try, too
                        }
                    }));
            return true;
        }

        private void notBefore(LocalTime hour) {
            var then = at(hour).plusSeconds(dice.nextInt(1500));
            now = now.isBefore(then) ? then : now;
        }

        private SimMachine sim(Machine machine) {
            return bench.machine(machine.name());
        }

        private List<Machine> inked() {
            return machines.all().stream()
                    .filter(m -> m.holdings().values().stream().allMatch(h -> h instanceof Holding.Inked))
                    .toList();
        }

        void air() {
            does("Wren", 1, () -> {
                var air = bench.air();
                room.enter(new Air(now, air.celsius(), air.humidity()));
            });
        }

        /** Looks at a machine; what is missing is cleaned once, or twice. */
        void look(Machine machine) {
            for (int cleaned = 0; cleaned < 3; cleaned++) {
                var missing = new HashMap<String, List<Integer>>();
                int round = cleaned;
                boolean went = does("Wren", 3, () -> {
                    missing.putAll(sim(machine).missing());
                    checks.enter(machine, missing, null);
                });
                if (!went
                        || round == 2
                        || clinic.ill().containsKey(machine.id())
                        || missing.values().stream().allMatch(m -> m.size() <= TOLERATED)) {
                    return;
                }
                does("Wren", 4, () -> machines.cleaned(machine.id(), round == 1, null));
            }
        }

        /**
         * What is due today and is no check, every channel of a routine at once. @param lately everything; of long ago
         * one thing at every third machine is written down
         */
        void upkeep(boolean lately) {
            for (var of : clock.seenAt(now, standings::all)) {
                if (!lately && dice.nextInt(3) > 0) {
                    continue;
                }
                of.all().stream()
                        .filter(s -> s.dueBy(at(DemoClock.CLOSES))
                                && !s.routine().id().equals("check"))
                        .collect(Collectors.groupingBy(
                                DueTimes.Standing::routine, LinkedHashMap::new, Collectors.toList()))
                        .entrySet()
                        .stream()
                        .filter(_ -> dice.nextInt(9) > 0)
                        .limit(lately ? MOST : 1)
                        .forEach(e -> does(
                                e.getKey().hands() > 10 ? "Tansy" : "Wren",
                                Math.clamp(e.getKey().hands(), 1, 20),
                                () -> routines.done(
                                        of.machine().id(),
                                        e.getKey().id(),
                                        e.getValue().size() == 1
                                                ? e.getValue().getFirst().key().channel()
                                                : null)));
            }
        }

        void prints(boolean forenoon) {
            for (var machine : inked()) {
                int usual = SHEETS.getOrDefault(machine.name(), 0);
                if (usual == 0 || dice.nextInt(10) >= (usual > 4 ? 6 : 3)) {
                    continue;
                }
                notBefore(forenoon ? LocalTime.of(10, 40) : LocalTime.of(13, 30));
                int sheets = 1 + dice.nextInt(usual);
                does("Tansy", 6 + 2 * sheets, () -> {
                    routines.printed(machine.id(), sheets, List.of(), null);
                    var sim = sim(machine);
                    sim.levels()
                            .keySet()
                            .forEach(code -> sim.take(new Act.Purge(
                                    code, machine.profile().draws().sheet().mL() * sheets / 4)));
                });
            }
        }

        /** Fills up what has gone low; a bottle that is missing came with the morning’s post. */
        void fillUp() {
            for (var machine : inked()) {
                var holds = ledger.ofMachineNow(machine.id());
                for (var channel : machine.profile().channels()) {
                    double level = holds.getOrDefault(
                                    new Place.InPath(
                                            machine.id(),
                                            channel.code(),
                                            channel.first().kind()),
                                    Mixture.EMPTY)
                            .volume()
                            .mL();
                    double capacity = channel.first().capacity().mL();
                    if (level < LOW * capacity) {
                        does("Alder", 4, () -> pour(machine, channel, Math.floor(TO_THE_LINE * capacity - level)));
                    }
                }
            }
        }

        private void pour(Machine machine, Channel channel, double mL) {
            if (refills.of(machine.id()).why() != null) { // its cartridges are changed
                machines.read(
                        machine.id(),
                        channel.code(),
                        Millilitres.rounded(channel.first().capacity().mL() * TO_THE_LINE));
                return;
            }
            var family = ((Holding.Inked) machine.holding(channel.code())).family();
            var bottle = bottle(family, channel.code().code(), mL)
                    .orElseGet(() -> shelf.find(bought(family, channel.code())).orElseThrow());
            var poured = Math.min(mL, Math.floor(bottle.left().mL()));
            refills.pour(
                    machine.id(),
                    new Refills.NewRefill(
                            channel.code(), bottle.id(), Millilitres.rounded(poured), false, false, null, true),
                    null);
        }

        private Optional<Shelf.Lot> bottle(Family family, String code, double mL) {
            return shelf.lots().stream()
                    .filter(l -> l.family() == family && code.equals(l.channel()))
                    .filter(l -> l.free().mL() >= Math.min(mL, 10))
                    .findFirst();
        }

        private long bought(Family family, ChannelCode code) {
            return shelf.add(new Shelf.NewLot(
                    family,
                    code.code(),
                    "own",
                    "%s-%02d%02d%s"
                            .formatted(family.name().substring(0, 3), date.getMonthValue(), date.getDayOfMonth(), code),
                    Millilitres.parse("100"),
                    family == Family.EDIBLE ? 1600 : 1200,
                    family == Family.EDIBLE,
                    date.plusMonths(family == Family.EDIBLE ? 6 : 11),
                    null,
                    null));
        }

        /** The day, by the bench’s order. @param before how many working days before today */
        void work(int before) {
            boolean lately = before < LATELY;
            air();
            for (var machine : inked()) {
                if (dice.nextInt(LOOKED_AT_DAILY.contains(machine.name()) && lately ? 1 : 3) == 0) {
                    look(machine);
                }
            }
            upkeep(lately);
            if (lately) {
                prints(true);
            }
            prints(false);
            if (date.getDayOfWeek() == DayOfWeek.TUESDAY || date.getDayOfWeek() == DayOfWeek.FRIDAY) {
                notBefore(LocalTime.of(15, 20));
                fillUp();
            }
            notBefore(LocalTime.of(16, 30));
            air();
            if (before > SPOILED) {
                clock.at(
                        at(DemoClock.CLOSES),
                        () -> inked().stream().map(this::sim).forEach(sim -> {
                            if (sim.shut().values().stream().anyMatch(n -> n > 0)) {
                                sim.take(new Act.OvernightSoak()); // a wet cloth overnight is nothing to write down
                            }
                        }));
            }
        }

        // ---- what went wrong, and what is going wrong now ----------------------------------------------------------

        /** What is told of this day. @param before how many working days before today */
        void story(int before) {
            switch (before) {
                case 50 -> {
                    notBefore(LocalTime.of(14, 10));
                    gaps("Sorrel", Map.of("M", List.of(14, 15, 17, 18, 22, 23, 41, 42, 60)));
                    open("Sorrel", Complaint.GAPS, Work.PHOTO, "magenta gone in places after the long weekend");
                    treated("Sorrel", Treatment.CLEANING, Set.of());
                    gaps("Sorrel", Map.of("M", List.of(15, 18, 22, 60)));
                    treated("Sorrel", Treatment.REST_LONG, Set.of());
                }
                case 49 -> cured("Sorrel", "air: it had left by the morning");
                case 33 -> {
                    notBefore(LocalTime.of(13, 50));
                    gaps("Teasel", Map.of("W1", List.of(3, 9, 10, 11, 27, 28, 40, 55)));
                    open("Teasel", Complaint.GAPS, Work.WHITE, "white streaky on the black shirts");
                    treated("Teasel", Treatment.AGITATE, Set.of("W1"));
                    treated("Teasel", Treatment.PURGE_SHEET, Set.of("W1"));
                    gaps("Teasel", Map.of("W1", List.of(9, 27)));
                    treated("Teasel", Treatment.POWER_CLEANING, Set.of());
                }
                case 32 -> cured("Teasel", "settled white, stirred and moved");
                case 19 -> {
                    notBefore(LocalTime.of(11, 20));
                    gaps("Clover", Map.of("M", List.of(4, 5, 6, 20, 21, 33)));
                    open("Clover", Complaint.GAPS, Work.SOLID, "pale roses");
                    treated("Clover", Treatment.SOAK, Set.of());
                    gaps("Clover", Map.of());
                    cured("Clover", "sugar at the nozzles; soaked on a damp cloth");
                }
                case 6 -> {
                    notBefore(LocalTime.of(14, 30));
                    open("Thistle", Complaint.FADES, Work.SOLID, "yellow pale at the foot");
                    tell("Thistle", new Evidence.Simple(Set.of(ChannelCode.of("Y"))));
                    gaps("Thistle", Map.of());
                    page("Thistle", Map.of());
                    cured("Thistle", "its vent was stuck over");
                }
                case SPOILED -> spoil("Bramble", Map.of("M", List.of(41, 42, 120)));
                case 3 -> {
                    spoil("Teasel", Map.of("W1", List.of(8, 31), "W2", List.of(60)));
                    bench.machine("Teasel").load("W1", .62);
                }
                case 1 -> {
                    notBefore(LocalTime.of(15, 5));
                    does(
                            "Wren",
                            2,
                            () -> cards.begin(Changeovers.Wish.change(
                                    machine("Juniper").id(), Family.SUBLIMATION, "own", Experience.PRACTISED)));
                    opens("free"); // why not further: no head stands off its dock over night
                    open("Teasel", Complaint.FADES, Work.WHITE, "white thin towards the end of a shirt");
                    tell("Teasel", new Evidence.Simple(Set.of()));
                    gaps("Teasel", Map.of("W1", List.of(8, 31), "W2", List.of(60)));
                    page("Teasel", Map.of("W1", .58));
                }
                default -> {}
            }
        }

        /** Goes on with Juniper’s changeover to a step, and does that one’s first rows. */
        void opens(String until) {
            var card = open.open().get(machine("Juniper").id());
            while (card != null && !hands.next(card.id()).id().equals(until)) {
                if (!does("Wren", hands.next(card.id()).minutes(), () -> hands.carryOut(card.id()))) {
                    return;
                }
            }
            if (card != null && until.equals("pull")) {
                does("Wren", 12, () -> hands.begin(card.id(), 2));
            }
        }

        /** These nozzles of a machine are shut from here on, and no others. */
        private void spoil(String name, Map<String, List<Integer>> shut) {
            var sim = bench.machine(name);
            sim.profile().codes().forEach(c -> sim.clog(c.code(), shut.getOrDefault(c.code(), List.of())));
        }

        private Machine machine(String name) {
            return machines.all().stream()
                    .filter(m -> m.name().equals(name))
                    .findFirst()
                    .orElseThrow();
        }

        private void open(String name, Complaint complaint, Work work, String words) {
            does("Wren", 2, () -> clinic.open(List.of(machine(name).id()), Set.of(complaint), work, words));
        }

        private void tell(String name, Evidence evidence) {
            does(
                    "Wren",
                    4,
                    () -> clinic.say(
                            Objects.requireNonNull(
                                            clinic.ill().get(machine(name).id()))
                                    .caseId(),
                            evidence));
        }

        private void treated(String name, Treatment treatment, Set<String> channels) {
            var on = channels.isEmpty()
                    ? Set.copyOf(machine(name).profile().codes())
                    : channels.stream().map(ChannelCode::of).collect(Collectors.toSet());
            tell(name, new Evidence.Done(treatment, on, null));
        }

        private void gaps(String name, Map<String, List<Integer>> missing) {
            does("Wren", 3, () -> {
                var machine = machine(name);
                var seen = machine.holdings().keySet().stream()
                        .collect(Collectors.toMap(
                                ChannelCode::code,
                                c -> missing.getOrDefault(c.code(), List.of()),
                                (a, _) -> a,
                                HashMap::new));
                checks.enter(machine, seen, null);
            });
        }

        private void page(String name, Map<String, Double> fades) {
            tell(
                    name,
                    new Evidence.Page(machine(name).profile().codes().stream()
                            .collect(Collectors.toMap(
                                    c -> c,
                                    c -> new Evidence.Seen(fades.getOrDefault(c.code(), .03), false, false, null)))));
        }

        private void cured(String name, String words) {
            notBefore(LocalTime.of(11, 5));
            spoil(name, Map.of()); // the case is what made it whole
            gaps(name, Map.of());
            does("Wren", 2, () -> {
                var machine = machine(name).id();
                hob.waits().stream()
                        .filter(w -> w.machine() != null && w.machine() == machine)
                        .forEach(w -> hob.takeOff(w.id()));
                clinic.end(Objects.requireNonNull(clinic.ill().get(machine)).caseId(), Ending.CURED, words);
            });
        }

        /**
         * A check is printed into its reading frame, photographed over the bench and read. Each part is there at once:
         * pictures are looked at beside the day.
         */
        void photographs(String name) {
            does("Wren", 5, () -> {
                var machine = machine(name);
                long sheet = sheets.make(machine.id(), SheetKind.FRAME, Paper.A4, Map.of());
                try {
                    bench.print(name, sheets.pdf(sheet));
                } catch (IOException e) {
                    throw new UncheckedIOException("The frame was not printed.", e);
                }
                sheets.printed(sheet);
            });
            does("Wren", 3, () -> {
                var picture = bench.pictureOfCheck(name, false, Snapshot.With.PHONE, date.toEpochDay());
                readings.read(readings.look(picture), machine(name).id(), true);
            });
        }

        /**
         * The morning as the round plans it: ticked one after the other, each a little sooner or later than planned.
         */
        void walk() {
            air();
            for (var visit : clock.seenAt(now, round::visits)) {
                if (!visit.kind().equals("routine")) {
                    continue;
                }
                var machine = machines.get(visit.machine());
                if (visit.routine().equals("check")) {
                    look(machine);
                } else {
                    var begun = now;
                    if (!does(visit.person(), visit.hands(), () -> {
                        var took =
                                (int) Math.max(1, Duration.between(begun, now).toMinutes());
                        round.done(visit.key(), visit.person(), took, true);
                    })) {
                        return;
                    }
                }
            }
        }
    }

    /**
     * Lives through every working day from one to another, and the last one as far as it has gone. Each day is there as
     * a whole or not at all.
     *
     * @param told with the stories of a new shop: what went wrong, and what is going wrong now
     */
    void live(Standins bench, LocalDate from, Instant until, boolean told) {
        var last = LocalDate.ofInstant(until, DemoClock.ZONE);
        var days = from.datesUntil(last.isBefore(from) ? from : last.plusDays(1))
                .filter(DemoClock::isWorkday)
                .toList();
        for (int i = 0; i < days.size(); i++) {
            int before = days.size() - 1 - i;
            var day = new Day(days.get(i), until, bench);
            if (told && days.size() > A_MONTH) {
                PICTURES.getOrDefault(before, List.of()).forEach(day::photographs);
            }
            whole.executeWithoutResult(_ -> {
                clock.at(day.now, () -> trays.level(bench));
                if (before == 0) {
                    if (told) {
                        day.opens("pull");
                    }
                    day.walk();
                } else {
                    day.work(before);
                    if (told) {
                        day.story(before);
                    }
                }
            });
            if (before % 5 == 0) {
                LOG.info("day {} of {} is lived", i + 1, days.size());
            }
        }
    }
}
