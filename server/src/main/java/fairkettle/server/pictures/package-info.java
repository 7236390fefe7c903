/** Photos, checked before they are decoded. */
@NullMarked
package fairkettle.server.pictures;

import org.jspecify.annotations.NullMarked;
