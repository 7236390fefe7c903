package fairkettle.server.cards;

import fairkettle.benchwork.BenchCard;
import fairkettle.benchwork.BenchWork;
import fairkettle.changeover.Answer;
import fairkettle.changeover.Experience;
import fairkettle.clinic.TreatmentCard;
import fairkettle.machine.Profile;
import fairkettle.procedure.Step;
import fairkettle.routine.Routines;
import fairkettle.server.benches.Machines;
import fairkettle.server.changeover.Changeovers;
import java.util.List;
import org.springframework.stereotype.Component;

/** The steps that a card would have if it were made now: for its words, after a machine was put right. */
@Component
class Retelling {

    private final Cards cards;
    private final Machines machines;
    private final Changeovers changeovers;

    Retelling(Cards cards, Machines machines, Changeovers changeovers) {
        this.cards = cards;
        this.machines = machines;
        this.changeovers = changeovers;
    }

    /** The machine as it is, its carriage freed as the shop does it. */
    private Profile handled(Machines.Machine machine) {
        return changeovers.terms(machine.id()).freed(machine.profile());
    }

    List<Step> steps(Cards.Kept kept) {
        var machine = machines.get(kept.machine());
        return switch (kept.kind()) {
            case Cards.Changing _ ->
                cards.wish(kept.id())
                        .map(wish -> wish.hands() == null ? wish.by(Experience.PRACTISED) : wish) // cards of before
                        .flatMap(wish -> changeovers.plan(wish) instanceof Answer.Planned planned
                                ? java.util.Optional.of(
                                        planned.plan().procedure().steps())
                                : java.util.Optional.empty())
                        .orElse(List.of());
            case Cards.Treating(var _, var treatment, var channels) ->
                TreatmentCard.of(
                                treatment,
                                machine.profile().codes().stream()
                                        .filter(channels::contains)
                                        .toList(),
                                handled(machine),
                                kept.family())
                        .steps();
            case Cards.Caring(var work, var routine, var channels) ->
                work != BenchWork.ROUTINE
                        ? BenchCard.of(work, channels, handled(machine), kept.family())
                                .steps()
                        : Routines.of(machine.profile(), kept.family()).stream()
                                .filter(r -> r.id().equals(routine))
                                .findFirst()
                                .map(r -> BenchCard.of(r, channels, handled(machine), kept.family())
                                        .steps())
                                .orElse(List.of());
        };
    }
}
