package fairkettle.server.web;

import jakarta.servlet.http.HttpServletRequest;

/**
 * The part of a write that takes long and changes nothing, such as reading a picture: done before its transaction
 * begins, so that neither a connection nor a lock waits for it.
 */
public interface Ahead {

    /** The request's attribute that holds what was done ahead. */
    String DONE = "fairkettle.ahead";

    boolean wants(HttpServletRequest request);

    /** @throws Problem if the request is refused already */
    Object done(HttpServletRequest request, byte[] body);
}
