package fairkettle.server.cards;

import fairkettle.benchwork.BenchCard;
import fairkettle.changeover.Answer;
import fairkettle.changeover.ChannelPlan;
import fairkettle.changeover.Purpose;
import fairkettle.changeover.Supply;
import fairkettle.clinic.TreatmentCard;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Fact;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.CardMoves;
import fairkettle.procedure.Condition;
import fairkettle.procedure.Entries;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Outcome;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.procedure.StepRun;
import fairkettle.procedure.Surroundings;
import fairkettle.routine.Routine;
import fairkettle.routine.Routines;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Defects;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.hob.Hob;
import fairkettle.server.keys.Vault;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.Who;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Carries acts to the core's card, and what came of them to the ink account, the log, the hob and the machine. */
@Service
public class CardService {

    private static final String ALIGN = "Align the head";

    private final Cards cards;
    private final Machines machines;
    private final Checks checks;
    private final Changeovers changeovers;
    private final Shelf shelf;
    private final Supplies supplies;
    private final WasteBottles waste;
    private final Owed owed;
    private final Passports passports;
    private final Vault vault;
    private final Defects defects;
    private final Ledger ledger;
    private final Hob hob;
    private final Pictures pictures;
    private final Shop shop;
    private final Who who;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    CardService(
            Cards cards,
            Machines machines,
            Checks checks,
            Changeovers changeovers,
            Shelf shelf,
            Supplies supplies,
            WasteBottles waste,
            Owed owed,
            Passports passports,
            Vault vault,
            Defects defects,
            Ledger ledger,
            Hob hob,
            Pictures pictures,
            Shop shop,
            Who who,
            Clock clock,
            ApplicationEventPublisher events) {
        this.cards = cards;
        this.machines = machines;
        this.checks = checks;
        this.changeovers = changeovers;
        this.shelf = shelf;
        this.supplies = supplies;
        this.waste = waste;
        this.owed = owed;
        this.passports = passports;
        this.vault = vault;
        this.defects = defects;
        this.ledger = ledger;
        this.hob = hob;
        this.pictures = pictures;
        this.shop = shop;
        this.who = who;
        this.clock = clock;
        this.events = events;
    }

