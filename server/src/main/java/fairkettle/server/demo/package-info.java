/** The demo shop, filled through the same services that people use. */
@NullMarked
package fairkettle.server.demo;

import org.jspecify.annotations.NullMarked;
