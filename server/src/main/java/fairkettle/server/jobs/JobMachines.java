package fairkettle.server.jobs;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.job.Candidate;
import fairkettle.job.Candidate.Check;
import fairkettle.job.Candidate.Ranked;
import fairkettle.job.Candidate.Taken;
import fairkettle.job.Candidate.Trouble;
import fairkettle.machine.Architecture;
import fairkettle.round.FreeHands;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.cards.Cards;
import fairkettle.server.clinic.ClinicService;
import fairkettle.server.hob.Hob;
import fairkettle.server.promises.Promises;
import fairkettle.server.round.HandsAhead;
import fairkettle.server.round.RoundService;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Which machine prints a job. When hands get to a machine is what today’s round has planned; how many are left for the
 * job, and when, what the round of the coming days and the jobs that are due before it leave.
 */
@Component
class JobMachines {

    private static final int CHECK_MINUTES = 6; // a check sheet, and a look at it
    private static final int CURE_MINUTES = 40; // of gaps that nobody has asked the clinic about
    private static final int LATER = 60; // days after it is due, in which it may be ready after all
    private static final int CARD_MINUTES = 30; // of an open card, where the round has not planned it

    private final Machines machines;
    private final Checks checks;
    private final Cards cards;
    private final ClinicService clinic;
    private final Promises promises;
    private final RoundService round;
    private final HandsAhead handsAhead;
    private final Jobs jobs;
    private final Hob hob;
    private final JobReckoning reckoning;
    private final Shop shop;
    private final Clock clock;

    JobMachines(
            Machines machines,
            Checks checks,
            Cards cards,
            ClinicService clinic,
            Promises promises,
            RoundService round,
            HandsAhead handsAhead,
            Jobs jobs,
            Hob hob,
            JobReckoning reckoning,
            Shop shop,
            Clock clock) {
        this.machines = machines;
        this.checks = checks;
        this.cards = cards;
        this.clinic = clinic;
        this.promises = promises;
        this.round = round;
        this.handsAhead = handsAhead;
        this.jobs = jobs;
        this.hob = hob;
        this.reckoning = reckoning;
        this.shop = shop;
        this.clock = clock;
    }

    /** The best first. @param job whose own promise is in nobody’s way; 0 for one that is not taken yet */
    List<Ranked> rank(Job.Order order, long job) {
        var now = shop.settings().hours().firstOpen(clock.instant());
        var newest = checks.newest();
        var open = cards.open();
        var ill = new HashMap<Long, ClinicService.Waiting>();
        clinic.waiting().forEach(w -> ill.put(w.machine(), w));
        var reached = new HashMap<Long, RoundService.Visit>();
        round.visits().stream()
                .filter(v -> !v.kind().equals("owed"))
                .sorted(Comparator.comparing(RoundService.Visit::at).reversed())
                .forEach(v -> reached.put(v.machine(), v));
        var rests = new HashMap<Long, Long>();
        hob.waits().stream()
                .filter(w -> w.machine() != null && w.readyAt().isAfter(now))
                .forEach(w -> rests.merge(
                        Objects.requireNonNull(w.machine()),
                        Duration.between(now, w.readyAt()).toMinutes() + 1,
                        Math::max));
        var candidates = machines.all().stream()
                .map(machine -> {
                    var trouble =
                            trouble(machine, order, open.containsKey(machine.id()), ill.containsKey(machine.id()));
                    var check = check(machine, newest.getOrDefault(machine.id(), Map.of()), order, now);
                    var waiting = ill.get(machine.id());
                    int hands = waiting != null
                            ? (int) Math.ceil(waiting.minutes()) + CHECK_MINUTES
                            : trouble == Trouble.CARD
                                    ? CARD_MINUTES
                                    : switch (check) {
                                        case GOOD_TODAY -> 0;
                                        case GOOD_BEFORE, NONE -> CHECK_MINUTES;
                                        case NOT_GOOD -> CURE_MINUTES;
                                    };
                    int waits = waiting == null ? 0 : waiting.rest();
                    var visit = reached.get(machine.id());
                    if (hands > 0 && visit != null && visit.at().isAfter(now)) {
                        // why: whoever walks the round gets there then, and not at once
                        waits += (int) Duration.between(now, visit.at()).toMinutes();
                    }
                    waits = (int) Math.max(waits, rests.getOrDefault(machine.id(), 0L));
                    boolean can = order.ink() == ink(machine) && order.on().fits(largest(machine), film(machine));
                    var takes = can ? reckoning.ink(order, machine) : null;
                    return new Candidate(
                            machine.id(),
                            machine.name(),
                            largest(machine),
                            film(machine),
                            ink(machine),
                            trouble,
                            check,
                            hands,
                            waits,
                            takes == null ? 0 : reckoning.minutes(order, machine, takes.passes()),
                            (int) Math.ceil(reckoning.pressing(order)),
                            takes == null
                                    ? List.of()
                                    : takes.takes().stream()
                                            .filter(t -> !t.lasts().yes())
                                            .map(t -> t.laid().channel().code())
                                            .toList(),
                            promises.of(machine.id()).stream()
                                    .filter(p -> job == 0 || p.job() != job)
                                    .map(p -> new Taken(p.due(), p.minutes(), p.words()))
                                    .toList());
                })
                .toList();
        return Candidate.rank(candidates, order.on(), order.ink(), now, order.due(), free(order, job));
    }

