/**
 * Inks, what may follow what, volumes and money. Knows nothing of machines.
 *
 * <p>Start with {@link fairkettle.ink.Succession}: it answers "may this ink follow that one?".
 */
@NullMarked
package fairkettle.ink;

import org.jspecify.annotations.NullMarked;
