/** A bench of simulated machines: what they hold, how they print, and the network protocol they answer. */
@NullMarked
package fairkettle.standin;

import org.jspecify.annotations.NullMarked;
