package fairkettle.server.cards;

import fairkettle.changeover.Days;
import fairkettle.changeover.Experience;
import fairkettle.changeover.Purpose;
import fairkettle.changeover.Route;
import fairkettle.hand.Glossary;
import fairkettle.hand.SeenElsewhere;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Chips;
import fairkettle.machine.Handling;
import fairkettle.machine.Supply;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.Facet;
import fairkettle.procedure.MachineState;
import fairkettle.procedure.Outcome;
import fairkettle.procedure.Pace;
import fairkettle.procedure.Power;
import fairkettle.procedure.StageBoard;
import fairkettle.procedure.StepRun;
import fairkettle.procedure.StopHere;
import fairkettle.safety.Caution;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.changeover.WishQuery;
import fairkettle.server.climate.Room;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Presets;
import fairkettle.server.shop.Shop;
import fairkettle.server.tools.Tools;
import fairkettle.server.web.Ahead;
import fairkettle.server.web.Problem;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CardController {

    private final CardService service;
    private final Cards cards;
    private final Machines machines;
    private final Shelf shelf;
    private final Passports passports;
    private final Presets presets;
    private final Shop shop;
    private final Supplies supplies;
    private final Tools tools;
    private final Room room;
    private final Clock clock;

    CardController(
            CardService service,
            Cards cards,
            Machines machines,
            Shelf shelf,
            Passports passports,
            Presets presets,
            Shop shop,
            Supplies supplies,
            Tools tools,
            Room room,
            Clock clock) {
        this.service = service;
        this.cards = cards;
        this.machines = machines;
        this.shelf = shelf;
        this.passports = passports;
        this.presets = presets;
        this.shop = shop;
        this.supplies = supplies;
        this.tools = tools;
        this.room = room;
        this.clock = clock;
    }

    /** As in the plan's address: what is left out is as the machine has it. */
    record NewCard(
            long machine,
            @Nullable Purpose purpose,
            @Nullable Family family,

            @Nullable @Size(max = 60, message = "At most 60 letters.")
            String make,

            @Nullable Double purity,
            @Nullable Route route,
            @Nullable Chips chips,
            @Nullable String carries,
            @Nullable String onFluid,
            @Nullable Experience hands) {

        Changeovers.Wish wish() {
            return new WishQuery(purpose, family, make, purity, route, chips, carries, onFluid, hands).on(machine);
        }
    }

    record CardJson(
            long id,
            long machine,
            String machineName,
            String title,
            int version,
            String state,
            @Nullable String next,
            List<StepJson> steps,
            List<String> standing,
            List<LotJson> lots,
            List<LotJson> bottles,
            Map<String, List<OfferedTool>> syringes,
            Map<String, Map<String, String>> cameIn,
            ComparisonJson comparison,
            Instant createdAt,
            @Nullable Instant uncappedSince,
            int bareLimit,
            @Nullable Instant clothSince,
            String power,
            List<ChannelStageJson> stages,
            Map<String, Integer> lastPicks,
            List<String> presets,
            List<String> stopHere,
            List<Days.Day> days,
            @Nullable Long caseId) {}

    /** @param stage how far a channel has come, in words; @param at from 0, not started, to 5, verified */
    record ChannelStageJson(String channel, String stage, int at) {}

    /**
     * @param words terms of the trade in it, for the step that comes next
     * @param power in which state of its power the machine is meanwhile; {@code clashes} if it is in another one now
     * @param leastSeconds that its draws take at least; 0 where none is drawn slowly
     * @param notToCopy what demonstrations show here
     */
    record StepJson(
            String id,
            String part,
            String title,
            String say,
            @Nullable String hold,
            @Nullable String irreversible,
            boolean skippable,
            int minutes,
            List<String> tools,
            List<String> cautions,
            AskJson ask,
            @Nullable PauseJson pause,
            List<BranchJson> branches,
            String status,
            Map<String, String> entries,
            @Nullable Instant openedAt,
            @Nullable Instant waitStarted,
            @Nullable Instant waitOver,
            @Nullable Instant finishedAt,
            @Nullable String by,
            @Nullable String reason,
            List<Outcome.Reason> missing,
            List<NoteJson> notes,
            List<Handling.Matter> restsOn,
            List<Glossary.Term> words,
            String power,
            boolean clashes,
            long leastSeconds,
            boolean tilted,
            List<String> notToCopy) {}

    /**
     * @param kind Done, Ticks, Each, Tally, Grid, Count, Lots, Comb, Acknowledge, Words, Choice, InOrder, Picks,
     *     KeyStored or Photo; the other fields as the kind needs them
     */
    record AskJson(
            String kind,
            List<String> items,
            List<String> channels,
            List<ColumnJson> columns,
            List<Integer> nozzles,
            int expected,
            String words,
            List<String> answers) {
        AskJson(
                String kind,
                List<String> items,
                List<String> channels,
                List<ColumnJson> columns,
                List<Integer> nozzles,
                int expected,
                String words) {
            this(kind, items, channels, columns, nozzles, expected, words, List.of());
        }
    }

    record ColumnJson(String label, String kind, List<Millilitres> expected) {}

    record PauseJson(String label, long seconds, @Nullable Long maxSeconds, boolean machine) {}

    /** @param stops the work ends there, with these words; null if it comes back to the step */
    record BranchJson(
            String id,
            String label,
            int taken,
            int limit,
            @Nullable String stops) {}

    record NoteJson(
            Instant at,
            String person,
            String words,
            @Nullable UUID picture) {}

    /** @param how what is done with this kind of bottle; null where nobody has said what kind it is */
    record LotJson(
            long id,
            String channel,
            String label,
            Millilitres left,
            boolean opened,
            @Nullable String how) {}

    /** @param why it may draw that channel: “its own, rinsed” */
    record OfferedTool(long id, String label, String why) {}

    record LineJson(String what, String unit, double planned, double real) {}

    /** @param lessons where a line gave another volume than the profile says */
    record ComparisonJson(List<LineJson> lines, List<Lessons.Lesson> lessons) {}

    record EnterJson(
            @NotBlank String step,
            @NotBlank String cell,

            @NotNull @Size(max = 2000, message = "Too long.")
            String value) {}

    record EnterAllJson(
            @NotBlank @Size(max = 200, message = "There is no such step.")
            String step,

            @NotNull @Size(max = 400, message = "No step has so many cells.")
            Map<String, @Size(max = 2000, message = "Too long.") String> cells) {}

    record FinishJson(
            @NotBlank String step,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String accept) {}

    record SkipJson(
            @NotBlank String step,

            @NotNull @Size(max = 300, message = "At most 300 letters.")
            String reason) {}

    record FailJson(@NotBlank String step, @NotBlank String branch) {}

    record StepRef(@NotBlank String step) {}

    /** @param minutesAgo how long ago it began; null for now */
    record BeginWaitJson(
            @NotBlank String step,

            @Nullable @Min(value = 0, message = "0 to 1440 min.") @Max(value = 1440, message = "0 to 1440 min.")
            Integer minutesAgo) {}

    record NoteOn(
            @NotBlank String step,

            @NotBlank(message = "Write something first.") @Size(max = 2000, message = "At most 2000 letters.")
            String words) {}

    record GiveUpJson(
            @NotBlank(message = "Say why, so that the next person knows.")
            @Size(max = 300, message = "At most 300 letters.")
            String reason) {}

    @PostMapping("/api/cards")
    @ResponseStatus(HttpStatus.CREATED)
    CardJson beginCard(@Valid @RequestBody NewCard card) {
        return card(service.begin(card.wish()));
    }

    /** What the next hands on every open card would do: the waits of one are time for another. */
    @GetMapping("/api/cards/next")
    List<Cards.Next> nextOnCards() {
        return cards.next();
    }

    @GetMapping("/api/cards/{card}")
    CardJson card(@PathVariable long card) {
        return render(cards.get(card));
    }

    @PostMapping("/api/cards/{card}/enter")
    CardJson enterCell(@PathVariable long card, @Valid @RequestBody EnterJson act) {
        return act(card, new CardAct.Enter(act.step(), act.cell(), act.value()));
    }

    /** Several cells of a step at once: all of them, or none. */
    @PostMapping("/api/cards/{card}/enter-all")
    CardJson enterCells(@PathVariable long card, @Valid @RequestBody EnterAllJson act) {
        service.enterAll(card, act.step(), act.cells());
        return card(card);
    }

    @PostMapping("/api/cards/{card}/finish")
    CardJson finishStep(@PathVariable long card, @Valid @RequestBody FinishJson act) {
        return act(
                card,
                new CardAct.Finish(
                        act.step(),
                        act.accept() == null || act.accept().isBlank()
                                ? null
                                : act.accept().strip()));
    }

    @PostMapping("/api/cards/{card}/skip")
    CardJson skipStep(@PathVariable long card, @Valid @RequestBody SkipJson act) {
        return act(card, new CardAct.Skip(act.step(), act.reason()));
    }

    @PostMapping("/api/cards/{card}/fail")
    CardJson failStep(@PathVariable long card, @Valid @RequestBody FailJson act) {
        return act(card, new CardAct.Fail(act.step(), act.branch()));
    }

    @PostMapping("/api/cards/{card}/wait")
    CardJson beginWait(@PathVariable long card, @Valid @RequestBody BeginWaitJson act) {
        return act(card, new CardAct.BeginWait(act.step(), act.minutesAgo() == null ? 0 : act.minutesAgo()));
    }

    @PostMapping("/api/cards/{card}/strike")
    CardJson strikeStep(@PathVariable long card, @Valid @RequestBody StepRef act) {
        return act(card, new CardAct.Strike(act.step()));
    }

    @PostMapping("/api/cards/{card}/notes")
    CardJson noteOnStep(@PathVariable long card, @Valid @RequestBody NoteOn note) {
        service.note(card, note.step(), note.words());
        return card(card);
    }

    @PostMapping(path = "/api/cards/{card}/photos", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    CardJson photoOnStep(
            @PathVariable long card,
            @RequestParam String step,
            @RequestBody byte[] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Optional<Pictures.Sent> sent) {
        service.photo(card, step, sent.orElseThrow());
        return card(card);
    }

    @PostMapping("/api/cards/{card}/give-up")
    CardJson giveUpCard(@PathVariable long card, @Valid @RequestBody GiveUpJson act) {
        service.giveUp(card, act.reason());
        return card(card);
    }

    private CardJson act(long id, CardAct act) {
        if (act.step().length() > 200) {
            throw Problem.atField("step", "There is no such step.");
        }
        service.act(id, act);
        return card(id);
    }

    private CardJson render(Cards.Kept kept) {
        var card = kept.card();
        var machine = machines.get(kept.machine());
        var notes = cards.notes(kept.id()).stream().collect(Collectors.groupingBy(Cards.Note::step));
        var state = card.state();
        var steps = new ArrayList<StepJson>();
        var head = headPrice(machine);
        var then = state; // as the machine will be when a step’s turn comes
        for (var run : card.runs()) {
            steps.add(step(
                    card,
                    state,
                    Power.during(run.step(), then),
                    run,
                    head,
                    notes.getOrDefault(run.step().id(), List.of())));
            then = run.isOpen() ? then.with(run.step().effects()) : then;
        }
        var inks = asks(card, CardController::forBottles)
                ? shelf.lots().stream()
                        .filter(l -> !l.fluid() && !l.left().isZero())
                        .toList()
                : List.<Shelf.Lot>of();
        var lots = inks.stream()
                .filter(l -> l.family() == kept.family())
                .map(l -> new LotJson(
                        l.id(),
                        String.valueOf(l.channel()),
                        "%s, %s".formatted(l.make(), l.code()),
                        l.left(),
                        l.openedOn() != null,
                        l.kind() == null ? null : l.kind().say()))
                .toList();
        var bottles = inks.stream()
                .map(l -> new LotJson(
                        l.id(),
                        String.valueOf(l.channel()),
                        "%s · %s %s".formatted(l.code(), l.family().label(), l.channel()),
                        l.left(),
                        l.openedOn() != null,
                        l.kind() == null ? null : l.kind().say()))
                .toList();
        return new CardJson(
                kept.id(),
                machine.id(),
                machine.name(),
                kept.title(),
                kept.version(),
                kept.givenUp() != null ? "given up" : kept.finishedAt() != null ? "done" : "open",
                card.next().map(r -> r.step().id()).orElse(null),
                steps,
                state.apart(),
                lots,
                bottles,
                kept.open() && asks(card, CardController::forSyringes) ? syringes(kept, card) : Map.of(),
                asks(card, CardController::forSyringes) ? tools.cameInOn(kept.id()) : Map.of(),
                comparison(kept, machine),
                kept.createdAt(),
                uncappedSince(card),
                shop.settings().bareLimit(machine.inks(), kept.family(), room.drying()),
                clothSince(card),
                card.state().value(Facet.POWER, null),
                kept.changeover() ? stages(card) : List.of(),
                asks(card, Ask.Picks.class::isInstance)
                        ? passports.picks(machine.id()).stream()
                                .collect(Collectors.toMap(Passports.Pick::pattern, Passports.Pick::pick))
                        : Map.of(),
                kept.changeover()
                        ? presets.all().stream()
                                .filter(p -> p.family() == kept.family())
                                .map(Presets.Preset::words)
                                .toList()
                        : List.of(),
                StopHere.of(card),
                kept.open() ? daysLeft(card) : List.of(),
                kept.kind() instanceof Cards.Treating t ? Long.valueOf(t.caseId()) : null);
    }

    /** What is left of it, over the days on which somebody is there; a wait that runs is over when it is over. */
    private List<Days.Day> daysLeft(Card card) {
        var hours = shop.settings().hours();
        var now = clock.instant();
        var left = card.runs().stream().filter(StepRun::isOpen).toList();
        var over = left.isEmpty() ? Optional.<Instant>empty() : left.getFirst().waitOver();
        var steps =
                left.stream().skip(over.isPresent() ? 1 : 0).map(StepRun::step).toList();
        return over.isPresent()
                ? Days.of(
                        card.state().with(left.getFirst().step().effects()),
                        steps,
                        hours,
                        over.get().isAfter(now) ? over.get() : now)
                : Days.of(card.state(), steps, hours, now);
    }

    private static boolean asks(Card card, Predicate<Ask> what) {
        return card.runs().stream().anyMatch(run -> what.test(run.step().ask()));
    }

    private static boolean forBottles(Ask ask) {
        return ask instanceof Ask.Lots
                || ask instanceof Ask.Grid(var _, var columns)
                        && columns.stream().anyMatch(c -> c.kind() == Ask.ColumnKind.CODE);
    }

    private static boolean forSyringes(Ask ask) {
        return ask instanceof Ask.Grid(var _, var columns)
                && columns.stream().anyMatch(c -> c.kind() == Ask.ColumnKind.TOOL);
    }

    /** What each channel may be drawn with, the best first; a channel with none gets a new one. */
    private Map<String, List<OfferedTool>> syringes(Cards.Kept kept, Card card) {
        var channels = card.runs().stream()
                .map(run -> run.step().ask())
                .filter(CardController::forSyringes)
                .flatMap(ask -> ((Ask.Grid) ask).channels().stream())
                .distinct()
                .toList();
        return tools.offered(kept.family(), channels).entrySet().stream()
                .collect(Collectors.toMap(
                        e -> e.getKey().code(),
                        e -> e.getValue().stream()
                                .map(t -> new OfferedTool(
                                        t.id(),
                                        t.label(),
                                        t.offer(kept.family(), e.getKey()).words()))
                                .toList()));
    }

    private static List<ChannelStageJson> stages(Card card) {
        return StageBoard.of(card).entrySet().stream()
                .map(e -> new ChannelStageJson(
                        e.getKey().code(), e.getValue().label(), e.getValue().ordinal()))
                .toList();
    }

    private static @Nullable Instant uncappedSince(Card card) {
        if (!card.state().value(Facet.CARRIAGE, null).equals("free")) {
            return null;
        }
        return card.runs().stream()
                .filter(r -> r.status() == StepRun.Status.DONE)
                .filter(r -> r.step().effects().stream()
                        .anyMatch(e -> e.facet() == Facet.CARRIAGE && e.value().equals("free")))
                .map(StepRun::finishedAt)
                .findFirst()
                .orElse(null);
    }

    /** When the wet cloth that the head stands on was laid. */
    private static @Nullable Instant clothSince(Card card) {
        return card.state().value(Facet.HEAD_REST, null).equals("on a wet cloth")
                ? card.runs().stream()
                        .filter(r -> r.status() == StepRun.Status.DONE)
                        .filter(r -> r.step().effects().stream()
                                .anyMatch(e -> e.facet() == Facet.HEAD_REST
                                        && e.value().equals("on a wet cloth")))
                        .map(StepRun::finishedAt)
                        .reduce((_, last) -> last)
                        .orElse(null)
                : null;
    }

    /** What a new one costs here, in a sentence. */
    private String headPrice(Machines.Machine machine) {
        var head = machine.profile().handling().headsByUser() ? Supply.HEAD_CARTRIDGE : Supply.HEAD;
        long minor = supplies.prices().getOrDefault(head, head.usualPrice());
        return "Here a new one is reckoned at %s."
                .formatted(new Money(minor, shop.settings().money()));
    }

    private static StepJson step(
            Card card, MachineState state, Power power, StepRun run, String head, List<Cards.Note> notes) {
        var step = run.step();
        var pause = step.pause();
        return new StepJson(
                step.id(),
                step.part(),
                step.title(),
                step.say(),
                step.hold(),
                step.irreversible(),
                step.skippable(),
                step.minutes(),
                step.tools(),
                step.cautions().stream()
                        .map(c -> c == Caution.HEAD_RISK ? c.say() + " " + head : c.say())
                        .toList(),
                ask(step.ask()),
                pause == null
                        ? null
                        : new PauseJson(
                                pause.label(),
                                pause.min().toSeconds(),
                                pause.max() == null ? null : pause.max().toSeconds(),
                                pause.machine()),
                step.branches().stream()
                        .map(b -> new BranchJson(
                                b.id(),
                                b.label(),
                                card.branches().getOrDefault(step.id() + "/" + b.id(), 0),
                                b.limit(),
                                b.stops() ? b.atLimit() : null))
                        .toList(),
                run.status().name().toLowerCase(java.util.Locale.ROOT),
                run.entries(),
                run.openedAt(),
                run.waitStarted(),
                run.waitOver().orElse(null),
                run.finishedAt(),
                run.by(),
                run.reason(),
                run.isOpen() ? card.missing(step.id(), state) : List.of(),
                notes.stream()
                        .map(n -> new NoteJson(n.at(), n.person(), n.words(), n.picture()))
                        .toList(),
                step.restsOn(),
                card.next().filter(run::equals).isPresent() ? Glossary.terms(step) : List.of(),
                power.label(),
                run.isOpen() && step.needs().stream().anyMatch(n -> n.facet() == Facet.POWER && !state.holds(n)),
                Pace.least(step).toSeconds(),
                step.move().outOfTheHand(),
                SeenElsewhere.at(step));
    }

    private static AskJson ask(Ask ask) {
        return switch (ask) {
            case Ask.Done _ -> new AskJson("Done", List.of(), List.of(), List.of(), List.of(), 0, "");
            case Ask.KeyStored _ -> new AskJson("KeyStored", List.of(), List.of(), List.of(), List.of(), 0, "");
            case Ask.Words(var what) -> new AskJson("Words", List.of(), List.of(), List.of(), List.of(), 0, what);
            case Ask.Choice(var question, var answers) ->
                new AskJson("Choice", answers, List.of(), List.of(), List.of(), 0, question);
            case Ask.InOrder(var channels, var done) ->
                new AskJson("InOrder", List.of(), codes(channels), List.of(), List.of(), 0, done);
            case Ask.Picks(var patterns, var squares, var hint) ->
                new AskJson("Picks", patterns, List.of(), List.of(), List.of(), squares, hint);
            case Ask.Photo _ -> new AskJson("Photo", List.of(), List.of(), List.of(), List.of(), 0, "");
            case Ask.Ticks(var items, var inOrder) ->
                new AskJson("Ticks", items, List.of(), List.of(), List.of(), 0, inOrder ? "One after the other:" : "");
            case Ask.Each(var question, var items, var answers, var _, var _) ->
                new AskJson("Each", items, List.of(), List.of(), List.of(), 0, question, answers);
            case Ask.Tally(var what, var parts, var _) ->
                new AskJson("Tally", parts, List.of(), List.of(), List.of(), 0, what);
            case Ask.Count(var what, var expected) ->
                new AskJson("Count", List.of(), List.of(), List.of(), List.of(), expected, what);
            case Ask.Acknowledge(var words) ->
                new AskJson("Acknowledge", List.of(), List.of(), List.of(), List.of(), 0, words);
            case Ask.Lots(var channels, var _) ->
                new AskJson("Lots", List.of(), codes(channels), List.of(), List.of(), 0, "");
            case Ask.Comb(var channels, var nozzles) ->
                new AskJson("Comb", List.of(), codes(channels), List.of(), nozzles, 0, "");
            case Ask.Grid(var channels, var columns) ->
                new AskJson(
                        "Grid",
                        List.of(),
                        codes(channels),
                        columns.stream()
                                .map(c -> new ColumnJson(c.label(), c.kind().name(), c.expected()))
                                .toList(),
                        List.of(),
                        0,
                        "");
        };
    }

    private static List<String> codes(List<fairkettle.ink.ChannelCode> channels) {
        return channels.stream().map(fairkettle.ink.ChannelCode::code).toList();
    }

    private ComparisonJson comparison(Cards.Kept kept, Machines.Machine machine) {
        var planned = cards.summary(kept);
        var real = Real.of(kept.card());
        return new ComparisonJson(
                List.of(
                        new LineJson("hands on", "min", planned.handsOnMinutes(), real.minutes()),
                        new LineJson("old ink drawn", "mL", real.drawExpected(), real.drawn()),
                        new LineJson("rinsed with", "mL", real.rinseExpected(), real.rinsed()),
                        new LineJson("new ink poured", "mL", real.pourExpected(), real.poured())),
                kept.broughtIn() ? List.of() : Lessons.of(kept.card(), machine.built()));
    }
}
