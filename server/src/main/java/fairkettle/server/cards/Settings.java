package fairkettle.server.cards;

import fairkettle.changeover.Purpose;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.ink.Tool;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardMoves;
import fairkettle.procedure.Consequences;
import fairkettle.procedure.Move;
import fairkettle.procedure.StepRun;
import fairkettle.procedure.Surroundings;
import fairkettle.routine.Routine;
import fairkettle.routine.Routines;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines;
import fairkettle.server.keys.Vault;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shop.Shop;
import fairkettle.server.tools.Tools;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/** The shop around a card, as the core sees it. */
@Component
class Settings {

    private final Cards cards;
    private final Machines machines;
    private final Contents contents;
    private final Shelf shelf;
    private final Vault vault;
    private final Ledger ledger;
    private final Shop shop;
    private final Tools tools;
    private final Clock clock;

    Settings(
            Cards cards,
            Machines machines,
            Contents contents,
            Shelf shelf,
            Vault vault,
            Ledger ledger,
            Shop shop,
            Tools tools,
            Clock clock) {
        this.cards = cards;
        this.machines = machines;
        this.contents = contents;
        this.shelf = shelf;
        this.vault = vault;
        this.ledger = ledger;
        this.shop = shop;
        this.tools = tools;
        this.clock = clock;
    }

    Consequences.Setting of(Cards.Kept kept, Machines.Machine machine, Card card) {
        var summary = cards.summary(kept);
        var makes = new LinkedHashMap<ChannelCode, String>();
        machine.holdings().keySet().stream()
                .filter(code -> card.lotOf(code) != 0)
                .forEach(code -> shelf.find(card.lotOf(code)).ifPresent(l -> makes.put(code, l.make())));
        return new Consequences.Setting(
                purpose(kept),
                machine.built(),
                machine.fit(),
                machines.fit(kept.fitAfter(), machine.built()),
                machine.holdings(),
                () -> contents.lots(machine.id()),
                kept.family(),
                kept.make(),
                makes,
                summary.onFluid().stream().map(ChannelCode::of).toList(),
                about(kept),
                Routines.of(machine.profile(), kept.family()).stream()
                        .filter(r -> r.scope() != Routine.Scope.MACHINE)
                        .map(Routine::id)
                        .collect(Collectors.toSet()),
                summary.used());
    }

    private static List<ChannelCode> about(Cards.Kept kept) {
        return switch (kept.kind()) {
            case Cards.Caring caring -> caring.channels();
            case Cards.Treating treating ->
                treating.treatment().perChannel()
                        ? treating.channels().stream().sorted().toList()
                        : List.of();
            case Cards.Changing _ -> List.of();
        };
    }

    Consequences.Purpose purpose(Cards.Kept kept) {
        return switch (kept.kind()) {
            case Cards.Caring _ -> Consequences.Purpose.BENCH_WORK;
            case Cards.Treating _ -> Consequences.Purpose.TREATMENT;
            case Cards.Changing _ ->
                cards.summary(kept).parks()
                        ? Consequences.Purpose.PARKING
                        : cards.wish(kept.id())
                                        .filter(w -> w.purpose() == Purpose.RENEW)
                                        .isPresent()
                                ? Consequences.Purpose.RENEWAL
                                : Consequences.Purpose.CHANGEOVER;
        };
    }

    CardMoves moves(Cards.Kept kept, Machines.Machine machine, Card card) {
        var built = machine.built().fitted(machines.fit(kept.fitBefore(), machine.built()));
        var becoming = machine.built().fitted(machines.fit(kept.fitAfter(), machine.built()));
        var before = new HashMap<ChannelCode, Substance>();
        machine.holdings().forEach((code, holding) -> before.put(code, Machines.before(holding, code)));
        return new CardMoves(built, becoming, card, kept.family(), kept.fluidLot(), before, inTurn(kept));
    }

    private Function<ChannelCode, List<Long>> inTurn(Cards.Kept kept) {
        var fitting = SingletonSupplier.of(() -> shelf.fitting(kept.family(), kept.make(), today()));
        return channel -> fitting.obtain().stream()
                .filter(lot -> channel.code().equals(lot.channel()))
                .map(Shelf.Lot::id)
                .toList();
    }

    /** Machines about which carrying out a step may write: bad ink opens cases wherever it went. */
    Set<Long> machinesTouched(Cards.Kept kept, StepRun run) {
        return run.step().move() instanceof Move.Spoil
                ? machines.all().stream().map(Machines.Machine::id).collect(Collectors.toSet())
                : Set.of(kept.machine());
    }

    Surroundings around(Cards.Kept kept) {
        return new Around(kept);
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }

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
        public Optional<Tool> tool(long id) {
            return tools.find(id);
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
            return Settings.this.today();
        }
    }
}
