package fairkettle.procedure;

import java.util.ArrayList;
import java.util.List;

/** What happens when the hands leave a card as it stands: asked by everybody who is called to the door. */
public final class StopHere {

    private StopHere() {}

    /** In the order of what hurts first; never empty. */
    public static List<String> of(Card card) {
        var state = card.state();
        var words = new ArrayList<String>();
        if (state.value(Facet.CARRIAGE, null).equals("free")) {
            words.add(
                    state.value(Facet.HEAD_REST, null).equals("on a wet cloth")
                            ? "The head stands on a wet cloth: wet it again within the hour. Over night it may not stay"
                                    + " there: cloth out, close it, power on, and it docks itself."
                            : "The head stands off its cap and dries: dock it, or lay a wet cloth under it, before you"
                                    + " go.");
        }
        if (state.value(Facet.HEAD, null).equals("out")) {
            words.add("The head is out: over a wet cloth it keeps, dry it does not.");
        }
        card.next().ifPresent(run -> {
            var pause = run.step().pause();
            if (pause != null && run.waitStarted() != null) {
                words.add(
                        pause.max() == null
                                ? "The wait runs by itself and whistles."
                                : "The wait runs by itself, but it spoils after %d min: be back by then."
                                        .formatted(pause.max().toMinutes()));
            }
        });
        var off = open(state);
        if (!off.isEmpty()) {
            words.add("Left open: %s. Dust and dry air come in; cover it, and put nothing else on that bench."
                    .formatted(String.join(", ", off)));
        }
        if (words.isEmpty()) {
            words.add("Nothing is lost. The card waits where it is.");
        }
        return words;
    }

    private static List<String> open(MachineState state) {
        var all = new ArrayList<String>();
        for (var condition : state.conditions()) {
            var facet = condition.facet();
            boolean told = facet == Facet.CARRIAGE || facet == Facet.HEAD;
            if (!told && facet.putBack(condition.value()) && !all.contains(facet.label())) {
                all.add(facet.label());
            }
        }
        all.sort(String::compareTo);
        return all;
    }
}
