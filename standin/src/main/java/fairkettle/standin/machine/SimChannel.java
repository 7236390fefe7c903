package fairkettle.standin.machine;

import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** One ink path from vessel to nozzles. Volumes in mL, rates in mL a minute, times in hours. */
final class SimChannel {

    private static final double SHUT_AT = .5;
    private static final double AIR_STARVES = .5; // mL in the line

    final ChannelCode code;
    final double capacity;
    private final double line; // mL from vessel to damper
    private final double quick; // mL a minute through a clean path
    private final double reserveMost;
    final int strokes;
    private final double[] shutAt;
    private final double[] weakness;
    final double[] depth; // of dried ink
    final double[] hard;
    final boolean[] dead;
    final boolean[] dirt;
    final boolean[] bubble;
    final boolean[] blurred; // prints too weakly for a reader
    double level;
    double load; // of the filter, 0 to 1
    double crust; // at the inlet
    double settledLine;
    double settledVessel;
    double vacuum;
    boolean ventShut;
    boolean empty; // or a chip that says so, or a cartridge that is not seated
    boolean growth;
    double mixed; // ink that does not belong, in the path
    double smear; // on the plate
    double damperAir;
    double pinch; // of the line, 0 to 1
    double seeps; // mL of air an hour through a joint
    boolean loose; // a contact: a block of nozzles comes and goes
    private final Physics physics;
    private double reserve;
    private List<double[]> pockets = new ArrayList<>(); // place along the line 0 to 1, mL

    SimChannel(ChannelCode code, int strokes, Dice dice, Physics physics, double capacity) {
        this.code = code;
        this.capacity = capacity;
        this.physics = physics;
        line = dice.about(code.white() ? 6 : 4.5, .2);
        quick = dice.about(3.2, .3);
        reserveMost = physics.reserve() ? dice.between(.15, .6) : .02;
        reserve = reserveMost;
        level = capacity * dice.between(.45, .95);
        this.strokes = strokes;
        shutAt = new double[strokes];
        weakness = new double[strokes];
        depth = new double[strokes];
        hard = new double[strokes];
        dead = new boolean[strokes];
        dirt = new boolean[strokes];
        bubble = new boolean[strokes];
        blurred = new boolean[strokes];
        for (int i = 0; i < strokes; i++) {
            shutAt[i] = dice.about(SHUT_AT, .45);
            weakness[i] = dice.about(1, .45);
            blurred[i] = dice.hits(physics.blurred());
        }
    }

    private SimChannel(SimChannel other) {
        code = other.code;
        strokes = other.strokes;
        capacity = other.capacity;
        physics = other.physics;
        pinch = other.pinch;
        seeps = other.seeps;
        loose = other.loose;
        line = other.line;
        quick = other.quick;
        reserveMost = other.reserveMost;
        reserve = other.reserve;
        level = other.level;
        load = other.load;
        crust = other.crust;
        settledLine = other.settledLine;
        settledVessel = other.settledVessel;
        vacuum = other.vacuum;
        ventShut = other.ventShut;
        empty = other.empty;
        growth = other.growth;
        mixed = other.mixed;
        smear = other.smear;
        damperAir = other.damperAir;
        shutAt = other.shutAt.clone();
        weakness = other.weakness.clone();
        depth = other.depth.clone();
        hard = other.hard.clone();
        dead = other.dead.clone();
        dirt = other.dirt.clone();
        bubble = other.bubble.clone();
        blurred = other.blurred.clone();
        other.pockets.forEach(p -> pockets.add(p.clone()));
    }

    SimChannel copy() {
        return new SimChannel(this);
    }

    void pocket(double place, double mL) {
        pockets.add(new double[] {place, mL});
    }

    double airInLine() {
        double sum = 0;
        for (var p : pockets) {
            sum += p[1];
        }
        return sum;
    }

    /** What the path lets through, mL a minute. */
    double limit() {
        if (empty || level <= .2) {
            return 0;
        }
        double q = quick
                * Math.pow(1 - Math.min(.995, load), 1.6)
                * (1 - .8 * crust)
                * (1 - pinch)
                * (1 - .85 * Math.min(1, settledLine))
                * (1 - Math.min(1, vacuum))
                * (growth ? .22 : 1);
        return airInLine() > AIR_STARVES ? q * .55 : q;
    }

