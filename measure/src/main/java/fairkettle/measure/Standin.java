package fairkettle.measure;

import fairkettle.machine.Profiles;
import fairkettle.standin.Bench;
import java.util.Locale;

/** {@code ./kettle measure standin}: a bench of every profile lives for years, printing and cleaning as a shop does. */
public final class Standin {

    private static final int YEARS = 4;

    private Standin() {}

    public static void main(String[] args) {
        Bench.live(Profiles.ALL, 1, 30); // warm
        long start = System.nanoTime();
        var lived = Bench.live(Profiles.ALL, 2, 365 * YEARS);
        double seconds = (System.nanoTime() - start) / 1e9;
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"standin\",\"machines\":%d,\"days\":%d,\"machine_days_per_s\":%.0f,\"nozzles_shut\":%d}%n",
                lived.machines(),
                lived.days(),
                lived.machines() * (double) lived.days() / seconds,
                lived.shut());
    }
}
