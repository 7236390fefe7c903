/** Planning: fetches a machine and the shop, asks the core, renders the answer. */
@NullMarked
package fairkettle.server.changeover;

import org.jspecify.annotations.NullMarked;
