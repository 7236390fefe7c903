/** Days that the planner is measured on: proofs by a solver, plans known from long runs, and slips. */
@NullMarked
package fairkettle.measure.rounds;

import org.jspecify.annotations.NullMarked;
