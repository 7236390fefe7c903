package fairkettle.server.clinic;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.check.WhitePasses;
import fairkettle.check.Work;
import fairkettle.clinic.Advice;
import fairkettle.clinic.AdviceWords;
import fairkettle.clinic.AnotherRound;
import fairkettle.clinic.Belief;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Drift;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Finding;
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
import fairkettle.machine.Supply;
import fairkettle.path.Place;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Owing;
import fairkettle.procedure.Pause;
import fairkettle.safety.School;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Clinic;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.benches.Passports;
import fairkettle.server.cards.CardService;
import fairkettle.server.cards.Cards;
import fairkettle.server.clinic.CaseBook.Kept;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.Who;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens cases, carries evidence to them from wherever it comes, and opens cards for what is tried. */
@Service
public class ClinicService implements Clinic {

    private static final String SIDES = "sides"; // branches of treatment cards that say more than that they stopped
    private static final String BLOCKED = "blocked";
    private static final Duration FRESH = Duration.ofHours(12); // a check that may open a case without another

    private final CaseBook book;
    private final Judgements judgements;
    private final ClinicSituation situations;
    private final Machines machines;
    private final Checks checks;
    private final Contents contents;
    private final Shelf shelf;
    private final Cards cards;
    private final CardService cardService;
    private final Ledger ledger;
    private final Journal journal;
    private final Owed owed;
    private final Passports passports;
    private final UpkeepBook upkeep;
    private final Shop shop;
    private final Who who;
    private final Pictures pictures;
    private final Clock clock;

