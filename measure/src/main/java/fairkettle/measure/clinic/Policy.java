package fairkettle.measure.clinic;

/** A way to treat a machine, to its end. */
interface Policy {

    enum End { DONE, GAVE_UP }

    End treat(Bedside bed, long seed);
}
