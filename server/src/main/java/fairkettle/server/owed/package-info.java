/**
 * What is owed to machines: steps left out, looks that come round, things written down. Start with
 * {@link fairkettle.server.owed.Owed}.
 */
@NullMarked
package fairkettle.server.owed;

import org.jspecify.annotations.NullMarked;
