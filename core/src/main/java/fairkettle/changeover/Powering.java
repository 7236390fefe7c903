package fairkettle.changeover;

import static fairkettle.procedure.Step.step;

import fairkettle.machine.Architecture;
import fairkettle.machine.Handling;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.util.List;

/** Power, with everything shut that should be shut and open that should be open. */
final class Powering {

    private Powering() {}

    /** @param opened true if the plug was pulled with the carriage off its dock */
    static List<Step> on(Work w, boolean opened) {
        return List.of(on(w, opened, "power-on"));
    }

    /** Only if the machine is not running already. */
    static List<Step> onUnlessStarted(Work w) {
        return w.way.onStarters() || !w.off() ? List.of() : on(w, false);
    }

    /** For a machine without power, whose carriage is freed in a way that wants it. */
    static List<Step> toOpen(Work w) {
        return w.wantsPowerToOpen() ? List.of(on(w, false, "power-on-first")) : List.of();
    }

    /** For a machine at rest, whose carriage only comes out under power. */
    static List<Step> toBeginWith(Work w) {
        return w.off() ? List.of(on(w, false, "power-on-first")) : List.of();
    }

    /** For firmware, and for freeing the carriage. */
    static List<Step> beforeRebuild(Work w) {
        return w.way.onStarters() ? List.of() : w.patches() ? toBeginWith(w) : toOpen(w);
    }

    static Step on(Work w, boolean opened, String id) {
        var say = "Cord into the machine first, then into the wall. Switch on and wait until it stands still.";
        var message = w.handling().freeing().nextStart();
        var codes = Work.codes(w.plans);
        var step = step(id, "Power on")
                .say(
                        opened
                                ? say
                                        + (message.isEmpty() ? "" : " " + message)
                                        + " The carriage parks by itself; let it."
                                : say)
                .minutes(2)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS)
                .needs(Facet.COVERS, "on")
                .needs(Facet.TRANSIT, "cleared")
                .needs(Facet.LINE, codes, "joined")
                .needs(Facet.HEADS, "fitted")
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.FLAT_CABLE, "seated")
                .needs(Facet.BAR, "flat")
                .needs(Facet.HEAD_REST, "bare")
                .needs(Facet.VALVE, "open")
                .needs(Facet.VENT, codes, "open");
        if (w.route == Route.FILM_REBUILD && opened) {
            step.needs(Facet.WASTE_LINE, "in the bottle");
        }
        if (opened) {
            step.restsOn(Handling.Matter.FREEING);
        }
        if (w.after.architecture() == Architecture.BULK && (opened || w.before.architecture() == Architecture.BULK)) {
            step.hold((w.handling().kit().valve() ? "Valve open, every" : "Every")
                    + " vent open: a shut one makes a vacuum, and that looks like a clog.");
        }
        var looks = w.job.profile().handling().panel().screen()
                ? List.of("cord in the machine", "cord in the wall", "screen ready, carriage parked")
                : List.of(
                        "cord in the machine",
                        "cord in the wall",
                        "power lamp steady",
                        "ink lamp steady; the wireless lamp may blink",
                        "carriage parked");
        return step.ask(new Ask.Ticks(looks, true))
                .then(Facet.POWER, "on")
                .then(Facet.CARRIAGE, "docked")
                .build();
    }
}
