package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.path.Dilution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

/** Rinsing tasks drawn from seeds, aimed at the edges, and the exhaustive search that the optimiser is held against. */
public final class RandomTasks {

    private RandomTasks() {}

    public static RinseTask task(Random random) {
        var channel = channel(random);
        boolean apart = random.nextBoolean();
        int most = 1 + random.nextInt(5);
        var stages = apart
                ? List.of(stage(random, most, VesselKind.TANK, VesselKind.TUBE), stage(random, most, VesselKind.DAMPER))
                : List.of(stage(random, most, VesselKind.TANK, VesselKind.TUBE, VesselKind.DAMPER, VesselKind.HEAD));
        var syringes = new ArrayList<>(List.of(Syringe.of("20", "1")));
        if (random.nextBoolean()) {
            syringes.add(Syringe.of("10", "0.5"));
        }
        double target = Math.pow(10, -1 - 2.5 * random.nextDouble());
        double limit = random.nextInt(4) == 0 ? 2 + random.nextInt(20) : 600;
        return new RinseTask(
                channel,
                stages,
                target,
                syringes,
                random.nextInt(5) == 0 ? 0 : random.nextDouble(),
                random.nextDouble(),
                random.nextInt(5) == 0 ? 0 : random.nextDouble(),
                limit);
    }

    private static Channel channel(Random random) {
        return new Channel(
                ChannelCode.of("C"),
                List.of(
                        vessel(random, VesselKind.TANK, 20, 120, 3),
                        vessel(random, VesselKind.TUBE, 2, 8, 1),
                        vessel(random, VesselKind.DAMPER, 1, 5, 1),
                        vessel(random, VesselKind.HEAD, 0.3, 2, 0.3)),
                60);
    }

    private static Vessel vessel(Random random, VesselKind kind, double least, double most, double heel) {
        double capacity = least + (most - least) * random.nextDouble();
        double left = random.nextInt(8) == 0 ? 0 : Math.min(capacity, heel * random.nextDouble());
        return new Vessel(kind, Millilitres.rounded(capacity), Millilitres.rounded(left));
    }

    private static RinseStage stage(Random random, int most, VesselKind... reach) {
        var chaser = random.nextBoolean() ? Millilitres.ZERO : Millilitres.rounded(1 + random.nextInt(9));
        return new RinseStage(
                "stage",
                List.of(reach),
                Millilitres.rounded(0.2 + 4 * random.nextDouble()),
                most,
                1 + random.nextInt(4),
                Millilitres.rounded(4.3 + (random.nextBoolean() ? 100 : 6 * random.nextDouble())),
                chaser);
    }

    public static RinseTask withMinutes(RinseTask task, double minutes) {
        return new RinseTask(
                task.channel(),
                task.stages(),
                task.target(),
                task.syringes(),
                task.liquidPerMl(),
                task.chaserPerMl(),
                task.labourPerMinute(),
                minutes);
    }

    /**
     * Tries every syringe, number and mark for every stage together, with nothing clever. @return the lowest cost, or
     * infinity
     */
    public static double exhaustive(RinseTask task) {
        return search(task, 0, 0, 0, task.unreached());
    }

    private static double search(RinseTask task, int at, double cost, double minutes, double left) {
        if (minutes > task.minutesLimit() + 1e-12) {
            return Double.POSITIVE_INFINITY;
        }
        if (at == task.stages().size()) {
            return left / task.channel().capacity().mL() <= task.target() + 1e-13 ? cost : Double.POSITIVE_INFINITY;
        }
        var stage = task.stages().get(at);
        double[] heels = task.heels(stage);
        double best =
                search(task, at + 1, cost, minutes, left + Arrays.stream(heels).sum());
        for (var syringe : task.syringes()) {
            for (int n = 1; n <= stage.maxRinses(); n++) {
                for (int mark = 1;
                        mark * syringe.graduation().mL() <= syringe.size().mL() + 1e-12;
                        mark++) {
                    double volume = mark * syringe.graduation().mL();
                    if (volume < stage.wetting().mL() || volume > stage.most().mL() + 1e-12) {
                        continue;
                    }
                    double more = n * volume * task.liquidPerMl()
                            + stage.chaser().mL() * task.chaserPerMl()
                            + n * stage.minutesEach() * task.labourPerMinute();
                    best = Math.min(
                            best,
                            search(
                                    task,
                                    at + 1,
                                    cost + more,
                                    minutes + n * stage.minutesEach(),
                                    left
                                            + after(
                                                    heels,
                                                    n,
                                                    volume,
                                                    stage.chaser().mL())));
                }
            }
        }
        return best;
    }

    private static double after(double[] heels, int rinses, double volume, double chaser) {
        double[] shares = new double[heels.length];
        Arrays.fill(shares, 1);
        int[] reach = java.util.stream.IntStream.range(0, heels.length).toArray();
        for (int i = 0; i < rinses; i++) {
            Dilution.rinse(heels, shares, reach, volume, 0);
        }
        if (chaser > 0) {
            Dilution.rinse(heels, shares, reach, chaser, 0);
        }
        return Dilution.residue(heels, shares, 1);
    }
}
