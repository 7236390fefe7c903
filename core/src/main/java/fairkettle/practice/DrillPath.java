package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The parts on the way of the ink, each with the sign by which it shows itself. */
final class DrillPath {

    /** In the order in which ink meets them. */
    enum Part {
        BOTTLE(
                "bottle or tank",
                "Thin all along the print, and darker again after it was shaken.",
                "The pigment lies on its floor, or it is nearly empty."),
        CARTRIDGE_FILTER(
                "cartridge’s filter",
                "One cartridge full to the top starves, and a new cartridge of the same ink does not.",
                "It was not primed, or its filter is full."),
        POINTS(
                "inlet points",
                "A channel is missing for good, and a lamp shows crust where the cartridge sits.",
                "Crust here starves a head whose nozzles are well."),
        BAY_FILTER(
                "bay’s filter plate",
                "Several channels of an old machine starve together, cartridges and dampers are new.",
                "It cannot be reached but by flushing the whole machine; it goes by age."),
        LINE(
                "line",
                "Dense at first, thin as the print goes on; a film lies along the inside.",
                "What settled here lets the first ink through and then starves."),
        DAMPER(
                "damper",
                "A good check, a bad solid; cleanings help for one page; the part is a year old.",
                "Its filter passes a check’s drop and not a page."),
        MANIFOLD(
                "manifold’s filter",
                "New damper, clear line, and the page still fades on one channel.",
                "The last filter of the four, inside the head."),
        NOZZLES(
                "nozzles",
                "The same few strokes are missing today, yesterday, last week.",
                "What stands still is dried or dead."),
        CAP(
                "cap",
                "Cleanings do ever less, and everything has dried over night.",
                "It does not seal: air comes in, and the pump pulls air."),
        PUMP(
                "pump",
                "The waste does not rise at all when a cleaning runs.",
                "It moves nothing, so nothing is cleaned."),
        WASTE_LINE(
                "waste line",
                "Ink stands in the cap after a cleaning and runs over its rim.",
                "What is pumped cannot get away.");

        private final String label;
        private final String sign;
        private final String because;

        Part(String label, String sign, String because) {
            this.label = label;
            this.sign = sign;
            this.because = because;
        }
    }

    /** Not in the order of the path: that would give the answers away. */
    static final List<Question> ALL = Stream.of(
                    Part.LINE,
                    Part.PUMP,
                    Part.POINTS,
                    Part.NOZZLES,
                    Part.BOTTLE,
                    Part.MANIFOLD,
                    Part.CAP,
                    Part.CARTRIDGE_FILTER,
                    Part.WASTE_LINE,
                    Part.DAMPER,
                    Part.BAY_FILTER)
            .map(DrillPath::question)
            .toList();

    private DrillPath() {}

    private static Question question(Part part) {
        var answers = new ArrayList<Answer>();
        answers.add(new Answer(part.label, part.because));
        Stream.of(Part.values())
                .filter(p -> p != part)
                .forEach(p -> answers.add(new Answer(
                        p.label,
                        "Its own sign: " + p.sign.substring(0, 1).toLowerCase(Locale.ROOT) + p.sign.substring(1))));
        return new Question("path-" + (part.ordinal() + 1), part.sign, "", answers);
    }

    /** Place of a part on the way, by its name. */
    static int place(String label) {
        return Stream.of(Part.values())
                .filter(p -> p.label.equals(label))
                .findFirst()
                .map(Part::ordinal)
                .orElse(0);
    }
}
