/** What a shop had before, from files: looked at row by row first, then taken whole or not at all. */
@NullMarked
package fairkettle.server.bringin;

import org.jspecify.annotations.NullMarked;
