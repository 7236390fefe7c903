package fairkettle.server.feed;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Something in the calendar.
 *
 * @param uid the same for as long as it is the same thing
 * @param alarm whether it rings when it begins
 * @param ends whether it rings again shortly before its end: it spoils then
 */
record FeedItem(
        String uid,
        String title,
        String words,
        Instant from,
        Instant to,
        @Nullable Boolean alarm,
        @Nullable Boolean ends) {

    String digest() {
        return Integer.toHexString((title + words + from + to + alarm + ends).hashCode());
    }
}
