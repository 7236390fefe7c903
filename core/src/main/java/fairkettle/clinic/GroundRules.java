package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What the advice never breaks. A person may do otherwise; then it is recorded, not refused. */
public final class GroundRules {

    private static final double POWER_RESERVE = 3; // mL that stay above what a power cleaning pulls
    private static final int POWER_MOST = 2;
    private static final int HEAD_WORK_MOST = 3;
    private static final int LOOK_AGAIN_MOST = 2;
    private static final Duration DAYS_OF_CHECKS = Duration.ofHours(24);

    private GroundRules() {}

    /** @return why this must not be advised now; empty if it may */
    public static Optional<String> against(Treatment treatment, Set<ChannelCode> channels, Progress so) {
        var situation = so.situation();
        if (so.parted()) {
            return Optional.of("The plate has parted: nothing helps this head any more.");
        }
        if (treatment.costsInk() && !so.simpleKnown()) {
            return Optional.of("Level, vent, valve, seating, family and pad come first.");
        }
        if (treatment != Treatment.LOOK_AGAIN && so.lookDue()) {
            return Optional.of("A check comes first: nobody knows what the last act did.");
        }
        if (situation.never().contains(treatment)) {
            return Optional.of("Left out by the shop’s school.");
        }
        if (!situation.builtFor(treatment)) {
            return Optional.of(
                    switch (treatment) {
                        case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> "There is no cartridge to reach.";
                        case DRAW_AT_WASTE_LINE -> "The waste line cannot be reached on this machine.";
                        case FLUSH_LINE ->
                            "Nothing can be taken off the end of its lines, and fluid would run into the tank. Renew"
                                    + " the ink instead.";
                        case HEAD_OUT -> "Its user cannot take this head out.";
                        default -> "This machine is not built for that.";
                    });
        }
        return Optional.ofNullable(
                switch (treatment) {
                    case CLEANING ->
                        so.cleaningsInARow() >= situation.inARow()
                                ? "%d cleanings in a row: rest first, more only pulls air."
                                        .formatted(so.cleaningsInARow())
                                : tooLittle(situation.ink().cleaning(), so)
                                        ? "Too little ink for a cleaning."
                                        : so.padRoom()
                                                        < situation
                                                                .takes(treatment, 0)
                                                                .pad()
                                                ? "The pad has no room for a cleaning."
                                                : null;
                    case POWER_CLEANING ->
                        so.times(Treatment.CLEANING) + so.times(Treatment.PURGE_SHEET) == 0
                                ? "A power cleaning needs a reason: smaller things first."
                                : tooLittle(situation.ink().powerCleaning() + POWER_RESERVE, so)
                                        ? "Tanks are below what a power cleaning needs."
                                        : so.padRoom()
                                                        < situation
                                                                .takes(treatment, 0)
                                                                .pad()
                                                ? "The pad has no room for a power cleaning."
                                                : so.times(treatment) >= POWER_MOST
                                                        ? "Two power cleanings are enough."
                                                        : null;
                    case AGITATE ->
                        channels.stream().allMatch(ChannelCode::white) ? null : "Only white settles so fast.";
                    case RENEW ->
                        channels.stream()
                                        .allMatch(c -> so.threads().contains(c)
                                                || so.offColour().contains(c))
                                ? null
                                : "No thread was seen and no foreign colour: renewing would throw good ink away.";
                    case NEW_DAMPER ->
                        channels.stream().anyMatch(c -> so.times(treatment, c) > 0)
                                ? "It was changed already."
                                : starved(so, channels);
                    case FLUSH_LINE -> starved(so, channels);
                    case LOOK_AGAIN ->
                        so.times(treatment) >= LOOK_AGAIN_MOST
                                ? "It was looked at twice: what is wrong lies elsewhere. Treat what is believed."
                                : null;
                    case DRAW_AT_INLET -> headWork(so, channels);
                    case HEAD_OUT -> {
                        if (so.times(treatment) > 0) {
                            yield "The head was out already.";
                        }
                        if (so.times(Treatment.SOAK) + so.times(Treatment.SOAK_OVERNIGHT) == 0 || !stationDone(so)) {
                            yield "Before a head comes out: soak, and care of cap and wiper.";
                        }
                        yield so.took().compareTo(DAYS_OF_CHECKS) < 0
                                ? "Before a head comes out: checks over a day at least."
                                : null;
                    }
                    case PURGE_SHEET,
                            REST_SHORT,
                            REST_LONG,
                            SOAK,
                            SOAK_OVERNIGHT,
                            WIPE,
                            FLUSH_CAP,
                            NEW_CAP,
                            DRAW_AT_CARTRIDGE,
                            PUSH_AT_VENT,
                            DRAW_AT_WASTE_LINE -> null;
                });
    }

    /** Whether this is not to be done to a channel in this case any more, whatever else is done before. */
    static boolean everAgainst(Treatment treatment, ChannelCode code, Progress so) {
        return switch (treatment) {
            case RENEW -> !so.threads().contains(code) && !so.offColour().contains(code);
            case NEW_DAMPER -> so.times(treatment, code) > 0 || !so.starved().contains(code);
            case FLUSH_LINE -> !so.starved().contains(code) && !code.white();
            case DRAW_AT_INLET -> so.times(treatment, code) >= HEAD_WORK_MOST;
            case POWER_CLEANING -> so.times(treatment) >= POWER_MOST || noRoom(treatment, so);
            case CLEANING -> noRoom(treatment, so);
            case HEAD_OUT -> so.times(treatment) > 0;
            case LOOK_AGAIN -> so.times(treatment) >= LOOK_AGAIN_MOST;
            case AGITATE -> !code.white();
            default -> false;
        };
    }

    private static boolean noRoom(Treatment treatment, Progress so) {
        return so.padRoom() < so.situation().takes(treatment, 0).pad();
    }

    /** A check asks for so little ink that it says nothing of a filter. */
    private static @Nullable String starved(Progress so, Set<ChannelCode> channels) {
        return channels.stream().allMatch(c -> so.starved().contains(c) || c.white())
                ? null
                : "No sheet has faded yet: lay one down first. A damper is changed for what starves.";
    }

    private static boolean stationDone(Progress so) {
        return so.times(Treatment.WIPE) + so.times(Treatment.FLUSH_CAP) + so.times(Treatment.NEW_CAP) > 0;
    }

    private static @Nullable String headWork(Progress so, Set<ChannelCode> channels) {
        if (so.gainedByHand()) {
            return "Half was gained: stop forcing, let the machine finish the cure.";
        }
        if (channels.stream().anyMatch(c -> so.times(Treatment.DRAW_AT_INLET, c) >= HEAD_WORK_MOST)) {
            return "Three draws through the inlet are enough.";
        }
        if (so.times(Treatment.CLEANING) + so.times(Treatment.DRAW_AT_WASTE_LINE) == 0) {
            return "Before the inlet is touched: a cleaning or a draw at the waste line.";
        }
        return so.times(Treatment.SOAK) + so.times(Treatment.SOAK_OVERNIGHT) == 0 || !stationDone(so)
                ? "Before the inlet is touched: a soak, and care of cap and wiper."
                : null;
    }

    private static boolean tooLittle(double mL, Progress so) {
        return so.situation().channels().stream().anyMatch(p -> so.level(p.code()) < mL);
    }
}
