package fairkettle.round;

import fairkettle.procedure.Card;
import fairkettle.procedure.StepRun;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Optional;
import java.util.function.ToIntFunction;

/**
 * What is left of a card, as an errand: steps that follow each other without a wait are one visit, up to half an hour.
 */
public final class CardErrand {

    private static final int VISIT = 30;
    private static final int WEIGHT = 3;
    /** A card that stands open should go on today, and hurts after two more days. */
    private static final int TODAY = 1440;

    private CardErrand() {}

    /** @param minute minute of the day of an instant; @return empty if the card is finished */
    public static Optional<Errand> of(
            long id, String title, Card card, int machine, Gloves gloves, ToIntFunction<Instant> minute, Instant now) {
        var open = card.runs().stream().filter(StepRun::isOpen).toList();
        if (open.isEmpty()) {
            return Optional.empty();
        }
        int release = 0;
        int firstBy = Task.OPEN;
        var first = open.getFirst();
        var running = first.step().pause();
        var waitStarted = first.waitStarted();
        boolean waits = waitStarted != null && running != null;
        if (waitStarted != null && running != null) {
            release = minute.applyAsInt(first.waitOver().orElse(now));
            firstBy = running.max() == null
                    ? Task.OPEN
                    : Math.max(release, minute.applyAsInt(waitStarted.plus(running.max())));
        }
        var parts = new ArrayList<Errand.Part>();
        int hands = 0;
        var from = first;
        for (int i = 0; i < open.size(); i++) {
            var run = open.get(i);
            boolean over = waits && i == 0; // its wait runs already: what is left is to say so
            hands += Math.max(1, over ? 1 : run.step().minutes());
            var pause = over ? null : run.step().pause();
            if (pause != null || hands >= VISIT || i == open.size() - 1) {
                // why the last step's name: it stays while the steps before it are done
                var key = "c/%d/%s".formatted(id, run.step().id());
                int least = pause == null ? 0 : minutes(pause.min());
                boolean works = pause != null && pause.machine();
                int most =
                        pause == null || pause.max() == null ? Task.OPEN : minutes(pause.max()) - (works ? least : 0);
                parts.add(new Errand.Part(
                        key, from.step().title(), hands, works ? least : 0, works ? 0 : least, most, null, 0));
                hands = 0;
                from = i + 1 < open.size() ? open.get(i + 1) : run;
            }
        }
        return Optional.of(new Errand(
                "c/" + id,
                title,
                machine,
                gloves,
                parts,
                Math.max(0, release),
                firstBy,
                waits,
                Math.min(TODAY, minute.applyAsInt(now)),
                3 * TODAY,
                WEIGHT));
    }

    private static int minutes(Duration wait) {
        return (int) Math.ceilDiv(wait.toSeconds(), 60);
    }
}
