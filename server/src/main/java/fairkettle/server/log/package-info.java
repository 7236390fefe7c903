/** Reading what happened. */
@NullMarked
package fairkettle.server.log;

import org.jspecify.annotations.NullMarked;
