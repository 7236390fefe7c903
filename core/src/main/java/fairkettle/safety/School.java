package fairkettle.safety;

import java.util.List;

/** A question that good people answer differently. The first position is the default, and says why. */
public enum School {
    FILL_OR_POWER(
            "Fill first or power first?",
            new Position(
                    "guide",
                    "As the machine's start guide says",
                    "the maker knows which of its machines lead through filling"),
            new Position("fill", "Fill first", "suits simple tank machines: nothing moves while bottles are open"),
            new Position("power", "Power first", "suits machines whose screen leads through the filling")),
    CARRIAGE(
            "Carriage freed how?",
            new Position(
                    "profile",
                    "As the profile says, by menu where there is one",
                    "the machine parks itself where it cannot be hurt"),
            new Position(
                    "power",
                    "Lift the power as it leaves the dock",
                    "works widely; wears nerves, sometimes an error that a restart clears")),
    SHEETS_OR_CLEANINGS(
            "Sheets or cleanings first?",
            new Position("sheets", "Sheets first", "spares the pad and shows progress while it goes"),
            new Position("cleanings", "Cleanings first", "when nothing at all comes through")),
    WAIT_AFTER_POWER_CLEANING(
            "After a power cleaning: wait or look at once?",
            new Position("wait", "Wait 12 h", "air rises and dissolves; early success is luck"),
            new Position(
                    "look",
                    "Look at once",
                    "costs a sheet and is fine if work is waiting, but nothing more is treated before the wait is"
                            + " over")),
    POWER_CLEANING(
            "Is a power cleaning harmful?",
            new Position(
                    "late", "Late but not last: one, counted, after a drain", "dear in ink and pad rather than deadly"),
            new Position(
                    "spare",
                    "Spare it: three light cleanings instead",
                    "where the pad is nearly full, or nobody is in a hurry")),
    DRAW_OR_PUSH(
            "Draw or push?",
            new Position("draw", "Draw", "suction never bursts a seal"),
            new Position(
                    "push", "A light push at a cartridge's air hole for air", "accepted by some; never at a head")),
    RINSE_WITH(
            "Rinse with fluid, or new ink?",
            new Position(
                    "fluid",
                    "Fluid, then a chaser of new ink",
                    "cheapest for a change of family; the chaser takes the fluid out"),
            new Position("ink", "New ink alone", "for the same family, or small heels; no fluid to chase out")),
    HEAD_AT_CHANGEOVER(
            "Clean the head at a changeover?",
            new Position(
                    "yes",
                    "Yes: power cleaning and purge sheets until the outlet is clean",
                    "purity, when leaving dye"),
            new Position(
                    "no", "Only what the first charge does", "saves ink where a trace of the old hue does no harm")),
    RETURN_INK(
            "Return drawn ink?",
            new Position(
                    "clean",
                    "Clean ink of one lot: yes",
                    "it is the ink you bought; colour from the waste line never goes back"),
            new Position("never", "Never", "one doubtful bottle spoils every machine filled from it")),
    OUTLET_PRIMING(
            "Prime refillables at the outlet?",
            new Position("yes", "Yes, until ink shows", "air behind the valve starves the head at once"),
            new Position(
                    "plunger",
                    "Vent plugged: pull, let go, the plunger falls",
                    "nothing is drawn out: the ink that was poured fills the middle chamber"),
            new Position("fill", "Only fill", "quicker; the first cleanings do it if they can")),
    CHIPS_OUT(
            "Chips: take the old ones out?",
            new Position(
                    "keep", "Leave them where they are", "on every scheme but one a missing chip stops the machine"),
            new Position(
                    "remove",
                    "Take them out once the firmware ignores them",
                    "where old holders could bend the contact pins")),
    TANK_HEIGHT(
            "Outboard tanks higher for pressure?",
            new Position("level", "Level with the cartridges", "higher drips, lower starves"),
            new Position(
                    "raised",
                    "Up in small steps, each with a 30-minute drip test",
                    "film machines with sealed dampers and a pumped cap")),
    CAP_AND_LINES(
            "Fluid, alcohol or hot water for cap and lines?",
            new Position("fluid", "The family's fluid", "never harms a part that lives in that ink"),
            new Position("water", "Hot water, for cap and pump lines", "loosens what fluid does not"),
            new Position(
                    "alcohol",
                    "Alcohol, where the profile allows it",
                    "quick, but plain alcohol harms some parts and some inks")),
    ONE_OR_ALL(
            "One spoiled channel: renew one or all?",
            new Position("all", "All", "they share tanks, or were filled from the same tools"),
            new Position("one", "One", "if it is isolated and nothing was found elsewhere")),
    STARTER_CARTRIDGES(
            "Starter cartridges first?",
            new Position(
                    "needed",
                    "Where firmware or proof of health matters",
                    "a machine that was never known good cannot be judged after a change"),
            new Position("never", "Straight in", "with auto-reset chips on a plain machine: no old ink to wash out")),
    HEAD_OUT(
            "Head out, to seal it, in a rebuild?",
            new Position("last", "Last resort: leave it in", "most heads that come out were well before"),
            new Position("seal", "Out, and sealed", "where film ink has crept under the board before")),
    NEW_DAMPER(
            "Replace the damper when its line is flushed?",
            new Position("white", "Yes for white", "its filter has caught the same sediment"),
            new Position("all", "Yes for every line", "dampers cost less than heads"),
            new Position("keep", "Keep them", "a young damper after a preventive flush may stay")),
    ALIGN(
            "Align when?",
            new Position("now", "Now, on a clean check", "everything that moved the carriage moved the head"),
            new Position("later", "Later", "where the machine is taken apart again soon; it stays owed"));

    private final String question;
    private final List<Position> positions;

    School(String question, Position... positions) {
        this.question = question;
        this.positions = List.of(positions);
    }

    /** @param reason when it is right */
    public record Position(String id, String label, String reason) {}

    public String question() {
        return question;
    }

    public List<Position> positions() {
        return positions;
    }

    public Position standard() {
        return positions.getFirst();
    }

    /** @throws IllegalArgumentException naming those there are */
    public Position position(String id) {
        return positions.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The question (%s) has no position (%s), only %s."
                        .formatted(
                                question,
                                id,
                                positions.stream().map(Position::id).toList())));
    }
}
