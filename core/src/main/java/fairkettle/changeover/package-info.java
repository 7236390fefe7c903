/**
 * Taking a machine from what it holds to what it should print next: may it be, by which route, how much of everything,
 * how long, at what cost.
 *
 * <p>Start with {@link fairkettle.changeover.Planner}. {@link fairkettle.changeover.RinseOptimiser} finds the cheapest
 * rinses; {@link fairkettle.changeover.Routes} turns quantities into steps.
 */
@NullMarked
package fairkettle.changeover;

import org.jspecify.annotations.NullMarked;
