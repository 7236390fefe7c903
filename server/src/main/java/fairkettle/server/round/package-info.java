/** The day's round: planned from everything open, ticked through, planned again. */
@NullMarked
package fairkettle.server.round;

import org.jspecify.annotations.NullMarked;
