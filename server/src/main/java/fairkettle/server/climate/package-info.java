/** The room's air: read by hand, from CSV, or by a probe in the network. */
@NullMarked
package fairkettle.server.climate;

import org.jspecify.annotations.NullMarked;
