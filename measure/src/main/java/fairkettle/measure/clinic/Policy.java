package fairkettle.measure.clinic;

import fairkettle.standin.sick.AdvisedHand.End;
import fairkettle.standin.sick.Bedside;

/** A way to treat a machine, to its end. */
interface Policy {

    End treat(Bedside bed, long seed);
}
