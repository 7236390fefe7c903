/** What every request passes through: one transaction, done once, problems as documents. */
@NullMarked
package fairkettle.server.web;

import org.jspecify.annotations.NullMarked;
