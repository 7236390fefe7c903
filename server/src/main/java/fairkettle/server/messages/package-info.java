/** What machines say, what it means, and what came of it here. */
@NullMarked
package fairkettle.server.messages;

import org.jspecify.annotations.NullMarked;
