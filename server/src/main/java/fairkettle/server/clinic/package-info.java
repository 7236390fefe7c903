/** Cases: what was seen and done, what is believed of it, and what to try next. */
@NullMarked
package fairkettle.server.clinic;

import org.jspecify.annotations.NullMarked;