    /**
     * Makes a plan a card. The plan is worked out afresh, so that a card never rests on figures that are out of date.
     */
    @Transactional
    public long begin(Changeovers.Wish wish) {
        var machine = machines.get(wish.machine());
        var planned = switch (changeovers.plan(wish)) {
            case Answer.Planned p -> p;
            case Answer.Refused(var reason) -> throw Problem.refused(reason, List.of());
            case Answer.NotSo(var reason, var _) -> throw Problem.refused(reason, List.of());
        };
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
                        .collect(java.util.stream.Collectors.toMap(ChannelPlan::code, ChannelPlan::inkUsed)),
                planned.plan().fluid(),
                today());
        ledger.record(
                NewEntry.of("card", "%s: card begun, %s".formatted(machine.name(), title))
                        .machine(machine.id())
                        .card(id, ""),
                List.of());
        return id;
    }

    /**
     * A treatment of a case went well, or had to be stopped: said within its transaction. @param branch why it was
     * stopped; null if it is done; @param rested whether every wait on it was kept
     */
    public record Treated(Cards.Treating treating, @Nullable String branch, boolean rested) {}

    /** A changeover that renewed a machine's ink is signed off. */
    public record Renewed(long machine) {}

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
        var card = Card.of(
                TreatmentCard.of(treating.treatment(), ordered, machine.profile(), family)
                        .reminding(defects.of(machine.id())),
                clock.instant());
        var promised = new Cards.Summary(Math.round(hands), ink, fluid, 0, "", null, null, used);
        long id = cards.add(
                machine.id(),
                treating.treatment().label(),
                family,
                make,
                shelf.fluidLot(family, today()),
                machines.kept(machine.fit()),
                treating,
                null,
                promised,
                card);
        ledger.record(
                NewEntry.of(
                                "card",
                                "%s: %s begun"
                                        .formatted(
                                                machine.name(),
                                                treating.treatment().label().toLowerCase(java.util.Locale.ROOT)))
                        .machine(machine.id())
                        .card(id, ""),
                List.of());
        return id;
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
        var card = Card.of(procedure.reminding(defects.of(machine.id())), clock.instant());
        int minutes = procedure.steps().stream().mapToInt(Step::minutes).sum();
        long id = cards.add(
                machine.id(),
                title,
                family,
                make,
                shelf.fluidLot(family, today()),
                machines.kept(machine.fit()),
                null,
                caring,
                new Cards.Summary(minutes, 0, 0, 0, "", null, null, null),
                card);
        ledger.record(
                NewEntry.of("card", "%s: %s begun".formatted(machine.name(), title.toLowerCase(java.util.Locale.ROOT)))
                        .machine(machine.id())
                        .card(id, ""),
                List.of());
        return id;
    }

    /** The card as it is now. */
    public Card look(long id) {
        return cards.get(id).card();
    }

    /** @throws Problem with the core's reasons if the act must not be */
    @Transactional
    public void act(long id, CardAct act) {
        var kept = cards.hold(id);
        if (kept.givenUp() != null) {
            throw Problem.refused("This card was given up: " + kept.givenUp(), List.of());
        }
        var surroundings = new Around(kept);
        switch (kept.card().after(act, surroundings, who.name(), clock.instant())) {
            case Outcome.Refused(var reasons) ->
                throw Problem.refused(
                        reasons.getFirst().message(),
                        reasons.stream()
                                .map(r -> new Problem.Field(r.message(), r.cell(), r.remedy()))
                                .toList());
            case Outcome.Stopped(var words) -> {
                giveUp(id, words);
                if (kept.treating() != null && act instanceof CardAct.Fail(var _, var branch)) {
                    events.publishEvent(new Treated(kept.treating(), branch, false));
                }
            }
            case Outcome.Went(var card, var changed) -> {
                if (changed) {
                    if (kept.finishedAt() != null) {
                        throw Problem.refused("The machine is signed off; this card is history now.", List.of());
                    }
                    cards.save(kept, card);
                    follow(kept, card, act);
                }
            }
        }
    }

    /** Several cells of one step at once: all of them, or none. */
    @Transactional
    public void enterAll(long id, String step, Map<String, String> cells) {
        var kept = cards.hold(id);
        if (!kept.open()) {
            throw Problem.refused("This card is not open any more.", List.of());
        }
        var surroundings = new Around(kept);
        var card = kept.card();
        for (var cell : cells.entrySet()) {
            switch (card.after(
                    new CardAct.Enter(step, cell.getKey(), cell.getValue()),
                    surroundings,
                    who.name(),
                    clock.instant())) {
                case Outcome.Refused(var reasons) ->
                    throw Problem.refused(
                            reasons.getFirst().message(),
                            reasons.stream()
                                    .map(r -> new Problem.Field(r.message(), r.cell(), r.remedy()))
                                    .toList());
                case Outcome.Stopped(var words) ->
                    throw new IllegalStateException("Impossible state: a cell stopped the work: " + words);
                case Outcome.Went(var next, var _) -> card = next;
            }
        }
        cards.save(kept, card);
    }

    private void follow(Cards.Kept kept, Card card, CardAct act) {
        var run = card.run(act.step());
        var machine = machines.get(kept.machine());
        switch (act) {
            case CardAct.Enter _ -> {}
            case CardAct.BeginWait _ ->
                hob.put(
                        machine.id(),
                        kept.id(),
                        act.step(),
                        Objects.requireNonNull(run.step().pause()),
                        clock.instant());
            case CardAct.Skip(var _, var reason) -> {
                write(
                        "skip",
                        kept,
                        machine,
                        act.step(),
                        "skipped “%s”: %s".formatted(run.step().title(), reason),
                        List.of());
                if (run.step().pause() == null
                        && !(run.step().ask()
                                instanceof Ask.Photo)) { // a rest or a picture that was left out cannot be made up for
                    owed.skipped(machine.id(), kept.id(), act.step(), run.step().title(), reason);
                }
            }
            case CardAct.Fail(var _, var branch) -> {
                long entry = write(
                        "branch",
                        kept,
                        machine,
                        act.step(),
                        "“%s”: %s"
                                .formatted(
                                        run.step().title(),
                                        run.step().branches().stream()
                                                .filter(b -> b.id().equals(branch))
                                                .findFirst()
                                                .orElseThrow()
                                                .label()),
                        List.of());
                keepCheck(kept, machine, kept.card().run(act.step()), entry);
            }
            case CardAct.Strike _ -> strike(kept, machine, run);
            case CardAct.Finish(var _, var accept) ->
                done(kept, machine, card, run, accept == null ? "" : ", good enough: " + accept);
        }
        if (card.finished()) {
            signOff(kept, machine, card);
        }
    }

    private void done(Cards.Kept kept, Machines.Machine machine, Card card, StepRun run, String words) {
        var account = ledger.openAccount(machine.id(), waste.inUse());
        moves(kept, machine, card).carryOut(run, account);
        long entry = write("step", kept, machine, run.step().id(), run.step().title() + words, account.postings());
        keepCheck(kept, machine, run, entry);
        if (run.step().ask() instanceof Ask.Picks(var patterns, var _, var _)) {
            var picks = new LinkedHashMap<String, Integer>();
            for (int i = 0; i < patterns.size(); i++) {
                picks.put(
                        patterns.get(i), Integer.valueOf(run.entry("pick/" + i).orElseThrow()));
            }
            passports.aligned(machine.id(), entry, picks);
        }
        if (run.step().ask() instanceof Ask.Lots(var channels, var _)) {
            channels.forEach(c -> shelf.opened(card.lotOf(c), today()));
        }
        if (run.step().ask() instanceof Ask.Acknowledge(var agreed)) {
            machines.agreed(machine.id(), kept.id(), run.step().id(), agreed);
        }
        switch (run.step().move()) {
            case Move.Refit _ -> machines.refit(machine, machines.fit(kept.fitAfter(), machine.built()));
            case Move.Charge _ -> setHolding(kept, machine, card);
            case Move.Spoil(var why, var channels) ->
                machine.holdings().keySet().stream()
                        .filter(c -> channels == null || channels.contains(c))
                        .flatMap(c -> java.util.stream.Stream.of(machines.lotIn(machine.id(), c), card.lotOf(c)))
                        .filter(lot -> lot != 0)
                        .distinct()
                        .forEach(lot -> shelf.spoil(lot, "%s in %s".formatted(why, machine.name())));
            case Move.Nothing _,
                    Move.Draw _,
                    Move.DrawBack _,
                    Move.Rinse _,
                    Move.Pour _,
                    Move.PourOnTray _,
                    Move.DrawOnTray _,
                    Move.PrimeOnTray _,
                    Move.Prime _,
                    Move.PourFluid _,
                    Move.Supplied _,
                    Move.Clean _,
                    Move.Print _,
                    Move.Reading _ -> {}
        }
        run.step().effects().forEach(effect -> follow(effect, kept, machine, run));
        fulfil(kept, machine, run);
        if (storesCartridges(run)) {
            machines.putAside(machine, kept.id());
        }
        if (run.step().ask() instanceof Ask.Words(var what) && what.startsWith("version")) {
            run.entry("words").ifPresent(version -> machines.firmware(machine.id(), version));
        }
        hob.takeOff(kept.id(), run.step().id());
    }

    /** The routines that a step was, kept on its own entries so that striking the step takes them back too. */
    private void fulfil(Cards.Kept kept, Machines.Machine machine, StepRun run) {
        var step = run.step();
        for (var routine : java.util.Objects.requireNonNullElse(step.fulfils(), List.<String>of())) {
            var channels = fulfilledFor(kept, machine, run, routine);
            var topics = channels == null
                    ? List.of(routine)
                    : channels.stream().map(c -> routine + "/" + c).toList();
            topics.forEach(topic -> ledger.record(
                    NewEntry.of(
                                    "upkeep",
                                    "%s: %s (%s)".formatted(machine.name(), step.title(), topic.replace('/', ' ')))
                            .machine(machine.id())
                            .card(kept.id(), step.id())
                            .about(topic, 1),
                    List.of()));
        }
        if (step.id().equals(BenchCard.INLETS_LOOKED_AT) && step.ask() instanceof Ask.Each each) {
            var clear = Entries.answeredFirst(run, each);
            events.publishEvent(new InletsSeen(
                    machine.id(),
                    each.items().stream()
                            .collect(java.util.stream.Collectors.toMap(ChannelCode::of, c -> !clear.contains(c)))));
        }
    }

    /**
     * Channels for which a routine was done: those that the step answered for, else those that the card is for. Null
     * for the whole machine.
     */
    private static @Nullable List<String> fulfilledFor(
            Cards.Kept kept, Machines.Machine machine, StepRun run, String routine) {
        if (run.step().ask() instanceof Ask.Each each
                && machine.profile().codes().stream()
                        .map(ChannelCode::code)
                        .toList()
                        .containsAll(each.items())) {
            return Entries.answeredFirst(run, each);
        }
        boolean whole = Routines.of(machine.profile(), kept.family()).stream()
                .noneMatch(r -> r.id().equals(routine) && r.scope() != Routine.Scope.MACHINE);
        var channels = kept.caring() != null
                ? kept.caring().channels()
                : kept.treating() != null && kept.treating().treatment().perChannel()
                        ? kept.treating().channels()
                        : List.<ChannelCode>of();
        return whole || channels.isEmpty()
                ? null
                : channels.stream().map(ChannelCode::code).sorted().toList();
    }

    /** The inlet points of a machine were looked at. @param crusted by channel */
    public record InletsSeen(long machine, Map<ChannelCode, Boolean> crusted) {}

    /** Looked at, whole or not. With gaps, the first one after fluid is kept, but nothing is judged by it. */
    private void keepCheck(Cards.Kept kept, Machines.Machine machine, StepRun run, long entry) {
        if (!(run.step().ask() instanceof Ask.Comb(var channels, var _))) {
            return;
        }
        var missing = new LinkedHashMap<ChannelCode, List<Integer>>();
        channels.forEach(c -> run.entry(c.code()).ifPresent(e -> missing.put(c, Entries.missingTeeth(e))));
        boolean first = kept.card().branches().keySet().stream()
                .noneMatch(key -> key.startsWith(run.step().id() + "/"));
        boolean afterFluid = kept.card().done().stream()
                .map(kept.card()::run)
                .anyMatch(r -> r.step().move() instanceof Move.Rinse(var _, var liquid) && liquid == Move.Liquid.FLUID);
        boolean whole = missing.values().stream().allMatch(List::isEmpty);
        checks.keep(entry, machine.id(), machine.profile(), missing, null, whole || !first || !afterFluid);
    }

    /** What the machine's papers have to know of a step's effect. */
    private void follow(Condition effect, Cards.Kept kept, Machines.Machine machine, StepRun run) {
        switch (effect.facet()) {
            case POSITION -> run.entry("words").ifPresent(words -> passports.write(machine.id(), Fact.PLACE, words));
            case PROCESSING ->
                run.entry("words").ifPresent(words -> passports.write(machine.id(), Fact.PROCESSING, words));
            case PROTECTION ->
                run.entry("choice").ifPresent(choice -> passports.write(machine.id(), Fact.PROTECTED, choice));
            case HEAD -> {
                if (effect.value().equals("sealed")) {
                    passports.write(machine.id(), Fact.PROTECTED, "a bead of sealant; it did not conduct while wet");
                }
            }
            case WASTE_LINE -> {
                if (effect.value().equals("in the bottle")) {
                    owed.add(
                            machine.id(),
                            new Owed.NewTask(
                                    "Look at the outside waste bottle",
                                    "Joint wrapped and dry, bottle vented, level, lower than the outlet.",
                                    30,
                                    30));
                }
            }
            case ALIGNMENT -> {
                owed.settled(machine.id(), ALIGN);
                if (kept.card().runs().stream()
                        .anyMatch(r -> r.step().ask() instanceof Ask.Comb && r.reason() != null)) {
                    owed.add(
                            machine.id(),
                            new Owed.NewTask(
                                    ALIGN, "It was aligned on a check with gaps: that is provisional.", 7, null));
                }
            }
            case WARRANTY -> machines.warrantyEnded(machine.id());
            case UPDATES -> machines.remindersOff(machine.id());
            case RESTING ->
                machines.setHoldings(
                        machine.id(), resting(machine, machine.holdings().keySet()), Map.of());
            default -> {}
        }
    }

    private static boolean storesCartridges(StepRun run) {
        return run.step().effects().stream()
                .anyMatch(e -> e.facet() == Facet.OLD_CARTRIDGE && e.value().equals("stored"));
    }

    private CardMoves moves(Cards.Kept kept, Machines.Machine machine, Card card) {
        var built = machine.built().fitted(machines.fit(kept.fitBefore(), machine.built()));
        var becoming = machine.built().fitted(machines.fit(kept.fitAfter(), machine.built()));
        var before = new HashMap<ChannelCode, Substance>();
        machine.holdings().forEach((code, holding) -> before.put(code, Machines.before(holding, code)));
        var bottles = shelf.fitting(kept.family(), kept.make(), today()).stream()
                .collect(java.util.stream.Collectors.groupingBy(
                        l -> ChannelCode.of(java.util.Objects.requireNonNull(l.channel())),
                        java.util.stream.Collectors.mapping(Shelf.Lot::id, java.util.stream.Collectors.toList())));
        return new CardMoves(built, becoming, card, kept.family(), kept.fluidLot(), before, bottles);
    }

    /** From the charge on the paths hold the new ink, signed off or not; slots left on fluid rest. */
    private void setHolding(Cards.Kept kept, Machines.Machine machine, Card card) {
        if (Boolean.TRUE.equals(cards.summary(kept).parks())) {
            return; // it goes to rest with its last step
        }
        if (!card.refitted() && !machines.fit(kept.fitAfter(), machine.built()).equals(machine.fit())) {
            machines.setHolding(
                    machine.id(),
                    new Holding.Inked(machine.built().built(), "maker", false),
                    Map.of()); // a first start on the maker's own cartridges
            return;
        }
        boolean foodOnly = kept.family().food()
                && machine.holdings().values().stream()
                        .allMatch(h -> h instanceof Holding.NeverInked
                                || h instanceof Holding.Inked(var _, var _, var food) && food
                                || h instanceof Holding.Parked(var _, var _, var was) && was);
        var onFluid = java.util.Objects.requireNonNullElse(cards.summary(kept).onFluid(), List.<String>of()).stream()
                .map(ChannelCode::of)
                .toList();
        var holdings = new HashMap<>(resting(machine, onFluid));
        var lots = new HashMap<ChannelCode, Long>();
        machine.holdings().keySet().stream().filter(c -> !onFluid.contains(c)).forEach(c -> {
            holdings.put(c, new Holding.Inked(kept.family(), kept.make(), foodOnly));
            if (card.lotOf(c) != 0) {
                lots.put(c, card.lotOf(c));
            }
        });
        machines.setHoldings(machine.id(), holdings, lots);
    }

    private static Map<ChannelCode, Holding> resting(
            Machines.Machine machine, java.util.Collection<ChannelCode> codes) {
        var resting = new HashMap<ChannelCode, Holding>();
        machine.holdings().forEach((code, holding) -> {
            if (codes.contains(code)) {
                resting.put(
                        code,
                        switch (holding) {
                            case Holding.Inked(var family, var make, var food) ->
                                new Holding.Parked(family, make, food);
                            case Holding.Parked parked -> parked;
                            case Holding.Unknown unknown -> unknown;
                            case Holding.NeverInked never -> never;
                        });
            }
        });
        return resting;
    }

    private void strike(Cards.Kept kept, Machines.Machine machine, StepRun run) {
        owed.takenUp(kept.id(), run.step().id());
        ledger.openAccount(machine.id(), waste.inUse());
        if (run.step().move() instanceof Move.Refit) {
            machines.refit(machine, machines.fit(kept.fitBefore(), machine.built()));
        }
        if (storesCartridges(run)) {
            machines.takeBack(kept.id());
        }
        if (run.step().ask() instanceof Ask.Acknowledge) {
            machines.agreementTakenBack(kept.id(), run.step().id());
        }
        var standing = ledger.standing(kept.id(), run.step().id());
        if (standing.isEmpty()) {
            write(
                    "strike",
                    kept,
                    machine,
                    run.step().id(),
                    "struck out “%s”".formatted(run.step().title()),
                    List.of());
        }
        standing.forEach((entry, postings) -> ledger.record(
                NewEntry.of(
                                "strike",
                                "%s: struck out “%s”"
                                        .formatted(machine.name(), run.step().title()))
                        .machine(machine.id())
                        .card(kept.id(), run.step().id())
                        .contraOf(entry),
                postings.stream().map(Posting::reversed).toList()));
    }

    private void signOff(Cards.Kept kept, Machines.Machine machine, Card card) {
        hob.takeOffAll(kept.id());
        supplies.used(cards.used(kept, card));
        if (kept.caring() != null) {
            write(
                    "card",
                    kept,
                    machine,
                    "",
                    "%s is done".formatted(kept.title().toLowerCase(java.util.Locale.ROOT)),
                    List.of());
            return;
        }
        if (kept.treating() != null) {
            write(
                    "card",
                    kept,
                    machine,
                    "",
                    "%s is done".formatted(kept.title().toLowerCase(java.util.Locale.ROOT)),
                    List.of());
            events.publishEvent(new Treated(
                    kept.treating(),
                    null,
                    card.runs().stream()
                            .noneMatch(r -> r.status() == StepRun.Status.SKIPPED
                                    && r.step().pause() != null)));
            return;
        }
        machines.signedOff(machine.id());
        if (cards.wish(kept.id()).filter(w -> w.purpose() == Purpose.RENEW).isPresent()) {
            events.publishEvent(new Renewed(machine.id()));
        }
        shelf.release(kept.id());
        long skipped = card.runs().stream()
                .filter(r -> r.status() == StepRun.Status.SKIPPED)
                .count();
        write(
                "card",
                kept,
                machine,
                "",
                "signed off, %s%s".formatted(kept.title(), skipped == 0 ? "" : "; %d steps skipped".formatted(skipped)),
                List.of());
    }

    private long write(
            String kind, Cards.Kept kept, Machines.Machine machine, String step, String words, List<Posting> postings) {
        return ledger.record(
                NewEntry.of(kind, machine.name() + ": " + words)
                        .machine(machine.id())
                        .card(kept.id(), step),
                postings);
    }

    @Transactional
    public void giveUp(long id, String reason) {
        var kept = cards.hold(id);
        if (kept.finishedAt() != null || kept.givenUp() != null) {
            throw Problem.refused("This card is not open any more.", List.of());
        }
        cards.giveUp(id, reason.strip());
        hob.takeOffAll(id);
        shelf.release(id);
        if (kept.card().done().stream()
                .map(kept.card()::run)
                .anyMatch(r -> r.step().effects().stream()
                        .anyMatch(e -> e.facet() == Facet.COVERS
                                || e.facet() == Facet.CARRIAGE && e.value().equals("free")))) {
            owed.add(
                    kept.machine(),
                    new Owed.NewTask(ALIGN, "Its carriage was moved by hand on a card that was given up.", 0, null));
        }
        write("card", kept, machines.get(kept.machine()), "", "card given up: " + reason.strip(), List.of());
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

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }

    /** The shop as the core's card sees it. */
    private final class Around implements Surroundings {
        private final Cards.Kept kept;

        private Around(Cards.Kept kept) {
            this.kept = kept;
        }

        @Override
        public Optional<LotFacts> lot(long id) {
            return shelf.find(id).map(Shelf.Lot::facts);
        }

        @Override
        public Family family() {
            return kept.family();
        }

        @Override
        public boolean keyStored() {
            return vault.has(kept.machine());
        }

        @Override
        public Millilitres padRoom() {
            var pad = ledger.ofMachineNow(kept.machine()).getOrDefault(new Place.Pad(kept.machine()), Mixture.EMPTY);
            return machines.get(kept.machine()).profile().padCapacity().over(pad.volume());
        }

        @Override
        public int photos(String step) {
            return cards.photos(kept.id(), step);
        }

        @Override
        public List<Beside> beside() {
            return cards.beside(kept.id());
        }

        @Override
        public LocalDate today() {
            return CardService.this.today();
        }
    }
}
