/**
 * Simulated machines: what really happens in an ink path, nozzle by nozzle, in the demo's printers, in practice and in
 * the clinic's yardstick. The clinic never sees this; it is built from how the parts work, not from what the clinic
 * believes of them.
 */
@NullMarked
package fairkettle.standin.machine;

import org.jspecify.annotations.NullMarked;
