/** Changeovers being carried out: the core's card, kept. */
@NullMarked
package fairkettle.server.cards;

import org.jspecify.annotations.NullMarked;
