package fairkettle.server.clinic;

import fairkettle.changeover.Supply;
import fairkettle.check.WhitePasses;
import fairkettle.check.Work;
import fairkettle.clinic.AdviceWords;
import fairkettle.clinic.Belief;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Drift;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Finding;
import fairkettle.clinic.GroundRules;
import fairkettle.clinic.Learning;
import fairkettle.clinic.Progress;
import fairkettle.clinic.SimpleThing;
import fairkettle.clinic.Table;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Fact;
import fairkettle.path.Place;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Clinic;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.benches.Passports;
import fairkettle.server.cards.CardService;
import fairkettle.server.cards.Cards;
import fairkettle.server.clinic.CaseBook.Kept;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.Who;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens cases, carries evidence to them from wherever it comes, and opens cards for what is tried. */
@Service
public class ClinicService implements Clinic {

    private static final Duration FRESH = Duration.ofHours(12); // a check that may open a case without another

    private final CaseBook book;
    private final ClinicSituation situations;
    private final Machines machines;
    private final Checks checks;
    private final Cards cards;
    private final CardService cardService;
    private final Ledger ledger;
    private final Owed owed;
    private final Passports passports;
    private final UpkeepBook upkeep;
    private final Shop shop;
    private final Who who;
    private final Clock clock;

    ClinicService(
            CaseBook book,
            ClinicSituation situations,
            Machines machines,
            Checks checks,
            Cards cards,
            CardService cardService,
            Ledger ledger,
            Owed owed,
            Passports passports,
            UpkeepBook upkeep,
            Shop shop,
            Who who,
            Clock clock) {
        this.book = book;
        this.situations = situations;
        this.machines = machines;
        this.checks = checks;
        this.cards = cards;
        this.cardService = cardService;
        this.ledger = ledger;
        this.owed = owed;
        this.passports = passports;
        this.upkeep = upkeep;
        this.shop = shop;
        this.who = who;
        this.clock = clock;
    }

    @Override
    @Transactional(readOnly = true)
    public Map<Long, Ill> ill() {
        return book.open().stream()
                .collect(Collectors.toMap(
                        Kept::machine,
                        k -> new Ill(
                                k.id(),
                                k.file().situation().complaints().stream()
                                        .sorted()
                                        .map(c -> c.label().toLowerCase(Locale.ROOT))
                                        .collect(Collectors.joining(", ")))));
    }

    /**
     * A case that waits for a hand. @param rest minutes for which it takes the machine away, then; @param step how much
     * is known of it so far; @param card that is open for it, 0 for none
     */
    public record Waiting(long id, int step, long machine, String title, double minutes, int rest, long card) {}

    /** What every open case asks for next. */
    @Transactional(readOnly = true)
    public List<Waiting> waiting() {
        var open = cards.open();
        return book.open().stream()
                .map(kept -> {
                    var next = AdviceWords.of(
                            kept.file().advice(table(kept.file().situation().family()), clock.instant()),
                            kept.file().situation());
                    var card = open.get(kept.machine());
                    return new Waiting(
                            kept.id(),
                            kept.file().evidence().size(),
                            kept.machine(),
                            card == null ? next.title() : card.title(),
                            next.minutes(),
                            (int) Math.max(0, next.lasts().toMinutes() - Math.round(next.minutes())),
                            card == null ? 0 : card.id());
                })
                .toList();
    }

    /** @param ids machines that fail alike, or just one. @return the cases, in their order */
    @Transactional
    public List<Long> open(List<Long> ids, Set<Complaint> complaints, Work work, String words) {
        if (complaints.isEmpty()) {
            throw Problem.atField("complaints", "Say what is wrong, in any words that fit.");
        }
        var together = UUID.randomUUID();
        return ids.stream()
                .distinct()
                .map(machines::get)
                .map(machine -> open(machine, complaints, work, words, together))
                .toList();
    }

    private long open(Machine machine, Set<Complaint> complaints, Work work, String words, UUID together) {
        if (machine.holdings().values().stream().noneMatch(h -> h instanceof Holding.Inked)) {
            throw Problem.refused(
                    "%s holds no ink that could be ill. Begin with a changeover.".formatted(machine.name()), List.of());
        }
        if (book.openOf(machine.id()).isPresent()) {
            throw Problem.refused("%s has a case already.".formatted(machine.name()), List.of());
        }
        long id = book.open(
                machine.id(),
                together,
                who.name(),
                words.strip(),
                work.name(),
                situations.of(machine, complaints, work, known(machine).size() == SimpleThing.values().length));
        var fresh = freshCheck(machine);
        if (fresh.keySet().containsAll(machine.holdings().keySet())) {
            book.add(book.get(id), who.name(), new Evidence.Look(fresh), null);
        }
        ledger.record(
                NewEntry.of(
                                "clinic",
                                "%s: a case was opened, %s"
                                        .formatted(
                                                machine.name(),
                                                complaints.stream()
                                                        .map(c -> c.label().toLowerCase(Locale.ROOT))
                                                        .sorted()
                                                        .collect(Collectors.joining(", "))))
                        .machine(machine.id()),
                List.of());
        return id;
    }

