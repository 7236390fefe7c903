package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Profile;
import fairkettle.path.Account;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.CardMoves;
import fairkettle.procedure.MachineState;
import fairkettle.procedure.Outcome;
import fairkettle.procedure.StepRun;
import fairkettle.procedure.Surroundings;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Does what a card says, to the letter: taps what is expected, takes every branch once if it is told to. */
public final class AutomaticHand implements Surroundings {

    private final Profile built;
    private final Profile becoming;
    private final boolean branches;
    private final Family family;
    private final Account account;
    private final Map<ChannelCode, Substance> before;
    private Instant now = Instant.parse("2026-11-25T09:00:00Z");
    private Card card;

    /** @param branches whether to take every branch once that leads back */
    public AutomaticHand(Job job, Plan plan, boolean branches) {
        this.branches = branches;
        this.built = job.profile();
        this.becoming = job.built().fitted(plan.fit());
        this.family = job.family();
        this.before = built.codes().stream()
                .collect(Collectors.toMap(
                        c -> c,
                        c -> new Substance.Ink(
                                Family.values()[(family.ordinal() + 1) % Family.values().length], c, 0)));
        var held = new HashMap<Place, Mixture>();
        built.channels()
                .forEach(c -> c.path().forEach(v -> {
                    if (!job.now(c.code()).level(v.kind()).isZero()) {
                        held.put(
                                new Place.InPath(1, c.code(), v.kind()),
                                Mixture.of(
                                        before.get(c.code()), job.now(c.code()).level(v.kind())));
                    }
                }));
        this.account = new Account(1, held);
        this.card = Card.of(plan.procedure(), now);
    }

    public Card carryOut() {
        while (card.next().isPresent()) {
            var run = card.next().get();
            if (branches && takeBranches(run)) {
                continue;
            }
            fill(run);
            if (run.step().pause() != null) {
                act(new CardAct.BeginWait(run.step().id()));
                now = now.plus(run.step().pause().min());
            }
            act(new CardAct.Finish(run.step().id(), null));
            var done = card.run(run.step().id());
            new CardMoves(built, becoming, card, family, 0, before, _ -> List.of()).carryOut(done, account);
            now = now.plusSeconds(60);
        }
        return card;
    }

    private boolean takeBranches(StepRun run) {
        for (var branch : run.step().branches()) {
            if (!branch.stops() && !card.branches().containsKey(run.step().id() + "/" + branch.id())) {
                act(new CardAct.Fail(run.step().id(), branch.id()));
                return true;
            }
        }
        return false;
    }

    private void fill(StepRun run) {
        var id = run.step().id();
        switch (run.step().ask()) {
            case Ask.Done _, Ask.Photo _, Ask.KeyStored _ -> {}
            case Ask.Words _ -> act(new CardAct.Enter(id, "words", "as found"));
            case Ask.Choice(var _, var answers) -> act(new CardAct.Enter(id, "choice", answers.getFirst()));
            case Ask.Each(var _, var items, var answers, var right, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    act(new CardAct.Enter(id, "each/" + i, right.isEmpty() ? answers.getFirst() : right.get(i)));
                }
            }
            case Ask.Tally(var _, var parts, var _) -> {
                for (int i = 0; i < parts.size(); i++) {
                    act(new CardAct.Enter(id, "part/" + i, "2"));
                }
            }
            case Ask.Ticks(var items, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    act(new CardAct.Enter(id, "item/" + i, "yes"));
                }
            }
            case Ask.Count(var _, var expected) -> act(new CardAct.Enter(id, "count", "" + expected));
            case Ask.Lots(var channels, var _) ->
                channels.forEach(c -> act(new CardAct.Enter(id, c.code(), "" + lotOf(c))));
            case Ask.Comb(var channels, var _) -> channels.forEach(c -> act(new CardAct.Enter(id, c.code(), "none")));
            case Ask.InOrder(var channels, var _) -> channels.forEach(c -> act(new CardAct.Enter(id, c.code(), "yes")));
            case Ask.Picks(var patterns, var squares, var _) -> {
                for (int i = 0; i < patterns.size(); i++) {
                    act(new CardAct.Enter(id, "pick/" + i, "" + (squares + 1) / 2));
                }
            }
            case Ask.Acknowledge _ -> act(new CardAct.Enter(id, "agreed", "yes"));
            case Ask.Grid grid -> grid(id, grid);
        }
    }

    private void grid(String id, Ask.Grid grid) {
        for (int column = 0; column < grid.columns().size(); column++) {
            var kind = grid.columns().get(column);
            for (int row = 0; row < grid.channels().size(); row++) {
                if (kind.kind() == Ask.ColumnKind.CODE) {
                    act(new CardAct.Enter(
                            id,
                            grid.channels().get(row) + "/" + column,
                            "" + lotOf(grid.channels().get(row))));
                } else if (kind.kind() != Ask.ColumnKind.VOLUME) {
                    act(new CardAct.Enter(id, grid.channels().get(row) + "/" + column, "yes"));
                } else if (!kind.expected().get(row).isZero()) {
                    act(new CardAct.Enter(
                            id,
                            grid.channels().get(row) + "/" + column,
                            kind.expected().get(row).toString()));
                }
            }
        }
    }

    private void act(CardAct act) {
        card = switch (card.after(act, this, "hand", now)) {
            case Outcome.Went(var next, var _) -> next;
            case Outcome.Stopped(var words) -> throw new AssertionError(act + " stopped: " + words);
            case Outcome.Refused(var reasons) -> throw new AssertionError(act + " refused: " + reasons);
        };
    }

    public List<String> unbalanced() {
        return account.postings().stream()
                .collect(Collectors.groupingBy(Posting::substance, Collectors.summingLong(Posting::microlitres)))
                .entrySet()
                .stream()
                .filter(e -> e.getValue() != 0)
                .map(e -> e.getKey().key())
                .toList();
    }

    public List<String> overfull() {
        var found = new ArrayList<String>();
        becoming.channels()
                .forEach(c -> c.path().forEach(v -> {
                    if (account.at(c.code(), v.kind()).volume().compareTo(v.capacity()) > 0) {
                        found.add(c.code() + " " + v.kind());
                    }
                }));
        return found;
    }

    /** Of the worst channel that is to hold ink. */
    public double oldInkShare(Plan plan) {
        return plan.channels().stream()
                .filter(ChannelPlan::filled)
                .map(c -> becoming.channel(c.code()))
                .mapToDouble(c -> account.inPath(c).share(before.values()::contains))
                .max()
                .orElse(0);
    }

    private long lotOf(ChannelCode channel) {
        return becoming.codes().indexOf(channel) + 1L;
    }

    /** The machine's state as the card left it. */
    public MachineState state() {
        return card.state();
    }

    @Override
    public Family family() {
        return family;
    }

    @Override
    public boolean keyStored() {
        return true;
    }

    @Override
    public Optional<LotFacts> lot(long id) {
        return Optional.of(new LotFacts(
                id, family, becoming.codes().get((int) id - 1), true, null, Millilitres.parse("500"), null));
    }

    @Override
    public Millilitres padRoom() {
        return Millilitres.parse("1000");
    }

    @Override
    public int photos(String step) {
        return 1;
    }

    @Override
    public List<Beside> beside() {
        return List.of();
    }

    @Override
    public LocalDate today() {
        return LocalDate.of(2026, 11, 25);
    }
}
