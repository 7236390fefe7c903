package fairkettle.standin.machine;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * A simulated machine that prints: what a person could do to one, it takes; what a person could see of one, it shows.
 * Inside it is what every sick machine is, with the strokes of its own profile. All its luck comes from its seed, all
 * its time from outside.
 */
public final class SimMachine {

    private static final float SEEN = .06f; // of the ink of a stroke: less is none to the eye
    private static final float FAINT = .4f;
    private static final double BENT = .004; // share of strokes beside their place
    private static final double PER_MINUTE = .6; // mL a minute that are printed
    private static final double SOAK = 10; // minutes of the usual one
    private static final int A_DOZEN = 12;
    private static final double TWO_WEEKS = 14 * 24; // h
    private static final int REMEMBERS = 40; // things that were done to it

    private final String name;
    private final Profile profile;
    private final Map<String, SimChannel> channels = new LinkedHashMap<>();
    private final Map<String, boolean[]> bent = new LinkedHashMap<>();
    private final Map<String, Double> counted = new LinkedHashMap<>(); // mL that its own count believes are left
    private final List<Happened> lately = new ArrayList<>();
    private final Dice dice;
    private final Physics physics;
    private final Climate climate;
    private final boolean chipsIgnored;
    private Instant now;
    private double pad;
    private double leak; // of the cap, 0 to 1
    private double wiper; // dirt on it, 0 to 1
    private boolean paperOut;

    public SimMachine(String name, Profile profile, long seed, Climate climate, Instant start, boolean chipsIgnored) {
        this.name = name;
        this.profile = profile;
        this.climate = climate;
        this.now = start;
        this.chipsIgnored = chipsIgnored;
        dice = Dice.of(seed);
        physics = Physics.drawn(
                profile.codes().stream().anyMatch(ChannelCode::white) ? Family.FILM : Family.SUBLIMATION, dice);
        profile.channels().forEach(c -> {
            var channel = new SimChannel(
                    c.code(), c.nozzles(), dice, physics, c.first().capacity().mL());
            var aside = new boolean[c.nozzles()];
            for (int i = 0; i < aside.length; i++) {
                aside[i] = dice.hits(BENT);
            }
            channels.put(c.code().code(), channel);
            bent.put(c.code().code(), aside);
            counted.put(c.code().code(), channel.level);
        });
        pad = profile.padCapacity().mL() * .6 * dice.next();
        leak = .1 * dice.next();
        wiper = .2 * dice.next();
    }

    public String name() {
        return name;
    }

    public Profile profile() {
        return profile;
    }

    /** Time passes, the head capped. */
    public synchronized void advance(Instant to) {
        double hours = Duration.between(now, to).toSeconds() / 3600.0;
        if (hours <= 0) {
            return;
        }
        double drying = (climate.at(now).drying() + climate.at(to).drying()) / 2;
        channels.values().forEach(c -> c.stand(hours, drying, leak, dice));
        leak = Math.min(1, leak + hours / 24 / 900);
        now = to;
    }

    /**
     * Somebody does this to it.
     *
     * @throws IllegalArgumentException for a channel it does not have, or an act it refuses; the message says why
     */
    public synchronized void take(Act act) {
        does(act);
        noted(act.words());
    }

