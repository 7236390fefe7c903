/** Upkeep of machines: what is due, where each date comes from, and what was done. */
@NullMarked
package fairkettle.server.routines;

import org.jspecify.annotations.NullMarked;
