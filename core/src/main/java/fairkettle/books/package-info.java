/**
 * The shop's books: what entries of the log are, and where ink went. Reckons with sums that somebody else took from the
 * account.
 *
 * <p>Start with {@link fairkettle.books.Cause}: what ink left for.
 */
@NullMarked
package fairkettle.books;

import org.jspecify.annotations.NullMarked;
