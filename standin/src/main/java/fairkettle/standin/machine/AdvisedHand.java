package fairkettle.standin.machine;

import fairkettle.clinic.Advice.Next;
import fairkettle.clinic.Advice.Reason;
import fairkettle.clinic.Advisor;
import fairkettle.clinic.Belief;
import fairkettle.clinic.Remedies;
import fairkettle.clinic.Table;
import fairkettle.clinic.Treatment;

/** Somebody careful who does what the advice says, to its end. */
public final class AdvisedHand {

    private static final int MOST = 80;

    private AdvisedHand() {}

    /** How it ended. */
    public enum End {
        DONE,
        GAVE_UP,
        CALLED_DEAD
    }

    /** Whether nothing believed answers to it: not even that a rest lets cleanings count again. */
    private static boolean empty(Treatment treatment, Bedside bed, Belief belief) {
        var so = bed.progress();
        var failing = so.failing().isEmpty() ? bed.all() : so.failing();
        boolean rest = treatment.rests() && so.cleaningsInARow() > 0;
        return Remedies.answer(rest ? Treatment.CLEANING : treatment, failing, belief) < Remedies.BELIEVED;
    }

    /** Told of every decision. */
    public interface Witness {
        void saw(Belief belief, Next next, long nanos);
    }

    /** @param seed of the luck that the advisor imagines */
    public static End treat(Bedside bed, Table table, long seed, Witness witness) {
        var belief = Belief.of(bed.sick().situation(), table);
        int known = 0;
        for (int step = 0; step < MOST; step++) {
            long start = System.nanoTime();
            var next = Advisor.advise(belief, bed.progress(), seed + step).next();
            witness.saw(belief, next, System.nanoTime() - start);
            switch (next) {
                case Next.Look _ -> {
                    bed.check();
                    if (step < 2) {
                        bed.shift();
                    }
                }
                case Next.Page _ -> bed.page();
                case Next.Wait _ ->
                    throw new IllegalStateException("Impossible state: on the sick bench every rest is kept.");
                case Next.Simple _ -> bed.simple();
                case Next.Try(var remedy) -> bed.attempt(remedy);
                case Next.Ask(var question, var code) -> bed.ask(question, code);
                case Next.Treat(var treatment, var channels) -> {
                    if (empty(treatment, bed, belief)) {
                        bed.wasEmpty();
                    }
                    bed.act(treatment, channels);
                }
                case Next.Close _ -> {
                    return End.DONE;
                }
                case Next.Stop(var reason) -> {
                    return reason == Reason.DEAD ? End.CALLED_DEAD : End.GAVE_UP;
                }
            }
            var seen = bed.seen();
            for (; known < seen.size(); known++) {
                belief = belief.with(seen.get(known));
            }
        }
        return End.GAVE_UP;
    }
}
