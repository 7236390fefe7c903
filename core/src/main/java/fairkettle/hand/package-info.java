/** A bench of its own, on which sentences are taken as they stand: to prove cards on, and to rehearse them. */
@NullMarked
package fairkettle.hand;

import org.jspecify.annotations.NullMarked;
