/** What runs out when, who sells it, and what was ordered. Start with {@link fairkettle.server.buying.Stocks}. */
@NullMarked
package fairkettle.server.buying;

import org.jspecify.annotations.NullMarked;
