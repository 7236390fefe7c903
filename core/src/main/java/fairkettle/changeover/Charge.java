package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile.Draws;

/** How new ink is brought through the whole path once it is filled. */
enum Charge {
    INITIAL,
    POWER_CLEANING,
    THREE_CLEANINGS,
    ONE_CLEANING;

    /** mL per channel that go to the pad. */
    Millilitres loss(Draws draws) {
        return switch (this) {
            case INITIAL -> draws.initialCharge();
            case POWER_CLEANING -> draws.powerCleaning();
            case THREE_CLEANINGS -> draws.cleaning().times(3);
            case ONE_CLEANING -> draws.cleaning();
        };
    }
}
