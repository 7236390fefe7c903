package fairkettle.standin.machine;

import fairkettle.clinic.Evidence;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * A sick machine. It takes what a person can do, and shows what a person can see; what it really has is for the
 * debrief.
 */
public final class SickMachine {

    private static final double SHEET = .7;
    private static final double CHECK = .02;
    private static final double CLEANING = .9;
    private static final double POWER = 7;
    private static final double FADED = .32;
    private static final double OFF_COLOUR = .12;

    private final Family family;
    private final Physics physics;
    private final double air; // drying of the room
    private final List<SimChannel> channels = new ArrayList<>();
    private final Dice dice;
    double rim; // leaks at the rim, 0 to 1
    double rubber;
    double pumpLine; // blocked share
    double wiper; // dirt
    boolean shifted;
    private boolean parted;
    private int inARow;
    private double ml;
    private double pad;
    private double hours;
    private double hands;
    private double parts;
    private boolean rose;

    SickMachine(Family family, Physics physics, double air, Dice dice) {
        this.family = family;
        this.physics = physics;
        this.air = air;
        this.dice = dice;
    }

    void add(SimChannel channel) {
        channels.add(channel);
    }

    /** The same machine, and the same luck from here on. */
    public SickMachine copy() {
        var other = new SickMachine(family, physics, air, dice.copy());
        channels.forEach(c -> other.channels.add(c.copy()));
        other.rim = rim;
        other.rubber = rubber;
        other.pumpLine = pumpLine;
        other.wiper = wiper;
        other.shifted = shifted;
        other.parted = parted;
        other.inARow = inARow;
        other.ml = ml;
        other.pad = pad;
        other.hours = hours;
        other.hands = hands;
        other.parts = parts;
        other.rose = rose;
        return other;
    }

    SimChannel channel(ChannelCode code) {
        return channels.stream()
                .filter(c -> c.code.equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("This machine has no channel %s.".formatted(code)));
    }

    List<SimChannel> channels() {
        return channels;
    }

    public Family family() {
        return family;
    }

    public List<ChannelCode> codes() {
        return channels.stream().map(c -> c.code).toList();
    }

    // ---- what a person can do -------------------------------------------------------------------------------------

    private double leak() {
        return Math.min(1, rim + rubber);
    }

    /** What of a cleaning's pull arrives at the plate. */
    private double seal() {
        return (1 - .75 * Math.min(1, leak())) * (1 - .92 * Math.min(1, pumpLine));
    }

    /** Time passes, the head capped. */
    public void rest(double forHours) {
        double each = forHours / Math.max(1, Math.ceil(forHours / 6));
        for (double done = 0; done < forHours - 1e-9; done += each) {
            channels.forEach(c -> c.stand(each, air, leak(), dice));
        }
        hours += forHours;
        if (forHours >= 1.5) {
            inARow = 0;
        }
    }

