/** Where ink went and what it cost; which machines drank from a bottle. */
@NullMarked
package fairkettle.server.books;

import org.jspecify.annotations.NullMarked;
