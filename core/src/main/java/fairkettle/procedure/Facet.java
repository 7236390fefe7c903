package fairkettle.procedure;

import static fairkettle.procedure.Facet.Scope.CHANNEL;
import static fairkettle.procedure.Facet.Scope.MACHINE;

import java.util.List;

/** One small truth about a machine. The first value is the one a machine has when nobody said otherwise. */
public enum Facet {
    POWER(MACHINE, "the power", "on", "off", "unplugged"),
    CARRIAGE(MACHINE, "the carriage", "docked", "free"),
    COVERS(MACHINE, "the covers", "on", "off"),
    BENCH(MACHINE, "the bench", "bare", "prepared"),
    GLOVES(MACHINE, "gloves", "off", "on"),
    TRANSIT(MACHINE, "tape and foam", "cleared", "in place"),
    HEADS(MACHINE, "the heads", "fitted", "out"),
    WARRANTY(MACHINE, "the end of the warranty", "not acknowledged", "acknowledged"),
    PHOTOGRAPHED(MACHINE, "the machine as it was", "not photographed", "photographed"),
    TANKS(MACHINE, "the machine's belief about its tanks", "not confirmed full", "confirmed full"),
    CHARGE(MACHINE, "the path", "not charged", "charged"),
    REST(MACHINE, "the rest after charging", "not over", "over"),
    CHECK(MACHINE, "the nozzle check", "not passed", "passed"),
    ALIGNMENT(MACHINE, "the alignment", "not done", "done"),
    PROOF(MACHINE, "the proof", "not made", "made"),
    HUE(MACHINE, "the old hue", "not looked for", "gone"),
    RECORD(MACHINE, "the levels", "not read", "read"),
    ONE_WAY(MACHINE, "what cannot be undone", "not agreed to", "agreed to"),
    FOOD_RULES(MACHINE, "the rules for food", "not agreed to", "agreed to"),
    FOOD_LABEL(MACHINE, "the label “food only”", "missing", "in place"),
    SURFACES(MACHINE, "hands and surfaces", "as they are", "clean for food"),
    VALVE(MACHINE, "the shut-off valve", "open", "shut"),
    CHIPS(MACHINE, "the question of the chips", "open", "answered"),
    INITIALISED(MACHINE, "the first start", "not made", "made"),
    PERMISSION(MACHINE, "leave for other firmware", "not given", "given"),
    CABLE(MACHINE, "the data cable", "not plugged in", "plugged in"),
    MODE(MACHINE, "the machine’s mode", "normal", "update"),
    FIRMWARE(MACHINE, "the firmware", "the maker’s", "ignoring chips"),
    UPDATES(MACHINE, "the maker’s updates", "offered", "refused"),
    ACTIVATION(MACHINE, "the activation", "missing", "done"),
    CODE(MACHINE, "the activation code", "not stored", "stored"),
    POSITION(MACHINE, "the place of tanks, tubes and waste bottle", "not decided", "decided"),
    BRACKET(MACHINE, "the bracket", "not fitted", "level"),
    RIBBON(MACHINE, "the ribbon", "loose", "routed", "tested at both ends"),
    THREADS(MACHINE, "needle and ink", "not looked at", "clean"),
    ROLLERS(MACHINE, "the star wheels", "in place", "removed"),
    BAR(MACHINE, "the roller bar", "flat", "up"),
    WASTE_LINE(MACHINE, "the waste line", "in the machine", "open", "in the bottle"),
    LOW_BOTTLE(MACHINE, "a bottle for heavy white", "missing", "below the head"),
    HANGING(MACHINE, "at the end of the line hangs", "its ink", "the waste bottle"),
    HEAD_REST(MACHINE, "off its dock the head stands", "bare", "on a wet cloth"),
    HEAD(MACHINE, "the head", "in place", "drained", "out", "sealed"),
    FLAT_CABLE(MACHINE, "the head’s flat cable", "seated", "out"),
    PROTECTION(MACHINE, "the head’s protection", "not chosen", "chosen"),
    SEALANT(MACHINE, "the sealant", "not tested", "proven"),
    PROCESSING(MACHINE, "firmware and image processing", "not noted", "noted"),
    FILM_PATH(MACHINE, "film path, head height and tray", "not set", "set"),
    REFIT(MACHINE, "the machine", "as it was", "refitted"),
    STATION(MACHINE, "cap and wiper", "not cleaned", "clean"),
    RESTING(MACHINE, "the machine", "in use", "at rest"),

    BOTTLE(CHANNEL, "the bottle", "not matched", "matched"),
    TANK_CAP(CHANNEL, "the tank cap", "shut", "open"),
    LINE(CHANNEL, "the tube", "joined", "off"),
    LABEL(CHANNEL, "the tube's label", "missing", "in place"),
    TANK(CHANNEL, "tank and tube", "holding ink", "drained", "rinsed", "chased"),
    DAMPER(CHANNEL, "the damper", "holding ink", "drained", "rinsed", "chased"),
    FILL(CHANNEL, "the tank", "not filled", "filled", "topped up"),
    SYRINGE(CHANNEL, "the syringe", "not laid out", "its own"),
    VENT(CHANNEL, "the vent", "open", "plugged"),
    FILL_HOLE(CHANNEL, "the fill hole", "open", "plugged"),
    OLD_CARTRIDGE(CHANNEL, "the old cartridge", "in place", "out", "stored"),
    CARTRIDGE(CHANNEL, "the new cartridge", "empty", "filled", "primed", "clicked in"),
    TUBE_MARK(CHANNEL, "the mark on the ribbon", "missing", "in place"),
    INLINE_DAMPER(CHANNEL, "the inline damper", "not fitted", "inlet to the tank"),
    PRIMING(CHANNEL, "the priming chamber", "dry", "primed"),
    CONSTANT_HEAD(CHANNEL, "the constant-head tank", "not reset", "reset"),
    JOINT(CHANNEL, "the joint", "not chosen", "chosen"),
    NEW_LINE(CHANNEL, "line and damper", "as they were", "new"),
    WHITE(CHANNEL, "the white", "settled", "shaken"),
    FLUID(CHANNEL, "the path", "without fluid", "on fluid");

    enum Scope {
        MACHINE,
        CHANNEL
    }

    private final Scope scope;
    private final String label;
    private final List<String> possible;

    Facet(Scope scope, String label, String... values) {
        this.scope = scope;
        this.label = label;
        this.possible = List.of(values);
    }

    public boolean perChannel() {
        return scope == CHANNEL;
    }

    public String label() {
        return label;
    }

    /** Whether this value has to be put back before the machine runs. */
    public boolean putBack(String value) {
        return switch (this) {
            case COVERS, LINE -> value.equals("off");
            case VALVE -> value.equals("shut");
            case VENT -> value.equals("plugged");
            case BAR -> value.equals("up");
            case HEAD, FLAT_CABLE -> value.equals("out");
            case WASTE_LINE, TANK_CAP -> value.equals("open");
            case CARRIAGE -> value.equals("free");
            case HANGING -> value.equals("the waste bottle");
            case HEAD_REST -> value.equals("on a wet cloth");
            default -> false;
        };
    }

    public List<String> possible() {
        return possible;
    }
}
