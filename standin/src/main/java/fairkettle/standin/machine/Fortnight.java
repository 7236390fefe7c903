package fairkettle.standin.machine;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Channel;
import fairkettle.machine.Profile;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;

/**
 * The same bench, the same orders and the same air for a fortnight: once left alone but for the orders, once kept by
 * whoever is handed in. Where more gaps stand before an order than it forgives, somebody cleans up to three times, as
 * people do.
 */
public final class Fortnight {

    private static final int DAYS = 14;
    private static final Instant MONDAY = Instant.parse("2026-01-05T09:00:00Z");
    private static final int CLEANINGS_BEFORE_GIVING_UP = 3;
    private static final double ORDER_ML = 0.5;
    /** Share of gaps that an order forgives. */
    private static final double FORGIVEN = 0.02;

    private Fortnight() {}

    /** What happened on a morning, and the machine to do something about it with. */
    public record Morning(Instant at, SimMachine machine, Profile profile, List<ChannelCode> printed, double drying) {}

    /** Somebody who keeps a machine: what is done on a morning. */
    public interface Keeper extends Function<Morning, List<Act>> {}

    /**
     * @param gaps nozzles that do not print at the end
     * @param spoilt orders that began with more gaps than they forgive, though it was cleaned
     * @param orders that were printed
     * @param cleanings mL that cleanings drew; {@code upkeep} mL that routines drew
     */
    public record Outcome(int machines, int gaps, int spoilt, int orders, double cleanings, double upkeep) {}

    /** @param keeper makes somebody for each machine, with a memory of its own */
    public static Outcome of(List<Profile> profiles, long seed, Function<Profile, Keeper> keeper) {
        var climate = new Climate(seed);
        int gaps = 0;
        int spoilt = 0;
        int orders = 0;
        double cleaned = 0;
        double kept = 0;
        for (int i = 0; i < profiles.size(); i++) {
            var profile = profiles.get(i);
            var machine = new SimMachine("Bramble", profile, seed * 31 + i, climate, MONDAY, false);
            var hand = keeper.apply(profile);
            var chance = new Random(seed * 101 + i);
            for (int day = 1; day <= DAYS; day++) {
                var at = MONDAY.plus(Duration.ofDays(day));
                boolean open = day % 7 != 6;
                boolean order = chance.nextInt(4) == 0 && open; // about every fourth day, and not on Sundays
                var channels = new ArrayList<ChannelCode>();
                profile.codes().forEach(c -> {
                    if (chance.nextInt(3) > 0) {
                        channels.add(c);
                    }
                });
                machine.advance(at);
                if (open) {
                    for (var act : hand.apply(new Morning(
                            at,
                            machine,
                            profile,
                            order ? channels : List.of(),
                            climate.at(at).drying()))) {
                        double before = held(machine);
                        machine.take(act);
                        kept += Math.max(0, before - held(machine));
                    }
                }
                if (order) {
                    orders++;
                    for (int c = 0; c < CLEANINGS_BEFORE_GIVING_UP && tooMany(machine, profile); c++) {
                        double before = held(machine);
                        machine.take(new Act.Clean());
                        cleaned += Math.max(0, before - held(machine));
                    }
                    spoilt += tooMany(machine, profile) ? 1 : 0;
                    channels.forEach(c -> machine.take(new Act.Purge(c.code(), ORDER_ML)));
                    profile.codes().forEach(c -> machine.take(new Act.Fill(c.code(), ORDER_ML)));
                }
            }
            gaps += gaps(machine);
        }
        return new Outcome(profiles.size(), gaps, spoilt, orders, cleaned, kept);
    }

    private static boolean tooMany(SimMachine machine, Profile profile) {
        return gaps(machine)
                > FORGIVEN
                        * profile.channels().stream().mapToInt(Channel::nozzles).sum();
    }

    private static int gaps(SimMachine machine) {
        return machine.shut().values().stream().mapToInt(Integer::intValue).sum();
    }

    private static double held(SimMachine machine) {
        return machine.levels().values().stream().mapToDouble(d -> d).sum();
    }

    /** Nobody does anything. */
    public static Keeper nobody() {
        return _ -> List.of();
    }
}
