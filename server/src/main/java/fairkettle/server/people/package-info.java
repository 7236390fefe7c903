/** Who is at the bench. */
@NullMarked
package fairkettle.server.people;

import org.jspecify.annotations.NullMarked;
