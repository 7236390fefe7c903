/**
 * The day's round: which machine, in which order, doing what, by whom.
 *
 * <p>Start with {@link fairkettle.round.Day}, then {@link fairkettle.round.RoundPlanner};
 * {@link fairkettle.round.Audit} checks what the planner says without sharing a line with it.
 */
@NullMarked
package fairkettle.round;

import org.jspecify.annotations.NullMarked;
