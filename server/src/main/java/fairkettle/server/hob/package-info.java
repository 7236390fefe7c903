/** Waits, wherever they come from. */
@NullMarked
package fairkettle.server.hob;

import org.jspecify.annotations.NullMarked;
