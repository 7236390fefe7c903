/** Bottles: what they are, and what the account says is left in them. */
@NullMarked
package fairkettle.server.shelf;

import org.jspecify.annotations.NullMarked;
