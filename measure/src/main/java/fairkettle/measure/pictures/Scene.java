package fairkettle.measure.pictures;

import java.util.Random;

/**
 * What makes a picture harder than it need be. Everything is drawn from a seed.
 *
 * @param bow how the sheet is bent
 * @param high mm that the bow lifts it, at most
 * @param turn of the bow's direction, radians
 * @param finger middle and half axes of a thing that lies on the sheet, mm; none if empty
 * @param dark whether that thing is a shadow with a hard edge
 * @param glare middle and radius of a lamp's reflection, mm; none if empty
 * @param exposure that the light is multiplied by
 * @param cut side of the picture that is cut off, 0 to 3, or -1
 * @param share of the picture that is cut off there
 */
public record Scene(
        Bow bow,
        double high,
        double turn,
        double[] finger,
        boolean dark,
        double[] glare,
        double exposure,
        int cut,
        double share) {

    /** How a sheet is bent. */
    enum Bow {
        CURL,
        DOME,
        SADDLE,
        WAVE,
        CORNER
    }

    /** What else is wrong with a picture of a sheet that a person would still read. */
    public enum Trouble {
        NONE,
        BOWED,
        CUT,
        FINGER,
        SHADOW,
        GLARE,
        DARK,
        SQUEEZED
    }

    static Scene of(Trouble trouble, Random random, double width, double height) {
        boolean bowed = trouble == Trouble.BOWED;
        double[] spot = {
            width * (.12 + .76 * random.nextDouble()),
            height * (.12 + .76 * random.nextDouble()),
            9 + 4 * random.nextDouble(),
            12 + 30 * random.nextDouble()
        };
        return new Scene(
                bowed ? Bow.values()[random.nextInt(Bow.values().length)] : Bow.CURL,
                bowed ? .3 + 2.7 * random.nextDouble() : random.nextDouble() * 1.2,
                bowed ? random.nextDouble() * Math.PI : 0,
                trouble == Trouble.FINGER
                        ? spot
                        : trouble == Trouble.SHADOW ? new double[] {spot[0], spot[1], 45, 70} : new double[0],
                trouble == Trouble.SHADOW,
                trouble == Trouble.GLARE ? spot : new double[0],
                trouble == Trouble.DARK ? .04 + .12 * random.nextDouble() : 1,
                trouble == Trouble.CUT ? random.nextInt(4) : -1,
                .05 + .22 * random.nextDouble());
    }

    /** mm that a place lies above the table. @param u and @param v from -1 to 1 over the sheet */
    double lift(double u, double v) {
        double s = u * Math.cos(turn) + v * Math.sin(turn);
        return high
                * switch (bow) {
                    case CURL -> s * s;
                    case DOME -> Math.cos(Math.PI / 2 * u) * Math.cos(Math.PI / 2 * v);
                    case SADDLE -> (u * u - v * v) / 2;
                    case WAVE -> .5 * Math.sin(Math.PI * 1.4 * s + turn);
                    case CORNER -> Math.pow(Math.max(0, (u + v) / 2), 2);
                };
    }

    Scene exposed(double light) {
        return new Scene(bow, high, turn, finger, dark, glare, light, cut, share);
    }

    boolean covers(double mx, double my) {
        if (finger.length == 0) {
            return false;
        }
        double dx = (mx - finger[0]) / finger[2];
        double dy = (my - finger[1]) / finger[3];
        return dx * dx + dy * dy < 1;
    }

    /** Light that a lamp adds there, of full light. */
    double shine(double mx, double my) {
        if (glare.length == 0) {
            return 0;
        }
        double r = Math.hypot(mx - glare[0], my - glare[1]) / glare[3];
        return 3 * Math.exp(-2.5 * r * r);
    }
}