    Map<SimpleThing, String> known(long machine) {
        return known(machines.get(machine));
    }

    /** Whether it can go on with those of its whites that print. */
    Optional<WhitePasses> printOn(Kept kept, Progress so) {
        return !kept.open() || !so.lookedOnce()
                ? Optional.empty()
                : WhitePasses.of(kept.file().situation().channels().stream()
                        .map(p -> new WhitePasses.Counted(p.code(), so.gaps(p.code()), p.strokes()))
                        .toList());
    }

    /** Set to the whites that print, until there is a head for the others. */
    @Transactional
    void printOn(long id) {
        var kept = hold(id);
        var passes = printOn(
                        kept,
                        kept.file()
                                .state(table(kept.file().situation().family()))
                                .progress())
                .orElseThrow(
                        () -> Problem.refused("By the last check either all of its whites print, or none.", List.of()));
        passports.write(kept.machine(), Fact.PRINTS_WITH, passes.words());
        owed.add(kept.machine(), new Owed.NewTask("A new head, or the whites once more", passes.words(), 30, null));
        end(id, Ending.GOOD_ENOUGH, passes.words());
    }

    /** Simple things that the books prove already. */
    Map<SimpleThing, String> known(Machine machine) {
        return situations.known(
                machine,
                book.evenPage(machine.id()).orElse(null),
                book.simpleLooked(machine.id()).orElse(null));
    }

    private Map<ChannelCode, List<Integer>> freshCheck(Machine machine) {
        var seen = new LinkedHashMap<ChannelCode, List<Integer>>();
        var since = clock.instant().minus(FRESH);
        checks.latest(machine.id(), 1)
                .forEach((code, list) -> list.stream()
                        .filter(c -> c.at().isAfter(since))
                        .findFirst()
                        .ifPresent(c -> seen.put(ChannelCode.of(code), c.missing())));
        return seen;
    }

    /** The table as this shop reads it by now. */
    Table table(Family family) {
        return Learning.applied(Table.USUAL, book.outcomes(), family);
    }

    /** @throws Problem if the case has ended, or the evidence is of a channel that is not there */
    @Transactional
    public void say(long id, Evidence evidence) {
        var kept = hold(id);
        check(kept, evidence);
        Long entry = null;
        switch (evidence) {
            case Evidence.Done(var treatment, var channels, var _) -> entry = bookDone(kept, treatment, channels);
            case Evidence.Page(var seen) -> entry = bookPage(kept, seen.keySet());
            default -> {}
        }
        book.add(kept, who.name(), evidence, entry);
    }

    private static void check(Kept kept, Evidence evidence) {
        var known =
                kept.file().situation().channels().stream().map(p -> p.code()).collect(Collectors.toSet());
        Set<ChannelCode> named = switch (evidence) {
            case Evidence.Page(var seen) -> seen.keySet();
            case Evidence.Done(var _, var channels, var _) -> channels;
            case Evidence.Simple(var found) -> found;
            case Evidence.Bubbles(var c, var _) -> Set.of(c);
            case Evidence.Thread(var c, var _) -> Set.of(c);
            case Evidence.Crust(var c, var _) -> Set.of(c);
            case Evidence.Felt(var c, var _) -> Set.of(c);
            case Evidence.Filled(var c, var _) -> Set.of(c);
            case Evidence.Look(var missing) -> missing.keySet();
            case Evidence.WasteRose _, Evidence.Parted _, Evidence.Tried _, Evidence.Shifted _ -> Set.of();
        };
        if (!known.containsAll(named)) {
            var strange = new TreeSet<>(named);
            strange.removeAll(known);
            throw Problem.refused("This machine has no channel %s.".formatted(strange.first()), List.of());
        }
    }