    private void does(Act act) {
        switch (act) {
            case Act.Check _ -> onePass();
            case Act.Purge(var code, var mL) -> printed(channel(code), mL);
            case Act.Clean _ ->
                clean(SimChannel.Cleaning.LIGHT, profile.draws().cleaning().mL());
            case Act.PowerClean _ -> {
                for (var c : channels.values()) {
                    if (c.level < profile.draws().powerCleaning().mL()) {
                        throw new IllegalArgumentException(
                                "%s: not enough ink in %s for a power cleaning.".formatted(name, c.code));
                    }
                }
                clean(SimChannel.Cleaning.POWER, profile.draws().powerCleaning().mL());
            }
            case Act.Soak(var minutes) -> channels.values().forEach(c -> c.soak(Math.min(1.2, minutes / SOAK), dice));
            case Act.OvernightSoak _ -> channels.values().forEach(c -> c.soakOvernight(1, dice));
            case Act.DrawAtCartridge(var code, var mL) -> {
                var c = channel(code);
                count(c, Math.min(c.level, mL));
                c.level -= Math.min(c.level, mL);
                c.takeAir(.9 * Math.min(1, mL / 3));
                c.vacuum = 0;
            }
            case Act.DrawAtWasteLine(var code, var mL) -> {
                var c = channel(code);
                count(c, mL * share(c.drawAtWasteLine(mL, 1, leak, dice)));
            }
            case Act.PushAir(var code) -> channel(code).takeAir(.7);
            case Act.FluidAtInlet(var code, var mL) -> channel(code).drawAtInlet(Math.min(1, mL / 2), 1, dice);
            case Act.Fill(var code, var mL) -> {
                var c = channel(code);
                double before = c.level;
                c.level = Math.min(c.capacity, c.level + mL);
                c.settledVessel *= before / Math.max(.1, c.level);
            }
            case Act.WrongInk(var code, var mL) -> {
                var c = channel(code);
                c.mixed = (c.mixed * c.level + mL) / (c.level + mL);
                c.level = Math.min(c.capacity, c.level + mL);
            }
            case Act.Agitate(var code) -> channel(code).agitate();
            case Act.Circulate() ->
                channels.values().stream().filter(c -> c.code.white()).forEach(c -> {
                    c.settledLine *= .1;
                    c.settledVessel *= .6;
                });
            case Act.FlushWhiteLine(var code) -> {
                channel(code).settledLine = 0;
                channel(code).load = .05;
            }
            case Act.OpenVent(var code) -> channel(code).ventShut = false;
            case Act.ShutVent(var code) -> channel(code).ventShut = true;
            case Act.OpenValve(var code) -> channel(code).empty = false;
            case Act.ShutValve(var code) -> channel(code).empty = true;
            case Act.WipePlate _ -> {
                wiper *= .5;
                channels.values().forEach(c -> {
                    c.washDirt(.7, dice);
                    c.smear *= .3;
                });
            }
            case Act.CleanCap _ -> leak *= .35;
            case Act.NewCap _ -> leak = .02;
            case Act.NewWiper _ -> wiper = 0;
            case Act.NewDamper(var code) -> {
                channel(code).load = .03;
                channel(code).pocket(.85, .3);
            }
            case Act.NewPad _ -> pad = 0;
            case Act.NewHead _ ->
                channels.values().forEach(c -> {
                    c.clear();
                    Arrays.fill(c.dead, false);
                    c.damperAir = .3;
                });
            case Act.Renew(var code) -> {
                var c = channel(code);
                c.drained(0);
                c.level = c.capacity * .9;
                counted.put(code, c.level);
                c.load = Math.min(c.load, .1);
                c.pocket(.8, .3);
            }
            case Act.ResetChip(var code) -> counted.put(code, channel(code).capacity);
        }
    }

    private static double share(double[] came) {
        double sum = 0;
        for (double part : came) {
            sum += part;
        }
        return sum / came.length;
    }

    private double printed(SimChannel c, double mL) {
        double got = share(c.flow(mL, PER_MINUTE, false, dice));
        count(c, mL * got);
        return got;
    }

    private void count(SimChannel c, double mL) {
        counted.merge(c.code.code(), -mL, (a, b) -> Math.max(0, a + b));
    }

    private void clean(SimChannel.Cleaning cleaning, double mL) {
        if (padFull()) {
            throw new IllegalArgumentException("%s: the waste pad is full.".formatted(name));
        }
        double arrives = 1 - .75 * leak;
        for (var c : channels.values()) {
            c.cleaned(cleaning, mL, arrives, dice);
            count(c, mL * arrives);
            pad += mL * arrives;
            if (wiper > .35 && dice.hits(.3 * wiper)) {
                c.dirty(wiper, dice);
                c.smear += .1 * wiper;
            }
        }
        wiper = Math.min(1, wiper + .012);
    }

    private SimChannel channel(String code) {
        var channel = channels.get(code);
        if (channel == null) {
            throw new IllegalArgumentException("%s has no channel %s.".formatted(name, code));
        }
        return channel;
    }

    // ---- what can be seen ---------------------------------------------------------------------------------------

    public boolean padFull() {
        return pad >= profile.padCapacity().mL();
    }

    public boolean paperOut() {
        return paperOut;
    }

    public void paperOut(boolean out) {
        this.paperOut = out;
    }

    /** What it reports of itself: it counts drops and trusts its chips; nothing is measured. @return percent left */
    public synchronized Map<String, Integer> reportedLevels() {
        var levels = new LinkedHashMap<String, Integer>();
        channels.forEach((code, c) -> levels.put(
                code, chipsIgnored ? 100 : (int) Math.round(100 * counted.getOrDefault(code, 0.0) / c.capacity)));
        return levels;
    }

    /** Percent of its waste pad. */
    public synchronized int reportedPad() {
        return (int) Math.min(100, Math.round(100 * pad / profile.padCapacity().mL()));
    }

