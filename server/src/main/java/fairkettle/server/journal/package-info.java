/**
 * One way to write what happened, and one way back: an entry of the log with the ink it moved, and a list of
 * consequences that the books take. Start with {@link fairkettle.server.journal.Journal}.
 */
@NullMarked
package fairkettle.server.journal;

import org.jspecify.annotations.NullMarked;
