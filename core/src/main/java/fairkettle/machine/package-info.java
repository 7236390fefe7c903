/**
 * Classes of machine: their channels, the vessels on each ink path, and the figures a shop can correct by measuring.
 *
 * <p>Start with {@link fairkettle.machine.Profile}; {@link fairkettle.machine.Profiles} are those that ship.
 */
@NullMarked
package fairkettle.machine;

import org.jspecify.annotations.NullMarked;
