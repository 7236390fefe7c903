package fairkettle.measure.clinic;

import fairkettle.clinic.Advice.Next;
import fairkettle.clinic.Advisor;
import fairkettle.clinic.Belief;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Remedy;
import fairkettle.clinic.Table;
import java.util.Objects;
import java.util.function.BiConsumer;

/** Somebody who does what the advisor says. */
final class Following implements Policy {

    private static final int MOST = 80;

    private final Table table;
    private final BiConsumer<Bedside, Belief> judged;
    private final java.util.function.LongConsumer nanos;

    /** @param judged shown the belief at every decision; @param nanos told how long each took */
    Following(Table table, BiConsumer<Bedside, Belief> judged, java.util.function.LongConsumer nanos) {
        this.table = table;
        this.judged = judged;
        this.nanos = nanos;
    }

    @Override
    public End treat(Bedside bed, long seed) {
        var belief = Belief.of(bed.sick.situation(), table);
        for (int step = 0; step < MOST; step++) {
            long start = System.nanoTime();
            var next = Advisor.advise(belief, bed.so, seed + step).next();
            nanos.accept(System.nanoTime() - start);
            if (!bed.so.lookDue()) {
                judged.accept(bed, belief);
            }
            switch (next) {
                case Next.Look _ -> {
                    belief = belief.with(bed.check());
                    if (step < 2) {
                        belief = belief.with(bed.machine.shift());
                    }
                }
                case Next.Page _ -> belief = belief.with(bed.page());
                case Next.Simple _ -> {
                    belief = belief.with(bed.simple());
                    belief = belief.with(bed.check());
                }
                case Next.Try(var remedy) -> {
                    if (remedy == Remedy.ALIGN) {
                        bed.align();
                    }
                    var tried = new Evidence.Tried(remedy, !bed.machine.shift().shifted());
                    bed.so = bed.so.with(tried);
                    belief = belief.with(tried);
                }
                case Next.Ask(var question, var code) -> {
                    var answer = switch (question) {
                        case WASTE_ROSE -> bed.machine.wasteRose();
                        case BUBBLES -> bed.machine.bubbles(Objects.requireNonNull(code));
                        case THREAD -> bed.machine.thread(Objects.requireNonNull(code));
                        case CRUST -> bed.machine.crust(Objects.requireNonNull(code));
                    };
                    bed.so = bed.so.with(answer);
                    belief = belief.with(answer);
                }
                case Next.Treat(var treatment, var channels) -> belief = belief.with(bed.act(treatment, channels));
                case Next.Close _ -> {
                    return End.DONE;
                }
                case Next.Stop _ -> {
                    return End.GAVE_UP;
                }
            }
            if (bed.machine.parted()) {
                belief = belief.with(new Evidence.Parted());
            }
        }
        return End.GAVE_UP;
    }
}
