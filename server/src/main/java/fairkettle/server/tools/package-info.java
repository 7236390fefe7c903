/** Tools that meet ink: which syringe may draw what. */
@NullMarked
package fairkettle.server.tools;

import org.jspecify.annotations.NullMarked;
