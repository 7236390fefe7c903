/** Waits, due work and the round for calendar programs. */
@NullMarked
package fairkettle.server.feed;

import org.jspecify.annotations.NullMarked;