    /** Done outside any card: the ink it took is booked, as far as anybody can say. */
    private long bookDone(Kept kept, Treatment treatment, Set<ChannelCode> channels) {
        var machine = machines.get(kept.machine());
        var draws = machine.profile().draws();
        var account = ledger.openAccount(machine.id());
        if (treatment.cleans()) {
            inked(machine)
                    .forEach(c -> account.flow(
                            machine.profile().channel(c),
                            treatment == Treatment.CLEANING ? draws.cleaning() : draws.powerCleaning(),
                            new Place.Pad(machine.id())));
        } else if (treatment.perChannel()) {
            double each =
                    kept.file().situation().takes(treatment, channels.size()).mL() / Math.max(1, channels.size());
            if (each > 0) {
                channels.forEach(c -> account.flow(
                        machine.profile().channel(c),
                        new Millilitres(Math.round(each * 1000)),
                        Place.Outside.WASTE_BOTTLE));
            }
        }
        return ledger.record(
                NewEntry.of(
                                treatment.cleans() ? "cleaning" : "treatment",
                                "%s: %s%s"
                                        .formatted(
                                                machine.name(),
                                                treatment.label().toLowerCase(Locale.ROOT),
                                                treatment.perChannel()
                                                        ? ", "
                                                                + channels.stream()
                                                                        .map(ChannelCode::code)
                                                                        .sorted()
                                                                        .collect(Collectors.joining(" "))
                                                        : ""))
                        .machine(machine.id()),
                account.postings());
    }

    private long bookPage(Kept kept, Set<ChannelCode> channels) {
        var machine = machines.get(kept.machine());
        var account = ledger.openAccount(machine.id());
        channels.forEach(c -> account.flow(
                machine.profile().channel(c), machine.profile().draws().sheet(), Place.Outside.PAPER));
        return ledger.record(
                NewEntry.of(
                                "purge",
                                "%s: a full page, %s"
                                        .formatted(
                                                machine.name(),
                                                channels.stream()
                                                        .map(ChannelCode::code)
                                                        .sorted()
                                                        .collect(Collectors.joining(" "))))
                        .machine(machine.id()),
                account.postings());
    }

