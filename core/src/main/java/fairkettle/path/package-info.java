/**
 * The ink path as arithmetic: what is booked (exact, in microlitres) and what is predicted (in double).
 *
 * <ul>
 *   <li>{@link fairkettle.path.Account} books transfers of mixtures between places; nothing is ever lost.
 *   <li>{@link fairkettle.path.Dilution} predicts what rinsing leaves in the heels.
 *   <li>{@link fairkettle.path.FlowThrough} predicts what printing and cleaning wash out of full vessels.
 * </ul>
 */
@NullMarked
package fairkettle.path;

import org.jspecify.annotations.NullMarked;
