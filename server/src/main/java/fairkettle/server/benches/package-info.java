/** Benches and the machines on them. */
@NullMarked
package fairkettle.server.benches;

import org.jspecify.annotations.NullMarked;
