/** Telling open screens what changed, in order and resumable. */
@NullMarked
package fairkettle.server.live;

import org.jspecify.annotations.NullMarked;
