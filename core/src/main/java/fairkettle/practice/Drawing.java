package fairkettle.practice;

import java.util.List;

/** What a question shows. */
public sealed interface Drawing {

    /** @param strokes in a block; @param missing numbers from the top, of each block */
    record Combs(int strokes, List<Comb> blocks) implements Drawing {
        public Combs {
            blocks = List.copyOf(blocks);
        }
    }

    /** @param label "yesterday", "now"; @param shifted strokes that stand beside their place */
    record Comb(String label, List<Integer> missing, List<Integer> shifted) {
        public Comb {
            missing = List.copyOf(missing);
            shifted = List.copyOf(shifted);
        }
    }

    /**
     * @param offsets of the two halves of each square, in tenths of a millimetre: a gap above nothing, overlap below
     */
    record Squares(List<Integer> offsets) implements Drawing {
        public Squares {
            offsets = List.copyOf(offsets);
        }
    }

    /**
     * A syringe after a pull.
     *
     * @param ink share that is ink; @param air share that is air; the plunger stands at their sum
     * @param bubbles whether the ink is full of them
     */
    record Syringe(double ink, double air, boolean bubbles) implements Drawing {}

    /** Tank, ribbon, damper and head. */
    record Line(Feeding feeding) implements Drawing {}
}
