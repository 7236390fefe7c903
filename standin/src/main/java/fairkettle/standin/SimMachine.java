package fairkettle.standin;

import fairkettle.machine.Profile;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/**
 * A simulated machine: what a person could do to one, it takes; what a person could see of one, it shows. All its luck
 * comes from its seed, all its time from outside.
 */
public final class SimMachine {

    private static final double CLEANING_LOSS = 0.35; // share of a cleaning that a dirty wiper gives back as dirt

    private final String name;
    private final Profile profile;
    private final Map<String, SimChannel> channels = new LinkedHashMap<>();
    private final SplittableRandom random;
    private final Climate climate;
    private final boolean chipsIgnored;
    private Instant now;
    private double pad;
    private double seal; // how badly the cap seals, 0 to 1
    private double wiper; // dirt on it, 0 to 1
    private double smear; // foreign ink on the plate
    private boolean shifted; // position fault
    private boolean paperOut;

    SimMachine(String name, Profile profile, long seed, Climate climate, Instant start, boolean chipsIgnored) {
        this.name = name;
        this.profile = profile;
        this.random = new SplittableRandom(seed);
        this.climate = climate;
        this.now = start;
        this.chipsIgnored = chipsIgnored;
        profile.channels().forEach(c -> channels.put(c.code().code(), new SimChannel(c, random)));
        pad = profile.padCapacity().mL() * .6 * random.nextDouble();
        seal = .08 * random.nextDouble();
        wiper = .2 * random.nextDouble();
    }

    public String name() {
        return name;
    }

    public Profile profile() {
        return profile;
    }

    Instant now() {
        return now;
    }

    /** Time passes. */
    synchronized void advance(Instant to) {
        double hours = Duration.between(now, to).toSeconds() / 3600.0;
        if (hours <= 0) {
            return;
        }
        double drying = (climate.at(now).drying() + climate.at(to).drying()) / 2;
        for (var channel : channels.values()) {
            channel.stand(hours, drying, seal);
        }
        seal = Math.min(1, seal + hours / 24 / 900);
        smear *= Math.exp(-hours / 200);
        now = to;
    }

