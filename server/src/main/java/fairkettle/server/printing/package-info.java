/**
 * Sends sheets to the machines' own printers over IPP (RFC 8010, RFC 8011). A sheet is queued in the transaction that
 * asked for it and sent by {@link fairkettle.server.printing.Postman}, so that whatever breaks, it is printed once or
 * not at all.
 */
@NullMarked
package fairkettle.server.printing;

import org.jspecify.annotations.NullMarked;
