/** Who may come in, and what each may do. */
@NullMarked
package fairkettle.server.access;

import org.jspecify.annotations.NullMarked;
