/**
 * Sick machines: what really happens in an ink path, nozzle by nozzle, for practice and for the clinic's yardstick. The
 * clinic never sees this; it is built from how the parts work, not from what the clinic believes of them.
 */
@NullMarked
package fairkettle.standin.sick;

import org.jspecify.annotations.NullMarked;