    /** What is really in it, mL, for those who may know. */
    public synchronized Map<String, Double> levels() {
        return each(c -> c.level);
    }

    /** How many nozzles are shut, by channel. */
    public synchronized Map<String, Integer> shut() {
        var all = new LinkedHashMap<String, Integer>();
        channels.forEach((code, c) -> all.put(
                code, (int) IntStream.range(0, c.strokes).filter(c::blocked).count()));
        return all;
    }

    /** Share of ink that does not belong, by channel. */
    public synchronized Map<String, Double> foreign() {
        return each(c -> Math.min(.9, c.mixed + c.smear));
    }

    private Map<String, Double> each(ToDoubleFunction<SimChannel> what) {
        var all = new LinkedHashMap<String, Double>();
        channels.forEach((code, c) -> all.put(code, what.applyAsDouble(c)));
        return all;
    }

    /** How each nozzle of a channel printed: amount 0 to 1, and how far beside its place, mm. */
    public record Marks(String code, float[] amount, float[] aside, double strength, double foreign) {}

    /** Prints one pass of every nozzle. */
    public synchronized List<Marks> check() {
        var all = onePass();
        noted("check");
        return all;
    }

    private List<Marks> onePass() {
        var all = new ArrayList<Marks>();
        for (var c : channels.values()) {
            double came = printed(c, profile.draws().nozzleCheck().mL());
            var amount = amounts(c, came * (1 - .85 * weak(c)));
            var aside = new float[c.strokes];
            for (int i = 0; i < aside.length; i++) {
                aside[i] = bent(c)[i] ? .2f : 0;
            }
            all.add(new Marks(c.code.code(), amount, aside, 1 - .8 * weak(c), Math.min(.9, c.mixed + c.smear)));
        }
        return all;
    }

    /** Share of the pigment that lies in the line, not in what is printed. */
    private static double weak(SimChannel c) {
        return Math.min(.95, .9 * c.settledLine);
    }

    private boolean[] bent(SimChannel c) {
        return bent.getOrDefault(c.code.code(), new boolean[c.strokes]);
    }

    private static float[] amounts(SimChannel c, double came) {
        var amount = new float[c.strokes];
        for (int i = 0; i < amount.length; i++) {
            amount[i] = c.fires(i) ? (float) came * (c.blurred[i] ? FAINT : 1) : 0;
        }
        return amount;
    }

    /** Prints a check and looks at it: the strokes that are not there, by channel, as a person counts them. */
    public synchronized Map<String, List<Integer>> missing() {
        var all = new LinkedHashMap<String, List<Integer>>();
        check().forEach(m -> all.put(
                m.code(),
                IntStream.range(0, m.amount().length)
                        .filter(i -> m.amount()[i] <= SEEN)
                        .boxed()
                        .toList()));
        return all;
    }

    /**
     * Prints so much of a page. @param covers mL by channel that the whole page asks for
     *
     * @param rows of the page, from its top
     * @return by channel, per row, the share of the wanted ink that came, single nozzles apart
     */
    public synchronized Map<String, float[]> supply(Map<String, Double> covers, int rows) {
        var all = new LinkedHashMap<String, float[]>();
        noted("page");
        channels.forEach((code, c) -> {
            double wanted = covers.getOrDefault(code, 0.0);
            var came = new float[rows];
            Arrays.fill(came, (float) (1 - .85 * weak(c)));
            if (wanted > 0) {
                boolean air = c.damperAir > .04 || c.airInLine() > .3;
                double[] parts = c.flow(wanted, PER_MINUTE, false, dice);
                count(c, wanted * share(parts));
                int bubble = air && dice.hits(.5) ? dice.under(rows) : rows;
                for (int y = 0; y < rows; y++) {
                    // a bubble passes: a blank band with clean edges
                    came[y] *= y >= bubble && y < bubble + rows / 40 ? 0 : (float) parts[y * parts.length / rows];
                }
            }
            all.put(code, came);
        });
        return all;
    }

    /** Which nozzles lay down ink in this pass. */
    public synchronized Map<String, float[]> firing() {
        var all = new LinkedHashMap<String, float[]>();
        channels.forEach((code, c) -> all.put(code, amounts(c, 1)));
        return all;
    }

    // ---- what nobody sees at a real machine ---------------------------------------------------------------------

    /**
     * One channel, looked into.
     *
     * @param level mL, of {@code capacity}
     * @param nozzles a letter for each: {@code .} open, {@code s} dried shut, {@code d} dead, {@code x} dirt on it,
     *     {@code b} a bubble in it
     * @param filter 0 new to 1 shut; {@code settled} and {@code foreign} shares of its ink
     * @param air mL in its line
     */
    public record Inside(
            String code,
            double level,
            double capacity,
            String nozzles,
            double filter,
            double air,
            double settled,
            double foreign,
            boolean ventShut) {}

