package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.machine.VesselKind;
import java.util.List;

/** What the optimiser found. */
public sealed interface Rinses {

    /**
     * @param stages one per stage of the task, in its order
     * @param residue old-ink share of the charged path
     * @param cost in major units: liquid, chaser and handling
     */
    record Found(List<Stage> stages, double residue, double cost) implements Rinses {
        public Found {
            stages = List.copyOf(stages);
        }

        public Millilitres liquid() {
            return stages.stream().map(s -> s.volume().times(s.count())).reduce(Millilitres.ZERO, Millilitres::plus);
        }

        public double minutes() {
            return stages.stream()
                    .mapToDouble(s -> s.count() * s.stage().minutesEach())
                    .sum();
        }
    }

    /** @param count 0 if the stage is not needed; then volume and chaser are zero too */
    record Stage(RinseStage stage, Syringe syringe, int count, Millilitres volume, Millilitres chaser) {}

    /**
     * No number of rinses gets there.
     *
     * @param best the residue that can be reached
     * @param inTheWay the vessels that no rinse reaches
     */
    record OutOfReach(double best, List<VesselKind> inTheWay) implements Rinses {}
}
