/**
 * Activation codes, sealed with a key that is never in the database. Start with {@link fairkettle.server.keys.Vault}.
 */
@NullMarked
package fairkettle.server.keys;

import org.jspecify.annotations.NullMarked;
