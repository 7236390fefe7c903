/**
 * What keeps machines alive between jobs: routines, what drives them, when they are due, the room's air, and white that
 * settles.
 *
 * <p>Start with {@link fairkettle.routine.Routines}, then {@link fairkettle.routine.Upkeep} and
 * {@link fairkettle.routine.DueTimes}.
 */
@NullMarked
package fairkettle.routine;

import org.jspecify.annotations.NullMarked;
