/** What the shop decides for itself: units, hours, prices, schools. */
@NullMarked
package fairkettle.server.shop;

import org.jspecify.annotations.NullMarked;