    public synchronized List<Inside> inside() {
        return channels.values().stream()
                .map(c -> new Inside(
                        c.code.code(),
                        c.level,
                        c.capacity,
                        nozzles(c),
                        c.load,
                        c.airInLine() + c.damperAir,
                        c.settledLine,
                        Math.min(.9, c.mixed + c.smear),
                        c.ventShut))
                .toList();
    }

    private static String nozzles(SimChannel c) {
        var all = new StringBuilder();
        for (int i = 0; i < c.strokes; i++) {
            all.append(c.dead[i] ? 'd' : c.blocked(i) ? 's' : c.dirt[i] ? 'x' : c.bubble[i] ? 'b' : '.');
        }
        return all.toString();
    }

    /** How much its cap lets by, 0 to 1. */
    public synchronized double leak() {
        return leak;
    }

    /** @param silent nozzles that lay down nothing after it, by channel */
    public record Happened(Instant at, String what, Map<String, Integer> silent) {}

    /** What was done to it of late, the latest last. */
    public synchronized List<Happened> lately() {
        return List.copyOf(lately);
    }

    private void noted(String what) {
        var silent = new LinkedHashMap<String, Integer>();
        channels.forEach((code, c) -> silent.put(code, c.silent()));
        lately.add(new Happened(now, what, silent));
        if (lately.size() > REMEMBERS) {
            lately.removeFirst();
        }
    }

    // ---- what makes it ill, and well ----------------------------------------------------------------------------

    /**
     * Something goes wrong with it.
     *
     * @param code of the channel it befalls; any for what befalls the machine
     * @throws IllegalArgumentException for a channel it does not have
     */
    public synchronized void spoil(Trouble trouble, String code) {
        switch (trouble) {
            case SHUT -> {
                var c = channel(code);
                for (int i = 0; i < A_DOZEN; i++) {
                    c.shut(dice.under(c.strokes));
                }
            }
            case STOOD -> channels.values().forEach(c -> c.stand(TWO_WEEKS, 1.2, leak, dice));
            case AIR -> channel(code).pocket(.6, .9);
            case STARVED -> channel(code).load = .7;
            case VENT -> channel(code).ventShut = true;
            case SETTLED -> {
                channel(code).settledLine = .8;
                channel(code).settledVessel = .8;
            }
            case MIXED -> does(new Act.WrongInk(code, 5));
            case DEAD -> Arrays.fill(channel(code).dead, 0, channel(code).strokes / 3, true);
            case DIRTY -> {
                wiper = .9;
                channels.values().forEach(c -> c.dirty(1, dice));
            }
            case LEAKY -> leak = .8;
        }
        noted(trouble.label() + (trouble.ofChannel() ? ": " + code : ""));
    }

    /** Everything about it is as it should be. */
    public synchronized void makeWell() {
        rested();
        noted("made well");
    }

    /** It stood without ink, or on fluid: nothing has dried, and nothing was done to it. */
    public synchronized void rested() {
        leak = .02;
        wiper = 0;
        channels.values().forEach(c -> {
            c.clear();
            Arrays.fill(c.dead, false);
            c.load = .03;
            c.crust = 0;
            c.takeAir(1);
            c.settledLine = 0;
            c.settledVessel = 0;
            c.mixed = 0;
            c.smear = 0;
            c.vacuum = 0;
            c.ventShut = false;
            c.empty = false;
            c.growth = false;
        });
    }

    /** Kills nozzles for good. */
    public synchronized void kill(String code, int from, int to) {
        Arrays.fill(channel(code).dead, from, to, true);
    }

    /** Dries these nozzles shut, so hard that a few cleanings do not free them; every other one is open. */
    public synchronized void clog(String code, Collection<Integer> nozzles) {
        var channel = channel(code);
        channel.clear();
        nozzles.stream().filter(n -> n < channel.strokes).forEach(channel::shut);
    }

    /** Loads the filter before a damper. @param share 0 new to 1 shut */
    public synchronized void load(String code, double share) {
        channel(code).load = share;
    }

    /** What its vessel holds. @param mL at most what fits */
    public synchronized void level(String code, double mL) {
        channel(code).level = Math.min(channel(code).capacity, mL);
        counted.put(code, channel(code).level);
    }

    /** Dries a channel as if it had stood so long. */
    public synchronized void dry(String code, double hours) {
        channel(code).stand(hours, 1, 0, dice);
    }
}
