package fairkettle.measure.clinic;

import fairkettle.standin.machine.AdvisedHand.End;
import fairkettle.standin.machine.Bedside;

/** A way to treat a machine, to its end. */
interface Policy {

    End treat(Bedside bed, long seed);
}
