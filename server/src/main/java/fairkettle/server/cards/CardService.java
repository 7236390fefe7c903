package fairkettle.server.cards;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.changeover.Answer;
import fairkettle.changeover.ChannelPlan;
import fairkettle.clinic.TreatmentCard;
import fairkettle.ink.Family;
import fairkettle.machine.Supply;
import fairkettle.path.Posting;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.CardMoves;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Consequences;
import fairkettle.procedure.Move;
import fairkettle.procedure.Outcome;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.procedure.StepRun;
import fairkettle.server.benches.Defects;
import fairkettle.server.benches.Machines;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.people.Who;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Carries acts to the core's card, and what they come to into the journal. */
@Service
public class CardService {

    /** Kinds of entries that say a step is over, with those of an earlier form of the log. */
    private static final Set<EntryKind> DONE = EnumSet.of(EntryKind.STEP, EntryKind.SKIP, EntryKind.UPKEEP);

    private final Cards cards;
    private final Machines machines;
    private final Changeovers changeovers;
    private final Shelf shelf;
    private final WasteBottles waste;
    private final Defects defects;
    private final Settings settings;
    private final Ledger ledger;
    private final Journal journal;
    private final Pictures pictures;
    private final Shop shop;
    private final Who who;
    private final Clock clock;

    CardService(
            Cards cards,
            Machines machines,
            Changeovers changeovers,
            Shelf shelf,
            WasteBottles waste,
            Defects defects,
            Settings settings,
            Ledger ledger,
            Journal journal,
            Pictures pictures,
            Shop shop,
            Who who,
            Clock clock) {
        this.cards = cards;
        this.machines = machines;
        this.changeovers = changeovers;
        this.shelf = shelf;
        this.waste = waste;
        this.defects = defects;
        this.settings = settings;
        this.ledger = ledger;
        this.journal = journal;
        this.pictures = pictures;
        this.shop = shop;
        this.who = who;
        this.clock = clock;
    }

    // ---- cards are begun -------------------------------------------------------------------------------------------

    /**
     * Makes a plan a card. The plan is worked out afresh, so that a card never rests on figures that are out of date.
     * Whose hands it was reckoned for is kept with it: whoever teaches the machine something later may have others.
     */
    @Transactional
    public long begin(Changeovers.Wish asked) {
        ledger.hold(List.of(asked.machine()), List.of());
        var wish = asked.by(changeovers.experience(asked));
        var machine = machines.get(wish.machine());
        var planned = switch (changeovers.plan(wish)) {
            case Answer.Planned p -> p;
            case Answer.Refused(var reason) -> throw Problem.refused(reason, List.of());
            case Answer.NotSo(var reason, var _) -> throw Problem.refused(reason, List.of());
        };
        if (planned.plan().padAfter() > 1) { // why: found out at the charge, it would be a drained machine that waits
            throw Problem.refused(
                    "Its waste pad does not take what this puts into it: it would stand at %.0f %%. Change the pad first, and say so on the machine’s page."
                            .formatted(100 * planned.plan().padAfter()),
                    List.of());
        }
        var title = "%s → %s".formatted(planned.plan().from(), planned.plan().to());
        var card = Card.of(planned.plan().procedure().reminding(defects.of(machine.id())), clock.instant());
        var family = planned.plan().family();
        var make = changeovers.job(wish).wish().make();
        long id = cards.add(
                machine.id(),
                title,
                make,
                shelf.fluidLot(family, today()),
                machines.kept(machine.fit()),
                machines.kept(planned.plan().fit()),
                wish,
                planned,
                card);
        shelf.reserve(
                id,
                family,
                make,
                planned.plan().channels().stream()
                        .filter(c -> !c.inkUsed().isZero())
                        .collect(Collectors.toMap(ChannelPlan::code, ChannelPlan::inkUsed)),
                planned.plan().fluid(),
                today());
        begun(machine, id, "card begun, " + title);
        return id;
    }

    /** Makes a treatment a card. @param make of the ink that is in the machine */
    @Transactional
    public long treat(
            Machines.Machine machine,
            Family family,
            String make,
            Cards.Treating treating,
            double hands,
            double ink,
            double fluid,
            Map<Supply, Integer> used) {
        var ordered = machine.profile().codes().stream()
                .filter(treating.channels()::contains)
                .toList();
        var procedure = TreatmentCard.of(
                treating.treatment(), ordered, changeovers.terms(machine.id()).freed(machine.profile()), family);
        var promised = new Cards.Summary(Math.round(hands), ink, fluid, 0, "", false, List.of(), used);
        return begin(machine, treating.treatment().label(), family, make, treating, promised, procedure);
    }

