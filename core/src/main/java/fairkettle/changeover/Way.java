package fairkettle.changeover;

import fairkettle.changeover.ChannelPlan.Doing;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.Chips;
import fairkettle.machine.Fit;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Facet;
import java.util.List;
import java.util.Set;

/**
 * What a route does to the vessels of one machine.
 *
 * @param fit of the machine afterwards
 * @param drains vessels that the syringe empties down to their heels
 * @param drips vessels that are emptied over the tray
 * @param charge how new ink is brought through
 * @param loss to the pad, per channel, by that
 * @param onStarters true if a new machine is first started on the maker's own cartridges
 */
record Way(
        Fit fit,
        List<Slot> slots,
        Set<VesselKind> drains,
        Set<VesselKind> drips,
        List<Stage> stages,
        Charge charge,
        Millilitres loss,
        boolean onStarters) {

    /** @param renewed vessels that are replaced */
    record Slot(Channel before, Channel after, Doing doing, Set<VesselKind> renewed) {}

    /** A way of rinsing: the vessels it flows through, and the facet that tells how far they are. */
    record Stage(String name, String how, List<VesselKind> reach, Facet facet) {}

    static final Stage TANK_AND_TUBE = new Stage(
            "tank and tube",
            "Into the tank, swirl, pull through the tube into the waste bottle.",
            List.of(VesselKind.TANK, VesselKind.TUBE),
            Facet.TANK);
    static final Stage OLD_LINE = new Stage(
            "the old line",
            "A syringe at its free upper end; slowly through, into the waste bottle.",
            List.of(VesselKind.TUBE),
            Facet.TANK);
    static final Stage DAMPER = new Stage(
            "damper, on the tray",
            "Fill through the inlet, shake, empty over the tray. Do not press the membrane.",
            List.of(VesselKind.DAMPER),
            Facet.DAMPER);
    static final Stage HEAD_CARTRIDGE = new Stage(
            "head, on the tray",
            "Heads off, ports up: fill through the port, turn, let it drip out over the tray.",
            List.of(VesselKind.HEAD),
            Facet.DAMPER);
    static final Stage OUTLET = new Stage(
            "the whole line, through the outlet",
            "Into the tank; pull through the cartridge’s outlet with the notched adapter into the waste" + " bottle.",
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE),
            Facet.TANK);

    Chips chips() {
        return fit.chips();
    }
}
