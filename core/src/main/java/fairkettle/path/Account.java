package fairkettle.path;

import static fairkettle.path.Place.Outside.CORRECTION;
import static fairkettle.path.Place.Outside.SUPPLIER;
import static fairkettle.path.Place.Outside.WASTE_BOTTLE;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Channel;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.path.Place.Bottle;
import fairkettle.path.Place.InPath;
import fairkettle.path.Place.Pad;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * The ink account of one machine while something is done to it: it knows what its places hold, carries out acts, and
 * tells at the end which {@linkplain #postings() postings} they come to. Acts are facts: when more came out than the
 * account knew of, the account was wrong, and a correction says so.
 *
 * <p>Not for sharing between threads; make one, use it, keep the postings.
 */
public final class Account {

    private final long machine;
    private final Place waste;
    private final Map<Place, Mixture> held;
    private final Map<Place, Map<Substance, Long>> moved = new HashMap<>();

    public Account(long machine, Map<? extends Place, Mixture> held) {
        this(machine, held, WASTE_BOTTLE);
    }

    /**
     * @param held what each place holds now; places that are missing are empty
     * @param waste where drawn and rinsed liquid goes
     */
    public Account(long machine, Map<? extends Place, Mixture> held, Place waste) {
        this.machine = machine;
        this.waste = waste;
        this.held = new HashMap<>(held);
    }

    public long machine() {
        return machine;
    }

    /** Where drawn and rinsed liquid goes. */
    public Place waste() {
        return waste;
    }

    public Mixture at(Place place) {
        return held.getOrDefault(place, Mixture.EMPTY);
    }

    public Mixture at(ChannelCode channel, VesselKind vessel) {
        return at(new InPath(machine, channel, vessel));
    }

    /** Everything in a channel's path. */
    public Mixture inPath(Channel channel) {
        return channel.path().stream().map(v -> at(channel.code(), v.kind())).reduce(Mixture.EMPTY, Mixture::plus);
    }

    /** Net movement per place and substance since the account was opened, without zeros, in a fixed order. */
    public List<Posting> postings() {
        var all = new ArrayList<Posting>();
        moved.forEach((place, parts) -> parts.forEach((substance, amount) -> {
            if (amount != 0) {
                all.add(new Posting(place, substance, amount));
            }
        }));
        all.sort(Comparator.comparing((Posting p) -> p.place().key())
                .thenComparing(p -> p.substance().key()));
        return all;
    }

    /** Takes up postings made elsewhere, such as the reverse of an act that is struck out. */
    public void apply(List<Posting> postings) {
        var byPlace = postings.stream().collect(Collectors.groupingBy(Posting::place));
        byPlace.forEach((place, list) -> list.forEach(p -> {
            note(place, p.substance(), p.microlitres());
            if (!(place instanceof Place.Outside)) {
                var parts = new HashMap<>(at(place).parts());
                parts.merge(p.substance(), p.microlitres(), Long::sum);
                held.put(place, new Mixture(parts));
            }
        }));
    }

    /**
     * Ink from a bottle into the first vessel. A vessel that the account knew to be fuller than it can be is corrected.
     */
    public void pour(Channel channel, long lot, Substance ink, Millilitres volume) {
        takeFromBottle(lot, ink, volume);
        var tank = place(channel, channel.first());
        move(new Bottle(lot), tank, Mixture.of(ink, volume));
        var above = at(tank).volume().over(channel.first().capacity());
        move(tank, CORRECTION, at(tank).taken(above));
    }

    /**
     * Drawn with a syringe at the open end behind the last vessel of the reach; what is upstream follows down to its
     * heel. More than the account knew of is first booked in as a correction.
     */
    public void draw(Channel channel, List<VesselKind> reach, Millilitres volume, Substance unknown) {
        draw(channel, reach, volume, unknown, waste);
    }

    /** The same into another place: clean ink goes back into its bottle. */
    public void draw(Channel channel, List<VesselKind> reach, Millilitres volume, Substance unknown, Place to) {
        var vessels = vessels(channel, reach);
        var known =
                vessels.stream().map(v -> at(place(channel, v)).volume()).reduce(Millilitres.ZERO, Millilitres::plus);
        var first = place(channel, vessels.getFirst());
        var missing = volume.over(known);
        if (!missing.isZero()) {
            var mixture = at(first).volume().isZero() ? Mixture.of(unknown, missing) : scaled(at(first), missing);
            move(CORRECTION, first, mixture);
        }
        var left = volume;
        for (int i = 0; i < vessels.size() && !left.isZero(); i++) {
            boolean last = i == vessels.size() - 1;
            var from = place(channel, vessels.get(i));
            var available = at(from).volume();
            // Heels stay until nothing else is left: more than that out is a heel smaller than the profile says.
            var free = last ? available : available.over(vessels.get(i).heel());
            left = left.over(passThrough(channel, vessels, i, free.min(left), to));
        }
        if (!left.isZero()) {
            for (int i = 0; i < vessels.size() && !left.isZero(); i++) {
                left = left.over(passThrough(
                        channel,
                        vessels,
                        i,
                        at(place(channel, vessels.get(i))).volume().min(left),
                        to));
            }
        }
    }

    /**
     * Seen with one's own eyes: the reach brings nothing but air, so it holds its heels and the rest was reckoned
     * wrong.
     */
    public void foundEmpty(Channel channel, List<VesselKind> reach) {
        for (var vessel : vessels(channel, reach)) {
            var place = place(channel, vessel);
            move(place, CORRECTION, at(place).taken(at(place).volume().over(vessel.heel())));
        }
    }

    /** A level read off the window. The difference is itself an entry. */
    public void reading(Channel channel, VesselKind kind, Millilitres level, Substance unknown) {
        var place = place(channel, channel.vessel(kind));
        var now = at(place).volume();
        move(place, CORRECTION, at(place).taken(now.over(level)));
        var more = level.over(now);
        move(CORRECTION, place, now.isZero() ? Mixture.of(unknown, more) : scaled(at(place), more));
    }

    /**
     * One rinse: the liquid goes through the vessels of the reach one after the other, mixes with each heel, and what
     * comes out goes to the waste bottle. The vessels hold afterwards what they held before.
     */
    public void rinse(Channel channel, List<VesselKind> reach, long lot, Substance liquid, Millilitres volume) {
        takeFromBottle(lot, liquid, volume);
        var vessels = vessels(channel, reach);
        move(new Bottle(lot), place(channel, vessels.getFirst()), Mixture.of(liquid, volume));
        passThrough(channel, vessels, 0, volume, waste);
    }

    /**
     * The path is charged: vessels behind the first fill up from it, then the loss flows through all of them to the
     * pad.
     */
    public void charge(Channel channel, Millilitres loss) {
        prime(channel, channel.path().stream().map(Vessel::kind).toList());
        flow(channel, loss, new Pad(machine));
    }

    /** The vessels of the reach fill up from the first. */
    public void prime(Channel channel, List<VesselKind> reach) {
        var path = vessels(channel, reach);
        for (int i = 1; i < path.size(); i++) {
            var room =
                    path.get(i).capacity().over(at(place(channel, path.get(i))).volume());
            for (int j = 0; j < i; j++) {
                var from = place(channel, path.get(j));
                move(from, place(channel, path.get(j + 1)), at(from).taken(room.min(at(from).volume())));
            }
        }
    }

    /** Into a cartridge on the tray. */
    public void pourOnTray(Channel channel, long lot, Substance liquid, Millilitres volume) {
        takeFromBottle(lot, liquid, volume);
        move(new Bottle(lot), tray(channel), Mixture.of(liquid, volume));
    }

    /** Out of a cartridge on the tray, at its outlet. */
    public void drawOnTray(Channel channel, Millilitres volume, Place to) {
        move(
                tray(channel),
                to,
                at(tray(channel)).taken(volume.min(at(tray(channel)).volume())));
    }

    /** From the tank through the tube into the cartridge on the tray, until that is full. */
    public void primeOnTray(Channel channel) {
        var tank = place(channel, channel.first());
        for (var kind : List.of(VesselKind.TUBE, VesselKind.CARTRIDGE)) {
            var to = kind == VesselKind.CARTRIDGE ? tray(channel) : place(channel, channel.vessel(kind));
            move(
                    tank,
                    to,
                    at(tank).taken(channel.vessel(kind)
                            .capacity()
                            .over(at(to).volume())
                            .min(at(tank).volume())));
        }
    }

    private Place tray(Channel channel) {
        return new Place.Tray(machine, channel.code());
    }

    /** A cartridge as the maker sells it: full. */
    public void supplied(Channel channel, Substance ink) {
        var first = place(channel, channel.first());
        move(
                SUPPLIER,
                first,
                Mixture.of(ink, channel.first().capacity().over(at(first).volume())));
    }

    /** Cleaning fluid that stays: into the first vessel, and on through the path. */
    public void pourFluid(Channel channel, long lot, Substance fluid, Millilitres volume) {
        pour(channel, lot, fluid, volume);
        prime(channel, channel.path().stream().map(Vessel::kind).toList());
    }

    /**
     * A slot is fitted anew: what is in vessels that come off is put aside with them, what is in the others stays,
     * under the code that the slot carries from now on.
     */
    public void refit(Channel before, Channel after, List<VesselKind> renewed) {
        for (var vessel : before.path()) {
            var from = place(before, vessel);
            boolean off = renewed.contains(vessel.kind()) || !after.has(vessel.kind());
            if (off || !before.code().equals(after.code())) {
                move(from, off ? Place.Outside.PUT_ASIDE : place(after, vessel), at(from));
            }
        }
        if (after.has(VesselKind.CARTRIDGE)) {
            move(tray(after), place(after, after.vessel(VesselKind.CARTRIDGE)), at(tray(after)));
        }
    }

    /**
     * Printing or cleaning: liquid flows through the whole path and out at the head. Booked in slugs a quarter of the
     * smallest vessel, so that the mixing follows {@link FlowThrough} closely; a path that runs dry gives what it has.
     */
    public void flow(Channel channel, Millilitres volume, Place to) {
        var path = channel.path();
        long slug =
                path.stream().mapToLong(v -> v.capacity().microlitres()).min().orElseThrow() / 4;
        for (long left = volume.microlitres(); left > 0; left -= slug) {
            var part = new Millilitres(Math.min(slug, left));
            for (int i = path.size() - 1; i >= 0; i--) {
                var from = place(channel, path.get(i));
                var into = i == path.size() - 1 ? to : place(channel, path.get(i + 1));
                var room =
                        i == path.size() - 1 ? part : path.get(i + 1).capacity().over(at(into).volume());
                move(from, into, at(from).taken(part.min(at(from).volume()).min(room)));
            }
        }
    }

    private Millilitres passThrough(Channel channel, List<Vessel> vessels, int start, Millilitres volume, Place to) {
        for (int i = start; i < vessels.size(); i++) {
            var from = place(channel, vessels.get(i));
            move(from, i == vessels.size() - 1 ? to : place(channel, vessels.get(i + 1)), at(from).taken(volume));
        }
        return volume;
    }

    /** Lot 0 is a bottle bought for the job; a bottle on the shelf that had more than it should is corrected. */
    private void takeFromBottle(long lot, Substance substance, Millilitres volume) {
        var bottle = new Bottle(lot);
        var missing = volume.over(at(bottle).volume());
        move(lot == 0 ? SUPPLIER : CORRECTION, bottle, Mixture.of(substance, missing));
    }

    private void move(Place from, Place to, Mixture what) {
        if (what.parts().isEmpty()) {
            return;
        }
        what.parts().forEach((substance, amount) -> {
            note(from, substance, -amount);
            note(to, substance, amount);
        });
        if (!(from instanceof Place.Outside)) {
            held.put(from, at(from).minus(what));
        }
        if (!(to instanceof Place.Outside)) {
            held.put(to, at(to).plus(what));
        }
    }

    private void note(Place place, Substance substance, long microlitres) {
        moved.computeIfAbsent(place, _ -> new HashMap<>()).merge(substance, microlitres, Long::sum);
    }

    private static Mixture scaled(Mixture like, Millilitres volume) {
        var substances = List.copyOf(like.parts().keySet());
        long[] shares = fairkettle.ink.LargestRemainder.share(
                volume.microlitres(),
                like.parts().values().stream().mapToLong(Long::longValue).toArray());
        var parts = new HashMap<Substance, Long>();
        for (int i = 0; i < shares.length; i++) {
            parts.put(substances.get(i), shares[i]);
        }
        return new Mixture(parts);
    }

    private Place place(Channel channel, Vessel vessel) {
        return new InPath(machine, channel.code(), vessel.kind());
    }

    private static List<Vessel> vessels(Channel channel, List<VesselKind> reach) {
        return reach.stream().sorted().map(channel::vessel).toList();
    }
}