    private static Set<ChannelCode> inked(Machine machine) {
        return machine.holdings().entrySet().stream()
                .filter(e -> !(e.getValue() instanceof Holding.NeverInked))
                .map(Map.Entry::getKey)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Opens a card for what is to be tried, advised or not. @return the card */
    @Transactional
    long treat(long id, Treatment treatment, Set<ChannelCode> channels) {
        var kept = hold(id);
        var machine = machines.get(kept.machine());
        if (cards.open().containsKey(machine.id())) {
            throw Problem.refused(
                    "%s has an open card. Finish it, or give it up, first.".formatted(machine.name()), List.of());
        }
        var on = treatment.perChannel() ? channels : inked(machine);
        if (on.isEmpty()) {
            throw Problem.atField("channels", "Which channels?");
        }
        if (treatment == Treatment.RENEW) {
            throw Problem.refused(
                    "Renewing the ink is a changeover with its own plan: “The same ink, fresh”. When it is signed off,"
                            + " this case knows.",
                    List.of());
        }
        check(kept, new Evidence.Done(treatment, on));
        var takes = kept.file().situation().takes(treatment, on.size());
        return cardService.treat(
                machine,
                kept.file().situation().family(),
                machine.make(),
                new Cards.Treating(id, treatment, on),
                treatment.hands(on.size()),
                takes.mL(),
                takes.fluid(),
                treatment == Treatment.NEW_DAMPER || treatment == Treatment.FLUSH_LINE
                        ? Map.of(Supply.DAMPER, on.size())
                        : Map.of());
    }

    /** Whether a machine needs ever more care. */
    Optional<String> drift(Kept kept) {
        var today = LocalDate.ofInstant(clock.instant(), shop.settings().zoneId());
        return Drift.of(
                kept.machineName(),
                book.cases(kept.machine(), clock.instant().minus(Duration.ofDays(Drift.CASES_SPAN))),
                upkeep.cleanings(kept.machine(), today.minusDays(Drift.SPAN), today),
                upkeep.cleanings(kept.machine(), today.minusDays(2 * Drift.SPAN), today.minusDays(Drift.SPAN)));
    }

    /** Why something should not be done now; for who wants to all the same. */
    static String caution(Treatment treatment, Set<ChannelCode> channels, Kept kept, Progress so) {
        return GroundRules.against(
                        treatment,
                        channels.isEmpty()
                                ? Set.of(kept.file()
                                        .situation()
                                        .channels()
                                        .getFirst()
                                        .code())
                                : channels,
                        so)
                .orElse("");
    }

    @Transactional
    public void end(long id, Ending ending, String words) {
        var kept = hold(id);
        if (cards.open().values().stream()
                .anyMatch(
                        c -> c.machine() == kept.machine() && cards.get(c.id()).treating() != null)) {
            throw Problem.refused("A card of this case is open. Finish it, or give it up, first.", List.of());
        }
        if (ending == Ending.CURED
                && kept.file()
                        .provisionalUntil()
                        .filter(clock.instant()::isBefore)
                        .isPresent()) {
            throw Problem.refused(
                    "The last check came before the rest was over: early success is luck. Look again when it is.",
                    List.of());
        }
        var table = table(kept.file().situation().family());
        book.end(kept, ending, words.strip());
        book.learned(id, kept.file().outcomes(table));
        watch(kept, ending, kept.file().state(table).belief());
        ledger.record(
                NewEntry.of(
                                "clinic",
                                "%s: the case is closed, %s%s"
                                        .formatted(
                                                kept.machineName(),
                                                ending.name()
                                                        .toLowerCase(Locale.ROOT)
                                                        .replace('_', ' '),
                                                words.isBlank() ? "" : ": " + words.strip()))
                        .machine(kept.machine()),
                List.of());
    }

    /** Fit now is not fit tomorrow while something is still suspected. */
    private void watch(Kept kept, Ending ending, Belief belief) {
        if (ending != Ending.CURED && ending != Ending.GOOD_ENOUGH) {
            return;
        }
        Finding.stillSuspect(belief)
                .ifPresent(f -> owed.add(
                        kept.machine(),
                        new Owed.NewTask(
                                "Nozzle check after the cure",
                                "Fit when the case was closed; %s is still suspected."
                                        .formatted(f.cause().label()),
                                1,
                                null)));
    }

    private Kept hold(long id) {
        var kept = book.hold(id);
        if (!kept.open()) {
            throw Problem.refused("This case is closed.", List.of());
        }
        return kept;
    }

    /** Ink that turned out bad is in these machines: each gets a case, unless it has one. */
    @EventListener
    void spoiled(Shelf.Spoiled event) {
        machines.all().stream()
                .filter(m -> m.holdings().keySet().stream().anyMatch(c -> machines.lotIn(m.id(), c) == event.lot()))
                .filter(m -> book.openOf(m.id()).isEmpty() && !cards.open().containsKey(m.id()))
                .forEach(m -> {
                    var channels = m.holdings().keySet().stream()
                            .filter(c -> machines.lotIn(m.id(), c) == event.lot())
                            .map(ChannelCode::code)
                            .sorted()
                            .collect(Collectors.joining(" "));
                    open(
                            m,
                            Set.of(Complaint.HUE),
                            Work.values()[0],
                            "Filled from %s, which was marked bad: %s. Channels %s."
                                    .formatted(event.code(), event.why(), channels),
                            UUID.nameUUIDFromBytes(("lot/" + event.lot()).getBytes(StandardCharsets.UTF_8)));
                });
    }

    /** The machine's ink was renewed by a changeover: for its case that is a treatment of every channel. */
    @EventListener
    void renewed(CardService.Renewed event) {
        book.openOf(event.machine())
                .ifPresent(kept -> book.add(
                        kept,
                        who.name(),
                        new Evidence.Done(
                                Treatment.RENEW,
                                kept.file().situation().channels().stream()
                                        .map(p -> p.code())
                                        .collect(Collectors.toSet()),
                                true),
                        null));
    }

    /** Crust at an inlet is evidence, whoever saw it. */
    @EventListener
    void inletsSeen(CardService.InletsSeen event) {
        book.openOf(event.machine())
                .ifPresent(kept -> kept.file().situation().channels().stream()
                        .map(p -> p.code())
                        .filter(event.crusted()::containsKey)
                        .forEach(c -> book.add(
                                kept,
                                who.name(),
                                new Evidence.Crust(c, event.crusted().getOrDefault(c, false)),
                                null)));
    }

    // ---- what other screens tell -----------------------------------------------------------------------------------

    /** Somebody looked at a machine that has a case. */
    @EventListener
    void looked(Checks.Looked event) {
        book.openOf(event.machine()).ifPresent(kept -> {
            var seen = new LinkedHashMap<ChannelCode, List<Integer>>();
            var known = kept.file().situation().channels().stream()
                    .map(p -> p.code())
                    .collect(Collectors.toSet());
            checks.latest(event.machine(), 1).forEach((code, list) -> {
                if (known.contains(ChannelCode.of(code))) {
                    seen.put(ChannelCode.of(code), list.getFirst().missing());
                }
            });
            book.add(kept, who.name(), new Evidence.Look(seen), event.entry());
        });
    }

    /** A card of a case is done, or had to stop. */
    @EventListener
    void treated(CardService.Treated event) {
        var kept = book.hold(event.treating().caseId());
        if (!kept.open()) {
            return;
        }
        if (event.branch() == null || event.branch().equals("sides")) {
            book.add(
                    kept,
                    who.name(),
                    new Evidence.Done(
                            event.treating().treatment(), event.treating().channels(), event.rested()),
                    null);
        }
        if ("sides".equals(event.branch())) {
            book.add(kept, who.name(), new Evidence.Parted(), null);
        }
        if ("blocked".equals(event.branch())) {
            event.treating()
                    .channels()
                    .forEach(c -> book.add(kept, who.name(), new Evidence.Felt(c, Evidence.Feel.NOTHING_HARD), null));
        }
    }
}