    boolean blocked(int i) {
        return dead[i] || depth[i] > shutAt[i];
    }

    boolean fires(int i) {
        return !blocked(i) && !dirt[i] && !bubble[i];
    }

    /** Whether a stroke hangs on the contact that comes and goes. */
    boolean behindContact(int i) {
        return i < strokes / 3;
    }

    int silent() {
        int n = 0;
        for (int i = 0; i < strokes; i++) {
            n += fires(i) ? 0 : 1;
        }
        return n;
    }

    /**
     * Ink goes through.
     *
     * @param rate mL a minute that is asked for
     * @param suction true if a pump or a syringe pulls, false if it is printed
     * @return share of the wanted ink that came, in twenty parts of the way
     */
    double[] flow(double mL, double rate, boolean suction, Dice dice) {
        int steps = 20;
        var came = new double[steps];
        double part = mL / steps;
        double minutes = part / rate;
        for (int i = 0; i < steps; i++) {
            double q = limit();
            double fromReserve = Math.clamp((rate - q) * minutes, -(reserveMost - reserve), reserve);
            reserve -= fromReserve;
            double got = Math.min(part, q * minutes + Math.max(0, fromReserve));
            came[i] = got / part;
            if (came[i] < .9) {
                double starved = 1 - came[i];
                for (int k = 0; k < strokes; k++) {
                    bubble[k] |= dice.hits(.010 * starved);
                }
                if (suction) {
                    damperAir += .02 * starved * part;
                }
            }
            pass(got, dice);
        }
        return came;
    }

    private void pass(double got, Dice dice) {
        level = Math.max(0, level - got);
        vacuum = ventShut ? Math.min(1, vacuum + got / physics.vacuum()) : vacuum;
        for (var p : pockets) {
            p[0] += got / line;
        }
        for (var it = pockets.iterator(); it.hasNext(); ) {
            var p = it.next();
            if (p[0] >= 1) {
                damperAir += p[1];
                it.remove();
            }
        }
        if (damperAir > .03) {
            double through = Math.min(damperAir, damperAir * (1 - Math.exp(-got / 1.2)));
            damperAir -= through;
            for (int k = 0; k < strokes; k++) {
                bubble[k] |= dice.hits(Math.min(.5, through * 1.6));
            }
        }
        double clears = 1 - Math.exp(-got / physics.carries());
        double washes = 1 - Math.exp(-got / .45);
        for (int k = 0; k < strokes; k++) {
            bubble[k] &= !dice.hits(clears);
            dirt[k] &= !dice.hits(washes);
            if (depth[k] <= shutAt[k]) {
                depth[k] *= Math.exp(-got / .3);
            }
        }
        smear *= Math.exp(-got / .6);
        double moved = settledLine * (1 - Math.exp(-got / line * .8));
        settledLine -= moved;
        load = Math.min(.99, load + moved * .05);
        mixed *= Math.exp(-got / (line + capacity * .6));
    }

    void stand(double hours, double air, double leak, Dice dice) {
        double grow = physics.drying() * air * (1 + physics.leaks() * leak * leak) * hours / 24;
        for (int k = 0; k < strokes; k++) {
            depth[k] += grow * weakness[k];
            if (depth[k] > .12) {
                hard[k] = Math.min(.9, hard[k] + grow * .6);
            }
            bubble[k] &= !dice.hits(1 - Math.exp(-hours / physics.rises()));
        }
        damperAir *= Math.exp(-hours / (1.3 * physics.rises()));
        if (seeps > 0 && pockets.size() < 4) {
            pocket(dice.between(.5, .9), seeps * hours);
        }
        for (var p : pockets) {
            p[1] *= Math.exp(-hours / (13 * physics.rises()));
        }
        pockets.removeIf(p -> p[1] < .02);
        vacuum *= Math.exp(-hours / 1.5);
        double q = limit();
        reserve += (reserveMost - reserve) * (1 - Math.exp(-6 * q * hours));
        if (code.white()) {
            double fall = physics.settling() * hours / 24;
            settledVessel = Math.min(1, settledVessel + fall / 30);
            settledLine = physics.layers()
                    ? Math.min(1, settledLine + fall / 8 * (1 - settledLine) * 1.6)
                    : Math.min(1, settledLine + fall / 8);
        }
    }

