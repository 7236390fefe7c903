package fairkettle.round;

import org.jspecify.annotations.Nullable;

/** What hands touched last decides what they may touch next. */
public enum Gloves {
    FOOD,
    DYE,
    SUBLIMATION,
    FILM,
    WHITE;

    /** Minutes between one kind and another: two with a wash before food, one otherwise. Clean hands take none. */
    public static int minutes(@Nullable Gloves from, Gloves to) {
        return from == null || from == to ? 0 : to == FOOD ? 2 : 1;
    }

    /** The same on the scale of {@link Cost}. */
    public static int points(@Nullable Gloves from, Gloves to) {
        return from == null || from == to ? 0 : to == FOOD ? 20 : 10;
    }
}
