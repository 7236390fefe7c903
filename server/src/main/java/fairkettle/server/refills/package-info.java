/**
 * Ink poured between changeovers, and when it will be wanted again. Start with
 * {@link fairkettle.server.refills.Refills}.
 */
@NullMarked
package fairkettle.server.refills;

import org.jspecify.annotations.NullMarked;