    /** A pull at the plate frees what dried. @param strength 0 to 1: what arrives of it */
    void pull(double strength, Dice dice) {
        double today = dice.between(.6, 1.3);
        for (int k = 0; k < strokes; k++) {
            if (dead[k] || depth[k] <= shutAt[k]) {
                continue;
            }
            double deep = Math.min(1.6, depth[k] / shutAt[k]);
            double chance = Math.clamp(
                    strength
                            * today
                            * Math.exp(-physics.hardens() * hard[k])
                            * (1.35 - .35 * deep)
                            * (.7 + .3 * physics.dissolves()),
                    0,
                    .98);
            if (dice.hits(chance)) {
                depth[k] = .04;
                hard[k] = 0;
            } else {
                depth[k] *= 1 - .08 * strength;
            }
        }
    }

    /** Fluid against the crusts. @param share of the hardness that goes */
    void soften(double share) {
        double works = share * physics.dissolves();
        works = physics.layers() ? works > .25 ? .7 : .1 : works;
        for (int k = 0; k < strokes; k++) {
            hard[k] *= 1 - Math.clamp(works, 0, .95);
            depth[k] *= 1 - .25 * Math.clamp(works, 0, .95);
        }
    }

    /** A cleaning pulls it through the cap. @param arrives share of the pull that comes to the plate */
    void cleaned(Cleaning cleaning, double mL, double arrives, Dice dice) {
        flow(mL * Math.max(.1, arrives), cleaning.rate(), true, dice);
        pull(cleaning.strength() * arrives * physics.pull(), dice);
    }

    /** @param rate mL a minute; @param strength of the pull, 0 to 1 */
    record Cleaning(double rate, double strength) {

        static final Cleaning LIGHT = new Cleaning(1.6, .62);
        static final Cleaning POWER = new Cleaning(3, .88);
    }

    /** The head over a wet cloth, for some minutes. @param hand what this hand’s soak comes to, 1 is usual */
    void soak(double hand, Dice dice) {
        soften(physics.soak() * hand);
        pull(.12 * hand, dice);
    }

    void soakOvernight(double hand, Dice dice) {
        soften(Math.min(.9, 2.3 * physics.soak()));
        pull(.18 * hand, dice);
    }

    /** Pulled through the docked head. @param leak of the cap, 0 to 1. @return share of the wanted ink that came */
    double[] drawAtWasteLine(double mL, double hand, double leak, Dice dice) {
        double[] came = flow(mL, .8, true, dice);
        pull(.68 * hand * (1 - .6 * leak), dice);
        takeAir(.35);
        settledLine *= .6;
        return came;
    }

    /** Fluid at the head’s inlet, drawn through. @param share of the usual amount */
    void drawAtInlet(double share, double hand, Dice dice) {
        crust *= .4;
        soften(Math.min(.9, 2.3 * physics.soak()) * share);
        pull(.85 * hand, dice);
        takeAir(.25);
    }

    /** White stirred in its vessel. */
    void agitate() {
        settledVessel = .05;
        settledLine *= .8;
    }

    void takeAir(double share) {
        for (var p : pockets) {
            p[1] *= 1 - share;
        }
        pockets.removeIf(p -> p[1] < .03);
        damperAir *= 1 - share;
    }

    void washDirt(double share, Dice dice) {
        for (int k = 0; k < strokes; k++) {
            dirt[k] &= !dice.hits(share);
        }
    }

    /** Dries one nozzle shut, so hard that a few cleanings do not free it. */
    void shut(int nozzle) {
        depth[nozzle] = 1.7 * shutAt[nozzle];
        hard[nozzle] = .85;
    }

    /** Open everywhere but where it is dead. */
    void clear() {
        Arrays.fill(depth, 0);
        Arrays.fill(hard, 0);
        Arrays.fill(dirt, false);
        Arrays.fill(bubble, false);
        Arrays.fill(blurred, false);
    }

    /** @return those a pull from the cap put there */
    int dirty(double wiper, Dice dice) {
        int n = 0;
        for (int k = 0; k < strokes; k++) {
            if (dice.hits(.06 * wiper)) {
                dirt[k] = true;
                n++;
            }
        }
        return n;
    }

    void drained(double heel) {
        level *= heel;
        Arrays.fill(bubble, false);
        pockets = new ArrayList<>();
        settledLine = 0;
        settledVessel = 0;
        growth = false;
        mixed = 0;
    }
}