    /** Makes bench work a card. @param title of it, as lists say it */
    @Transactional
    public long care(
            Machines.Machine machine,
            Family family,
            String make,
            String title,
            Cards.Caring caring,
            Procedure procedure) {
        if (cards.open().containsKey(machine.id())) {
            throw Problem.refused(
                    "%s has an open card. Finish it, or give it up, first.".formatted(machine.name()), List.of());
        }
        int minutes = procedure.steps().stream().mapToInt(Step::minutes).sum();
        var promised = new Cards.Summary(minutes, 0, 0, 0, "", false, List.of(), Map.of());
        return begin(machine, title, family, make, caring, promised, procedure);
    }

    private long begin(
            Machines.Machine machine,
            String title,
            Family family,
            String make,
            Cards.Kind kind,
            Cards.Summary promised,
            Procedure procedure) {
        ledger.hold(List.of(machine.id()), List.of());
        var card = Card.of(procedure.reminding(defects.of(machine.id())), clock.instant());
        long id = cards.add(
                machine.id(),
                title,
                family,
                make,
                shelf.fluidLot(family, today()),
                machines.kept(machine.fit()),
                kind,
                promised,
                card);
        begun(machine, id, lower(title) + " begun");
        return id;
    }

    private void begun(Machines.Machine machine, long id, String words) {
        journal.write(
                NewEntry.of(EntryKind.CARD, "%s: %s".formatted(machine.name(), words))
                        .machine(machine.id())
                        .card(id, ""),
                List.of(),
                List.of());
    }

    // ---- acts ------------------------------------------------------------------------------------------------------

    /** The card as it is now. */
    public Card look(long id) {
        return cards.get(id).card();
    }

    /**
     * @return what stays although it was taken back, in sentences; empty for every other act
     * @throws Problem with the core's reasons if the act must not be
     */
    @Transactional
    public List<String> act(long id, CardAct act) {
        var kept = cards.hold(id);
        if (kept.givenUp() != null) {
            throw Problem.refused("This card was given up: " + kept.givenUp(), List.of());
        }
        return switch (kept.card().after(act, settings.around(kept), who.name(), clock.instant())) {
            case Outcome.Refused(var reasons) -> throw refused(reasons);
            case Outcome.Stopped(var words) -> {
                giveUp(kept, words, act instanceof CardAct.Fail(var _, var branch) ? branch : "");
                yield List.of();
            }
            case Outcome.Went(var card, var changed) -> changed ? follow(kept, card, act) : List.of();
        };
    }

    /** Several cells of one step at once: all of them, or none. */
    @Transactional
    public void enterAll(long id, String step, Map<String, String> cells) {
        var kept = cards.hold(id);
        if (!kept.open()) {
            throw Problem.refused("This card is not open any more.", List.of());
        }
        var around = settings.around(kept);
        var card = kept.card();
        for (var cell : cells.entrySet()) {
            var enter = new CardAct.Enter(step, cell.getKey(), cell.getValue());
            switch (card.after(enter, around, who.name(), clock.instant())) {
                case Outcome.Refused(var reasons) -> throw refused(reasons);
                case Outcome.Stopped(var words) ->
                    throw new IllegalStateException("Impossible state: a cell stopped the work: " + words);
                case Outcome.Went(var next, var _) -> card = next;
            }
        }
        cards.save(kept, card);
    }

    private static Problem refused(List<Outcome.Reason> reasons) {
        return Problem.refused(
                reasons.getFirst().message(),
                reasons.stream()
                        .map(r -> new Problem.Field(r.message(), r.cell(), r.remedy()))
                        .toList());
    }

    private List<String> follow(Cards.Kept kept, Card card, CardAct act) {
        return switch (act) {
            case CardAct.Strike _, CardAct.TakeBack _, CardAct.StopWait _ -> back(kept, card, act);
            case CardAct.Enter _, CardAct.BeginWait _, CardAct.Skip _, CardAct.Fail _, CardAct.Finish _ -> {
                forward(kept, card, act);
                yield List.of();
            }
        };
    }

