package fairkettle.machine;

import java.util.ArrayList;
import java.util.List;

/** Whether a machine fits its place before it is carried there. Lengths in cm, weights in kg. */
public final class Standing {

    private static final double LID_PROP = 5; // cm above the open lid, for hands and a prop with tubes in
    private static final double TWO_PEOPLE = 15;
    private static final double LOW = 65;
    private static final double HIGH = 95;

    private Standing() {}

    /** @param lidOpen height with the lid up; @param cord length of its cord */
    public record Machine(double width, double depth, double lidOpen, double weight, double cord) {}

    /**
     * @param above free height above the table; @param bears what it is rated for; @param socket way from the machine's
     *     back to the socket
     */
    public record Table(double width, double depth, double height, double above, double bears, double socket) {}

    /** What does not fit, each with its figure; empty if it fits. */
    public static List<String> problems(Machine machine, Table table) {
        var found = new ArrayList<String>();
        lack(found, machine.width(), table.width(), "The table is %.0f cm too narrow.");
        lack(found, machine.depth(), table.depth(), "The table is %.0f cm too shallow.");
        lack(
                found,
                machine.lidOpen() + LID_PROP,
                table.above(),
                "The lid wants %.0f cm more above it, with its prop and tubes in.");
        lack(found, machine.weight(), table.bears(), "The table bears %.0f kg too little.");
        lack(found, table.socket(), machine.cord(), "The cord is %.0f cm too short. No extension under a wet bench.");
        return found;
    }

    /** What to mind although it fits. */
    public static List<String> remarks(Machine machine, Table table) {
        var found = new ArrayList<String>();
        if (machine.weight() > TWO_PEOPLE) {
            found.add("Lift it with two people.");
        }
        if (table.height() < LOW || table.height() > HIGH) {
            found.add("A table of %.0f cm is awkward for hands inside; between %.0f and %.0f cm is better."
                    .formatted(table.height(), LOW, HIGH));
        }
        return found;
    }

    private static void lack(List<String> found, double needed, double there, String words) {
        if (needed > there) {
            found.add(words.formatted(Math.ceil(needed - there)));
        }
    }
}
