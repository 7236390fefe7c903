package fairkettle.server.round;

import fairkettle.procedure.Card;
import fairkettle.procedure.StepRun;
import fairkettle.round.Audit;
import fairkettle.round.Plan;
import fairkettle.round.Reasons;
import fairkettle.routine.Absence;
import fairkettle.routine.PadForecast;
import fairkettle.server.cards.Cards;
import fairkettle.server.live.Live;
import fairkettle.server.live.Shared;
import fairkettle.server.live.Written;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.People;
import fairkettle.server.routines.Standings;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** The round in the words and times that screens, paper and calendars show. */
@Component
public class RoundView implements DisposableBean {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");
    private static final int MOST_DAYS = 14;

    private final RoundService service;
    private final Owed owed;
    private final Cards cards;
    private final Shop shop;
    private final Clock clock;

    private final Live live;
    private final TransactionTemplate transaction;
    private final Duration patience;
    private final Shared<Integer, Written<RoundJson>> rounds;
    private final Shared<Integer, Written<WeekJson>> weeks;

    RoundView(
            RoundService service,
            Owed owed,
            Cards cards,
            Shop shop,
            Clock clock,
            Live live,
            JsonMapper mapper,
            TransactionTemplate transaction,
            @Value("${kettle.patience}") Duration patience) {
        this.patience = patience;
        this.live = live;
        this.transaction = transaction;
        rounds = new Shared<>("round-view", live, clock, _ -> Written.of(json(service.now()), mapper));
        weeks = new Shared<>("week", live, clock, days -> Written.of(workedOut(days), mapper));
        service.whenBetter(rounds::forget);
        this.service = service;
        this.owed = owed;
        this.cards = cards;
        this.shop = shop;
        this.clock = clock;
    }

    /** @param from and to: their hours today, null if they are away; @param own true if they are not the shop’s */
    public record WalkerJson(
            long id,
            String name,
            @Nullable Instant from,
            @Nullable Instant to,
            boolean own) {}

    public record StationJson(long id, String name, String bench) {}

    /**
     * One visit.
     *
     * @param kind routine, card, case, owed
     * @param hands minutes; then {@code works} of the machine alone, then {@code rests} at least
     * @param begun since when somebody is at it
     * @param head whether it can be begun or ticked: the first open part of its errand
     * @param card where it is done, or the case for a case
     * @param why here, the most telling first; @param due where its date comes from
     */
    public record VisitJson(
            String key,
            String errand,
            String kind,
            long machine,
            String title,
            String say,
            String skipping,
            List<String> cautions,
            @Nullable Long person,
            Instant at,
            int hands,
            int works,
            int rests,
            String thing,
            String gloves,
            @Nullable Instant begun,
            boolean head,
            boolean pinned,
            @Nullable Long card,
            String routine,
            List<String> channels,
            List<String> why,
            List<String> due) {}

    /** @param risk what leaving it costs */
    public record LeftJson(
            String key,
            String kind,
            long machine,
            String title,
            int hands,
            String why,
            String risk,
            @Nullable Long card) {}

    public record TickedJson(
            String key,
            String title,
            String machine,
            Instant at,
            @Nullable Long person,
            int planned,
            int took) {}

    /** @param kept whether the plan keeps it */
    public record PromisedJson(long id, long machine, String words, Instant at, int minutes, boolean kept) {}

    public record TakenJson(long machine, Instant from, Instant to) {}

    /** @param settled whether the long search is over */
    public record RoundJson(
            LocalDate day,
            Instant now,
            boolean open,
            @Nullable Instant finish,
            int hands,
            boolean settled,
            List<WalkerJson> people,
            List<StationJson> machines,
            List<VisitJson> visits,
            List<LeftJson> left,
            List<TickedJson> done,
            List<PromisedJson> promises,
            List<TakenJson> taken) {}

    /** @param hands minutes planned; @param left what does not fit that day */
    public record DayAheadJson(
            LocalDate day,
            boolean open,
            int hands,
            int capacity,
            @Nullable Instant finish,
            List<VisitJson> visits,
            List<LeftJson> left,
            List<PromisedJson> promises) {}

    /** @param onList whether it is owed already */
    public record PrepareJson(
            long machine, String name, String routine, String words, boolean park, LocalDate day, boolean onList) {}

    public record AbsenceJson(LocalDate lastOpen, LocalDate opens, int days, List<PrepareJson> prepare) {}

    /** @param wontFit what is planned and will not go into the machine’s waste pad any more */
    public record PadJson(long machine, String name, List<String> wontFit) {}

    /** @param now when it was worked out */
    public record WeekJson(Instant now, List<DayAheadJson> days, List<AbsenceJson> absences, List<PadJson> pads) {}

    /**
     * Today’s round as it stands, planned once for all who ask. While a large shop changes faster than it is planned,
     * the last one, and screens are told of the next.
     */
    Written<RoundJson> round() {
        return rounds.soon(0, patience, told("round"));
    }

