package fairkettle.path;

import fairkettle.ink.Substance;

/**
 * One side of a transfer: a place gains, or with a negative amount loses, microlitres of one substance. The postings of
 * one act add up to zero for every substance.
 */
public record Posting(Place place, Substance substance, long microlitres) {

    public Posting reversed() {
        return new Posting(place, substance, -microlitres);
    }
}
