package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Channel;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import fairkettle.path.Account;
import fairkettle.path.Place;
import fairkettle.procedure.Ask.ColumnKind;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Books in the ink account what a step that was done has moved.
 *
 * @param built the machine's paths when the card began
 * @param becoming its paths once it is refitted; the same where nothing is exchanged
 * @param fluidLot the bottle of cleaning fluid in use; 0 for one bought for the job
 * @param before what each channel held before the card, for what the account did not know of
 * @param bottles lots that fit a channel, in the order in which they are used up; asked only where ink is poured
 */
public record CardMoves(
        Profile built,
        Profile becoming,
        Card card,
        Family target,
        long fluidLot,
        Map<ChannelCode, Substance> before,
        Function<ChannelCode, List<Long>> bottles) {

    public void carryOut(StepRun run, Account account) {
        switch (run.step().move()) {
            case Move.Nothing _, Move.Spoil _ -> {}
            case Move.Draw(var reach) ->
                eachCell(run, (channel, kind, volume) -> {
                    if (kind == ColumnKind.AIR) {
                        account.foundEmpty(now(channel), reach(channel, reach));
                    } else {
                        account.draw(now(channel), reach(channel, reach), volume, known(channel));
                    }
                });
            case Move.DrawBack(var reach) ->
                eachCell(run, (channel, kind, volume) -> {
                    if (kind == ColumnKind.AIR) {
                        account.foundEmpty(now(channel), reach(channel, reach));
                    } else {
                        account.draw(now(channel), reach(channel, reach), volume, known(channel), home(channel));
                    }
                });
            case Move.Rinse(var reach, var liquid) ->
                eachVolume(
                        run,
                        (channel, volume) -> account.rinse(
                                now(channel),
                                reach(channel, reach),
                                lot(liquid, channel),
                                substance(liquid, channel),
                                volume));
            case Move.Pour _ ->
                eachVolume(
                        run,
                        (channel, volume) -> pour(
                                run,
                                channel,
                                volume,
                                (lot, part) -> account.pour(becoming.channel(channel), lot, ink(channel, lot), part),
                                account));
            case Move.PourOnTray(var liquid) ->
                eachVolume(run, (channel, volume) -> {
                    if (liquid == Move.Liquid.FLUID) {
                        account.pourOnTray(becoming.channel(channel), fluidLot, substance(liquid, channel), volume);
                    } else {
                        pour(
                                run,
                                channel,
                                volume,
                                (lot, part) ->
                                        account.pourOnTray(becoming.channel(channel), lot, ink(channel, lot), part),
                                account);
                    }
                });
            case Move.DrawOnTray(var back) ->
                eachVolume(
                        run,
                        (channel, volume) -> account.drawOnTray(
                                becoming.channel(channel), volume, back ? home(channel) : account.waste()));
            case Move.PrimeOnTray(var channels) -> channels.forEach(c -> account.primeOnTray(becoming.channel(c)));
            case Move.Prime(var channels, var reach) -> channels.forEach(c -> account.prime(now(c), reach(c, reach)));
            case Move.PourFluid _ ->
                eachVolume(
                        run,
                        (channel, volume) -> account.pourFluid(
                                becoming.channel(channel), fluidLot, new Substance.Fluid(target), volume));
            case Move.Supplied(var channels) ->
                channels.forEach(c -> account.supplied(now(c), new Substance.Ink(becoming.built(), c, 0)));
            case Move.Refit(var slots) ->
                slots.forEach(s -> account.refit(built.channel(s.before()), becoming.channel(s.after()), s.renewed()));
            case Move.Charge(var channels, var loss) -> channels.forEach(c -> account.charge(now(c), loss));
            case Move.Clean(var channels, var each) ->
                channels.forEach(c -> account.flow(now(c), each, new Place.Pad(account.machine())));
            case Move.Print(var channels, var each) -> {
                if (run.step().ask() instanceof Ask.Grid) {
                    eachCell(run, (channel, _, _) -> account.flow(now(channel), each, Place.Outside.PAPER));
                } else {
                    channels.forEach(c -> account.flow(now(c), each, Place.Outside.PAPER));
                }
            }
            case Move.Reading _ ->
                eachVolume(
                        run,
                        (channel, volume) -> account.reading(
                                now(channel), now(channel).first().kind(), volume, ink(channel, card.lotOf(channel))));
        }
    }

    /** Bottles that a step may draw from or give back to. Whoever carries it out holds them first. */
    public Set<Long> bottlesOf(StepRun run) {
        var found = new LinkedHashSet<Long>();
        switch (run.step().move()) {
            case Move.Pour _ -> eachVolume(run, (channel, _) -> found.addAll(inTurn(run, channel)));
            case Move.PourOnTray(var liquid) ->
                eachVolume(
                        run,
                        (channel, _) ->
                                found.addAll(liquid == Move.Liquid.FLUID ? List.of(fluidLot) : inTurn(run, channel)));
            case Move.Rinse(var _, var liquid) -> eachVolume(run, (channel, _) -> found.add(lot(liquid, channel)));
            case Move.PourFluid _ -> found.add(fluidLot);
            case Move.DrawBack _ -> eachCell(run, (channel, _, _) -> home(channel, found));
            case Move.DrawOnTray(var back) -> {
                if (back) {
                    eachCell(run, (channel, _, _) -> home(channel, found));
                }
            }
            case Move.Nothing _,
                    Move.Spoil _,
                    Move.Draw _,
                    Move.PrimeOnTray _,
                    Move.Prime _,
                    Move.Supplied _,
                    Move.Refit _,
                    Move.Charge _,
                    Move.Clean _,
                    Move.Print _,
                    Move.Reading _ -> {}
        }
        found.remove(0L);
        return found;
    }

    private void home(ChannelCode channel, Set<Long> found) {
        if (home(channel) instanceof Place.Bottle(var lot)) {
            found.add(lot);
        }
    }

    /** A channel's path as it is at this step. */
    private Channel now(ChannelCode channel) {
        boolean there = becoming.codes().contains(channel);
        return there && (card.refitted() || !built.codes().contains(channel))
                ? becoming.channel(channel)
                : built.channel(channel);
    }

    private List<VesselKind> reach(ChannelCode channel, List<VesselKind> reach) {
        return reach.stream().filter(now(channel)::has).toList();
    }

    private Substance known(ChannelCode channel) {
        return java.util.Objects.requireNonNullElseGet(before.get(channel), () -> ink(channel, card.lotOf(channel)));
    }

    /** The bottle that clean ink of a channel goes back to. */
    private Place home(ChannelCode channel) {
        return known(channel) instanceof Substance.Ink(var _, var _, var lot) && lot != 0
                ? new Place.Bottle(lot)
                : card.lotOf(channel) == 0 ? Place.Outside.WASTE_BOTTLE : new Place.Bottle(card.lotOf(channel));
    }

    /** What the slot of a channel will carry: a grey one that becomes white is rinsed with white already. */
    private ChannelCode later(ChannelCode channel) {
        int slot = built.codes().indexOf(channel);
        return slot < 0 || becoming.codes().contains(channel)
                ? channel
                : becoming.codes().get(slot);
    }

    private long lot(Move.Liquid liquid, ChannelCode channel) {
        return liquid == Move.Liquid.FLUID ? fluidLot : card.lotOf(later(channel));
    }

    private Substance substance(Move.Liquid liquid, ChannelCode channel) {
        return liquid == Move.Liquid.FLUID
                ? new Substance.Fluid(target)
                : ink(later(channel), card.lotOf(later(channel)));
    }

    private Substance ink(ChannelCode channel, long lot) {
        return new Substance.Ink(target, channel, lot);
    }

    private interface Part {
        void of(long lot, Millilitres volume);
    }

    /** Out of the bottle in hand, and when that is empty out of the next one that fits. */
    private void pour(StepRun run, ChannelCode channel, Millilitres volume, Part part, Account account) {
        var lots = inTurn(run, channel);
        var left = volume;
        for (long lot : lots) {
            var here = account.at(new Place.Bottle(lot)).volume().min(left);
            if (lot != 0 && !here.isZero()) {
                part.of(lot, here);
                left = left.over(here);
            }
        }
        if (!left.isZero()) {
            part.of(lots.iterator().next(), left); // the account was wrong about a bottle: booked as a correction
        }
    }

    /** Bottles for a channel in the order in which they are used up: the one in hand first. */
    private Set<Long> inTurn(StepRun run, ChannelCode channel) {
        var lots = new LinkedHashSet<Long>();
        codeIn(run, channel).ifPresent(lots::add);
        lots.add(card.lotOf(channel));
        lots.addAll(bottles.apply(channel));
        return lots;
    }

    /** The bottle whose code was read at this very step. */
    private static Optional<Long> codeIn(StepRun run, ChannelCode channel) {
        if (run.step().ask() instanceof Ask.Grid grid) {
            for (int column = 0; column < grid.columns().size(); column++) {
                if (grid.columns().get(column).kind() == ColumnKind.CODE) {
                    return run.entry(channel + "/" + column).map(Long::valueOf);
                }
            }
        }
        return Optional.empty();
    }

    private interface CellAct {
        void on(ChannelCode channel, ColumnKind kind, Millilitres volume);
    }

    private interface VolumeAct {
        void on(ChannelCode channel, Millilitres volume);
    }

    private static void eachVolume(StepRun run, VolumeAct act) {
        eachCell(run, (channel, kind, volume) -> {
            if (kind == ColumnKind.VOLUME) {
                act.on(channel, volume);
            }
        });
    }

    /** Column by column, as the hands go; every cell that was tapped. */
    private static void eachCell(StepRun run, CellAct act) {
        if (!(run.step().ask() instanceof Ask.Grid grid)) {
            return;
        }
        for (int column = 0; column < grid.columns().size(); column++) {
            var kind = grid.columns().get(column).kind();
            for (var channel : Entries.cells(grid, column)) {
                if (run.entry(channel + "/" + column).isPresent()) {
                    act.on(
                            channel,
                            kind,
                            kind == ColumnKind.VOLUME
                                    ? Entries.volume(run, channel, column).orElseThrow()
                                    : Millilitres.ZERO);
                }
            }
        }
    }
}
