/** The server: it remembers, and knows no rule of the trade. One package per feature. */
@NullMarked
package fairkettle.server;

import org.jspecify.annotations.NullMarked;
