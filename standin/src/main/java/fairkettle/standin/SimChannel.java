package fairkettle.standin;

import fairkettle.machine.Channel;
import fairkettle.machine.VesselKind;
import java.util.SplittableRandom;

/** One ink path with its nozzles. Volumes in mL, times in hours. */
final class SimChannel {

    private static final double BASE_COLOUR =
            300; // hours in still, reference air until a capped middling nozzle is shut
    private static final double BASE_WHITE = 90;
    private static final double STOKES = 2.12; // mm of fall in a day, the usual white
    private static final double RECOVER = 0.5; // hours in which a starved line fills again

    final String code;
    final boolean white;
    final double capacity;
    final double lineVolume;
    private final double tall; // mm of liquid in the full vessel
    private final double bore; // mm of line

    double level;
    double airInLine;
    double airInHead;
    double filter; // 0 new to 1 shut
    double vacuum; // mL drawn against a shut vent or a loaded filter and not yet followed
    double foreign; // share of ink that does not belong, at the head
    double settledVessel;
    double settledLine;
    double weak; // share of pigment missing at the head
    boolean ventOpen = true;
    boolean valveOpen = true;
    double counted; // mL that the machine's own count believes are left

    /** how far each nozzle is dried, 1 is shut */
    final float[] crust;

    private final float[] weakness; // how quickly each dries against the others
    final boolean[] dead;
    final boolean[] bent;

    SimChannel(Channel channel, SplittableRandom random) {
        code = channel.code().code();
        white = channel.code().white();
        capacity = channel.first().capacity().mL();
        double line = 0;
        for (var vessel : channel.path()) {
            if (vessel != channel.first()) {
                line += vessel.capacity().mL();
            }
        }
        lineVolume = Math.max(.5, line);
        tall = channel.first().kind() == VesselKind.CARTRIDGE ? 25 : capacity > 100 ? 110 : 60;
        bore = white ? 3 : 2;
        level = capacity * (.45 + .5 * random.nextDouble());
        counted = level;
        filter = .25 * random.nextDouble();
        int n = channel.nozzles();
        crust = new float[n];
        weakness = new float[n];
        dead = new boolean[n];
        bent = new boolean[n];
        for (int i = 0; i < n; i++) {
            weakness[i] = (float) Math.exp(.7 * gauss(random));
            crust[i] = .2f * random.nextFloat();
            bent[i] = random.nextDouble() < .004;
        }
    }

    static double gauss(SplittableRandom random) {
        double sum = -6;
        for (int i = 0; i < 12; i++) {
            sum += random.nextDouble();
        }
        return sum;
    }

    /**
     * Stands for so many hours. @param drying how much faster than in reference air; @param leak how badly the cap
     * seals, 0 to 1
     */
    void stand(double hours, double drying, double leak) {
        float grow = (float) (hours * drying * (1 + 14 * leak) / (white ? BASE_WHITE : BASE_COLOUR));
        for (int i = 0; i < crust.length; i++) {
            crust[i] += grow * weakness[i];
        }
        vacuum *= Math.exp(-hours / RECOVER) * (ventOpen ? 1 : 0) + (ventOpen ? 0 : 1);
        double risen = Math.exp(-hours / 8);
        airInLine += airInHead * (1 - risen) * .6; // some of it climbs back
        airInHead *= risen;
        if (white) {
            double fall = STOKES * hours / 24;
            settledVessel = Math.min(1, settledVessel + fall / Math.max(10, tall * level / capacity));
            settledLine = Math.min(1, settledLine + fall / bore);
            weak = Math.min(.95, Math.max(weak, settledLine * .8));
            filter = Math.min(1, filter + .0006 * settledLine * hours);
        }
    }

    /** Whether a nozzle can fire now. Air moves about, so that asks the dice each time. */
    double fires(int nozzle, SplittableRandom random) {
        if (dead[nozzle] || crust[nozzle] >= 1) {
            return 0;
        }
        double air = Math.min(.9, airInHead * 1.6);
        if (air > .01 && random.nextDouble() < air) {
            return 0;
        }
        return crust[nozzle] > .75 ? .45 : 1;
    }

    /** How much ink follows while so many mL a page are drawn at a steady pace: 1 is all. */
    double follows(double mL) {
        if (level <= .2 || !valveOpen) {
            return Math.exp(-vacuum / .25);
        }
        double room = ventOpen ? 9 * Math.pow(1 - Math.min(.98, filter), 2) : .5;
        return Math.min(1, Math.exp(-Math.max(0, vacuum - room * .15) / Math.max(.05, room * .35)));
    }

    /** Draws through the nozzles: what is printed. @return mL that really came */
    double draw(double mL) {
        double got = mL * follows(mL);
        take(got);
        double loaded =
                Math.pow(Math.min(.98, filter), 2) * 1.2 + (ventOpen ? 0 : 1) + (valveOpen && level > .2 ? 0 : 1);
        vacuum += mL * Math.min(1, loaded);
        vacuum = Math.max(0, vacuum - (ventOpen && valveOpen ? mL * (1 - Math.min(1, loaded)) : 0));
        float wet = (float) Math.exp(-got / .12);
        for (int i = 0; i < crust.length; i++) {
            if (crust[i] < 1) {
                crust[i] *= wet; // those that fire are rinsed by firing
            }
        }
        return got;
    }

    /** Ink moves on from vessel to head, with what is in it. */
    void take(double mL) {
        double moved = Math.min(mL, level);
        level -= moved;
        counted = Math.max(0, counted - mL);
        double share = Math.min(1, moved / lineVolume);
        double air = airInLine * share;
        airInLine -= air;
        airInHead = Math.min(1, airInHead * Math.exp(-moved / .8) + air * .5);
        if (level <= .2) {
            airInLine = Math.min(3, airInLine + .3 * mL + .1);
        }
        settledLine *= 1 - share;
        weak = weak * (1 - share) + share * Math.min(.9, settledVessel * .9);
        filter = Math.min(1, filter + moved * (white ? .0016 : .00012) * (1 + 4 * settledVessel));
    }

    /** Suction at the plate. @param strength 0 to 1; @param mL through this channel */
    void suck(double mL, double strength, SplittableRandom random) {
        double got = mL * Math.min(1, follows(mL) + .25) * strength;
        take(got);
        for (int i = 0; i < crust.length; i++) {
            if (crust[i] > 0 && !dead[i]) {
                double hold = crust[i] <= 1.8f ? .55 : .9; // a thick crust lets go slowly
                crust[i] *= (float) (1 - strength * (1 - hold) * (.5 + random.nextDouble()));
            }
        }
        if (follows(mL) < .5 || level < capacity * .04) {
            airInHead = Math.min(1, airInHead + .12 * strength);
        }
    }

    /** Fluid against the crusts. @param minutes of contact */
    void soften(double minutes) {
        for (int i = 0; i < crust.length; i++) {
            if (!dead[i]) {
                crust[i] *= (float) Math.exp(-minutes / 22);
            }
        }
    }

    int shut() {
        int n = 0;
        for (int i = 0; i < crust.length; i++) {
            if (dead[i] || crust[i] >= 1) {
                n++;
            }
        }
        return n;
    }
}
