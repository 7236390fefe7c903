/** Cards walked through on a simulated machine, before a real one is touched. */
@NullMarked
package fairkettle.server.rehearsal;

import org.jspecify.annotations.NullMarked;