    ClinicService(
            CaseBook book,
            Judgements judgements,
            ClinicSituation situations,
            Machines machines,
            Checks checks,
            Contents contents,
            Shelf shelf,
            Cards cards,
            CardService cardService,
            Ledger ledger,
            Journal journal,
            Owed owed,
            Passports passports,
            UpkeepBook upkeep,
            Shop shop,
            Who who,
            Pictures pictures,
            Clock clock) {
        this.book = book;
        this.judgements = judgements;
        this.situations = situations;
        this.machines = machines;
        this.checks = checks;
        this.contents = contents;
        this.shelf = shelf;
        this.cards = cards;
        this.cardService = cardService;
        this.ledger = ledger;
        this.journal = journal;
        this.owed = owed;
        this.passports = passports;
        this.upkeep = upkeep;
        this.shop = shop;
        this.who = who;
        this.pictures = pictures;
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
                    var next = AdviceWords.of(advice(kept), kept.file().situation());
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
        journal.write(
                NewEntry.of(
                                EntryKind.CLINIC,
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
        var passes = printOn(kept, kept.file().progress())
                .orElseThrow(
                        () -> Problem.refused("By the last check either all of its whites print, or none.", List.of()));
        passports.write(kept.machine(), Fact.PRINTS_WITH, passes.words());
        owed.add(kept.machine(), new Owed.NewTask(Owing.NEW_HEAD, Owing.NEW_HEAD.words(), passes.words(), 30, null));
        end(id, Ending.GOOD_ENOUGH, passes.words());
    }

    /** Simple things that the books prove already. */
    Map<SimpleThing, String> known(Machine machine) {
        return situations.known(
                machine,
                book.evenPage(machine.id()).orElse(null),
                book.simpleLooked(machine.id()).orElse(null));
    }

    /** How a new head would get into the machine. */
    AnotherRound.NewHead newHead(long machine) {
        return situations.newHead(machines.get(machine));
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

    /** What a case should do next, by this shop's table and schools. */
    Advice advice(Kept kept) {
        return kept.file()
                .waiting(clock.instant(), looksAtOnce(kept.machine()))
                .orElseGet(() -> judgement(kept).advice());
    }

    /** Until when the last check of a case is no verdict. */
    Optional<Instant> provisionalUntil(Kept kept) {
        return kept.file().provisionalUntil().filter(clock.instant()::isBefore);
    }

    /** Whether this shop, or this machine, takes a good check after a power cleaning as it is. */
    private boolean looksAtOnce(long machine) {
        var usual = shop.settings().schools().getOrDefault(School.WAIT_AFTER_POWER_CLEANING, "");
        return machines.get(machine)
                .schools()
                .getOrDefault(School.WAIT_AFTER_POWER_CLEANING, usual)
                .equals("look");
    }

    /** What is believed of a case and advised in it, by all that this shop learned. */
    Judgements.Judgement judgement(Kept kept) {
        return judgements.of(kept.file(), book.outcomes());
    }

    /** The table as this shop reads it by now. */
    private Table table(Family family) {
        return Learning.applied(Table.USUAL, book.outcomes(), family);
    }

    /** How it is before anything is tried: one picture, that all later ones are held against. */
    @Transactional
    public void before(long id, Pictures.Sent sent) {
        var kept = hold(id);
        if (!kept.file().tried().isEmpty()) {
            throw Problem.refused(
                    "Something was tried already: this would not show how it was before. Send it as a check.",
                    List.of());
        }
        if (kept.before() != null) {
            throw Problem.refused(
                    "There is a picture of how it was already. Strike it out in the log to take another.", List.of());
        }
        journal.write(
                NewEntry.of(
                                EntryKind.CLINIC,
                                "%s: a picture of how it was before anything was tried".formatted(kept.machineName()))
                        .machine(kept.machine()),
                List.of(),
                List.of(new Consequence.SeenBefore(id, pictures.keep(sent))));
        book.changed(kept.machine());
    }

    /** @throws Problem if the case has ended, or the evidence is of a channel that is not there */
    @Transactional
    public void say(long id, Evidence evidence) {
        var kept = hold(id);
        check(kept, evidence);
        var told = List.of(new Consequence.Told(id, book.written(evidence)));
        switch (evidence) {
            case Evidence.Done(var treatment, var channels, var _) -> {
                var so = kept.file().progress();
                var rule = against(kept, so, treatment, channels);
                if (rule.isPresent() && never(so, treatment)) {
                    throw Problem.refused(rule.orElseThrow(), List.of());
                }
                var came = new ArrayList<Consequence>(told);
                if (!treatment.rest().isZero()) { // why: the rest belongs to it, whoever did it
                    came.add(new Consequence.WaitBegun(new Pause(
                            "rest after the " + treatment.label().toLowerCase(Locale.ROOT),
                            treatment.rest(),
                            null,
                            false)));
                }
                bookDone(
                        kept,
                        treatment,
                        channels,
                        rule.map(r -> " (against the rule: " + r + ")").orElse(""),
                        came);
            }
            case Evidence.Page(var seen) -> bookPage(kept, seen.keySet(), told);
            default ->
                journal.write(
                        NewEntry.of(EntryKind.CLINIC, "%s: its case was told something".formatted(kept.machineName()))
                                .machine(kept.machine()),
                        List.of(),
                        told);
        }
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
    private void bookDone(
            Kept kept, Treatment treatment, Set<ChannelCode> channels, String rule, List<Consequence> came) {
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
        var kind = treatment.cleans() ? EntryKind.CLEANING : EntryKind.TREATMENT;
        journal.write(
                NewEntry.of(
                                kind,
                                "%s: %s%s%s"
                                        .formatted(
                                                machine.name(),
                                                treatment.label().toLowerCase(Locale.ROOT),
                                                treatment.perChannel()
                                                        ? ", "
                                                                + channels.stream()
                                                                        .map(ChannelCode::code)
                                                                        .sorted()
                                                                        .collect(Collectors.joining(" "))
                                                        : "",
                                                rule))
                        .machine(machine.id())
                        .about(treatment == Treatment.POWER_CLEANING ? Machines.POWER : null)
                        .because(treatment == Treatment.POWER_CLEANING ? Cause.POWER_CLEANINGS : kind.cause()),
                account.postings(),
                came);
    }

    private void bookPage(Kept kept, Set<ChannelCode> channels, List<Consequence.Told> told) {
        var machine = machines.get(kept.machine());
        var account = ledger.openAccount(machine.id());
        channels.forEach(c -> account.flow(
                machine.profile().channel(c), machine.profile().draws().sheet(), Place.Outside.PAPER));
        journal.write(
                NewEntry.of(
                                EntryKind.PURGE,
                                "%s: a full page, %s"
                                        .formatted(
                                                machine.name(),
                                                channels.stream()
                                                        .map(ChannelCode::code)
                                                        .sorted()
                                                        .collect(Collectors.joining(" "))))
                        .machine(machine.id()),
                account.postings(),
                told);
    }

    private static Set<ChannelCode> inked(Machine machine) {
        return machine.holdings().entrySet().stream()
                .filter(e -> !(e.getValue() instanceof Holding.NeverInked))
                .map(Map.Entry::getKey)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /**
     * Opens a card for what is to be tried, advised or not.
     *
     * @param anyway why, if a rule speaks against it; blank if nobody said. @return the card
     * @throws Problem if a rule speaks against it, and nothing is said or nothing could be
     */
    @Transactional
    long treat(long id, Treatment treatment, Set<ChannelCode> channels, String anyway) {
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
        var so = kept.file().progress();
        var rule = against(kept, so, treatment, on);
        if (rule.isPresent()) {
            if (never(so, treatment)) {
                throw Problem.refused(rule.orElseThrow(), List.of());
            }
            if (anyway.isBlank()) {
                throw Problem.atField("anyway", rule.orElseThrow() + " To do it all the same, say why.");
            }
            journal.write(
                    NewEntry.of(
                                    EntryKind.CLINIC,
                                    "%s: %s against the rule (%s) because: %s"
                                            .formatted(
                                                    machine.name(),
                                                    treatment.label(),
                                                    rule.orElseThrow(),
                                                    anyway.strip()))
                            .machine(machine.id()),
                    List.of());
        }
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

    /** Why something should not be done now, by the ground rules, the shop's schools and the rest that runs. */
    Optional<String> against(Kept kept, Progress so, Treatment treatment, Set<ChannelCode> channels) {
        return kept.file().against(treatment, channels, so, clock.instant());
    }

    /** Whether no reason opens it: the head is lost, or the machine is not built for it. */
    static boolean never(Progress so, Treatment treatment) {
        return so.parted() || !so.situation().builtFor(treatment);
    }

    @Transactional
    public void end(long id, Ending ending, String words) {
        var kept = hold(id);
        if (cards.open().values().stream()
                .anyMatch(
                        c -> c.machine() == kept.machine() && cards.get(c.id()).kind() instanceof Cards.Treating)) {
            throw Problem.refused("A card of this case is open. Finish it, or give it up, first.", List.of());
        }
        if (ending == Ending.CURED) {
            cured(kept);
        }
        var table = table(kept.file().situation().family());
        book.end(kept, ending, words.strip());
        book.learned(id, kept.file().outcomes(table));
        watch(kept, ending, kept.file().state(table).belief());
        journal.write(
                NewEntry.of(
                                EntryKind.CLINIC,
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

    /** @throws Problem unless a check that counts says so; what is no matter of ink needs none */
    private void cured(Kept kept) {
        if (kept.file().situation().complaints().stream().noneMatch(Complaint::ink)) {
            return;
        }
        var so = kept.file().progress();
        boolean atOnce = looksAtOnce(kept.machine()) && so.failing().isEmpty();
        if (provisionalUntil(kept).isPresent() && !atOnce) {
            throw Problem.refused(
                    "The last check came before the rest was over: early success is luck. Look again when it is.",
                    List.of());
        }
        if (!so.lookedOnce() || so.lookDue()) {
            throw Problem.refused(
                    "Nobody has looked since the last act. A check says whether it is cured: print one.", List.of());
        }
        if (!so.failing().isEmpty()) {
            throw Problem.refused(
                    "By the last check or page %s not cured. Close it as good enough, or go on."
                            .formatted(
                                    so.failing().stream().map(ChannelCode::code).collect(Collectors.joining(", "))
                                            + (so.failing().size() == 1 ? " is" : " are")),
                    List.of());
        }
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
                                Owing.CHECK_AFTER_CURE,
                                Owing.CHECK_AFTER_CURE.words(),
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

    // ---- what other books tell ------------------------------------------------------------------------------------

    /**
     * A bottle turned out bad: each machine that it reached gets a case, and one that has a case or a card is told
     * there.
     */
    void spoiled(Act act, long lot, String why) {
        var code = shelf.find(lot).map(Shelf.Lot::code).orElse("a bottle");
        contents.holding(lot).forEach((id, channels) -> {
            var machine = machines.get(id);
            var reached = channels.stream().map(ChannelCode::code).sorted().collect(Collectors.joining(" "));
            var words = "Filled from %s, which was marked bad: %s. Channels %s.".formatted(code, why, reached);
            var open = cards.open().get(id);
            if (open != null) {
                cards.tell(open.id(), words);
            }
            if (book.openOf(id).isPresent()) {
                book.tell(book.openOf(id).orElseThrow(), words);
            } else if (open == null) {
                open(
                        machine,
                        Set.of(Complaint.HUE),
                        Work.values()[0],
                        words,
                        UUID.nameUUIDFromBytes(("lot/" + lot).getBytes(StandardCharsets.UTF_8)));
            }
        });
    }

    /** The machine's ink was renewed by a changeover: for its case that is a treatment of every channel. */
    void renewed(Act act) {
        book.openOf(act.machine())
                .ifPresent(kept -> book.add(
                        kept,
                        who.name(),
                        new Evidence.Done(Treatment.RENEW, Set.copyOf(codes(kept)), true),
                        act.entry()));
    }

    /** Crust at an inlet is evidence, whoever saw it. */
    void inletsSeen(Act act, Map<ChannelCode, Boolean> crusted) {
        book.openOf(act.machine())
                .ifPresent(kept -> codes(kept).stream()
                        .filter(crusted::containsKey)
                        .forEach(c -> book.add(
                                kept, who.name(), new Evidence.Crust(c, crusted.getOrDefault(c, false)), act.entry())));
    }

    /** Somebody looked at a machine that has a case. */
    void looked(Act act) {
        book.openOf(act.machine()).ifPresent(kept -> {
            var seen = new LinkedHashMap<ChannelCode, List<Integer>>();
            var known = codes(kept);
            checks.latest(act.machine(), 1).forEach((code, list) -> {
                if (known.contains(ChannelCode.of(code))) {
                    seen.put(ChannelCode.of(code), list.getFirst().missing());
                }
            });
            book.add(kept, who.name(), new Evidence.Look(seen), act.entry());
        });
    }

    /** A card of a case is done, or had to stop. */
    void treated(Act act, Consequence.Treated treated) {
        if (!(cards.get(act.card()).kind() instanceof Cards.Treating treating)) {
            return;
        }
        var kept = book.hold(treating.caseId());
        if (!kept.open()) {
            return;
        }
        var branch = Objects.requireNonNullElse(treated.branch(), "");
        if (branch.isEmpty() || branch.equals(SIDES)) {
            book.add(
                    kept,
                    who.name(),
                    new Evidence.Done(treating.treatment(), treating.channels(), treated.rested()),
                    act.entry());
        }
        if (branch.equals(SIDES)) {
            book.add(kept, who.name(), new Evidence.Parted(), act.entry());
        }
        if (branch.equals(BLOCKED)) {
            treating.channels()
                    .forEach(c ->
                            book.add(kept, who.name(), new Evidence.Felt(c, Evidence.Feel.NOTHING_HARD), act.entry()));
        }
    }

    private static List<ChannelCode> codes(Kept kept) {
        return kept.file().situation().channels().stream().map(p -> p.code()).toList();
    }
}
