package fairkettle.practice;

/**
 * A line from tank to nozzle, reduced to what decides: hydrostatic head (Pascal's law, water), and the meniscus in a
 * nozzle, which holds a few hundred pascal either way (Young–Laplace).
 *
 * @param height of the ink's surface above the nozzles, mm; below is negative
 * @param pump true while a cleaning sucks
 */
public record Feeding(int height, boolean vent, boolean valve, Damper damper, boolean pump) {

    public enum Damper {
        FREE("free"),
        CLOGGED("clogged"),
        NONE("none");

        private final String label;

        Damper(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public enum Outcome {
        FLOWS("It prints, page after page"),
        DRIPS("It drips from the nozzles"),
        STARVES("It starves: pages fade toward their foot"),
        NOTHING("Nothing follows: one page, then white"),
        AIR("Air is drawn in at the nozzles");

        private final String words;

        Outcome(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final double PASCAL_PER_MM = 9.81; // of water
    private static final double MENISCUS = 500; // Pa that a nozzle holds before ink runs out or air comes in
    private static final double MEMBRANE = 100; // Pa of suction at which a damper’s membrane opens
    private static final double PRINTING = 150; // Pa lost in a free line while it prints
    private static final double CLOGGED = 700; // Pa lost in a damper that is full of sediment
    private static final double PUMP = 4000; // Pa of suction

    /** At the nozzle, Pa; above nothing it is pushed out. */
    private double standing() {
        double head = height * PASCAL_PER_MM;
        return damper == Damper.NONE ? head : Math.min(head, 0) - MEMBRANE;
    }

    public Outcome outcome() {
        if (!valve) {
            return pump ? Outcome.AIR : Outcome.NOTHING;
        }
        double standing = standing();
        if (pump) {
            boolean follows = vent && damper != Damper.CLOGGED && standing > -PUMP;
            return follows ? Outcome.FLOWS : Outcome.AIR;
        }
        if (standing > MENISCUS) {
            return Outcome.DRIPS;
        }
        if (-standing > MENISCUS) {
            return Outcome.AIR;
        }
        double lost = PRINTING + (damper == Damper.CLOGGED ? CLOGGED : 0);
        return !vent || standing - lost < -MENISCUS ? Outcome.STARVES : Outcome.FLOWS;
    }

    /** Tank 120 mm above, vent open … */
    public String words() {
        return "%s; vent %s, valve %s, damper %s%s."
                .formatted(
                        height == 0
                                ? "Ink level with the nozzles"
                                : "Ink %d mm %s the nozzles"
                                        .formatted(Math.abs(height), height > 0 ? "above" : "below"),
                        vent ? "open" : "plugged",
                        valve ? "open" : "shut",
                        damper.label(),
                        pump ? "; a cleaning sucks" : "; it prints");
    }
}
