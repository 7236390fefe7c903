package fairkettle.server.journal;

import fairkettle.server.web.OnceFilter;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Tells whoever sent a request which entry it came to, so that it can be undone there and then. */
final class Written {

    private Written() {}

    static void note(long entry) {
        var request = RequestContextHolder.getRequestAttributes();
        if (request != null) {
            request.setAttribute(OnceFilter.WRITTEN, entry, RequestAttributes.SCOPE_REQUEST);
        }
    }
}
