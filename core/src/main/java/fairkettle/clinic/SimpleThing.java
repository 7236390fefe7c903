package fairkettle.clinic;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What is ruled out before anything that costs ink. What the log or a check proves already is not asked again. */
public enum SimpleThing {
    LEVEL("Level", "ink stands in every tank, looked at, not taken from what the machine says"),
    VENT("Vents", "open, holes not stuck over"),
    VALVE("Valve", "open, tubes not pinched"),
    SEATING("Seating", "cartridges clicked in, chips known"),
    INK("Ink", "the right one in the right tank"),
    PAD("Pad", "has room");

    private static final Duration LEVELS_HOLD = Duration.ofDays(7);
    private static final Duration A_LOOK_HOLDS = Duration.ofHours(24);
    private static final Duration A_PAGE_HOLDS = Duration.ofHours(12);
    private static final double WELL_ABOVE = 0.15; // of a vessel

    private final String label;
    private final String look;

    SimpleThing(String label, String look) {
        this.label = label;
        this.look = look;
    }

    public String label() {
        return label;
    }

    /** What to look for. */
    public String look() {
        return look;
    }

    /**
     * What the shop's books say of a machine.
     *
     * @param levelsRead when its levels were last read by eye; @param lowest share of its emptiest tank, by the account
     * @param allLots whether every channel was filled from a bottle of its own ink, by its code
     * @param cleanings that its pad still takes
     * @param printed when it last printed anything at all; @param even when a full page last kept its weight
     * @param looked when somebody last looked at all the simple things
     */
    public record Books(
            @Nullable Instant levelsRead,
            double lowest,
            boolean allLots,
            int cleanings,
            @Nullable Instant printed,
            @Nullable Instant even,
            @Nullable Instant looked) {}

    /** What needs no look, and why. @param now of the question */
    public static Map<SimpleThing, String> known(Books books, Instant now) {
        var known = new EnumMap<SimpleThing, String>(SimpleThing.class);
        if (within(books.looked, A_LOOK_HOLDS, now)) {
            for (var thing : values()) {
                known.put(thing, "looked at within a day");
            }
        }
        if (within(books.levelsRead, LEVELS_HOLD, now) && books.lowest > WELL_ABOVE) {
            known.put(LEVEL, "read this week; the emptiest tank is at %.0f %%".formatted(books.lowest * 100));
        }
        if (within(books.even, A_PAGE_HOLDS, now)) {
            known.put(VENT, "a full page kept its weight today");
            known.put(VALVE, "a full page kept its weight today");
        }
        if (within(books.printed, A_PAGE_HOLDS, now)) {
            known.put(SEATING, "it printed today: it accepts what sits in it");
        }
        if (books.allLots) {
            known.put(INK, "every channel was filled from a bottle whose code was read");
        }
        if (books.cleanings > 0) {
            known.put(
                    PAD,
                    "room for %d %s, by the account"
                            .formatted(books.cleanings, books.cleanings == 1 ? "cleaning" : "cleanings"));
        }
        return known;
    }

    private static boolean within(@Nullable Instant then, Duration holds, Instant now) {
        return then != null && then.isAfter(now.minus(holds));
    }
}
