/**
 * Classes of machine: those that ship, and the shop's own copies of them. Start with
 * {@link fairkettle.server.profiles.ProfileBook}.
 */
@NullMarked
package fairkettle.server.profiles;

import org.jspecify.annotations.NullMarked;
