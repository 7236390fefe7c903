/**
 * Sums and judgements at the bench that keep nothing. Start with
 * {@link fairkettle.server.reckoning.ReckoningController}.
 */
@NullMarked
package fairkettle.server.reckoning;

import org.jspecify.annotations.NullMarked;
