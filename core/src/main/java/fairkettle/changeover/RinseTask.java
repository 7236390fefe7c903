package fairkettle.changeover;

import fairkettle.machine.Channel;
import fairkettle.machine.Vessel;
import java.util.List;

/**
 * A drained channel to be made clean.
 *
 * @param stages with reaches that have no vessel in common
 * @param target old-ink share of the charged path, {@code R = Σ c·h / Σ V}
 * @param liquidPerMl price of a mL of rinse, with the disposal of it
 * @param chaserPerMl price of a mL of chaser, with the disposal of it
 * @param minutesLimit for the rinses of this channel
 */
public record RinseTask(
        Channel channel,
        List<RinseStage> stages,
        double target,
        List<Syringe> syringes,
        double liquidPerMl,
        double chaserPerMl,
        double labourPerMinute,
        double minutesLimit) {

    public RinseTask {
        stages = List.copyOf(stages);
        syringes = List.copyOf(syringes);
        if (!(target > 0)) {
            throw new IllegalArgumentException(
                    "The purity aimed for (%s) must be above nothing: no rinse reaches zero.".formatted(target));
        }
        if (syringes.isEmpty()) {
            throw new IllegalArgumentException("The shop owns no syringe. Enter the syringes you have under Shop.");
        }
    }

    double[] heels(RinseStage stage) {
        return channel.path().stream()
                .filter(v -> stage.reach().contains(v.kind()))
                .mapToDouble(v -> v.heel().mL())
                .toArray();
    }

    /** Old ink, mL, in heels that no stage reaches. */
    double unreached() {
        return channel.path().stream()
                .filter(v -> stages.stream().noneMatch(s -> s.reach().contains(v.kind())))
                .map(Vessel::heel)
                .mapToDouble(h -> h.mL())
                .sum();
    }
}
