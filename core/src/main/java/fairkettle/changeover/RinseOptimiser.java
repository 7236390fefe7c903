package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Vessel;
import fairkettle.path.Dilution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The cheapest number and volume of equal rinses per stage that reaches a purity, within syringe, wetting and time.
 *
 * <p>Volumes lie on the syringe's graduation, so the search is finite and its answer exact. Two facts make it quick:
 * with the number of rinses fixed, more volume is always cleaner and always dearer, so the first mark that is clean
 * enough is the cheapest, and bisection finds it; and stages share no vessel, so their residues add up. Every
 * combination of counts and of the earlier stages' volumes is tried, and the last stage takes the smallest volume that
 * the rest allows.
 */
public final class RinseOptimiser {

    private static final double HAIR = 1e-12; // forgiven in comparisons: rounding of doubles, far below a nanolitre

    private final RinseTask task;
    private final List<Options> options;

    private RinseOptimiser(RinseTask task) {
        this.task = task;
        this.options = new ArrayList<>(
                task.stages().stream().map(stage -> Options.of(task, stage)).toList());
        double longest = task.stages().stream()
                .mapToDouble(s -> s.maxRinses() * s.minutesEach())
                .sum();
        if (longest <= task.minutesLimit()) { // time never decides, so only the best per mL left are worth trying
            options.replaceAll(Options::frontier);
        }
    }

    public static Rinses cheapest(RinseTask task) {
        return new RinseOptimiser(task).cheapest(task.target());
    }

    /** For asking at several targets: what a rinse does and costs is worked out once. */
    static RinseOptimiser of(RinseTask task) {
        return new RinseOptimiser(task);
    }

    Rinses cheapest(double target) {
        double capacity = task.channel().capacity().mL();
        double budget = target * capacity - task.unreached();
        var best = new Best();
        search(options, 0, budget, task.minutesLimit(), 0, new Option[options.size()], best);
        if (best.choice == null) {
            double least = task.unreached()
                    + options.stream().mapToDouble(Options::leastLeft).sum();
            return new Rinses.OutOfReach(
                    least / capacity,
                    task.channel().path().stream()
                            .map(Vessel::kind)
                            .filter(kind -> task.stages().stream()
                                    .noneMatch(s -> s.reach().contains(kind)))
                            .toList());
        }
        double left = task.unreached()
                + Arrays.stream(best.choice).mapToDouble(Option::left).sum();
        var stages = new ArrayList<Rinses.Stage>();
        for (int i = 0; i < best.choice.length; i++) {
            stages.add(best.choice[i].asStage(task.stages().get(i)));
        }
        return new Rinses.Found(stages, left / capacity, best.cost);
    }

    private static final class Best {
        double cost = Double.POSITIVE_INFINITY;
        Option @Nullable [] choice;
    }

    private static void search(
            List<Options> options, int stage, double budget, double minutes, double cost, Option[] chosen, Best best) {
        if (stage == options.size()) {
            if (budget >= -HAIR && cost < best.cost) {
                best.cost = cost;
                best.choice = chosen.clone();
            }
            return;
        }
        var mine = options.get(stage);
        boolean last = stage == options.size() - 1;
        for (var series : mine.bySeries()) {
            if (series[0].minutes() > minutes + HAIR) {
                continue;
            }
            int from = firstWithin(series, last ? budget : Double.POSITIVE_INFINITY);
            for (int i = from; i < series.length && cost + series[i].cost() < best.cost; i++) {
                chosen[stage] = series[i];
                search(
                        options,
                        stage + 1,
                        budget - series[i].left(),
                        minutes - series[i].minutes(),
                        cost + series[i].cost(),
                        chosen,
                        best);
                if (last) {
                    break; // the next mark is only dearer
                }
            }
        }
    }