    /** Does what the treatment says. @param on channels treated, for acts on single ones */
    public void act(Treatment treatment, Set<ChannelCode> on) {
        var treated = channels.stream()
                .filter(c -> !treatment.perChannel() || on.contains(c.code))
                .toList();
        hands += treatment.hands(on.size()) * physics.slow();
        double hand = physics.today(dice);
        switch (treatment) {
            case PURGE_SHEET -> treated.forEach(c -> print(c, SHEET));
            case CLEANING -> clean(SimChannel.Cleaning.LIGHT, CLEANING);
            case POWER_CLEANING -> {
                parted |= dice.hits(.003);
                clean(SimChannel.Cleaning.POWER, POWER);
            }
            case REST_SHORT, REST_LONG -> {}
            case SOAK -> channels.forEach(c -> c.soak(hand, dice));
            case SOAK_OVERNIGHT -> channels.forEach(c -> c.soakOvernight(hand, dice));
            case WIPE -> {
                wiper *= dice.between(.05, .3);
                rim *= dice.between(.1, .4);
                channels.forEach(c -> {
                    c.washDirt(.7, dice);
                    c.smear *= .5;
                });
            }
            case FLUSH_CAP -> {
                pumpLine *= dice.between(.1, .5);
                rim *= dice.between(.5, .9);
            }
            case NEW_CAP -> {
                rim = .02;
                rubber = 0;
                parts += 9;
            }
            case DRAW_AT_CARTRIDGE ->
                treated.forEach(c -> {
                    ml += 3;
                    c.level -= Math.min(c.level, 3);
                    c.takeAir(Math.min(.97, dice.between(.5, .95) * hand));
                    c.settledLine *= .7;
                });
            case PUSH_AT_VENT ->
                treated.forEach(c -> {
                    ml += 1;
                    c.level -= Math.min(c.level, 1);
                    c.takeAir(Math.min(.97, dice.between(.45, .95) * hand));
                });
            case DRAW_AT_WASTE_LINE ->
                treated.forEach(c -> {
                    ml += 5;
                    c.drawAtWasteLine(5, hand, leak(), dice);
                });
            case AGITATE -> treated.forEach(SimChannel::agitate);
            case NEW_DAMPER -> treated.forEach(c -> newDamper(c, 3));
            case FLUSH_LINE ->
                treated.forEach(c -> {
                    c.settledLine = 0;
                    c.takeAir(.6);
                    c.pinch *= dice.hits(.8) ? 0 : 1;
                    newDamper(c, 8);
                });
            case DRAW_AT_INLET ->
                treated.forEach(c -> {
                    parted |= dice.hits(.006);
                    ml += 1;
                    c.drawAtInlet(1, hand, dice);
                });
            case RENEW ->
                treated.forEach(c -> {
                    ml += 25;
                    c.drained(.5);
                    c.level = c.capacity * .9;
                    newDamper(c, 0);
                });
            case HEAD_OUT -> {
                parted |= dice.hits(.045);
                ml += .5 * channels.size();
                channels.forEach(c -> {
                    c.crust = 0;
                    c.soften(.6);
                    c.pull(.95 * hand, dice);
                    c.washDirt(.97, dice);
                    c.loose &= !dice.hits(.8); // its contacts are seated anew
                    c.damperAir += dice.hits(.4) ? .25 : 0;
                });
            }
            case LOOK_AGAIN -> channels.forEach(this::look);
        }
        rest(Math.max(0, treatment.lasts(on.size()).toMinutes() / 60.0));
    }

    private void newDamper(SimChannel c, double mL) {
        ml += mL;
        parts += 4;
        c.level -= Math.min(c.level, mL);
        c.load = .03;
        c.seeps *= dice.hits(.8) ? 0 : 1; // why: the joint is made anew with it
        c.pinch *= dice.hits(.4) ? 0 : 1;
        if (dice.hits(.35)) {
            c.pocket(dice.between(.75, .95), dice.between(.1, .6));
        }
    }

    private void print(SimChannel c, double mL) {
        double[] came = c.flow(mL, .6, false, dice);
        for (double share : came) {
            ml += share * mL / came.length;
        }
        c.pull(.10, dice);
    }

    private void clean(SimChannel.Cleaning cleaning, double mL) {
        double arrives = seal();
        rose = dice.hits(arrives > .55 ? .92 : arrives > .3 ? .5 : .12);
        inARow++;
        for (var c : channels) {
            c.cleaned(cleaning, mL, arrives, dice);
            ml += mL * Math.max(.3, arrives);
            pad += mL * Math.max(.3, arrives);
            if (inARow > 3) {
                c.damperAir += physics.sucksAir();
            }
            if (wiper > .35) {
                if (dice.hits(.3 * wiper)) {
                    c.dirty(wiper, dice);
                }
                if (dice.hits(.25 * wiper)) {
                    c.smear += .16 * wiper;
                }
            }
        }
    }

    private void look(SimChannel c) {
        if (c.empty && !dice.hits(.05)) {
            c.empty = false;
            c.level = Math.max(c.level, c.capacity * .85);
        }
        if (c.ventShut && !dice.hits(.06)) {
            c.ventShut = false;
        }
        if (c.pinch > 0 && dice.hits(.3)) { // why: nobody's list names it, but eyes that follow the tube may see it
            c.pinch = 0;
        }
    }

    // ---- what a person can see ------------------------------------------------------------------------------------

    /** Level, vent, valve, seating, chip: what is found is put right. */
    public Evidence.Simple simple() {
        var found = new TreeSet<ChannelCode>();
        for (var c : channels) {
            boolean was = c.empty || c.ventShut || c.pinch > 0;
            look(c);
            if (was && !(c.empty || c.ventShut || c.pinch > 0)) {
                found.add(c.code);
            }
        }
        hands += 3 * physics.slow();
        rest(4 / 60.0);
        return new Evidence.Simple(found);
    }

