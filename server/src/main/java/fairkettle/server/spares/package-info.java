/** Parts saved from machines, and machines that give theirs: looked through before anything is bought. */
@NullMarked
package fairkettle.server.spares;

import org.jspecify.annotations.NullMarked;