    private void forward(Cards.Kept kept, Card card, CardAct act) {
        if (kept.finishedAt() != null) {
            throw Problem.refused("The machine is signed off; this card is history now.", List.of());
        }
        cards.save(kept, card);
        var machine = machines.get(kept.machine());
        var run = kept.card().run(act.step());
        var title = run.step().title();
        switch (act) {
            case CardAct.Enter _, CardAct.Strike _, CardAct.TakeBack _, CardAct.StopWait _ -> {}
            case CardAct.BeginWait(var _, var ago) ->
                write(
                        EntryKind.WAIT,
                        kept,
                        machine,
                        run,
                        "“%s”: the wait %s"
                                .formatted(title, ago == 0 ? "has begun" : "began %d min earlier".formatted(ago)),
                        Consequences.ofWait(run));
            case CardAct.Skip(var _, var reason) ->
                write(
                        EntryKind.SKIP,
                        kept,
                        machine,
                        run,
                        "skipped “%s”: %s".formatted(title, reason),
                        Consequences.ofSkipped(run, reason));
            case CardAct.Fail(var _, var branch) -> {
                var label = run.step().branches().stream()
                        .filter(b -> b.id().equals(branch))
                        .findFirst()
                        .orElseThrow()
                        .label();
                write(
                        EntryKind.BRANCH,
                        kept,
                        machine,
                        run,
                        "“%s”: %s".formatted(title, label),
                        Consequences.ofBranch(run, branch, kept.card()));
            }
            case CardAct.Finish(var _, var accept) ->
                done(
                        kept,
                        machine,
                        card,
                        title + (accept == null ? "" : ", good enough: " + accept),
                        run.step().id());
        }
        if (card.finished()) {
            finished(kept, card);
        }
    }

    private void done(Cards.Kept kept, Machines.Machine machine, Card card, String words, String step) {
        var run = card.run(step);
        var moves = settings.moves(kept, machine, card);
        var bottles = moves.bottlesOf(run);
        ledger.hold(settings.machinesTouched(kept, run), bottles);
        var postings = run.step().move().books() ? booked(machine, run, moves, bottles) : List.<Posting>of();
        var came = Consequences.ofDone(run, kept.card(), card, settings.of(kept, machine, card));
        var cause = Cause.of(
                run.step(),
                run.step().move() instanceof Move.Clean(var _, var each)
                        && each.compareTo(machine.profile().draws().powerCleaning()) >= 0);
        journal.write(
                entry(EntryKind.STEP, kept, machine, step, words + routines(came))
                        .because(cause),
                postings,
                came);
    }

    private List<Posting> booked(Machines.Machine machine, StepRun run, CardMoves moves, Set<Long> bottles) {
        var account = ledger.openAccount(machine.id(), waste.inUse(), bottles);
        moves.carryOut(run, account);
        waste.take(account.postings());
        return account.postings();
    }

    /** “ (shake W1, wiper)”: the routines that a step was. */
    private static String routines(List<Consequence> came) {
        var done = came.stream()
                .filter(c -> c instanceof Consequence.RoutineDone)
                .map(c -> (Consequence.RoutineDone) c)
                .map(c -> c.channel() == null ? c.routine() : c.routine() + " " + c.channel())
                .toList();
        return done.isEmpty() ? "" : " (%s)".formatted(String.join(", ", done));
    }

    private void finished(Cards.Kept kept, Card card) {
        var machine = machines.get(kept.machine());
        long skipped = card.runs().stream()
                .filter(r -> r.status() == StepRun.Status.SKIPPED)
                .count();
        var words = kept.changeover()
                ? "signed off, %s%s"
                        .formatted(kept.title(), skipped == 0 ? "" : "; %d steps skipped".formatted(skipped))
                : lower(kept.title()) + " is done";
        journal.write(
                entry(EntryKind.CARD, kept, machine, "", words),
                List.of(),
                Consequences.ofFinished(card, settings.of(kept, machine, card)));
    }

    // ---- taken back ------------------------------------------------------------------------------------------------

    private List<String> back(Cards.Kept kept, Card card, CardAct act) {
        var stays = new ArrayList<String>();
        if (kept.finishedAt() != null) { // with its last step the card is open again
            cards.stillTheLast(kept);
            journal.standing(kept.id(), "").stream().limit(1).forEach(id -> stays.addAll(journal.strike(id)));
        }
        cards.save(kept, card);
        var standing = standing(kept, act);
        if (standing.isEmpty()) {
            var run = card.run(act.step());
            var words = "struck out “%s”".formatted(run.step().title());
            write(EntryKind.STRIKE, kept, machines.get(kept.machine()), run, words, List.of());
        }
        standing.forEach(id -> stays.addAll(journal.strike(id)));
        return stays;
    }

