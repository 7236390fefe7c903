package fairkettle.measure;

import fairkettle.measure.clinic.Trial;

/** {@code ./kettle measure advisor}: the clinic's advice against fixed ladders, on the same sick machines. */
public final class Advisors {

    private Advisors() {}

    public static void main(String[] args) {
        long seed = Long.getLong("measure.seed", 900_001);
        int cases = Integer.getInteger("measure.cases", 2000);
        Trial.run(seed, cases, line -> System.out.println(line));
    }
}
