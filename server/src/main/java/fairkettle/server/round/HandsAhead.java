package fairkettle.server.round;

import fairkettle.round.FreeHands;
import fairkettle.server.live.Live;
import fairkettle.server.live.Shared;
import java.time.Clock;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Hands that the round of the coming days leaves, as they were worked out last: a promise asks for them at every letter
 * that is typed, and a week of a large shop takes a second.
 */
@Component
public class HandsAhead implements DisposableBean {

    /** Of today, and of those after it. */
    public static final int DAYS = 7;

    private final Shared<Integer, FreeHands> hands;

    HandsAhead(RoundService service, Live live, Clock clock) {
        hands = new Shared<>("hands", live, clock, service::free);
    }

    public FreeHands free() {
        return hands.last(DAYS, () -> {}); // why nobody is told: who asked looks again before they promise
    }

    @Override
    public void destroy() {
        hands.close();
    }
}
