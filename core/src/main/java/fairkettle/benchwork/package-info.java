/**
 * Work on a machine that is neither a changeover nor a cure, as cards for the hands: upkeep, start-ups, line flushes,
 * faults of motion.
 */
@NullMarked
package fairkettle.benchwork;

import org.jspecify.annotations.NullMarked;