    /** Its own nozzle check, as it is read. */
    public Evidence.Look check() {
        var seen = new LinkedHashMap<ChannelCode, List<Integer>>();
        for (var c : channels) {
            double came = 0;
            for (double share : c.flow(CHECK, .6, false, dice)) {
                came += share / 20;
            }
            ml += CHECK * came;
            var missing = new ArrayList<Integer>();
            boolean cut = c.loose && dice.hits(.6);
            for (int i = 0; i < c.strokes; i++) {
                boolean there = c.fires(i)
                        && !(cut && c.behindContact(i))
                        && !(c.blurred[i] && dice.hits(.85))
                        && !(came < .75 && dice.hits((.75 - came) / .75));
                if (there ? dice.hits(physics.falseMiss()) : !dice.hits(physics.falsePresent())) {
                    missing.add(i);
                }
            }
            seen.put(c.code, missing);
        }
        hands += 1.5 * physics.slow();
        rest(2 / 60.0);
        return new Evidence.Look(seen);
    }

    /** A full page of every channel. */
    public Evidence.Page page() {
        hands += 3 * physics.slow();
        var seen = lay(channels);
        rest(6 / 60.0);
        return seen;
    }

    /** A purge sheet of a few channels. */
    public Evidence.Page purge(Set<ChannelCode> codes) {
        hands += Treatment.PURGE_SHEET.hands(codes.size()) * physics.slow();
        var seen = lay(channels.stream().filter(c -> codes.contains(c.code)).toList());
        rest(Treatment.PURGE_SHEET.lasts(codes.size()).toMinutes() / 60.0);
        return seen;
    }

    /** Tops a vessel up to its line. */
    public void fill(ChannelCode code) {
        var c = channel(code);
        c.level = Math.max(c.level, c.capacity * .9);
        hands += 2 * physics.slow();
    }

    private Evidence.Page lay(List<SimChannel> some) {
        var seen = new LinkedHashMap<ChannelCode, Evidence.Seen>();
        for (var c : some) {
            boolean airBefore = c.damperAir > .04 || c.airInLine() > .3;
            double[] came = c.flow(SHEET, .6, false, dice);
            double mean = 0;
            for (double share : came) {
                mean += share / came.length;
            }
            ml += SHEET * mean;
            c.pull(.10, dice);
            double fade = Math.clamp(fade(came) + .05 * dice.gauss(), 0, 1);
            boolean band = dice.hits(airBefore ? .5 : .02);
            double eye = dice.gauss();
            boolean off = c.mixed + c.smear + .03 * eye > OFF_COLOUR;
            seen.put(c.code, new Evidence.Seen(fade, band, off, off ? c.smear + .06 * eye > c.mixed : null));
        }
        return new Evidence.Page(seen);
    }

    private static double fade(double[] came) {
        double top = (came[0] + came[1] + came[2]) / 3;
        double foot = (came[came.length - 1] + came[came.length - 2] + came[came.length - 3]) / 3;
        return Math.max(1 - foot, top - foot);
    }

    public Evidence.WasteRose wasteRose() {
        hands += .5;
        return new Evidence.WasteRose(rose);
    }

    public Evidence.Bubbles bubbles(ChannelCode code) {
        var c = channel(code);
        hands += .5;
        return new Evidence.Bubbles(code, dice.hits(c.airInLine() > .1 || c.damperAir > .05 ? .8 : .1));
    }

    public Evidence.Thread thread(ChannelCode code) {
        hands += 1;
        return new Evidence.Thread(code, dice.hits(channel(code).growth ? .75 : .02));
    }

    public Evidence.Crust crust(ChannelCode code) {
        hands += .5;
        return new Evidence.Crust(code, dice.hits(channel(code).crust > .4 ? .85 : .04));
    }

    /** How the last draw felt. */
    public Evidence.Felt felt(ChannelCode code) {
        var c = channel(code);
        var feel = c.airInLine() > .4
                ? Evidence.Feel.NOTHING_EASY
                : c.limit() < .15 || c.silent() > 50
                        ? Evidence.Feel.NOTHING_HARD
                        : c.silent() > 6 ? Evidence.Feel.INK_EASING : Evidence.Feel.INK_HARD;
        return new Evidence.Felt(code, dice.hits(.13) ? Evidence.Feel.values()[dice.under(4)] : feel);
    }

    public Evidence.Shifted shift() {
        return new Evidence.Shifted(shifted);
    }

    /** Liquid at the plate's sides. */
    public boolean parted() {
        return parted;
    }

