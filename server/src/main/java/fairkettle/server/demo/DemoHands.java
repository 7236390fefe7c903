package fairkettle.server.demo;

import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.Step;
import fairkettle.server.cards.CardService;
import fairkettle.server.shelf.Shelf;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Hands that do what a card says, for a demo that stands in the middle of things. */
@Component
class DemoHands {

    private final CardService cards;
    private final Shelf shelf;

    DemoHands(CardService cards, Shelf shelf) {
        this.cards = cards;
        this.shelf = shelf;
    }

    /** The step that comes next on a card. */
    Step next(long id) {
        return cards.look(id).next().orElseThrow().step();
    }

    /** Does that step. Photos are not taken: it is skipped. */
    void carryOut(long id) {
        var step = next(id);
        if (step.ask() instanceof Ask.Photo) {
            cards.act(id, new CardAct.Skip(step.id(), "the tablet was charging"));
            return;
        }
        begin(id, Integer.MAX_VALUE);
        cards.act(id, new CardAct.Finish(step.id(), null));
    }

    /** Does the first rows of that step. */
    void begin(long id, int rows) {
        fill(id, cards.look(id), next(id).id(), rows);
    }

    private void fill(long id, Card card, String step, int rows) {
        switch (card.run(step).step().ask()) {
            case Ask.Done _, Ask.Photo _, Ask.KeyStored _ -> {}
            case Ask.Words _ -> enter(id, step, "words", "as found");
            case Ask.Choice(var _, var answers) -> enter(id, step, "choice", answers.getFirst());
            case Ask.Each(var _, var items, var answers, var right, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    enter(id, step, "each/" + i, right.isEmpty() ? answers.getFirst() : right.get(i));
                }
            }
            case Ask.Tally(var _, var parts, var _) -> {
                for (int i = 0; i < parts.size(); i++) {
                    enter(id, step, "part/" + i, "2");
                }
            }
            case Ask.Ticks(var items, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    enter(id, step, "item/" + i, "yes");
                }
            }
            case Ask.InOrder(var channels, var _) -> channels.forEach(c -> enter(id, step, c.code(), "yes"));
            case Ask.Picks(var patterns, var _, var _) -> {
                for (int i = 0; i < patterns.size(); i++) {
                    enter(id, step, "pick/" + i, "5");
                }
            }
            case Ask.Acknowledge _ -> enter(id, step, "agreed", "yes");
            case Ask.Count(var _, var expected) -> enter(id, step, "count", "" + expected);
            case Ask.Comb(var channels, var _) -> channels.forEach(c -> enter(id, step, c.code(), "none"));
            case Ask.Lots(var channels, var family) ->
                channels.forEach(c -> shelf.lots().stream()
                        .filter(l -> l.family() == family && c.code().equals(l.channel()))
                        .findFirst()
                        .ifPresent(l -> enter(id, step, c.code(), "" + l.id())));
            case Ask.Grid grid -> grid(id, card, step, grid, rows);
        }
    }

    private void grid(long id, Card card, String step, Ask.Grid grid, int rows) {
        for (int row = 0; row < Math.min(rows, grid.channels().size()); row++) {
            for (int column = 0; column < grid.columns().size(); column++) {
                var kind = grid.columns().get(column);
                var cell = grid.channels().get(row) + "/" + column;
                if (kind.kind() == Ask.ColumnKind.CODE) {
                    enter(id, step, cell, "" + card.lotOf(grid.channels().get(row)));
                } else if (kind.kind() != Ask.ColumnKind.VOLUME) {
                    enter(id, step, cell, "yes");
                } else if (!kind.expected().get(row).isZero()) {
                    enter(
                            id,
                            step,
                            cell,
                            String.format(
                                    Locale.ROOT,
                                    "%.0f",
                                    kind.expected().get(row).mL()));
                }
            }
        }
    }

    private void enter(long id, String step, String cell, String value) {
        cards.act(id, new CardAct.Enter(step, cell, value));
    }
}
