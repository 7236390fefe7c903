package fairkettle.changeover;

import fairkettle.machine.Architecture;
import fairkettle.machine.Supply;
import fairkettle.machine.VesselKind;
import fairkettle.safety.School;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** What has to lie ready beside ink and fluid, computed from the route and the number of channels. */
final class Needs {

    private Needs() {}

    private static final double WASTE_BOTTLE = 1000; // mL that one takes

    private static int wasteBottles(Work w) {
        double waste = w.plans.stream().mapToDouble(p -> p.toWasteBottle().mL()).sum();
        return (int) Math.max(1, Math.ceil(waste * Planner.WASTE_HEADROOM / WASTE_BOTTLE));
    }

    static List<Plan.Need> of(Work w) {
        var need = new EnumMap<Supply, Integer>(Supply.class);
        int channels = w.plans.size();
        need.put(Supply.WASTE_BOTTLE, wasteBottles(w));
        need.put(Supply.CLOTH_AND_TRAY, 1);
        need.put(Supply.GLOVES, 2);
        need.put(Supply.TOWELS, 6);
        need.put(Supply.EYE_PROTECTION, 1);
        if (w.route != Route.PARK) {
            need.put(
                    Supply.PAPER,
                    4 + w.inked.stream().mapToInt(ChannelPlan::sheets).sum());
        }
        if (!w.drained.isEmpty() || w.cartridges() && !Beginning.supplied(w) || w.route == Route.BULK_FEED) {
            need.put(Supply.SYRINGE, channels);
            need.put(Supply.ADAPTER, channels);
            need.put(Supply.NEEDLE, channels);
        }
        if (w.opensCovers()) {
            need.put(Supply.SCREWDRIVER, 1);
            need.put(Supply.CUP, 1);
            need.put(Supply.TAPE_AND_PEN, 1);
        }
        parts(w, need);
        switch (w.family()) {
            case SUBLIMATION -> need.put(Supply.TRANSFER_PAPER, 1);
            case FILM -> {
                need.put(Supply.FILM_SHEET, 3);
                need.put(Supply.DUST_MASK, 1);
            }
            case EDIBLE -> {
                need.put(Supply.FOOD_SHEET, 2);
                need.put(Supply.FOOD_LABEL, 1);
            }
            case MAKERS_DYE, MAKERS_PIGMENT -> {}
        }
        return need.entrySet().stream()
                .map(e -> Plan.Need.of(
                        e.getKey(),
                        e.getValue(),
                        w.job.stock().supplies().getOrDefault(e.getKey(), 0),
                        w.terms.price(e.getKey())))
                .toList();
    }

    private static void parts(Work w, Map<Supply, Integer> need) {
        int channels = w.plans.size();
        boolean cartridge = w.cartridges();
        if (cartridge && !Beginning.supplied(w) && w.route != Route.BULK_FEED && w.route != Route.FILM_REBUILD) {
            need.put(Supply.REFILLABLE, channels);
        }
        if (Beginning.supplied(w) && w.route == Route.GO_BACK) {
            need.put(Supply.MAKERS_CARTRIDGE, channels);
        }
        if ((cartridge || w.before.architecture() == Architecture.BULK) && !w.job.neverInked()) {
            need.put(Supply.CAPS_AND_PLUGS, channels);
        }
        if (w.route == Route.BULK_FEED) {
            need.put(Supply.BULK_KIT, 1); // dampers, plugs and elbows lie in its box
        }
        if (w.route == Route.FILM_REBUILD) {
            if (w.before.architecture() != Architecture.BAY) {
                need.put(Supply.WHITE_LINE, (int)
                        w.inked.stream().filter(p -> p.code().white()).count());
            }
            if (w.before.architecture() != Architecture.TANK) {
                need.put(Supply.FILM_TANKS, 1);
            }
            if (w.terms.follows(School.HEAD_OUT, "seal")) {
                need.put(Supply.HEAD_COVER, 1);
            }
        }
        int dampers = (int) w.way.slots().stream()
                .filter(s -> s.after().has(VesselKind.DAMPER) && s.renewed().contains(VesselKind.DAMPER))
                .count();
        if (dampers > 0) {
            need.put(Supply.DAMPER, dampers);
        }
        if (w.way.slots().stream().anyMatch(s -> s.renewed().contains(VesselKind.HEAD))) {
            need.put(w.snapIn() ? Supply.HEAD_CARTRIDGE : Supply.HEAD, w.snapIn() ? 2 : 1);
        }
        if (w.patches()) {
            need.put(Supply.FIRMWARE_KEY, 1);
            need.put(Supply.DATA_CABLE, 1);
        }
    }
}
