/**
 * Pictures of checks: read, filed to their machine by the code in their corner, corrected, and judged against earlier
 * ones. The reading itself is {@link fairkettle.imaging.SheetReader}'s, the judgement
 * {@link fairkettle.check.Verdict}'s.
 */
@NullMarked
package fairkettle.server.checks;

import org.jspecify.annotations.NullMarked;
