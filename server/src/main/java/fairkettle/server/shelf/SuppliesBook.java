package fairkettle.server.shelf;

import static fairkettle.db.Tables.SUPPLY;

import fairkettle.machine.Supply;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Supplies that are counted and used up. */
@Component
class SuppliesBook implements Book {

    private final Supplies supplies;
    private final Live live;

    SuppliesBook(Supplies supplies, Live live) {
        this.supplies = supplies;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.SUPPLIES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        Set<Supply> touched = switch (what) {
            case Consequence.Used(var used) -> used.keySet();
            case Consequence.Came(var came) -> came.keySet();
            case Consequence.Counted(var supply, var _, var _) -> Set.of(supply);
            default -> Set.of(Supply.PAPER);
        };
        return List.of(new Rows(
                SUPPLY, SUPPLY.WHAT.in(touched.stream().map(Supply::name).collect(Collectors.toSet()))));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Used(var used) -> supplies.used(used, act.at());
            case Consequence.Came(var came) -> supplies.came(came);
            case Consequence.Counted(var supply, var count, var price) -> supplies.set(supply, count, price);
            case Consequence.SheetPrinted(var _, var pages) -> supplies.used(Map.of(Supply.PAPER, pages), act.at());
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        live.changed("shelf");
    }

    /** What was used up goes back onto the shelf, whatever was used or counted since. */
    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("shelf");
        if (what instanceof Consequence.Counted) {
            return Book.super.giveBack(act, what, images);
        }
        switch (what) {
            case Consequence.Used(var used) -> supplies.unused(used, act.at());
            case Consequence.SheetPrinted(var _, var pages) -> supplies.unused(Map.of(Supply.PAPER, pages), act.at());
            default -> {}
        }
        if (what instanceof Consequence.Came(var came)) {
            supplies.gone(came);
            return List.of();
        }
        images.all().stream()
                .filter(i -> i.before() != null && i.after() != null)
                .forEach(i -> {
                    int gone = i.before().path("count").asInt()
                            - i.after().path("count").asInt();
                    supplies.back(Supply.valueOf(i.key().path("what").asString()), gone);
                });
        return List.of();
    }
}
