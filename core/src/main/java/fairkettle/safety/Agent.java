package fairkettle.safety;

import fairkettle.ink.Family;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;

/** What a part may be rinsed or wiped with. The ink's own data sheet and the part's maker come first. */
public enum Agent {
    NEW_INK("new ink"),
    FAMILY_FLUID("the family’s fluid"),
    WATER("distilled water"),
    HOT_WATER("hot water"),
    ALCOHOL("alcohol"),
    NOTHING("nothing");

    private static final Map<Part, Map<Agent, Verdict>> USUAL = usual();

    private final String label;

    Agent(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** What is cleaned. */
    public enum Part {
        TANK_AND_LINE("tank and line"),
        DAMPER("damper"),
        HEAD("head"),
        CAP_AND_WIPER("cap and wiper"),
        PUMP_LINE("pump and waste line"),
        RAIL_AND_STRIP("rail and encoder strip"),
        MOUNT("face that something is stuck to"),
        BOARD("board and contacts");

        private final String label;

        Part(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** @param may whether it is allowed; @param reason why, or why not */
    public record Verdict(boolean may, String reason) {}

    /** Whether a part that carries a family may meet this agent. */
    public Verdict on(Part part, Family family) {
        if (family.food() && this == ALCOHOL && part != Part.MOUNT) {
            return new Verdict(false, "Only agents made for food touch what carries food ink.");
        }
        if (family == Family.FILM && this == WATER && (part == Part.TANK_AND_LINE || part == Part.DAMPER)) {
            return new Verdict(false, "Water makes the binder of film ink curdle; its fluid does not.");
        }
        if ((family == Family.FILM || family == Family.MAKERS_PIGMENT)
                && this == HOT_WATER
                && part == Part.CAP_AND_WIPER) {
            return new Verdict(true, "On parts that came off: it loosens dried pigment better than fluid does.");
        }
        return Objects.requireNonNull(Objects.requireNonNull(USUAL.get(part)).get(this));
    }

    private static Map<Part, Map<Agent, Verdict>> usual() {
        var table = new EnumMap<Part, Map<Agent, Verdict>>(Part.class);
        table.put(
                Part.TANK_AND_LINE,
                row(
                        yes("For the same family, and after growth: its biocide reaches what fluid does not."),
                        yes("For a change of family; a chaser of new ink takes it out."),
                        yes("Dye only, and a chaser after it."),
                        no("It softens tubes and loosens joints."),
                        no("It hardens tubes and seals, and breaks some inks."),
                        yes("Where drained is clean enough: the planner reckons it.")));
        table.put(
                Part.DAMPER,
                row(
                        yes("Drawn through with the line."),
                        yes("Slowly; its filter has caught what the line carried."),
                        no("It stays in the filter and thins the first prints."),
                        no("It warps the membrane."),
                        no("It eats the membrane’s glue."),
                        yes("A young damper after a flush that was only a precaution.")));
        table.put(
                Part.HEAD,
                row(
                        yes("By the machine’s own charge and cleanings."),
                        yes("On a cloth under it, or drawn through. Pushing is for those who can afford the head."),
                        no("It swells some plates and carries lime."),
                        no("Heat parts the layers of a head."),
                        yes("On a swab only, to loosen what dried at the plate."),
                        yes("Where sheets bring the new hue out.")));
        table.put(
                Part.CAP_AND_WIPER,
                row(
                        no("It dries there and stops the seal."),
                        yes("It never harms a part that lives in that ink."),
                        yes("To rinse, then dry."),
                        yes("On parts that came off, at the sink."),
                        yes("Where the profile allows it."),
                        no("A dirty rim undoes every cleaning that follows.")));
        table.put(
                Part.PUMP_LINE,
                row(
                        no("It adds to what is stuck."),
                        yes("Left standing, then drawn."),
                        yes("Drawn through with a syringe."),
                        yes("Loosens what fluid does not."),
                        no("It hardens the pump’s tube."),
                        no("A blocked line makes every cleaning weak.")));
        table.put(
                Part.RAIL_AND_STRIP,
                row(
                        no("It is the dirt."),
                        no("It leaves a film the sensor reads."),
                        yes("A damp cloth, then dry."),
                        no("Steam and a strip do not agree."),
                        no("Pure alcohol takes the print off the strip; denatured spirit on a cloth, sparingly."),
                        yes("While it reads true.")));
        table.put(
                Part.MOUNT,
                row(
                        no("Nothing sticks to it."),
                        no("It leaves a film."),
                        no("It dries slowly and leaves lime."),
                        no("It leaves moisture behind the seal."),
                        yes("Degreases; let it dry before anything is stuck."),
                        no("Grease lets go of the bracket.")));
        table.put(
                Part.BOARD,
                row(
                        no("Liquid on a board: stop, dry, do not power."),
                        no("Liquid on a board: stop, dry, do not power."),
                        no("Liquid on a board: stop, dry, do not power."),
                        no("Liquid on a board: stop, dry, do not power."),
                        yes("A swab, unplugged, and dry before power."),
                        yes("Unless there is ink on it.")));
        return table;
    }

    private static Map<Agent, Verdict> row(Verdict... inOrder) {
        var row = new EnumMap<Agent, Verdict>(Agent.class);
        for (var agent : values()) {
            row.put(agent, inOrder[agent.ordinal()]);
        }
        return row;
    }

    private static Verdict yes(String reason) {
        return new Verdict(true, reason);
    }

    private static Verdict no(String reason) {
        return new Verdict(false, reason);
    }
}