    /** The same for paper and calendars, which nobody can tell later. */
    public RoundJson roundNow() {
        return rounds.now(0).value();
    }

    private Runnable told(String what) {
        return () -> transaction.executeWithoutResult(_ -> live.changed(Live.WORKED_OUT + what));
    }

    /**
     * The same for whoever just changed it, with the change that nobody else may see yet. Why not the one for all: who
     * holds the round’s lock in the database must not wait for somebody who makes that one, and waits for the lock.
     */
    RoundJson own() {
        return json(service.now());
    }

    /** Today and the days after it, as they were worked out last; what changed since is worked out behind it. */
    public Written<WeekJson> week(int days) {
        return weeks.last(Math.clamp(days, 1, MOST_DAYS), told("week"));
    }

    /**
     * The same, worked out anew where something changed: a calendar asks once an hour and must not get the last one.
     */
    public WeekJson weekNow(int days) {
        return weeks.now(Math.clamp(days, 1, MOST_DAYS)).value();
    }

    /** How often a round and a week were made. */
    int made() {
        return rounds.made() + weeks.made();
    }

    @Override
    public void destroy() {
        rounds.close();
        weeks.close();
    }

    private WeekJson workedOut(int days) {
        var ahead = service.ahead(days);
        var standings = ahead.getFirst().situation().standings();
        var absences = Absence.ahead(
                shop.settings().hours(),
                clock.instant(),
                standings.stream()
                        .filter(m -> UpkeepBook.family(m.machine()).isPresent())
                        .map(m -> new Absence.Standings(
                                m.machine().id(),
                                m.machine().name(),
                                m.machine().parked(),
                                m.all()))
                        .toList());
        return new WeekJson(
                clock.instant(),
                ahead.stream()
                        .map(d -> {
                            var whole = json(d);
                            int capacity = d.situation().agenda().day().people().stream()
                                    .flatMap(p -> p.hours().stream())
                                    .mapToInt(h -> h.to() - h.from())
                                    .sum();
                            return new DayAheadJson(
                                    whole.day(),
                                    whole.open(),
                                    whole.hands(),
                                    capacity,
                                    whole.finish(),
                                    whole.visits(),
                                    whole.left(),
                                    whole.promises());
                        })
                        .toList(),
                absences.stream().map(this::json).toList(),
                pads(standings));
    }

    private AbsenceJson json(Absence absence) {
        var listed = owed.all();
        return new AbsenceJson(
                absence.lastOpen(),
                absence.opens(),
                absence.days(),
                absence.prepare().stream()
                        .map(p -> new PrepareJson(
                                p.machine(),
                                p.name(),
                                p.routine(),
                                p.words(),
                                p.park(),
                                p.day(),
                                listed.getOrDefault(p.machine(), List.of()).stream()
                                        .anyMatch(t -> t.words().equals(p.words()))))
                        .toList());
    }

    /** Cards whose cleanings the pad will not take. */
    private List<PadJson> pads(List<Standings.OfMachine> standings) {
        var now = clock.instant();
        return cards.carried().stream()
                .flatMap(card -> standings.stream()
                        .filter(m -> m.machine().id() == card.machine())
                        .map(m -> {
                            var planned = card.card().runs().stream()
                                    .filter(StepRun::isOpen)
                                    .filter(r -> !Card.padWaste(r.step().move()).isZero())
                                    .map(r -> new PadForecast.Planned(
                                            "“%s” of its card"
                                                    .formatted(r.step().title()),
                                            now,
                                            Card.padWaste(r.step().move()).mL()))
                                    .toList();
                            return new PadJson(
                                    card.machine(),
                                    m.machine().name(),
                                    PadForecast.of(m.machine().profile(), 1, m.padShare(), m.padPerDay(), planned, now)
                                            .wontFit());
                        }))
                .filter(p -> !p.wontFit().isEmpty())
                .toList();
    }

