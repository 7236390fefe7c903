package fairkettle.job;

import fairkettle.ink.Family;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What happens between the tray and the customer, in order. Heat and times are the pack’s: nobody is told a usual one.
 */
public enum PressLine {
    CUT_OFF("Cut the printed film off"),
    POWDER("Powder the wet side"),
    CURE("Cure the powder"),
    CUT("Cut the pieces apart"),
    PRESS("Press it"),
    PEEL("Peel it off"),
    PRESS_AGAIN("Press it once more");

    private final String title;

    PressLine(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** What the hands do. */
    public String say(Family ink) {
        return switch (this) {
            case CUT_OFF ->
                "Behind the last picture, straight across. Hold the film by its bare edges: the ink is wet, and what"
                        + " touches it smears. Where the film is fed through a shaker and an oven, do this after the"
                        + " cure.";
            case POWDER ->
                "Lay it down, ink up. Powder over all of the ink, tilt it until all of it is covered, knock off what"
                        + " lies beside it: what stays there sticks to the cloth.";
            case CURE ->
                "In the oven, or under the press held open above it and never touching. It is cured when it looks like"
                        + " orange peel all over, nowhere white and nowhere wet.";
            case CUT ->
                ink.food()
                        ? "With scissors or a knife that are kept for food, on a board that is."
                        : "Along the short marks at the corners. Touch the printed side as little as can be: what"
                                + " fingers leave there is pressed in.";
            case PRESS ->
                ink == Family.FILM
                        ? "Press the empty cloth for a few seconds to dry it. Lay the film on it, powdered side down,"
                                + " paper for baking over it, and close the press."
                        : "Printed side down onto the blank, taped so that it cannot move. Clean paper under and over"
                                + " it, and close the press.";
            case PEEL ->
                ink == Family.FILM
                        ? "Hot or cold, as the pack says. Begin slowly at a corner: where the picture lifts with the"
                                + " film, lay it back and press once more."
                        : "Lift it off in one go. What slides while it is hot leaves a second picture beside the"
                                + " first.";
            case PRESS_AGAIN -> "Paper for baking over the picture, as long as the pack says for the second time.";
        };
    }

    /** What stands at the step, beside what the hands do. */
    public List<Caution> cautions(Family ink) {
        return switch (this) {
            case POWDER -> List.of(Caution.POWDER);
            case CURE, PRESS, PRESS_AGAIN -> List.of(Caution.HEAT);
            case PEEL -> ink == Family.FILM ? List.of() : List.of(Caution.HEAT);
            case CUT -> ink.food() ? List.of(Caution.FOOD) : List.of();
            case CUT_OFF -> List.of();
        };
    }

    /** What is ticked before it is begun. */
    public List<String> asks() {
        return this == POWDER ? List.of("dust mask and gloves on", "air moves through the room") : List.of();
    }

    /** Whether nothing after it may be done before it. */
    public boolean binding() {
        return this == CURE || this == PRESS;
    }

    /** Whether a clock runs. */
    public boolean timed() {
        return this == CURE || this == PRESS || this == PRESS_AGAIN;
    }

    /** Steps of a job. @param roll whether it is printed on film from a roll */
    public static List<PressLine> of(Family ink, Substrate substrate, boolean roll) {
        if (!substrate.pressed(ink)) {
            return List.of(CUT);
        }
        if (ink != Family.FILM) {
            return List.of(CUT, PRESS, PEEL);
        }
        return roll
                ? List.of(CUT_OFF, POWDER, CURE, CUT, PRESS, PEEL, PRESS_AGAIN)
                : List.of(POWDER, CURE, CUT, PRESS, PEEL, PRESS_AGAIN);
    }

    /**
     * How hot and how long, from the pack.
     *
     * @param celsius of the plate, or of the oven; @param seconds under it
     */
    public record Heat(int celsius, int seconds) {
        public Heat {
            if (celsius < 20 || celsius > 300 || seconds < 1 || seconds > 3600) {
                throw new IllegalArgumentException("20 to 300 °C, and 1 second to an hour. The pack says it.");
            }
        }
    }

    /** Why a step cannot be done yet; empty if it can. */
    public static Optional<String> hindrance(PressLine step, List<PressLine> line, List<PressLine> done) {
        for (var before : line.subList(0, line.indexOf(step))) {
            if (!done.contains(before) && (before.binding() || before == POWDER)) {
                return Optional.of("“%s” comes first.".formatted(before.title()));
            }
        }
        return Optional.empty();
    }

    /** Why a job cannot be closed as good yet; empty if it can. */
    public static Optional<String> open(List<PressLine> line, List<PressLine> done) {
        var missing = new ArrayList<String>();
        for (var step : line) {
            if (step.binding() && !done.contains(step)) {
                missing.add("“%s”".formatted(step.title()));
            }
        }
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of("%s %s not done. Do it, or close the job with what was spoiled."
                        .formatted(String.join(" and ", missing), missing.size() == 1 ? "is" : "are"));
    }
}