    /** The entries that an act takes back, the latest first. */
    private List<Long> standing(Cards.Kept kept, CardAct act) {
        var all = journal.standing(kept.id(), act.step()).stream()
                .map(journal::entry)
                .toList();
        var taken = switch (act) {
            case CardAct.StopWait _ ->
                all.stream().filter(e -> e.kind() == EntryKind.WAIT).limit(1);
            case CardAct.TakeBack(var _, var branch, var _) ->
                all.stream().filter(e -> broughtIn(e.id(), branch)).limit(1);
            default -> all.stream().filter(e -> DONE.contains(e.kind()));
        };
        return taken.map(Journal.Entry::id).toList();
    }

    private boolean broughtIn(long entry, String branch) {
        return journal.of(entry).stream()
                .anyMatch(c -> c instanceof Consequence.Branched(var which, var _) && which.equals(branch));
    }

    /** A card's entry is struck out from where it stands in the log. @return what stays all the same, in sentences */
    @Transactional
    public List<String> strike(Journal.Entry entry) {
        var kept = cards.hold(Objects.requireNonNull(entry.card()));
        var step = Objects.requireNonNullElse(entry.step(), "");
        return step.isEmpty() ? strikeWhole(kept, entry) : act(kept.id(), backOf(entry, step));
    }

    private CardAct backOf(Journal.Entry entry, String step) {
        return switch (entry.kind()) {
            case WAIT -> new CardAct.StopWait(step);
            case BRANCH ->
                journal.of(entry.id()).stream()
                        .filter(c -> c instanceof Consequence.Branched)
                        .map(c -> (Consequence.Branched) c)
                        .findFirst()
                        .map(b -> new CardAct.TakeBack(step, b.branch(), b.was()))
                        .orElseThrow(() -> Problem.refused(
                                "This branch was taken before such entries could be taken back. Go on from where the"
                                        + " card stands.",
                                List.of()));
            default -> new CardAct.Strike(step);
        };
    }

    private List<String> strikeWhole(Cards.Kept kept, Journal.Entry entry) {
        if (kept.givenUp() != null && journal.of(entry.id()).stream().anyMatch(c -> c instanceof Consequence.GivenUp)) {
            cards.stillTheLast(kept);
            return journal.strike(entry.id());
        }
        var last = kept.card().runs().stream()
                .filter(r -> r.finishedAt() != null)
                .max(Comparator.comparing(r -> Objects.requireNonNull(r.finishedAt())));
        if (kept.finishedAt() == null || kept.broughtIn() || last.isEmpty()) {
            throw Problem.refused("That a card was begun is not struck out: give it up on its page.", List.of());
        }
        return act(kept.id(), new CardAct.Strike(last.get().step().id()));
    }

    // ---- the rest --------------------------------------------------------------------------------------------------

    @Transactional
    public void giveUp(long id, String reason) {
        var kept = cards.hold(id);
        if (!kept.open()) {
            throw Problem.refused("This card is not open any more.", List.of());
        }
        giveUp(kept, reason.strip(), "");
    }

    /** @param branch of a treatment that had to stop; empty for none */
    private void giveUp(Cards.Kept kept, String why, String branch) {
        var machine = machines.get(kept.machine());
        journal.write(
                entry(EntryKind.CARD, kept, machine, "", "card given up: " + why),
                List.of(),
                Consequences.ofGivenUp(kept.card(), why, settings.purpose(kept), branch.isEmpty() ? null : branch));
    }

    @Transactional
    public void note(long id, String step, String words) {
        cards.note(id, onCard(id, step), who.id(), words.strip(), null);
    }

    @Transactional
    public void photo(long id, String step, Pictures.Sent sent) {
        cards.note(id, onCard(id, step), who.id(), "", pictures.keep(sent));
    }

    private String onCard(long id, String step) {
        return cards.get(id).card().run(step).step().id();
    }

    private void write(
            EntryKind kind,
            Cards.Kept kept,
            Machines.Machine machine,
            StepRun run,
            String words,
            List<Consequence> consequences) {
        journal.write(entry(kind, kept, machine, run.step().id(), words), List.of(), consequences);
    }

    private static NewEntry entry(
            EntryKind kind, Cards.Kept kept, Machines.Machine machine, String step, String words) {
        return NewEntry.of(kind, machine.name() + ": " + words)
                .machine(machine.id())
                .card(kept.id(), step);
    }

    private static String lower(String title) {
        return title.toLowerCase(Locale.ROOT);
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }
}
