/** The ink account and the log of what happened: append-only entries with postings that balance. */
@NullMarked
package fairkettle.server.ledger;

import org.jspecify.annotations.NullMarked;
