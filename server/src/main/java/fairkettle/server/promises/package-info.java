/** Work that is promised to a day. Start with {@link fairkettle.server.promises.Promises}. */
@NullMarked
package fairkettle.server.promises;

import org.jspecify.annotations.NullMarked;
