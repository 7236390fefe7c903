package fairkettle.measure.clinic;

import fairkettle.clinic.Remedy;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.standin.machine.AdvisedHand.End;
import fairkettle.standin.machine.Bedside;
import fairkettle.standin.machine.SickMachine;
import fairkettle.standin.machine.SickMachine.Fault;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Knows everything, luck included: tries every way on copies of the machine itself and walks the cheapest. No advice
 * can do better.
 */
final class Oracle implements Policy {

    private static final int DEPTH = 8;
    private static final int BEAM = 12;
    private static final int TOLERATED = 2;

    private record Way(SickMachine machine, List<Treatment> acts, List<Set<ChannelCode>> on, double cost) {}

    @Override
    public End treat(Bedside bed, long seed) {
        if (bed.machine().hopeless(TOLERATED)) {
            return End.GAVE_UP;
        }
        bed.simple();
        if (bed.machine().faults().values().stream().anyMatch(f -> f.contains(Fault.POSITION))) {
            bed.attempt(Remedy.ALIGN);
        }
        var beam = List.of(new Way(bed.machine().copy(), List.of(), List.of(), 0));
        Way best = bed.machine().holds(TOLERATED) ? beam.getFirst() : null;
        for (int depth = 0; depth < DEPTH && best == null; depth++) {
            var next = new ArrayList<Way>();
            for (var way : beam) {
                for (var t : Treatment.values()) {
                    var way2 = step(bed, way, t);
                    if (way2 != null && !way2.machine().parted()) {
                        next.add(way2);
                        if (way2.machine().holds(TOLERATED) && (best == null || way2.cost() < best.cost())) {
                            best = way2;
                        }
                    }
                }
            }
            next.sort(Comparator.comparingDouble(w -> w.cost() + trouble(w.machine())));
            beam = next.subList(0, Math.min(BEAM, next.size()));
        }
        if (best == null) {
            return End.GAVE_UP;
        }
        for (int i = 0; i < best.acts().size(); i++) {
            bed.machine().act(best.acts().get(i), best.on().get(i));
        }
        return End.DONE;
    }

    private static @org.jspecify.annotations.Nullable Way step(Bedside bed, Way way, Treatment t) {
        var situation = bed.sick().situation();
        boolean there = switch (t) {
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> situation.refillable();
            case DRAW_AT_WASTE_LINE -> situation.wasteLine();
            case FLUSH_LINE -> !situation.refillable();
            case HEAD_OUT -> situation.headOut();
            default -> true;
        };
        var on = new LinkedHashSet<ChannelCode>();
        way.machine().faults().forEach((code, faults) -> {
            if (!t.perChannel() || faults.stream().anyMatch(f -> f != Fault.CAP && f != Fault.WIPER)) {
                on.add(code);
            }
        });
        if (!there || on.isEmpty()) {
            return null;
        }
        var machine = way.machine().copy();
        machine.act(t, on);
        var acts = new ArrayList<>(way.acts());
        acts.add(t);
        var channels = new ArrayList<>(way.on());
        channels.add(on);
        return new Way(machine, acts, channels, way.cost() + situation.cost(t, on.size()));
    }

    private static double trouble(SickMachine machine) {
        return machine.silent() * .8
                + 12
                        * machine.faults().values().stream()
                                .mapToLong(f -> f.stream()
                                        .filter(x -> x != Fault.DRIED && x != Fault.DIRT && x != Fault.AIR)
                                        .count())
                                .sum();
    }
}
