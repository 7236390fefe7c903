/** Copies of the whole shop: made every night, each read back before it is called one. */
@NullMarked
package fairkettle.server.backup;

import org.jspecify.annotations.NullMarked;
