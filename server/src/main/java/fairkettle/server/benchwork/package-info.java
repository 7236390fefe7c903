/** Bench work as cards: upkeep, start-ups, line flushes, faults of motion, single routines. */
@NullMarked
package fairkettle.server.benchwork;

import org.jspecify.annotations.NullMarked;