    /** @throws IllegalArgumentException for a channel it does not have, or an act it refuses; the message says why */
    synchronized void act(Act act) {
        switch (act) {
            case Act.Check _ ->
                channels.values()
                        .forEach(c -> c.draw(profile.draws().nozzleCheck().mL()));
            case Act.Purge(var code, var mL) -> channel(code).draw(mL);
            case Act.Clean _ -> clean(profile.draws().cleaning().mL(), .75);
            case Act.PowerClean _ -> {
                for (var c : channels.values()) {
                    if (c.level < profile.draws().powerCleaning().mL()) {
                        throw new IllegalArgumentException(
                                "%s: not enough ink in %s for a power cleaning.".formatted(name, c.code));
                    }
                }
                clean(profile.draws().powerCleaning().mL(), 1);
            }
            case Act.Soak(var minutes) -> channels.values().forEach(c -> c.soften(Math.min(minutes, 12)));
            case Act.OvernightSoak _ -> channels.values().forEach(c -> c.soften(35));
            case Act.DrawAtCartridge(var code, var mL) -> {
                var c = channel(code);
                c.take(mL);
                c.airInLine = 0;
                c.vacuum = 0;
            }
            case Act.DrawAtWasteLine(var code, var mL) -> {
                channel(code).suck(mL, .9, random);
                channel(code).airInHead *= .3;
            }
            case Act.PushAir(var code) -> channel(code).airInHead *= .4;
            case Act.FluidAtInlet(var code, var mL) -> {
                channel(code).soften(14 * Math.min(1, mL / 2));
                channel(code).weak = Math.min(.9, channel(code).weak + .2);
            }
            case Act.Fill(var code, var mL) -> {
                var c = channel(code);
                double before = c.level;
                c.level = Math.min(c.capacity, c.level + mL);
                c.settledVessel *= before / Math.max(.1, c.level);
            }
            case Act.WrongInk(var code, var mL) -> {
                var c = channel(code);
                c.foreign = (c.foreign * c.level + mL) / (c.level + mL);
                c.level = Math.min(c.capacity, c.level + mL);
            }
            case Act.Agitate(var code) -> channel(code).settledVessel = 0;
            case Act.Circulate() ->
                channels.values().stream().filter(c -> c.white).forEach(c -> {
                    c.settledLine *= .1;
                    c.settledVessel *= .6;
                    c.weak *= .3;
                });
            case Act.FlushWhiteLine(var code) -> {
                var c = channel(code);
                c.settledLine = 0;
                c.weak = 0;
                c.filter = .05;
            }
            case Act.OpenVent(var code) -> channel(code).ventOpen = true;
            case Act.ShutVent(var code) -> channel(code).ventOpen = false;
            case Act.OpenValve(var code) -> channel(code).valveOpen = true;
            case Act.ShutValve(var code) -> channel(code).valveOpen = false;
            case Act.WipePlate _ -> {
                smear *= .1;
                wiper *= .5;
            }
            case Act.CleanCap _ -> seal *= .35;
            case Act.NewCap _ -> seal = .02;
            case Act.NewWiper _ -> wiper = 0;
            case Act.NewDamper(var code) -> {
                channel(code).filter = .02;
                channel(code).airInLine += .4;
            }
            case Act.NewPad _ -> pad = 0;
            case Act.NewHead _ ->
                channels.values().forEach(c -> {
                    Arrays.fill(c.crust, 0);
                    Arrays.fill(c.dead, false);
                    c.airInHead = .3;
                });
            case Act.Renew(var code) -> {
                var c = channel(code);
                c.foreign = 0;
                c.level = c.capacity * .9;
                c.counted = c.level;
                c.settledVessel = c.settledLine = c.weak = 0;
                c.filter = Math.min(c.filter, .1);
                c.airInLine = .6;
            }
            case Act.ResetChip(var code) -> channel(code).counted = channel(code).capacity;
        }
    }