    private RoundJson json(RoundService.Planned planned) {
        var s = planned.situation();
        var plan = planned.plan();
        var day = s.agenda().day();
        IntFunction<String> clockTime =
                minute -> CLOCK.format(s.minutes().at(minute).atZone(s.minutes().zone()));
        var reasons = new Reasons(day, plan, clockTime);
        var cost = Audit.of(day, plan).cost();
        var visits = new ArrayList<VisitJson>();
        var left = new ArrayList<LeftJson>();
        int task = 0;
        for (var errand : s.agenda().errands()) {
            var about = Objects.requireNonNull(s.about().get(errand.key()));
            var card = about.kind().equals("card") || about.kind().equals("case") ? about.id() : null;
            boolean said = false;
            for (int i = 0; i < errand.parts().size(); i++, task++) {
                var part = errand.parts().get(i);
                if (plan.planned(task)) {
                    visits.add(new VisitJson(
                            part.key(),
                            errand.key(),
                            about.kind(),
                            about.machine(),
                            part.title(),
                            about.say(),
                            about.skipping(),
                            about.cautions(),
                            person(s, plan, task),
                            s.minutes().at(plan.start()[task]),
                            part.hands(),
                            part.machine(),
                            part.rest(),
                            part.thing() == null ? "" : part.thing(),
                            errand.gloves().name(),
                            null,
                            i == 0,
                            planned.kept().pins().containsKey(part.key()),
                            card,
                            about.routine(),
                            about.channels(),
                            reasons.of(task),
                            about.whereFrom()));
                } else if (!said) {
                    said = true;
                    int minutes = errand.parts().subList(i, errand.parts().size()).stream()
                            .mapToInt(p -> p.hands())
                            .sum();
                    left.add(new LeftJson(
                            part.key(),
                            about.kind(),
                            about.machine(),
                            part.title(),
                            minutes,
                            reasons.of(task).getFirst(),
                            about.skipping(),
                            card));
                }
            }
        }
        begun(planned, visits);
        visits.sort(Comparator.comparing(VisitJson::at));
        var promises = new ArrayList<PromisedJson>();
        for (int i = 0; i < s.promised().size(); i++) {
            var p = s.promised().get(i);
            promises.add(new PromisedJson(
                    p.id(),
                    p.machine(),
                    p.words(),
                    p.due(),
                    p.minutes(),
                    kept(
                            planned,
                            day.promises().get(i).fit(),
                            day.promises().get(i).at())));
        }
        var people = s.persons().stream().map(p -> walker(planned, p)).toList();
        var taken = day.taken().stream()
                .filter(t -> t.machine() >= 0)
                .map(t -> new TakenJson(
                        s.machines().get(t.machine()).id(),
                        s.minutes().at(t.from()),
                        s.minutes().at(t.to())))
                .toList();
        boolean open = day.people().stream().anyMatch(p -> !p.hours().isEmpty());
        return new RoundJson(
                s.date(),
                clock.instant(),
                open,
                cost.finish() == 0 ? null : s.minutes().at(cost.finish()),
                planned.hands(),
                Boolean.TRUE.equals(planned.kept().improved()),
                people,
                s.machines().stream()
                        .map(m -> new StationJson(m.id(), m.name(), m.benchName()))
                        .toList(),
                visits,
                left,
                planned.kept().done().stream()
                        .map(d -> new TickedJson(
                                d.key(), d.title(), d.machine(), d.at(), d.person(), d.planned(), d.took()))
                        .toList(),
                promises,
                taken);
    }

    private static @Nullable Long person(RoundSituation.Situation s, Plan plan, int task) {
        return s.persons().isEmpty()
                ? null
                : Long.valueOf(s.persons().get(plan.person()[task]).id());
    }

    /** What somebody is at stands in the list too, though it is no longer planned. */
    private static void begun(RoundService.Planned planned, List<VisitJson> visits) {
        var s = planned.situation();
        s.atIt().forEach((key, part) -> {
            var begun = Objects.requireNonNull(planned.kept().begun().get(key));
            var errand = key.startsWith("c/") ? key.substring(0, key.indexOf('/', 2)) : key;
            var about = Objects.requireNonNull(s.about().get(errand));
            visits.add(new VisitJson(
                    key,
                    errand,
                    about.kind(),
                    about.machine(),
                    part.title(),
                    about.say(),
                    about.skipping(),
                    about.cautions(),
                    begun.person(),
                    begun.at(),
                    part.hands(),
                    part.machine(),
                    part.rest(),
                    "",
                    "",
                    begun.at(),
                    true,
                    false,
                    about.kind().equals("card") || about.kind().equals("case") ? Long.valueOf(about.id()) : null,
                    about.routine(),
                    about.channels(),
                    List.of("begun at %s"
                            .formatted(
                                    CLOCK.format(begun.at().atZone(s.minutes().zone())))),
                    about.whereFrom()));
        });
    }

    private static boolean kept(RoundService.Planned planned, int fit, int at) {
        if (fit < 0) {
            return true;
        }
        int task = 0;
        for (int i = 0; i < fit; i++) {
            task += planned.situation().agenda().errands().get(i).parts().size();
        }
        var parts = planned.situation().agenda().errands().get(fit).parts();
        int last = task + parts.size() - 1;
        return planned.plan().planned(last)
                && planned.plan().start()[last]
                                + parts.getLast().hands()
                                + parts.getLast().machine()
                                + parts.getLast().rest()
                        <= at;
    }

    private static WalkerJson walker(RoundService.Planned planned, People.Person p) {
        var s = planned.situation();
        var hours = s.agenda().day().people().get(s.persons().indexOf(p)).hours();
        return new WalkerJson(
                p.id(),
                p.name(),
                hours.isEmpty() ? null : s.minutes().at(hours.getFirst().from()),
                hours.isEmpty() ? null : s.minutes().at(hours.getLast().to()),
                planned.kept().people().containsKey(p.id()));
    }
}
