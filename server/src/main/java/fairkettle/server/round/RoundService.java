package fairkettle.server.round;

import fairkettle.ink.ChannelCode;
import fairkettle.round.Audit;
import fairkettle.round.Day;
import fairkettle.round.Effort;
import fairkettle.round.Errand;
import fairkettle.round.FreeHands;
import fairkettle.round.Plan;
import fairkettle.round.RoundPlanner;
import fairkettle.round.Task;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.live.Live;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.Who;
import fairkettle.server.round.RoundBook.Begun;
import fairkettle.server.round.RoundBook.Done;
import fairkettle.server.round.RoundBook.Hours;
import fairkettle.server.round.RoundBook.Kept;
import fairkettle.server.round.RoundBook.Pin;
import fairkettle.server.round.RoundSituation.Situation;
import fairkettle.server.routines.RoutineService;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Today’s round. Whoever asks for it gets a plan at once: the one that stands, if it still can be walked, else a new
 * one that moves as little as it can. A better one is looked for behind it and told to every screen.
 */
@Service
public class RoundService implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(RoundService.class);
    private static final long SEARCH_MILLIS = 400;
    /** From a plan to the search for a better one: while a shop changes faster, there is nothing worth searching. */
    private static final long SETTLES_MILLIS = 300;
    /** From one search to the next. */
    private static final long RESTS_MILLIS = 2000;

    /** Minutes by which the next task may be late before the plan follows. */
    private static final int PATIENCE = 3;

    private final RoundSituation situations;
    private final RoundBook book;
    private final RoutineService routines;
    private final Machines machines;
    private final Checks checks;
    private final Owed owed;
    private final Live live;
    private final Who who;
    private final Shop shop;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final TransactionTemplate ofOneMoment;
    private final ScheduledExecutorService searching = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().name("round").daemon().factory());
    private final AtomicReference<String> searched = new AtomicReference<>("");
    private volatile long restsUntil = System.nanoTime();
    private volatile Runnable searchedThen = () -> {};

    RoundService(
            RoundSituation situations,
            RoundBook book,
            RoutineService routines,
            Machines machines,
            Checks checks,
            Owed owed,
            Live live,
            Who who,
            Shop shop,
            Clock clock,
            TransactionTemplate transaction,
            PlatformTransactionManager manager) {
        this.ofOneMoment = new TransactionTemplate(manager);
        ofOneMoment.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
        this.situations = situations;
        this.book = book;
        this.routines = routines;
        this.machines = machines;
        this.checks = checks;
        this.owed = owed;
        this.live = live;
        this.who = who;
        this.shop = shop;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** @param then told when the long search is over, whatever it found */
    void whenBetter(Runnable then) {
        searchedThen = then;
    }

    /** @param plan by the numbers of the situation’s tasks */
    record Planned(Situation situation, Kept kept, Plan plan) {

        /** Minutes of hands that are planned. */
        int hands() {
            var parts = situation.agenda().errands().stream()
                    .flatMap(e -> e.parts().stream())
                    .toList();
            return IntStream.range(0, parts.size())
                    .filter(plan::planned)
                    .map(task -> parts.get(task).hands())
                    .sum();
        }
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), shop.settings().zoneId());
    }

    /** The round as it stands, planned again if it must be. */
    @Transactional
    Planned now() {
        book.lock();
        var kept = book.of(today());
        var situation = situations.today(kept);
        var agenda = situation.agenda();
        var made = fingerprint(situation);
        var standing = agenda.plan(kept.slots());
        if (made.equals(kept.made()) && walkable(situation, standing)) {
            if (!Boolean.TRUE.equals(kept.improved())) {
                improveLater(made);
            }
            return new Planned(situation, kept, standing);
        }
        var plan = RoundPlanner.first(agenda.day());
        var next = kept.planned(agenda.slots(plan), made, false);
        book.keep(situation.date(), next);
        searched.set(""); // why: the same may have been searched before, for a plan that nobody can walk any more
        improveLater(made);
        return new Planned(situation, next, plan);
    }

    /** Whether the plan can still be walked: nothing lies behind the clock but by a little. */
    private static boolean walkable(Situation situation, Plan plan) {
        var day = situation.agenda().day();
        int now = situation.now();
        for (int i = 0; i < plan.start().length; i++) {
            if (plan.planned(i) && plan.start()[i] < now - PATIENCE) {
                return false;
            }
        }
        // by the hours as they were: a task that waits for its person to come over is not yet broken
        return Audit.of(
                        new Day(
                                day.people().stream()
                                        .map(p -> new Day.Person(
                                                p.name(),
                                                p.hours().stream()
                                                        .map(h ->
                                                                new Day.Span(Math.max(0, h.from() - PATIENCE), h.to()))
                                                        .toList(),
                                                p.wearing(),
                                                p.bench()))
                                        .toList(),
                                day.machines(),
                                day.things(),
                                day.chains(),
                                day.promises(),
                                day.taken(),
                                null),
                        plan)
                .faults()
                .isEmpty();
    }

    /** Changes exactly when there is something else to plan. */
    private static String fingerprint(Situation s) {
        var day = s.agenda().day();
        var people = day.people().stream()
                .map(p -> p.name() + p.hours().stream().map(h -> "-" + h.to()).collect(Collectors.joining()))
                .toList();
        var errands = s.agenda().errands().stream()
                .map(e -> e.key() + e.parts() + e.begun() + e.release() + e.firstBy())
                .toList();
        return Integer.toHexString(List.of(
                        s.date(),
                        people,
                        errands,
                        day.promises(),
                        day.taken().stream()
                                .map(t -> t.machine() + "/" + t.to())
                                .toList())
                .toString()
                .hashCode());
    }

    private void improveLater(String made) {
        if (made.equals(searched.getAndSet(made))) {
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                try {
                    long rests = TimeUnit.NANOSECONDS.toMillis(restsUntil - System.nanoTime());
                    searching.schedule(() -> improve(made), Math.max(SETTLES_MILLIS, rests), TimeUnit.MILLISECONDS);
                } catch (RejectedExecutionException _) {
                    LOG.debug("The server stops.");
                }
            }
        });
    }

    /** Looks for a better plan outside any transaction, and keeps it if nothing changed meanwhile. */
    private void improve(String made) {
        if (!made.equals(searched.get())) {
            return; // planned anew meanwhile
        }
        try {
            var situation = transaction.execute(_ -> situations.today(book.of(today())));
            if (situation == null || !made.equals(fingerprint(situation))) {
                return;
            }
            var agenda = situation.agenda();
            var better = RoundPlanner.better(agenda.day(), Effort.millis(SEARCH_MILLIS, 1));
            restsUntil = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(RESTS_MILLIS);
            transaction.executeWithoutResult(_ -> {
                book.lock();
                var kept = book.of(situation.date());
                if (made.equals(kept.made())) {
                    var stands = agenda.plan(kept.slots());
                    boolean gain = walkable(situation, better)
                            && Audit.of(agenda.day(), better).cost().total()
                                    < Audit.of(agenda.day(), stands).cost().total();
                    book.keep(situation.date(), kept.planned(gain ? agenda.slots(better) : kept.slots(), made, true));
                    if (gain) {
                        live.changed("round");
                    }
                }
            });
            searchedThen.run();
        } catch (RuntimeException e) {
            LOG.warn("No better round was found", e);
        }
    }

    /**
     * @param kind routine, card, case or owed; @param person 0 while nobody is entered; @param hands minutes planned
     */
    public record Visit(String key, String kind, String routine, long machine, long person, Instant at, int hands) {}

    /** What can be begun today, in the order in which somebody comes to it. */
    @Transactional
    public List<Visit> visits() {
        var planned = now();
        var s = planned.situation();
        var plan = planned.plan();
        var all = new ArrayList<Visit>();
        int task = 0;
        for (var errand : s.agenda().errands()) {
            var about = Objects.requireNonNull(s.about().get(errand.key()));
            if (plan.planned(task)) {
                all.add(new Visit(
                        errand.parts().getFirst().key(),
                        about.kind(),
                        about.routine(),
                        about.machine(),
                        s.persons().isEmpty()
                                ? 0
                                : s.persons().get(plan.person()[task]).id(),
                        s.minutes().at(plan.start()[task]),
                        errand.parts().getFirst().hands()));
            }
            task += errand.parts().size();
        }
        all.sort(Comparator.comparing(Visit::at));
        return all;
    }

    /** Somebody is at it. */
    @Transactional
    public void begin(String key, @Nullable Long person) {
        book.lock();
        var kept = book.of(today());
        part(kept, key);
        var id = person != null ? person : who.id();
        if (id == null) {
            throw Problem.atField("person", "Who does it? Pick a person at the top.");
        }
        if (kept.begun().containsKey(key)) {
            return; // a second tap
        }
        var begun = new HashMap<>(kept.begun());
        begun.values().removeIf(b -> b.person() == id); // nobody is at two things
        begun.put(key, new Begun(clock.instant(), id));
        book.keep(today(), kept.marked(begun, kept.done()));
        live.changed("round");
    }

    private Errand.Part part(Kept kept, String key) {
        return situations
                .today(new Kept(kept.slots(), Map.of(), kept.done(), kept.pins(), kept.people(), null, null))
                .agenda()
                .errands()
                .stream()
                .flatMap(e -> e.parts().stream())
                .filter(p -> p.key().equals(key))
                .findFirst()
                .orElseThrow(
                        () -> Problem.notFound("This is no longer on today’s round. It may have been done elsewhere."));
    }

    /** Done; what it did is written where it belongs. @param whole of a check: nothing is missing */
    @Transactional
    public void done(String key, @Nullable Long person, @Nullable Integer minutes, boolean whole) {
        book.lock();
        var kept = book.of(today());
        if (kept.done().stream()
                .anyMatch(d ->
                        d.key().equals(key) && d.at().isAfter(clock.instant().minus(Duration.ofSeconds(30))))) {
            return; // a second tap
        }
        var before = new Kept(kept.slots(), Map.of(), kept.done(), kept.pins(), kept.people(), null, null);
        var situation = situations.today(before);
        var errand = situation.agenda().errands().stream()
                .filter(e -> e.parts().getFirst().key().equals(key))
                .findFirst()
                .orElseThrow(
                        () -> Problem.notFound("This is no longer on today’s round. It may have been done elsewhere."));
        var about = Objects.requireNonNull(situation.about().get(errand.key()));
        var begun = kept.begun().get(key);
        int planned = errand.parts().getFirst().hands();
        int took = minutes != null
                ? minutes
                : begun == null
                        ? planned
                        : (int) Math.max(
                                1, Duration.between(begun.at(), clock.instant()).toMinutes());
        switch (about.kind()) {
            case "routine" -> routine(about, whole);
            case "owed" -> owed.done(about.machine(), about.id());
            case "case" ->
                throw Problem.refused("A case goes on in the clinic: say there what was seen or done.", List.of());
            default -> throw Problem.refused("A card’s steps are ticked on the card.", List.of());
        }
        var running = new HashMap<>(kept.begun());
        running.remove(key);
        var all = new ArrayList<>(kept.done());
        all.add(new Done(
                key,
                errand.title(),
                situation.machines().get(errand.machine()).name(),
                clock.instant(),
                begun != null ? Long.valueOf(begun.person()) : person != null ? person : who.id(),
                planned,
                took));
        var pins = new HashMap<>(kept.pins());
        pins.remove(key);
        book.keep(today(), kept.marked(running, all).pinned(pins));
        live.changed("round");
    }

    private void routine(RoundSituation.About about, boolean whole) {
        if (about.routine().equals("check")) {
            if (!whole) {
                throw Problem.refused("What did you see? Keep the check, or say that it was whole.", List.of());
            }
            var machine = machines.get(about.machine());
            checks.enter(
                    machine,
                    machine.holdings().keySet().stream()
                            .collect(Collectors.toMap(ChannelCode::code, _ -> List.<Integer>of())),
                    null);
        } else if (about.channels().isEmpty()) {
            routines.done(about.machine(), about.routine(), null);
        } else {
            about.channels().forEach(c -> routines.done(about.machine(), about.routine(), ChannelCode.of(c)));
        }
    }

    /** Somebody let go of it again. */
    @Transactional
    public void letGo(String key) {
        book.lock();
        var kept = book.of(today());
        var begun = new HashMap<>(kept.begun());
        if (begun.remove(key) != null) {
            book.keep(today(), kept.marked(begun, kept.done()));
            live.changed("round");
        }
    }

    /** @param at null to let it find its own place again */
    @Transactional
    public void pin(String key, @Nullable Instant at, @Nullable Long person) {
        book.lock();
        var kept = book.of(today());
        var pins = new HashMap<>(kept.pins());
        if (at == null) {
            pins.remove(key);
        } else {
            part(kept, key);
            int minute = new RoundSituation.Minutes(today(), shop.settings().zoneId()).of(at);
            if (minute < 0 || minute >= 1440) {
                throw Problem.atField("at", "Today’s round has no such time.");
            }
            pins.put(key, new Pin(minute, person));
        }
        book.keep(today(), kept.pinned(pins));
        live.changed("round");
    }

    /** When somebody is there today. @param from null for the shop’s hours again */
    @Transactional
    public void there(long person, @Nullable Instant from, @Nullable Instant to) {
        book.lock();
        var kept = book.of(today());
        var people = new HashMap<>(kept.people());
        if (from == null || to == null) {
            people.remove(person);
        } else {
            var minutes = new RoundSituation.Minutes(today(), shop.settings().zoneId());
            int begin = Math.clamp(minutes.of(from), 0, 1440);
            people.put(person, new Hours(begin, Math.clamp(minutes.of(to), begin, 1440)));
        }
        book.keep(today(), kept.there(people));
        live.changed("round");
    }

    /** What the coming days hold, each planned from what the day before leaves. */
    List<Planned> ahead(int days) {
        transaction.executeWithoutResult(_ -> now());
        // why apart: nobody who ticks a visit waits until the whole week is planned; and of one moment, whatever is
        // ticked meanwhile
        return Objects.requireNonNull(ofOneMoment.execute(_ -> {
            var kept = book.of(today());
            var situation = situations.today(kept);
            return ahead(new Planned(situation, kept, situation.agenda().plan(kept.slots())), days);
        }));
    }

    /** What the round leaves of the hands of today, from now on, and of the days after it. */
    FreeHands free(int days) {
        return new FreeHands(
                ahead(days).stream().flatMap(planned -> free(planned).stream()).toList());
    }

    /** Empty for a day on which nobody is there, or is there any more. */
    private Optional<FreeHands.Day> free(Planned planned) {
        var minutes = planned.situation().minutes();
        int now = minutes.of(clock.instant());
        var hours = planned.situation().agenda().day().people().stream()
                .flatMap(p -> p.hours().stream())
                .filter(h -> h.to() > now)
                .map(h -> new Day.Span(Math.max(h.from(), now), h.to()))
                .toList();
        int there = hours.stream().mapToInt(h -> h.to() - h.from()).sum();
        int from = hours.stream().mapToInt(Day.Span::from).min().orElse(0);
        int to = hours.stream().mapToInt(Day.Span::to).max().orElse(0);
        return hours.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new FreeHands.Day(minutes.at(from), minutes.at(to), Math.max(0, there - planned.hands())));
    }

    private List<Planned> ahead(Planned first, int days) {
        var all = new ArrayList<Planned>();
        all.add(first);
        var hours = shop.settings().hours();
        var done = new HashMap<String, Instant>();
        var last = first;
        for (int i = 1; i < days; i++) {
            var over = new HashMap<String, RoundSituation.Left>();
            collect(last, over, done);
            var date = first.situation().date().plusDays(i);
            var situation =
                    situations.on(date, Kept.nothing(), first.situation().standings(), over, done);
            var plan = hours.on(date) == null
                    ? situation.agenda().plan(Map.of())
                    : RoundPlanner.first(situation.agenda().day());
            last = new Planned(situation, Kept.nothing(), plan);
            all.add(last);
        }
        return all;
    }

    /** What a day leaves for the next, and what it does away with. */
    private static void collect(Planned day, Map<String, RoundSituation.Left> over, Map<String, Instant> done) {
        int task = 0;
        for (var errand : day.situation().agenda().errands()) {
            var about = Objects.requireNonNull(day.situation().about().get(errand.key()));
            int parts = 0;
            while (parts < errand.parts().size() && day.plan().planned(task + parts)) {
                parts++;
            }
            if (parts == errand.parts().size()) {
                done.put(errand.key(), again(day, about, day.plan().start()[task]));
            } else {
                int release = 0;
                if (parts > 0) {
                    var p = errand.parts().get(parts - 1);
                    release = Math.max(
                            0, day.plan().start()[task + parts - 1] + p.hands() + p.machine() + p.rest() - 1440);
                }
                over.put(
                        errand.key(),
                        new RoundSituation.Left(
                                new Errand(
                                        errand.key(),
                                        errand.title(),
                                        errand.machine(),
                                        errand.gloves(),
                                        errand.parts()
                                                .subList(parts, errand.parts().size()),
                                        release,
                                        Task.OPEN,
                                        parts > 0 || errand.begun(),
                                        errand.ideal() - 1440,
                                        errand.latest() - 1440,
                                        errand.weight()),
                                about));
            }
            task += errand.parts().size();
        }
    }

    /** When a routine that is done then comes round again. */
    private static Instant again(Planned day, RoundSituation.About about, int minute) {
        return day.situation().standings().stream()
                .filter(m -> m.machine().id() == about.machine())
                .flatMap(m -> m.all().stream())
                .filter(s -> s.key().routine().equals(about.routine()) && s.due() != null)
                .map(s -> day.situation()
                        .minutes()
                        .at(minute)
                        .plus(Duration.between(s.mark().since(), s.due()).abs()))
                .min(Comparator.naturalOrder())
                .orElse(Instant.MAX);
    }

    @Override
    public void destroy() {
        searching.shutdownNow();
    }
}
