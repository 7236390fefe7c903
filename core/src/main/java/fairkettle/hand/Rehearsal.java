package fairkettle.hand;

import fairkettle.hand.LiteralHand.Fault;
import fairkettle.hand.LiteralHand.Scene;
import fairkettle.machine.Profile;
import fairkettle.procedure.Step;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A card walked through before anything is touched: at each step what comes next, what other steps would have done at
 * that moment, and how the bench looks afterwards.
 */
public final class Rehearsal {

    /** Steps ahead among which a hurried hand might choose. */
    private static final int AHEAD = 12;

    private static final int OTHERS = 2;

    private Rehearsal() {}

    /**
     * @param step that comes
     * @param choices the step and others that would do harm now; the step alone where nothing else tempts
     * @param after the bench once it is done
     */
    public record Scenery(Step step, List<Choice> choices, Scene after) {}

    /** @param harm what it would have done; empty for the one that is right */
    public record Choice(String title, List<Fault> harm) {
        public boolean right() {
            return harm.isEmpty();
        }
    }

    public static List<Scenery> of(Profile before, Profile after, LiteralHand.Start start, List<Step> steps) {
        var hand = new LiteralHand(before, after, start);
        var all = new ArrayList<Scenery>();
        for (int i = 0; i < steps.size(); i++) {
            var step = steps.get(i);
            var choices = choices(hand, steps, i);
            hand.does(step);
            all.add(new Scenery(step, choices, hand.scene()));
        }
        return all;
    }

    /** In the order of their names, so that the right one does not always stand first. */
    private static List<Choice> choices(LiteralHand hand, List<Step> steps, int at) {
        var choices = new ArrayList<Choice>();
        choices.add(new Choice(steps.get(at).title(), List.of()));
        for (var other : steps.subList(at + 1, Math.min(steps.size(), at + 1 + AHEAD))) {
            var harm = hand.would(other).stream()
                    .filter(f -> f.harm() != LiteralHand.Harm.UNKNOWN)
                    .toList();
            boolean named = choices.stream().anyMatch(c -> c.title().equals(other.title()));
            if (choices.size() <= OTHERS && !harm.isEmpty() && !named) {
                choices.add(new Choice(other.title(), harm));
            }
        }
        choices.sort(Comparator.comparing(Choice::title));
        return choices;
    }
}
