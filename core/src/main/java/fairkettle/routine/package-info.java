/**
 * What drives upkeep: the room's air, and how quickly things dry in it.
 * <p>
 * Start with {@link fairkettle.routine.Drying}.
 */
@NullMarked
package fairkettle.routine;

import org.jspecify.annotations.NullMarked;
