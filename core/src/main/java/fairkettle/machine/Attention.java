package fairkettle.machine;

import fairkettle.ink.ChannelCode;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a machine needs next: one thing, with its reason, and how soon. */
public record Attention(Kind kind, String words, String why, int urgency) {

    private static final Duration LOOK_EVERY = Duration.ofHours(24);

    /** Where the button leads. */
    public enum Kind {
        TAKE_OFF_WAIT,
        CARD,
        TOP_UP,
        CHECK,
        PLAN,
        PAD,
        CASE,
        OWED,
        PARKED,
        NOTHING
    }

    /**
     * @param readyWait a wait of this machine that is over, or null
     * @param cardStep title of the open card's next step, or null
     * @param inked whether any channel holds ink
     * @param parked whether it rests on fluid
     * @param levels of the channels that hold ink
     * @param refillAt share of a vessel at which it wants ink
     * @param sinceCheck since the last nozzle check; null if there was none
     * @param gaps missing teeth then
     * @param padFull share of the pad
     * @param owed what is due on its list, or null
     * @param ill what its open case is about, or null
     */
    public record Facts(
            @Nullable String readyWait,
            @Nullable String cardStep,
            boolean inked,
            boolean parked,
            List<Level> levels,
            double refillAt,
            @Nullable Duration sinceCheck,
            int gaps,
            double padFull,
            @Nullable String owed,
            @Nullable String ill) {}

    public record Level(ChannelCode channel, double share) {}

    public static Attention of(Facts facts) {
        if (facts.readyWait() != null) {
            return new Attention(
                    Kind.TAKE_OFF_WAIT,
                    facts.readyWait().substring(0, 1).toUpperCase(Locale.ROOT)
                            + facts.readyWait().substring(1)
                            + " is over",
                    "It has waited long enough; what comes next can begin.",
                    90);
        }
        if (facts.cardStep() != null) {
            return new Attention(
                    Kind.CARD,
                    facts.cardStep(),
                    "It stands open on its card. Ink that stands still is what clogs.",
                    70);
        }
        if (!facts.inked()) {
            return new Attention(Kind.PLAN, "Plan its first fill", "It was never inked.", 20);
        }
        if (facts.parked()) {
            return new Attention(
                    Kind.PARKED,
                    "At rest on fluid",
                    "A damp cap once a month is all it wants. Wake it when there is work.",
                    0);
        }
        if (facts.ill() != null) {
            return new Attention(Kind.CASE, "Go on with its case", "It is ill: %s.".formatted(facts.ill()), 65);
        }
        if (facts.padFull() >= 0.8) {
            return new Attention(
                    Kind.PAD,
                    "Get a new waste pad",
                    "The pad is %.0f %% full; a full one refuses cleanings.".formatted(facts.padFull() * 100),
                    60);
        }
        var low = lowest(facts.levels());
        if (low.isPresent() && low.get().share() < facts.refillAt()) {
            return new Attention(
                    Kind.TOP_UP,
                    "Top up " + low.get().channel(),
                    "%s stands at %.0f %% of its tank; below the refill line a cleaning may draw air."
                            .formatted(low.get().channel(), low.get().share() * 100),
                    50);
        }
        if (facts.sinceCheck() == null || facts.sinceCheck().compareTo(LOOK_EVERY) > 0) {
            return new Attention(
                    Kind.CHECK,
                    "Nozzle check",
                    facts.sinceCheck() == null
                            ? "Nobody has looked yet."
                            : "The last look was %s ago.".formatted(told(facts.sinceCheck())),
                    facts.gaps() > 0 ? 45 : 40);
        }
        if (facts.gaps() > 0) {
            return new Attention(
                    Kind.CHECK,
                    "Look again: %s".formatted(facts.gaps() == 1 ? "1 gap" : facts.gaps() + " gaps"),
                    "Gaps that stand are dried; gaps that move are air.",
                    42);
        }
        if (facts.owed() != null) {
            return new Attention(Kind.OWED, facts.owed(), "It is on the list of what is owed, and due.", 30);
        }
        return new Attention(Kind.NOTHING, "Nothing now", "Looked at, filled, whole.", 0);
    }

    private static Optional<Level> lowest(List<Level> levels) {
        return levels.stream().min(Comparator.comparingDouble(Level::share));
    }

    private static String told(Duration since) {
        return since.toHours() < 48 ? since.toHours() + " h" : since.toDays() + " days";
    }
}