    /** The first option of a series (ever cleaner, ever dearer) that leaves no more than the budget. */
    private static int firstWithin(Option[] series, double budget) {
        int low = 0;
        int high = series.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (series[middle].left() <= budget + HAIR) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /**
     * @param syringe null for no rinse at all
     * @param left old ink, mL, that stays in the stage's heels
     */
    private record Option(
            @Nullable Syringe syringe,
            int count,
            Millilitres volume,
            Millilitres chaser,
            double left,
            double minutes,
            double cost) {

        Rinses.Stage asStage(RinseStage stage) {
            return new Rinses.Stage(stage, syringe == null ? Syringe.of("1", "1") : syringe, count, volume, chaser);
        }
    }

    /** @param bySeries per syringe and count, by ascending volume; each series ever cleaner and ever dearer */
    private record Options(List<Option[]> bySeries) {

        static Options of(RinseTask task, RinseStage stage) {
            double[] heels = task.heels(stage);
            int[] reach = java.util.stream.IntStream.range(0, heels.length).toArray();
            var series = new ArrayList<Option[]>();
            series.add(new Option[] {
                new Option(
                        null,
                        0,
                        Millilitres.ZERO,
                        Millilitres.ZERO,
                        Arrays.stream(heels).sum(),
                        0,
                        0)
            });
            for (var syringe : task.syringes()) {
                int first = (int) Math.max(
                        1,
                        Math.ceilDiv(
                                stage.wetting().microlitres(),
                                syringe.graduation().microlitres()));
                long most = stage.most().microlitres() / syringe.graduation().microlitres();
                int marks = (int) Math.min(syringe.marks(), most) - first + 1;
                if (marks < 1) {
                    continue; // it cannot wet the vessels in one go, or only by running over
                }
                var byCount = new Option[stage.maxRinses()][marks];
                for (int mark = 0; mark < marks; mark++) {
                    fill(
                            task,
                            stage,
                            heels,
                            reach,
                            syringe,
                            syringe.graduation().times(first + mark),
                            byCount,
                            mark);
                }
                series.addAll(Arrays.asList(byCount));
            }
            return new Options(series);
        }

        private static void fill(
                RinseTask task,
                RinseStage stage,
                double[] heels,
                int[] reach,
                Syringe syringe,
                Millilitres volume,
                Option[][] byCount,
                int mark) {
            double v = volume.mL();
            double chaser = stage.chaser().mL();
            double[] shares = new double[heels.length];
            Arrays.fill(shares, 1);
            for (int n = 1; n <= byCount.length; n++) {
                Dilution.rinse(heels, shares, reach, v, 0);
                double[] chased = shares;
                if (chaser > 0) {
                    chased = shares.clone();
                    Dilution.rinse(heels, chased, reach, chaser, 0);
                }
                byCount[n - 1][mark] = new Option(
                        syringe,
                        n,
                        volume,
                        stage.chaser(),
                        Dilution.residue(heels, chased, 1),
                        n * stage.minutesEach(),
                        cost(task, stage, n, v));
            }
        }

        /** One series of those that no other option beats in both what is left and what it costs. */
        Options frontier() {
            var best = bySeries.getFirst();
            for (int i = 1; i < bySeries.size(); i++) {
                best = merged(best, bySeries.get(i));
            }
            return new Options(List.<Option[]>of(best));
        }

        /** Two series by ascending cost, without what is dearer and no cleaner than one before it. */
        private static Option[] merged(Option[] one, Option[] other) {
            var merged = new Option[one.length + other.length];
            int size = 0;
            double left = Double.POSITIVE_INFINITY;
            for (int i = 0, j = 0; i < one.length || j < other.length; ) {
                boolean first = j == other.length || i < one.length && one[i].cost <= other[j].cost;
                var option = first ? one[i++] : other[j++];
                if (option.left < left) {
                    if (size > 0 && merged[size - 1].cost == option.cost) {
                        size--; // as dear, and cleaner
                    }
                    merged[size++] = option;
                    left = option.left;
                }
            }
            return Arrays.copyOf(merged, size);
        }

        double leastLeft() {
            return bySeries.stream()
                    .flatMap(Arrays::stream)
                    .mapToDouble(Option::left)
                    .min()
                    .orElse(0);
        }
    }

    /** {@code n·v·(liquid + disposal) + chaser + n·minutes·labour}. */
    static double cost(RinseTask task, RinseStage stage, int count, double volume) {
        return count * volume * task.liquidPerMl()
                + stage.chaser().mL() * task.chaserPerMl()
                + count * stage.minutesEach() * task.labourPerMinute();
    }

    /**
     * The least new ink that chases the fluid out: one chaser per stage, so that with heels full of fluid no more than
     * the target is left in the charged path.
     *
     * @return the stages with their chasers; as much as a syringe holds where even that is not enough
     */
    static List<RinseStage> chased(RinseTask task, double fluidTarget) {
        var syringe = task.syringes().getFirst();
        double budget = fluidTarget * task.channel().capacity().mL();
        int stages = task.stages().size();
        int[] marks = new int[stages];
        double[][] left = new double[stages][];
        for (int s = 0; s < stages; s++) {
            left[s] = fluidLeft(task.heels(task.stages().get(s)), syringe);
        }
        // why: residues of stages add up and each falls ever more slowly, so the mark that removes most is always
        // right.
        while (total(left, marks) > budget) {
            int most = -1;
            for (int s = 0; s < stages; s++) {
                if (marks[s] < syringe.marks()
                        && (most < 0 || gain(left[s], marks[s]) > gain(left[most], marks[most]))) {
                    most = s;
                }
            }
            if (most < 0) {
                break;
            }
            marks[most]++;
        }
        var chased = new ArrayList<RinseStage>();
        for (int s = 0; s < stages; s++) {
            var wetted = Millilitres.roundedUpTo(
                    syringe.graduation(), task.stages().get(s).wetting().mL());
            chased.add(task.stages()
                    .get(s)
                    .chasedBy(syringe.graduation().times(marks[s]).max(wetted)));
        }
        return chased;
    }

    private static double[] fluidLeft(double[] heels, Syringe syringe) {
        int[] reach = java.util.stream.IntStream.range(0, heels.length).toArray();
        double[] left = new double[syringe.marks() + 1];
        for (int mark = 0; mark < left.length; mark++) {
            double[] shares = new double[heels.length];
            Arrays.fill(shares, 1);
            Dilution.rinse(
                    heels, shares, reach, syringe.graduation().times(mark).mL(), 0);
            left[mark] = Dilution.residue(heels, shares, 1);
        }
        return left;
    }

    private static double total(double[][] left, int[] marks) {
        double sum = 0;
        for (int s = 0; s < left.length; s++) {
            sum += left[s][marks[s]];
        }
        return sum;
    }

    private static double gain(double[] left, int mark) {
        return left[mark] - left[mark + 1];
    }
}