    /** Hands that are left for it: jobs that are due before it come first. */
    private FreeHands free(Job.Order order, long job) {
        var hours = shop.settings().hours();
        var today = LocalDate.ofInstant(clock.instant(), hours.zone());
        var due = LocalDate.ofInstant(order.due(), hours.zone()); // which may be long past
        double promised = jobs.open().stream()
                .filter(j ->
                        j.id() != job && j.machine() != null && j.order().due().isBefore(order.due()))
                .mapToDouble(j -> reckoning.pressing(j.order()))
                .sum();
        return handsAhead
                .free()
                .less(promised)
                .then(hours, today.plusDays(HandsAhead.DAYS), (due.isAfter(today) ? due : today).plusDays(LATER));
    }

    private static String largest(Machine machine) {
        return machine.profile().capable().largestSheet();
    }

    private static boolean film(Machine machine) {
        return machine.profile().architecture() == Architecture.FILM;
    }

    private static @Nullable Family ink(Machine machine) {
        return UpkeepBook.family(machine).orElse(null);
    }

    private static Trouble trouble(Machine machine, Job.Order order, boolean card, boolean ill) {
        var held = machine.holdings().values();
        if (machine.parked()) {
            return Trouble.PARKED;
        }
        if (held.stream().allMatch(Holding.NeverInked.class::isInstance)) {
            return Trouble.NEVER_INKED;
        }
        if (held.stream().anyMatch(Holding.Unknown.class::isInstance)) {
            return Trouble.UNKNOWN;
        }
        if (order.ink().food()
                && held.stream().anyMatch(h -> h instanceof Holding.Inked(var _, var _, var food) && !food)) {
            return Trouble.CRAFT;
        }
        return ill ? Trouble.CASE : card ? Trouble.CARD : Trouble.NONE;
    }

    /** How a machine looked last, for a job’s work. */
    Check check(Machine machine, Job.Order order) {
        return check(machine, checks.newest().getOrDefault(machine.id(), Map.of()), order, clock.instant());
    }

    private Check check(Machine machine, Map<String, Checks.Check> newest, Job.Order order, Instant now) {
        var settings = shop.settings();
        var today = LocalDate.ofInstant(now, settings.zoneId());
        return Check.of(
                order.substrate().work(order.ink(), order.photo()),
                machine.profile().codes(),
                newest.values().stream()
                        .filter(Checks.Check::judged)
                        .map(seen -> new Check.Seen(
                                ChannelCode.of(seen.channel()),
                                seen.nozzles(),
                                seen.missing(),
                                LocalDate.ofInstant(seen.at(), settings.zoneId())
                                        .equals(today)))
                        .toList(),
                settings.tolerated());
    }
}