    private void clean(double mL, double strength) {
        if (padFull()) {
            throw new IllegalArgumentException("%s: the waste pad is full.".formatted(name));
        }
        double grip = strength * (1 - seal);
        for (var c : channels.values()) {
            c.suck(mL, grip, random);
            pad += mL;
        }
        wiper = Math.min(1, wiper + .012);
        if (random.nextDouble() < wiper * CLEANING_LOSS) {
            smear = Math.min(.4, smear + .15 * wiper);
            var c = channels.values().stream()
                    .skip(random.nextInt(channels.size()))
                    .findFirst()
                    .orElseThrow();
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                c.crust[random.nextInt(c.crust.length)] = 1.2f;
            }
        }
    }

    private SimChannel channel(String code) {
        var channel = channels.get(code);
        if (channel == null) {
            throw new IllegalArgumentException("%s has no channel %s.".formatted(name, code));
        }
        return channel;
    }

    // ---- what can be seen ---------------------------------------------------------------------------------------

    boolean padFull() {
        return pad >= profile.padCapacity().mL();
    }

    boolean paperOut() {
        return paperOut;
    }

    void paperOut(boolean out) {
        this.paperOut = out;
    }

    /** What it reports of itself: it counts drops and trusts its chips; nothing is measured. @return percent left */
    synchronized Map<String, Integer> reportedLevels() {
        var levels = new LinkedHashMap<String, Integer>();
        channels.values()
                .forEach(c -> levels.put(c.code, chipsIgnored ? 100 : (int) Math.round(100 * c.counted / c.capacity)));
        return levels;
    }

    synchronized int reportedPad() {
        return (int) Math.min(100, Math.round(100 * pad / profile.padCapacity().mL()));
    }

    /** What is really in it, for those who may know. */
    public synchronized Map<String, Double> levels() {
        var levels = new LinkedHashMap<String, Double>();
        channels.values().forEach(c -> levels.put(c.code, c.level));
        return levels;
    }

    /** How many nozzles are shut, by channel. */
    public synchronized Map<String, Integer> shut() {
        var all = new LinkedHashMap<String, Integer>();
        channels.values().forEach(c -> all.put(c.code, c.shut()));
        return all;
    }

    /** How each nozzle of a channel printed: amount 0 to 1, and how far beside its place, mm. */
    record Marks(String code, float[] amount, float[] aside, double strength, double foreign) {}

    /** Prints one pass of every nozzle. */
    synchronized List<Marks> check() {
        act(new Act.Check());
        var all = new ArrayList<Marks>();
        for (var c : channels.values()) {
            var amount = new float[c.crust.length];
            var aside = new float[c.crust.length];
            double starved = c.follows(.02);
            for (int i = 0; i < amount.length; i++) {
                amount[i] = (float) (c.fires(i, random) * starved * (1 - .85 * c.weak));
                aside[i] = c.bent[i] ? .2f : shifted ? (i % 2 == 0 ? .12f : -.12f) : 0;
            }
            all.add(new Marks(c.code, amount, aside, 1 - .8 * c.weak, c.foreign + smear));
        }
        return all;
    }

    /**
     * Prints so much of a page. @param covers mL by channel that the whole page asks for
     *
     * @param rows of the page, from its top
     * @return by channel, per row, the share of the wanted ink that came, single nozzles apart
     */
    synchronized Map<String, float[]> supply(Map<String, Double> covers, int rows) {
        var all = new LinkedHashMap<String, float[]>();
        for (var c : channels.values()) {
            double wanted = covers.getOrDefault(c.code, 0.0);
            var came = new float[rows];
            int bubble = -1;
            for (int y = 0; y < rows; y++) {
                double mL = wanted / rows;
                came[y] = mL <= 0 ? 1 : (float) (c.draw(mL) / mL);
                if (bubble < 0 && c.airInHead > .02 && mL > 0 && random.nextDouble() < c.airInHead * 2.0 / rows) {
                    bubble = y + rows / 40;
                }
                if (y < bubble) {
                    came[y] = 0; // a bubble passes: a blank band with clean edges
                } else {
                    bubble = -1;
                }
                came[y] *= (float) (1 - .85 * c.weak);
            }
            all.put(c.code, came);
        }
        return all;
    }

    /** Which nozzles lay down ink in this pass. */
    synchronized Map<String, float[]> firing() {
        var all = new LinkedHashMap<String, float[]>();
        for (var c : channels.values()) {
            var amount = new float[c.crust.length];
            for (int i = 0; i < amount.length; i++) {
                amount[i] = (float) c.fires(i, random);
            }
            all.put(c.code, amount);
        }
        return all;
    }

    /** Share of ink that does not belong, by channel. */
    synchronized Map<String, Double> foreign() {
        var all = new LinkedHashMap<String, Double>();
        channels.values().forEach(c -> all.put(c.code, Math.min(.9, c.foreign + smear)));
        return all;
    }

    /** Kills nozzles for good, for a machine that is sick. */
    public synchronized void kill(String code, int from, int to) {
        for (int i = from; i < to; i++) {
            channel(code).dead[i] = true;
        }
    }

    /** Dries single nozzles shut, so hard that a few cleanings do not free them. */
    public synchronized void clog(String code, Collection<Integer> nozzles) {
        var crust = channel(code).crust;
        Arrays.fill(crust, .1f);
        nozzles.stream().filter(n -> n < crust.length).forEach(n -> crust[n] = 2.6f);
    }

    /** What its vessel holds. @param mL at most what fits */
    public synchronized void level(String code, double mL) {
        channel(code).level = Math.min(channel(code).capacity, mL);
        channel(code).counted = channel(code).level;
    }

    /** Somebody does this to it. @throws IllegalArgumentException if it refuses; the message says why */
    public synchronized void take(Act act) {
        act(act);
    }

    /** Dries a channel as if it had stood so long. */
    public synchronized void dry(String code, double hours) {
        channel(code).stand(hours, 1, 0);
    }
}