    /** The strip is cleaned and the head aligned. */
    public void align() {
        shifted = false;
        hands += 15 * physics.slow();
        rest(.5);
    }

    /** From here on its costs are counted. */
    void begin() {
        ml = 0;
        pad = 0;
        hours = 0;
        hands = 0;
        parts = 0;
        inARow = 0;
    }

    // ---- what it costs --------------------------------------------------------------------------------------------

    /** mL of ink that left the path. */
    public double ink() {
        return ml;
    }

    public double pad() {
        return pad;
    }

    public double hours() {
        return hours;
    }

    public double hands() {
        return hands;
    }

    /** Money for parts that were changed. */
    public double parts() {
        return parts;
    }

    // ---- what it really has ---------------------------------------------------------------------------------------

    /** What is wrong with it, for the debrief and for the yardstick; nobody at the bench can see it. */
    public enum Fault {
        DRIED,
        DEAD,
        DIRT,
        AIR,
        FILTER,
        SETTLED,
        SHUT,
        GROWTH,
        PINCHED,
        SEEPING,
        LOOSE,
        CRUST,
        SMEAR,
        MIXED,
        CAP,
        WIPER,
        POSITION,
        PARTED
    }

    /** By channel; what the channels share stands under every one of them. */
    public Map<ChannelCode, Set<Fault>> faults() {
        var all = new LinkedHashMap<ChannelCode, Set<Fault>>();
        for (var c : channels) {
            var has = EnumSet.noneOf(Fault.class);
            int dried = 0;
            int dead = 0;
            int dirty = 0;
            int bubbles = 0;
            for (int i = 0; i < c.strokes; i++) {
                dead += c.dead[i] ? 1 : 0;
                dried += !c.dead[i] && c.blocked(i) ? 1 : 0;
                dirty += c.dirt[i] ? 1 : 0;
                bubbles += c.bubble[i] ? 1 : 0;
            }
            put(has, Fault.DEAD, dead > 0);
            put(has, Fault.DRIED, dried > 0);
            put(has, Fault.DIRT, dirty > 0);
            put(has, Fault.AIR, bubbles > 2 || c.damperAir > .05 || c.airInLine() > .15);
            put(has, Fault.FILTER, c.load > .6);
            put(has, Fault.SETTLED, c.settledLine > .55);
            put(has, Fault.SHUT, c.ventShut || c.empty);
            put(has, Fault.GROWTH, c.growth);
            put(has, Fault.PINCHED, c.pinch > .5);
            put(has, Fault.SEEPING, c.seeps > 0);
            put(has, Fault.LOOSE, c.loose);
            put(has, Fault.CRUST, c.crust > .4);
            put(has, Fault.SMEAR, c.smear > .1);
            put(has, Fault.MIXED, c.mixed > .1);
            put(has, Fault.CAP, leak() > .3 || pumpLine > .4);
            put(has, Fault.WIPER, wiper > .35);
            put(has, Fault.POSITION, shifted);
            put(has, Fault.PARTED, parted);
            all.put(c.code, has);
        }
        return all;
    }

    private static void put(Set<Fault> has, Fault fault, boolean so) {
        if (so) {
            has.add(fault);
        }
    }

    /** Nozzles that do not fire now. */
    public int silent() {
        return channels.stream().mapToInt(SimChannel::silent).sum();
    }

    /** Whether it is really fit for work that forgives so many silent nozzles in each channel. */
    public boolean fit(int tolerated) {
        if (parted || shifted) {
            return false;
        }
        var twin = copy();
        twin.rest(.25);
        for (var c : twin.channels) {
            int silent = c.silent();
            double fade = fade(c.flow(SHEET, .6, false, twin.dice));
            if (silent > tolerated || c.loose || fade > FADED || c.mixed + c.smear > OFF_COLOUR + .03 || c.empty) {
                return false;
            }
        }
        return true;
    }

    /** Whether it is still fit after a day at rest. */
    public boolean holds(int tolerated) {
        if (!fit(tolerated)) {
            return false;
        }
        var twin = copy();
        twin.rest(24);
        return twin.fit(tolerated);
    }

    /** Whether only a new head could make it fit. */
    public boolean hopeless(int tolerated) {
        if (parted) {
            return true;
        }
        for (var c : channels) {
            int dead = 0;
            for (boolean d : c.dead) {
                dead += d ? 1 : 0;
            }
            if (dead > tolerated || c.loose) {
                return true;
            }
        }
        return false;
    }
}
