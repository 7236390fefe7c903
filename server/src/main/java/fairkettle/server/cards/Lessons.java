package fairkettle.server.cards;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Ask.ColumnKind;
import fairkettle.procedure.Card;
import fairkettle.procedure.Entries;
import fairkettle.procedure.Move;
import fairkettle.procedure.StepRun;
import java.util.ArrayList;
import java.util.List;

/** What a card's pulls teach about the profile: a line that gave more or less than it should hold. */
final class Lessons {

    private static final double WORTH_IT = 2; // mL: less is the syringe's own error
    private static final double SHARE = 0.05; // of what was reckoned

    private Lessons() {}

    /**
     * @param vessel the line, or where there is none the first vessel; it is what differs most from machine to machine
     * @param capacity of that vessel, if all of the difference is its own
     */
    record Lesson(
            String channel,
            Millilitres gave,
            Millilitres said,
            VesselKind vessel,
            Millilitres capacity,
            Millilitres heel) {}

    /** @param profile of the machine as it was built: what was fitted since is not its to teach */
    static List<Lesson> of(Card card, Profile profile) {
        var lessons = new ArrayList<Lesson>();
        for (var run : card.runs()) {
            if (run.status() == StepRun.Status.DONE
                    && run.step().ask() instanceof Ask.Grid grid
                    && run.step().move() instanceof Move.Draw(var reach)
                    && reach.contains(VesselKind.TANK)) {
                for (int row = 0; row < grid.channels().size(); row++) {
                    lesson(run, grid, row, profile, lessons);
                }
            }
        }
        return lessons;
    }

    private static void lesson(StepRun run, Ask.Grid grid, int row, Profile profile, List<Lesson> lessons) {
        var code = grid.channels().get(row);
        if (!profile.codes().contains(code)) {
            return; // the slot carries another channel by now
        }
        if (!profile.channel(code).has(VesselKind.TANK)) {
            return; // drawn out of what was fitted later: the profile knows nothing of it
        }
        long gave = 0;
        long said = 0;
        for (int column = 0; column < grid.columns().size(); column++) {
            if (grid.columns().get(column).kind() == ColumnKind.VOLUME) {
                gave += Entries.volume(run, code, column)
                        .map(Millilitres::microlitres)
                        .orElse(0L);
                said += grid.columns().get(column).expected().get(row).microlitres();
            }
        }
        var channel = profile.channel(code);
        var vessel = channel.has(VesselKind.TUBE) ? channel.vessel(VesselKind.TUBE) : channel.first();
        long capacity = vessel.capacity().microlitres() + gave - said;
        if (Math.abs(gave - said) >= Math.max(WORTH_IT * 1000, SHARE * said)
                && capacity > vessel.heel().microlitres()) {
            lessons.add(new Lesson(
                    code.code(),
                    new Millilitres(gave),
                    new Millilitres(said),
                    vessel.kind(),
                    new Millilitres(capacity),
                    vessel.heel()));
        }
    }
}
