package fairkettle.standin;

import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.standin.machine.Act;
import fairkettle.standin.machine.Climate;
import fairkettle.standin.machine.SimMachine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.stream.IntStream;

/** Starts a bench of any size by itself: {@code Bench COUNT PORT SPEED}. */
public final class Bench {

    private static final List<String> NAMES = List.of(
            "Bramble", "Teasel", "Sorrel", "Juniper", "Clover", "Thistle", "Bryony", "Campion", "Dogwood", "Elder",
            "Fennel", "Hazel", "Mallow", "Nettle", "Rowan", "Sloe", "Spindle", "Tansy", "Vetch", "Yarrow");

    private Bench() {}

    public static void main(String[] args) throws Exception {
        int count = args.length > 0 ? Integer.parseInt(args[0]) : 6;
        int port = args.length > 1 ? Integer.parseInt(args[1]) : 8651;
        double speed = args.length > 2 ? Double.parseDouble(args[2]) : 1;
        try (var bench = Standins.start(machines(count), 2026, port, fast(Clock.systemUTC(), speed), 1500)) {
            bench.secure();
            System.out.printf("A bench of %d simulated machines: http://127.0.0.1:%d/%n", count, bench.port());
            new CountDownLatch(1).await();
        }
    }

    static List<Standins.Wanted> machines(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> new Standins.Wanted(
                        NAMES.get(i % NAMES.size()) + (i < NAMES.size() ? "" : " " + (i / NAMES.size() + 1)),
                        Profiles.ALL.get(i % Profiles.ALL.size()),
                        i % 3 == 1))
                .toList();
    }

    /** @param shut nozzles, in the end */
    public record Lived(int machines, int days, int shut) {}

    /** Lets one machine of each profile stand, print a little on working days and clean itself once a week. */
    public static Lived live(List<Profile> profiles, long seed, int days) {
        var start = Instant.parse("2026-01-05T09:00:00Z");
        var climate = new Climate(seed);
        int shut = 0;
        for (int i = 0; i < profiles.size(); i++) {
            var machine = new SimMachine("Bramble", profiles.get(i), seed * 31 + i, climate, start, false);
            for (int day = 1; day <= days; day++) {
                machine.advance(start.plus(Duration.ofDays(day)));
                if (day % 7 < 5) {
                    for (var code : profiles.get(i).codes()) {
                        machine.take(new Act.Purge(code.code(), .05));
                    }
                }
                if (day % 7 == 5) {
                    if (machine.padFull()) {
                        machine.take(new Act.NewPad());
                    }
                    machine.take(new Act.Clean());
                    profiles.get(i).codes().forEach(c -> machine.take(new Act.Fill(c.code(), 2)));
                }
            }
            shut += machine.shut().values().stream().mapToInt(Integer::intValue).sum();
        }
        return new Lived(profiles.size(), days, shut);
    }

    /** A clock that runs so many times as fast from now on. */
    public static Clock fast(Clock real, double speed) {
        var start = real.instant();
        InstantSource fast = () -> start.plus(
                Duration.ofNanos((long) (Duration.between(start, real.instant()).toNanos() * speed)));
        return fast.withZone(ZoneOffset.UTC);
    }
}
